import { slotsOfBar } from '../grid/cells';
import type { Groove, Stroke } from '../groove/groove';
import { type Surface } from '../groove/limbs';
import { labels } from '../count/labels';
import type { School } from '../count/schools';
import { equal } from '../time/fraction';

/** What stands before the line of a surface. */
const LINES: Record<Surface, string> = {
  crash: 'CC',
  'closed hat': 'HH',
  'open hat': 'HH',
  ride: 'RD',
  'ride bell': 'RB',
  'high tom': 'T1',
  'mid tom': 'T2',
  'floor tom': 'FT',
  snare: 'SN',
  'cross-stick': 'CS',
  rim: 'RS',
  pad: 'PD',
  clap: 'CL',
  kick: 'BD',
  'hat pedal': 'HF',
};
/** From the top of the page down. */
const ORDER = [...new Set(Object.values(LINES))];

const ROUND: readonly Surface[] = ['high tom', 'mid tom', 'floor tom', 'snare', 'kick', 'pad'];

/** The letter of a stroke: a round head or a cross, large for an accent, g for a ghost, or the name of its ornament. */
function letterOf({ surface, height, ornament }: Stroke): string {
  if (ornament) return { flam: 'f', drag: 'd', double: 'D', buzz: 'b' }[ornament];
  if (height === 'ghost') return 'g';
  if (surface === 'open hat') return height === 'accent' ? 'O' : 'o';
  const plain = ROUND.includes(surface) ? 'o' : 'x';
  return height === 'accent' ? plain.toUpperCase() : plain;
}

/**
 * A groove as plain text: a line for each surface, a column for each place of the grid, the counts above in the words of a school,
 * which say how many places each count has.
 */
export function drumTabOf(groove: Groove, school: School): string {
  const used = ORDER.filter((line) =>
    groove.bars.some(({ strokes }) => strokes.some(({ surface }) => LINES[surface] === line)),
  );
  const width = 2;
  const head = [`${groove.title}`, `${groove.tempo} a minute${groove.swing ? `, swing ${groove.swing.value}s` : ''}`];
  const blocks = groove.bars.map((bar) => {
    const columns = slotsOfBar(bar.meter, groove.reading, bar.cells);
    const said = labels(bar.meter, groove.reading, bar.cells, school);
    const counts = columns.map(({ at }) => said.find((one) => equal(one.at, at))?.say.slice(0, 1) || '.').join('');
    const lines = used.map((line) => {
      const letters = columns.map(({ at }) => {
        const struck = bar.strokes.find((one) => LINES[one.surface] === line && equal(one.at, at));
        return struck ? letterOf(struck) : '-';
      });
      return `${line.padEnd(width)}|${letters.join('')}|`;
    });
    return [`${' '.repeat(width)} ${counts}`, ...lines].join('\n');
  });
  return `${[...head, '', blocks.join('\n\n'), '', KEY].join('\n')}\n`;
}

const KEY =
  'x o struck, X O accented, g ghost, HH o open, f flam, d drag, D double, b buzz; HF is the foot on the hat.';
