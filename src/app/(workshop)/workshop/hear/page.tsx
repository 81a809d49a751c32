import { z } from 'zod';
import { writeGroove } from '@/core/documents/groove';
import { HearFile } from '@/features/hearing/HearFile';
import { groove, grooves } from '@/server/grooves';
import { asPerson, requireTeacher } from '@/server/session';
import { askedOnce } from '@/ui/asked';

export const metadata = { title: 'Hear a file' };

export default async function Hear({ searchParams }: { searchParams: Promise<{ groove?: string }> }) {
  const teacher = await requireTeacher();
  const wanted = z.uuid().safeParse((await askedOnce(searchParams)).groove).data;
  const { library, found } = await asPerson(async (db) => ({
    library: (await grooves(db)).filter(({ archived }) => !archived),
    found: wanted && (await groove(db, wanted)),
  }));
  const content = found ? found.content : undefined;
  return (
    <HearFile
      school={teacher.school}
      level="advanced"
      library={library.map(({ id, title }) => ({ id, title }))}
      chosen={
        wanted && content && 'groove' in content ? { id: wanted, groove: writeGroove(content.groove) } : undefined
      }
    />
  );
}
