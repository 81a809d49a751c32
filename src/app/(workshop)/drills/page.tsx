import { z } from 'zod';
import { writeGroove } from '@/core/documents/groove';
import { keepGrooveAction } from '@/features/bench/actions';
import { weaknessAsked, type AskedOfDrills } from '@/features/drills/asked';
import { DrillMaker } from '@/features/drills/DrillMaker';
import { drills } from '@/server/drills';
import { groove, grooves } from '@/server/grooves';
import { students } from '@/server/people';
import { asPerson, requireTeacher } from '@/server/session';
import { askedOnce } from '@/ui/asked';

export const metadata = { title: 'Drills' };

export default async function DrillsPage({
  searchParams,
}: {
  searchParams: Promise<AskedOfDrills & { groove?: string }>;
}) {
  const teacher = await requireTeacher();
  const asked = await askedOnce(searchParams);
  const wanted = z.uuid().safeParse(asked.groove).data;
  const { kept, library, found, pupils } = await asPerson(async (db) => ({
    kept: await drills(db),
    library: (await grooves(db)).filter(({ archived }) => !archived),
    found: wanted && (await groove(db, wanted)),
    pupils: await students(db),
  }));
  const content = found ? found.content : undefined;
  return (
    <DrillMaker
      // Asked for something else, it begins anew.
      key={JSON.stringify(asked)}
      school={teacher.school}
      limits={teacher.settings.limits}
      toBench={keepGrooveAction}
      kept={kept}
      students={pupils.students.map(({ id, name }) => ({ id, name }))}
      library={library.map(({ id, title }) => ({ id, title }))}
      groove={content && 'groove' in content ? writeGroove(content.groove) : undefined}
      weakness={weaknessAsked(asked)}
    />
  );
}
