import { z } from 'zod';
import { writeGroove } from '@/core/documents/groove';
import { keepGrooveAction } from '@/features/bench/actions';
import { weaknessAsked, type AskedOfDrills } from '@/features/drills/asked';
import { DrillMaker } from '@/features/drills/DrillMaker';
import { drills } from '@/server/drills';
import { grooves } from '@/server/grooves';
import { students } from '@/server/people';
import { asPerson, requireTeacher } from '@/server/session';

export const metadata = { title: 'Drills' };

export default async function DrillsPage({
  searchParams,
}: {
  searchParams: Promise<AskedOfDrills & { groove?: string }>;
}) {
  const teacher = await requireTeacher();
  const asked = await searchParams;
  const { kept, all, pupils } = await asPerson(async (db) => ({
    kept: await drills(db),
    all: await grooves(db),
    pupils: await students(db),
  }));
  const library = all
    .filter(({ archived, drill }) => !archived && !drill)
    .map(({ id, groove }) => ({ id, groove: writeGroove(groove) }));
  const wanted = z.uuid().safeParse(asked.groove).data;
  const groove = all.find(({ id }) => id === wanted)?.groove;
  return (
    <DrillMaker
      // Asked for something else, it begins anew.
      key={JSON.stringify(asked)}
      school={teacher.school}
      limits={teacher.settings.limits}
      toBench={keepGrooveAction}
      kept={kept}
      students={pupils.map(({ id, name }) => ({ id, name }))}
      library={library}
      groove={groove && writeGroove(groove)}
      weakness={weaknessAsked(asked)}
    />
  );
}
