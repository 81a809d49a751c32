import { z } from 'zod';
import { writeGroove } from '@/core/documents/groove';
import { turnFor } from '@/core/groove/kit';
import { HearFile } from '@/features/hearing/HearFile';
import { groove, grooves } from '@/server/grooves';
import { toleranceOfPerson } from '@/server/people';
import { asPerson, requirePerson } from '@/server/session';
import { askedOnce } from '@/ui/asked';
import { readerOf } from '@/ui/reader';

export const metadata = { title: 'Hear a file' };

export default async function Hear({ searchParams }: { searchParams: Promise<{ groove?: string }> }) {
  const who = await requirePerson();
  const wanted = z.uuid().safeParse((await askedOnce(searchParams)).groove).data;
  const { library, found } = await asPerson(async (db) => ({
    library: (await grooves(db)).filter(({ archived }) => !archived),
    found: wanted && (await groove(db, wanted)),
  }));
  const content = found ? found.content : undefined;
  return (
    <HearFile
      reader={readerOf(who)}
      playerId={who.id}
      tolerance={toleranceOfPerson(who)}
      library={library.map(({ id, title }) => ({ id, title }))}
      chosen={
        // As it stands for this person's kit: that is what they play.
        wanted && content && 'groove' in content
          ? { id: wanted, groove: writeGroove(turnFor(content.groove, who.setup)) }
          : undefined
      }
    />
  );
}
