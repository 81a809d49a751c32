import type { Bar, Groove, Stroke } from '@/core/groove/groove';
import { slotsOfBar, type Cell } from '@/core/grid/cells';
import type { Height, Limb, Ornament, Surface } from '@/core/groove/limbs';
import { parseMeter, type Reading } from '@/core/grid/meter';
import type { Level } from '@/core/limits';

/**
 * How the grooves that ship are written down in these files. A line is one limb on one surface, a letter a slot: .
 * nothing, g ghost, t tap, A accent, f tap with a flam, F accent with a flam, d tap with a drag, 2 double of taps, b
 * buzz. Bars are parted by |, blanks are for reading.
 */
export type Line = [limb: Limb, surface: Surface, slots: string];

export interface Written {
  title: string;
  level: Level;
  meter: string;
  reading?: Reading;
  tempo: number;
  swing?: Groove['swing'];
  /** Parts of each count, the same in every bar; a pair is a tuplet of so many parts over so many counts. */
  parts: (number | [parts: number, counts: number])[];
  tags: string[];
  lean?: Groove['lean'];
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

/** The groove that was written down. Throws when a line does not fit its bars: these are our own. */
export const grooveOf = (written: Written): Groove => ({
  version: 1,
  title: written.title,
  reading: written.reading ?? 'numbers',
  tempo: written.tempo,
  ...(written.swing && { swing: written.swing }),
  ...(written.lean && { lean: written.lean }),
  bars: barsOf(written),
});

/** A line's letters placed on the slots of each bar. */
function barsOf({ meter, reading = 'numbers', parts, lines, title }: Written): Bar[] {
  const parsed = parseMeter(meter);
  if (!parsed.ok) throw new Error(`${title}: ${parsed.problems[0]!.say}`);
  const cells: Cell[] = parts.map((each) =>
    typeof each === 'number' ? { counts: 1, parts: each } : { counts: each[1], parts: each[0] },
  );
  const slots = slotsOfBar(parsed.value, reading, cells);
  const count = lines[0]![2].split('|').length;
  return Array.from({ length: count }, (_, bar) => ({
    meter: parsed.value,
    cells,
    strokes: lines.flatMap(([limb, surface, text]) => {
      const letters = [...(text.split('|')[bar] ?? '')].filter((letter) => letter !== ' ');
      if (letters.length !== slots.length)
        throw new Error(`${title}, ${limb}, bar ${bar + 1}: ${letters.length} letters for ${slots.length} slots`);
      return letters.flatMap((letter, index): Stroke[] => {
        if (letter === '.') return [];
        const [height, ornament] = LETTERS[letter]!;
        return [{ limb, surface, at: slots[index]!.at, height, ...(ornament && { ornament }) }];
      });
    }),
  }));
}
