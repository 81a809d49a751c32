import { sayOn } from '../count/say';
import { SCHOOLS } from '../count/schools';
import { cellsOfDivisions } from '../grid/cells';
import type { Meter } from '../grid/meter';
import type { Groove } from '../groove/groove';
import type { FreeStroke } from '../groove/place';
import { fail, ok, type Result } from '../result';

/** Grids an ostinato is looked for in, the usual one first. */
const GRIDS = [4, 3, 6, 8, 5, 7];

/** Reads what the other limbs keep repeating as Say it reads it: "hat 8ths, kick quarters", "hat foot on 2 and 4". */
export function readOstinato(text: string, meter: Meter): Result<FreeStroke[]> {
  if (!text.trim()) return ok([]);
  const answers = GRIDS.map((parts) => {
    const cells = cellsOfDivisions(meter, 'numbers', parts);
    const empty: Groove = {
      version: 1,
      title: '',
      reading: 'numbers',
      tempo: 60,
      bars: [{ meter, cells, strokes: [] }],
    };
    return sayOn(empty, text, { school: SCHOOLS[0], limb: 'right hand' });
  });
  const found = answers.find((answer) => answer.ok);
  if (found?.ok) return ok(found.groove.bars[0]!.strokes);
  const [first] = answers;
  const { code, where, say, remedy } = (first as Extract<typeof first, { ok: false }>).problems[0]!;
  return fail({ code, path: ['ostinato'], where, say, remedy });
}
