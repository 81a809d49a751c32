import { sayOn } from '../phrase/say';
import { SCHOOLS } from '../counting/schools';
import { cellsOfDivisions } from '../grid/cells';
import type { Meter } from '../grid/meter';
import type { Groove } from '../groove/groove';
import type { Limb } from '../groove/limbs';
import type { FreeStroke } from '../groove/place';
import { fail, ok, problem, within, type Result } from '../result';

/** Grids a phrase is looked for in after the one that is set, the usual ones first. */
const GRIDS = [4, 3, 6, 8, 5, 7];

/** One bar as a phrase says it, read as Say it reads it, in the first grid that has all its places. */
export function saidBar(text: string, meter: Meter, limb: Limb, parts = GRIDS[0]!): Result<FreeStroke[]> {
  const answers = [parts, ...GRIDS].map((one) => {
    const cells = cellsOfDivisions(meter, 'numbers', one);
    const empty: Groove = {
      version: 1,
      title: '',
      reading: 'numbers',
      tempo: 60,
      bars: [{ meter, cells, strokes: [] }],
    };
    return sayOn(empty, text, { school: SCHOOLS[0], limb });
  });
  const found = answers.find((answer) => answer.ok);
  if (found?.ok) return ok(found.groove.bars[0]!.strokes);
  const [first] = answers;
  const { code, where, say, remedy } = (first as Extract<typeof first, { ok: false }>).problems[0]!;
  return fail({ code, path: [], where, say, remedy });
}

/** What the other limbs keep repeating: "hat 8ths, kick quarters", "hat foot on 2 and 4". */
export function readOstinato(text: string, meter: Meter): Result<FreeStroke[]> {
  if (!text.trim()) return ok([]);
  const said = saidBar(text, meter, 'right hand');
  return said.ok ? said : { ok: false, problems: within(['ostinato'], said.problems) };
}

/** A figure of so many slots, and what is struck on which of them, counted from 0. */
export interface SaidSlots {
  length: number;
  strokes: (Omit<FreeStroke, 'at'> & { slot: number })[];
}

/** More slots than these no figure has. */
const MOST_SLOTS = 32;
const LETTERS = { r: 'right hand', l: 'left hand' } as const;

/** A figure said slot by slot: "R floor tom loud, L snare, rest". Each slot is read as Say it reads it. */
export function saidSlots(text: string, limb: Limb): Result<SaidSlots> {
  const slots = text
    .split(',')
    .map((slot) => slot.trim().replace(/^[rl](?=\s|$)/i, (letter) => LETTERS[letter.toLowerCase() as 'r' | 'l']));
  if (slots.length > MOST_SLOTS)
    return fail(
      problem('too-many-slots', `A figure of ${slots.length} slots is too long.`, `Say at most ${MOST_SLOTS}.`),
    );
  const strokes: SaidSlots['strokes'] = [];
  for (const [slot, words] of slots.entries()) {
    if (/^(rest|pause|-|–)?$/i.test(words)) continue;
    const said = saidBar(`${words} on 1`, { beats: 1, unit: 4 }, limb, 1);
    if (!said.ok) {
      const { code, where, say } = said.problems[0]!;
      return fail(
        problem(code, `slot ${slot + 1}, ${where}: ${say}`, 'Say what plays there: “R floor tom loud”, or “rest”.'),
      );
    }
    strokes.push(...said.value.map(({ at: _, ...one }) => ({ ...one, slot })));
  }
  return strokes.length
    ? ok({ length: slots.length, strokes })
    : fail(problem('none', 'Nothing is struck.', 'Say it like “R floor tom loud, L snare, rest”.'));
}
