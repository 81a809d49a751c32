import { subDays } from 'date-fns';
import { readChartText } from '@/core/chart/text/chartText';
import type { ChartForm } from '@/core/documents/chart';
import { sentence } from '@/core/result';
import type { Db } from '../database';
import { keepPath, setWalks } from '../paths';
import { keepChart } from '../tuneCharts';
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

/** Charts of tunes as they are typed, with the grooves of the shelf their sections play. */
const DEMO_CHARTS: { tune: string; text: string; plays: Record<string, string> }[] = [
  {
    tune: 'Morning ferry',
    text: 'straight, quarter at 66; intro 4, rest, p; verse 8, 2 times, mp, hits: 1, & of 2 in bar 8; refrain 8, mf, hits: long 1, hits: short 4, & of 4 in bar 4, swell to f over 2 in bar 7; tag 2, f, hits: 1, hold 3 by a half note in bar 2',
    plays: { verse: 'Slow crossing', refrain: 'Even planks' },
  },
  {
    tune: 'The long landing',
    text: 'shuffle at 88; intro 4, rest; A 6, 2 times, sign, mf, hits: let of 4 in bar 6, to coda, first ending 2, second ending 2, hits: 1, short let of 2 in bar 2; B 8, f, half-time shuffle, same in bar 2, hits: & of 2 in bar 8, say heads up in bar 7; solo 4, shuffle, solo 4, D.S. al Coda; coda 4, coda, swell to ff over 4, hits: 1, let of 1, 3 in bar 3, hold 1 by a whole note in bar 4',
    plays: { A: 'Gangway shuffle' },
  },
  {
    tune: 'Lamps at low water',
    text: `swing at 132
intro 8, rest, p
A 8, 2 times, hits: & of 4 in bar 8, say look up in bar 8
six 8 6/8, quarter = dotted 8th, straight, swell to f over 4 in bar 5
B 12 4/4, dotted 8th = quarter, half-time shuffle, sign, f, hits: let of 4 in bar 2, same in bar 3, hits: trip of 3, 4, let of 4 in bar 12, to coda
C 3 5/4, straight, hits: 1, & of 3, 4 times, ending 1-3: 1, ending 4: 2, hits: 5, a of 5 in bar 2
D 6 4/4, shuffle, 2 times, first ending 4, hits: 1, let of 1, let of 2, second ending 2
E 8, 4 times
F 4 3/4, 8th triplet = 16th, straight, hits: 1, a of 3, 6 times
G 1 4/4, 16th = 8th triplet, shuffle, hits: 1, D.S. al Coda
coda 8, coda, ff, hits: 1, let of 1, 3, swell to mp over 4 in bar 5
out 7 6/8, quarter = dotted 8th, straight, swell to pp over 7, hits: 1, & of 1, 4 in bar 7, hold 6 by a dotted quarter in bar 7`,
    plays: { D: 'Harbour shuffle', E: 'Harbour shuffle' },
  },
];

/** A chart as it is typed, its sections playing these grooves. */
function chartTyped(text: string, plays: Record<string, string>): ChartForm {
  const read = readChartText(text);
  if (!read.ok) throw new Error(sentence(read.problems[0]));
  return {
    ...read.value,
    sections: read.value.sections.map((section) => ({
      ...section,
      ...(plays[section.name] && { groove: demoId(plays[section.name]!) }),
    })),
  };
}

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
  const { rows } = await db.query<{ id: string; title: string }>('select id, title from tune where workshop_id = $1', [
    teacher.workshop_id,
  ]);
  for (const { tune, text, plays } of DEMO_CHARTS) {
    const id = demoId(`chart ${tune}`);
    const kept = await keepChart(db, teacher, {
      tune: rows.find(({ title }) => title === tune)!.id,
      from: 0,
      form: chartTyped(text, plays),
      id,
    });
    if (!kept.ok) throw new Error(sentence(kept.problems[0]!));
  }
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
