import { notFound } from 'next/navigation';
import { connection } from 'next/server';

/** The parts of the screens beside each other, in both themes. In development only: elsewhere there is no such page. */
export default async function GalleryPage() {
  await connection();
  if (process.env.NODE_ENV !== 'development') notFound();
  const { Gallery } = await import('./Gallery');
  return <Gallery />;
}
