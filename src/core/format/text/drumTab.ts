import { labelsOf } from '../../counting/labels';
import type { School } from '../../counting/schools';
import { slotsOfBar } from '../../grid/cells';
import { meterInWords } from '../../grid/meter';
import type { Bar, Groove, Stroke } from '../../groove/groove';
import type { Height, Ornament, Surface } from '../../groove/limbs';
import { equal } from '../../time/fraction';

/** What stands before the line of a surface, from the top of the page down. */
export const TAB_LINES = {
  CC: ['crash'],
  HH: ['closed hat', 'open hat'],
  RD: ['ride'],
  RB: ['ride bell'],
  T1: ['high tom'],
  T2: ['mid tom'],
  FT: ['floor tom'],
  SN: ['snare'],
  CS: ['cross-stick'],
  RS: ['rim'],
  PD: ['pad'],
  CL: ['clap'],
  BD: ['kick'],
  HF: ['hat pedal'],
} as const satisfies Record<string, readonly Surface[]>;
export type TabLine = keyof typeof TAB_LINES;
const LINES = Object.keys(TAB_LINES) as TabLine[];
const lineOf = (surface: Surface): TabLine =>
  LINES.find((line) => (TAB_LINES[line] as readonly Surface[]).includes(surface))!;

/** Ornaments by their letters; a large one is accented. */
export const TAB_ORNAMENTS: Record<string, Ornament> = { f: 'flam', d: 'drag', r: 'double', z: 'buzz' };

const ROUND: readonly TabLine[] = ['T1', 'T2', 'FT', 'SN', 'PD', 'BD'];

/** The letter of a stroke: a round head or a cross, or its ornament, large for an accent; g for a ghost. */
function letterOf({ surface, height, ornament }: Pick<Stroke, 'surface' | 'ornament'> & { height: Height }): string {
  const named = Object.entries(TAB_ORNAMENTS).find(([, one]) => one === ornament)?.[0];
  if (height === 'ghost' && !named) return 'g';
  const isRound = surface === 'open hat' || ROUND.includes(lineOf(surface));
  const letter = named ?? (isRound ? 'o' : 'x');
  return height === 'accent' ? letter.toUpperCase() : letter;
}

function headOf({ tempo, swing, reading, bars }: Groove): string {
  const swung = swing && `swing ${swing.value}s ${swing.ratio}`;
  return [meterInWords(bars[0]!.meter), `${tempo} a minute`, reading === 'pulse' && 'in pulses', swung]
    .filter(Boolean)
    .join(', ');
}

/**
 * A groove as plain text: a line for each surface, a column for each place of the grid, the counts above in the words
 * of a school, which say how many places each count has. `readDrumTab` reads it again.
 */
export function drumTabOf(groove: Groove, school: School): string {
  const used = LINES.filter((line) =>
    groove.bars.some(({ strokes }) => strokes.some(({ surface }) => lineOf(surface) === line)),
  );
  const blockOf = (bar: Bar, index: number): string => {
    const columns = slotsOfBar(bar.meter, groove.reading, bar.cells);
    const said = labelsOf(bar, groove.reading, school);
    // A number of two digits stands by its last one.
    const counts = columns.map(
      ({ at }) =>
        said
          .find((one) => equal(one.at, at))
          ?.say.replace(/^\d(?=\d)/, '')
          .slice(0, 1) || '.',
    );
    const lines = used.map((line) => {
      const letters = columns.map(({ at }) => {
        const struck = bar.strokes.find(({ surface, at: there }) => lineOf(surface) === line && equal(there, at));
        return struck ? letterOf(struck) : '-';
      });
      return `${line}|${letters.join('')}|`;
    });
    const before = groove.bars[index - 1];
    const isNew = before && meterInWords(before.meter) !== meterInWords(bar.meter);
    return [...(isNew ? [meterInWords(bar.meter)] : []), `   ${counts.join('')}`, ...lines].join('\n');
  };
  return `${[groove.title, headOf(groove), '', groove.bars.map(blockOf).join('\n\n'), '', KEY].join('\n')}\n`;
}

const KEY =
  'x o struck, g ghost, HH o open, f flam, d drag, r double, z buzz, large ones accented; HF is the foot on the hat.';
