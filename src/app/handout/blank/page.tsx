import { BlankSheet } from '@/features/handouts/BlankSheet';
import { blankOptions } from '@/features/handouts/blank';
import { canMakePdf } from '@/server/pdf';
import { requirePerson } from '@/server/session';
import { askedOnce } from '@/ui/asked';

export const metadata = { title: 'Blank sheet' };

interface BlankPageProps {
  searchParams: Promise<Record<string, string | string[]>>;
}

export default async function BlankPage({ searchParams }: BlankPageProps) {
  const who = await requirePerson();
  return (
    <BlankSheet
      options={blankOptions(await askedOnce<string>(searchParams))}
      school={who.school}
      workshop={who.workshop}
      hasPdf={canMakePdf()}
    />
  );
}
