import { subDays } from 'date-fns';
import type { Db } from '../database';
import { keepPath, setWalks } from '../paths';
import { keepTunes, type NewTune } from '../tunes';
import { demoId } from './demoId';

/** Made-up tunes, with the grooves of the shelf that fit them. */
const DEMO_TUNES: NewTune[] = [
  {
    title: 'Morning ferry',
    tempo: 66,
    meter: '4/4',
    feel: 'straight',
    part: 'Plain for two verses; the crash on 1 of the last.',
    grooves: ['Slow crossing', 'Even planks'],
  },
  {
    title: 'Nets in the wind',
    tempo: 84,
    meter: '4/4',
    feel: 'straight',
    part: 'Soft until the voices come in.',
    grooves: ['Slow crossing', 'Towline'],
  },
  {
    title: 'The long landing',
    tempo: 88,
    meter: '4/4',
    feel: 'shuffle',
    part: 'Stop on 4 before each refrain.',
    grooves: ['Gangway shuffle', 'Harbour shuffle'],
  },
  {
    title: 'Seven to the light',
    tempo: 152,
    meter: '7/8 (2+2+3)',
    feel: 'straight',
    part: 'The bell on 1, nothing else in the bridge.',
    grooves: ['Seven planks'],
  },
  {
    title: 'Lamps at low water',
    tempo: 96,
    meter: '4/4',
    feel: 'straight',
    part: 'Ghosts under the verse, none under the refrain.',
    grooves: ['Lantern ghosts', 'Ghost ferry'],
  },
  {
    title: 'Fog on the reeds',
    tempo: 78,
    meter: '4/4',
    feel: 'straight',
    part: '',
    grooves: ['Reed beds'],
  },
  {
    title: 'Last boat home',
    tempo: 56,
    meter: '4/4',
    feel: 'swing',
    part: 'Brushes if you have them.',
    grooves: ['Night mooring'],
  },
];

/** Grooves in order, with the tempo and the clean takes that pass each; and who walks them. */
const DEMO_PATHS = [
  {
    name: 'From the pier to open water',
    walkers: ['Pim Aldersey', 'Wendla Osterby', 'Noor Tavish'],
    steps: [
      ['First oar', 66, 1],
      ['Slow crossing', 66, 2],
      ['Even planks', 72, 2],
      ['Reed beds', 78, 2],
      ['Backbeat at the boathouse', 84, 2],
    ],
  },
  {
    name: 'Sixteenths without hurry',
    walkers: ['Jonte Brackwater'],
    steps: [
      ['Sixteen ropes', 72, 2],
      ['The a before', 72, 2],
      ['Between the planks', 76, 2],
      ['Lantern ghosts', 92, 3],
    ],
  },
] satisfies { name: string; walkers: string[]; steps: [groove: string, goal: number, takes: number][] }[];

/** Tunes, and paths with who walks them: what plans and suggestions are found from, beside takes. */
export async function fillComesNext(db: Db, now: Date, teacher: { id: string; workshop_id: string }): Promise<void> {
  await keepTunes(
    db,
    teacher,
    DEMO_TUNES.map((tune) => ({ ...tune, grooves: tune.grooves.map(demoId) })),
  );
  for (const { name, walkers, steps } of DEMO_PATHS) {
    const id = demoId(`path ${name}`);
    await keepPath(db, teacher, {
      id,
      name,
      saveNumber: 0,
      steps: steps.map(([groove, goal, passTakes]) => ({
        grooveId: demoId(String(groove)),
        goal: Number(goal),
        passTakes: Number(passTakes),
      })),
    });
    for (const walker of walkers) await setWalks(db, teacher, { pathId: id, studentId: demoId(walker), walks: true });
    await db.query('update path_student set put_at = $2 where path_id = $1', [id, subDays(now, 14)]);
  }
}
