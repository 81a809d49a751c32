import { usualSurface } from './kit';
import { fail } from '../result';
import { cycleOf } from '../grid/cycle';
import { add, compare, less, ZERO } from '../time/fraction';
import { barLength } from '../grid/meter';
import { NOTE_VALUES, valuesInWords, type NoteValue } from '../time/noteValue';
import { MOST_BARS } from '../limits';
import { type Groove } from './groove';
import type { Limb } from './limbs';
import { lengthOf, strokesOf, type FreeStroke } from './place';
import { inBars, type Answer } from './transformed';
import { problem } from '../result';

/**
 * A limb's line in one note value all through the groove, in place of what it played; the grid is divided as it must
 * be.
 */
export function dropValue(groove: Groove, limb: Limb, value: NoteValue): Answer {
  return dropLine(groove, groove.bars, limb, value, 1, `The ${limb} plays ${valuesInWords(value)}.`);
}

/**
 * A cell of so many notes over the groove, its first note an accent, until it is home on 1: the groove is
 * repeated for as many bars as that takes.
 */
export function dropCell(groove: Groove, limb: Limb, notes: number, value: NoteValue): Answer {
  const { meter } = groove.bars[0]!;
  const { bars } = cycleOf(notes, value, meter).backOnOne;
  const whole = Math.ceil(bars / groove.bars.length) * groove.bars.length;
  if (whole > MOST_BARS)
    return fail(
      problem(
        'too-many-bars',
        `It would take ${bars} bars until it is home.`,
        `A groove has at most ${MOST_BARS}. Choose fewer notes or a longer value.`,
        { bars, most: MOST_BARS },
      ),
    );
  const like = Array.from({ length: whole }, (_, index) => groove.bars[index % groove.bars.length]!);
  return dropLine(
    { ...groove, bars: like },
    like,
    limb,
    value,
    notes,
    `The ${limb} plays cells of ${notes} ${valuesInWords(value)}, home on 1 after ${bars} ${bars === 1 ? 'bar' : 'bars'}.`,
  );
}

function dropLine(
  groove: Groove,
  like: Groove['bars'],
  limb: Limb,
  value: NoteValue,
  notes: number,
  say: string,
): Answer {
  const end = lengthOf(groove);
  const surface = usualSurface(groove, limb);
  const line: FreeStroke[] = [];
  for (let at = ZERO, index = 0; less(at, end); at = add(at, NOTE_VALUES[value]), index++)
    line.push({ limb, surface, at, height: notes > 1 && index % notes === 0 ? 'accent' : 'tap' });
  const others = strokesOf(groove).filter((stroke) => stroke.limb !== limb);
  const answer = inBars(
    groove,
    [...others, ...line].sort((a, b) => compare(a.at, b.at)),
    like,
    say,
  );
  if (answer.ok || like.every(({ meter }) => compare(NOTE_VALUES[value], barLength(meter)) <= 0)) return answer;
  return fail(problem('longer-than-bar', `A ${value} is longer than the bar.`, 'Choose a shorter value.'));
}
