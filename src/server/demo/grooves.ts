import type { Bar, Groove, Stroke } from '@/core/groove/document';
import { slotsOfBar, type Cell } from '@/core/groove/grid';
import type { Height, Limb, Ornament, Surface } from '@/core/groove/limbs';
import { parseMeter, type Reading } from '@/core/time/meter';
import type { Level } from '@/core/take/figures';

/**
 * The eight grooves of the demo workshop, which also start the shelf of a new one. A line is one limb
 * on one surface, a letter a slot: . nothing, g ghost, t tap, A accent, f tap with a flam, F accent with
 * a flam, d tap with a drag, 2 double of taps, b buzz. Bars are parted by |, blanks are for reading.
 */
type Line = [limb: Limb, surface: Surface, slots: string];

interface Written {
  title: string;
  level: Level;
  meter: string;
  reading?: Reading;
  tempo: number;
  swing?: Groove['swing'];
  /** Parts of each count, the same in every bar. */
  parts: number[];
  lines: Line[];
}

const LETTERS: Record<string, [Height, Ornament?]> = {
  g: ['ghost'],
  t: ['tap'],
  A: ['accent'],
  f: ['tap', 'flam'],
  F: ['accent', 'flam'],
  d: ['tap', 'drag'],
  2: ['tap', 'double'],
  b: ['tap', 'buzz'],
};

const WRITTEN: Written[] = [
  {
    title: 'Slow crossing',
    level: 'first year',
    meter: '4/4',
    tempo: 72,
    parts: [2, 2, 2, 2],
    lines: [
      ['right hand', 'closed hat', 'At At At At'],
      ['left hand', 'snare', '.. A. .. A.'],
      ['right foot', 'kick', 'A. .. At ..'],
    ],
  },
  {
    title: 'Reed beds',
    level: 'first year',
    meter: '3/4',
    tempo: 84,
    parts: [2, 2, 2],
    lines: [
      ['right hand', 'ride', 'At tt tt'],
      ['left hand', 'cross-stick', '.. t. t.'],
      ['right foot', 'kick', 'A. .. .t'],
      ['left foot', 'hat pedal', '.. t. t.'],
    ],
  },
  {
    title: 'Ferry ramp',
    level: 'second year',
    meter: '4/4',
    tempo: 80,
    parts: [4, 4, 3, 4],
    lines: [
      ['right hand', 'closed hat', 'A.t. A.t. Att A.t.'],
      ['left hand', 'snare', '.g.. A..g ..g A...'],
      ['right foot', 'kick', 'A..t .... t.. ..t.'],
      ['left foot', 'hat pedal', '.... t... ... t...'],
    ],
  },
  {
    title: 'Gangway shuffle',
    level: 'second year',
    meter: '4/4',
    tempo: 96,
    swing: { value: '8th', ratio: '2' },
    parts: [2, 2, 2, 2],
    lines: [
      ['right hand', 'ride', 'At At At At'],
      ['left hand', 'snare', '.g Ag .g Ag'],
      ['right foot', 'kick', 'A. .t A. .t'],
      ['left foot', 'hat pedal', '.. t. .. t.'],
    ],
  },
  {
    title: 'Seven planks',
    level: 'second year',
    meter: '7/8 (2+2+3)',
    tempo: 176,
    parts: [1, 1, 1, 1, 1, 1, 1],
    lines: [
      ['right hand', 'closed hat', 'A t A t A t t'],
      ['left hand', 'snare', '. . A . . . A'],
      ['right foot', 'kick', 'A . . t A . .'],
    ],
  },
  {
    title: 'Night mooring',
    level: 'advanced',
    meter: '12/8',
    reading: 'pulse',
    tempo: 58,
    parts: [3, 3, 3, 3],
    lines: [
      ['right hand', 'closed hat', 'Att Att Att Att'],
      ['left hand', 'snare', '... A.g ... A..'],
      ['right foot', 'kick', 'A.. ..t A.t ...'],
      ['left foot', 'hat pedal', '... t.. ... t..'],
    ],
  },
  {
    title: 'Lantern ghosts',
    level: 'advanced',
    meter: '4/4',
    tempo: 92,
    parts: [4, 4, 4, 4],
    lines: [
      ['right hand', 'closed hat', 'A.t. A.t. A.t. A.t. | A.t. A.t. A.t. A...'],
      ['left hand', 'snare', '.g.g A..g .g.g A..g | .g.g A..g .g.. A...'],
      ['right foot', 'kick', 'A..t ..t. .t.. ..t. | A..t ..t. ..t. ....'],
      ['left foot', 'hat pedal', '.... .... .... .... | .... .... .... ..t.'],
    ],
  },
  {
    title: 'Rope and pulley',
    level: 'advanced',
    meter: '4/4',
    tempo: 76,
    parts: [4, 4, 4, 4],
    lines: [
      ['right hand', 'floor tom', 'A... ..t. A... ..2.'],
      ['left hand', 'snare', '..g. F... ..d. F...'],
      ['right foot', 'kick', 'A... ..t. A.t. ....'],
      ['left foot', 'hat pedal', 't... t... t... t...'],
    ],
  },
];

/** A line's letters placed on the slots of each bar. Throws when a line does not fit: these are our own. */
function barsOf({ meter, reading = 'numbers', parts, lines, title }: Written): Bar[] {
  const parsed = parseMeter(meter);
  if (!parsed.ok) throw new Error(`${title}: ${parsed.problems[0]!.say}`);
  const cells: Cell[] = parts.map((each) => ({ counts: 1, parts: each }));
  const slots = slotsOfBar(parsed.value, reading, cells);
  const count = lines[0]![2].split('|').length;
  return Array.from({ length: count }, (_, bar) => ({
    meter: parsed.value,
    cells,
    strokes: lines.flatMap(([limb, surface, text]) => {
      const letters = [...(text.split('|')[bar] ?? '')].filter((letter) => letter !== ' ');
      if (letters.length !== slots.length) throw new Error(`${title}, ${limb}, bar ${bar + 1}: ${letters.length} letters for ${slots.length} slots`);
      return letters.flatMap((letter, index): Stroke[] => {
        if (letter === '.') return [];
        const [height, ornament] = LETTERS[letter]!;
        return [{ limb, surface, at: slots[index]!.at, height, ...(ornament && { ornament }) }];
      });
    }),
  }));
}

export const STARTER_GROOVES: { groove: Groove; level: Level }[] = WRITTEN.map((written) => ({
  level: written.level,
  groove: {
    version: 1,
    title: written.title,
    reading: written.reading ?? 'numbers',
    tempo: written.tempo,
    ...(written.swing && { swing: written.swing }),
    bars: barsOf(written),
  },
}));
