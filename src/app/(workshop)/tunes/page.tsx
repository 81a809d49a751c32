import { searchedIn } from '@/core/documents/shapes';
import { MOST_TITLE } from '@/core/limits';
import { TunesPage } from '@/features/tunes/TunesPage';
import { grooves } from '@/server/grooves';
import { asPerson, requireTeacher } from '@/server/session';
import { MOST_TUNES_SHOWN, tunes } from '@/server/tunes';
import { askedOnce } from '@/ui/asked';

export const metadata = { title: 'Tunes' };

interface TunesProps {
  searchParams: Promise<{ name?: string }>;
}

export default async function Tunes({ searchParams }: TunesProps) {
  await requireTeacher();
  const words = searchedIn((await askedOnce(searchParams)).name, MOST_TITLE);
  return asPerson(async (db) => (
    <TunesPage
      tunes={await tunes(db, { words })}
      grooves={(await grooves(db)).filter(({ archived }) => !archived).map(({ id, title }) => ({ id, title }))}
      words={words}
      most={MOST_TUNES_SHOWN}
    />
  ));
}
