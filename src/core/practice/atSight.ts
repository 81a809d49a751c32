import { readChartText } from '../chart/text/chartText';
import { writeOutChart } from '../chart/play/writeOut';
import type { SightPlan } from '../documents/sightPlan';
import type { WrittenChart } from '../documents/writtenChart';
import type { Groove } from '../groove/groove';
import { sentence } from '../result';
import { format } from '../time/fraction';
import { sightChart } from './sightChart';
import { sightLine } from './sightLine';

/** What is read at sight, written out: its bars, and of a chart the chart. */
export interface AtSight {
  groove: Groove;
  chart?: WrittenChart;
}

/** How it is called and at which tempo (beats a minute, as of a groove) it is read. */
export interface NamedSight {
  title: string;
  tempo: number;
}

/** What a seed comes to: always the same, in the browser and where it is kept. */
export function drawnAtSight(plan: SightPlan, { title, tempo }: NamedSight, seed: number): AtSight {
  if (plan.kind === 'line') return { groove: sightLine(plan, { title, tempo, seed }) };
  const read = readChartText(sightChart(plan, { tempo, seed }));
  const written = read.ok ? writeOutChart(read.value, title) : read;
  if (!written.ok) throw new Error(`A chart to be read cannot be played: ${sentence(written.problems[0]!)}`);
  return { groove: written.value.groove, chart: written.value };
}

/** What is the same to whoever reads it: where is struck and how loud, or how a chart is typed. */
function whatIsRead(plan: SightPlan, seed: number): string {
  if (plan.kind === 'chart') return sightChart(plan, { tempo: ANY_TEMPO, seed });
  const { bars } = sightLine(plan, { title: '', tempo: ANY_TEMPO, seed });
  return bars.map(({ strokes }) => strokes.map(({ at, height }) => `${format(at)} ${height}`).join()).join(';');
}

const ANY_TEMPO = 80;

/** How many seeds are tried: by then so few lines are left that one comes back. */
const MOST_DRAWN = 60;

/**
 * A seed whose line was not read before. Where the plan has hardly any other lines left, one of those may come back;
 * `draw` gives seeds.
 */
export function freshSeed(plan: SightPlan, spent: readonly number[], draw: () => number): number {
  const readBefore = new Set(spent.map((seed) => whatIsRead(plan, seed)));
  let seed = draw();
  for (let drawn = 1; drawn < MOST_DRAWN && readBefore.has(whatIsRead(plan, seed)); drawn++) seed = draw();
  return seed;
}
