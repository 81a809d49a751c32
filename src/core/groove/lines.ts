import { fail, ok } from '../result';
import { barLength, barStarts } from '../grid/meter';
import { add, compare, less, type WholeNotes } from '../time/fraction';
import type { Bpm, Ms } from '../time/units';
import { MOST_LEAN } from '../limits';
import { type Bar, type Groove, type Technique } from './groove';
import { type Limb, type Surface } from './limbs';
import { turnFor } from './kit';
import type { Region } from './region';
import { type Answer, type Transformed } from './transformed';
import { problem } from '../result';

/** Right and left hand change lines. */
export const mirrorHands = (groove: Groove): Transformed => ({
  groove: turnFor(groove, 'open-handed'),
  say: 'Right and left hand have changed lines.',
});

/** Hands uncrossed: in bars where the right hand reaches over to the hat, the hands change lines. */
export function openHanded(groove: Groove): Answer {
  const crosses = (bar: Bar) =>
    bar.strokes.some(
      ({ limb, surface }) => limb === 'right hand' && (surface === 'closed hat' || surface === 'open hat'),
    );
  if (!groove.bars.some(crosses))
    return fail(
      problem(
        'hands-uncrossed',
        'The right hand is not on the hat, so the hands do not cross.',
        'Move its line to the hat first.',
      ),
    );
  const mirrored = mirrorHands(groove).groove;
  const bars = groove.bars.map((bar, index) => (crosses(bar) ? mirrored.bars[index]! : bar));
  return ok({
    groove: { ...groove, bars },
    say: 'Open-handed: the left hand is on the hat, the right hand on the snare.',
  });
}

/** Lays a limb behind (+) or pushes it ahead (−) by whole milliseconds, at most 40; 0 sets it on the beat. */
export function leanLimb(groove: Groove, limb: Limb, ms: Ms): Answer {
  if (!Number.isInteger(ms) || Math.abs(ms) > MOST_LEAN)
    return fail(
      problem('no-lean', `${ms} ms is no lean.`, `Choose whole milliseconds from −${MOST_LEAN} to ${MOST_LEAN}.`, {
        ms,
        most: MOST_LEAN,
      }),
    );
  const { lean: _, ...plain } = groove;
  const { [limb]: __, ...others } = groove.lean ?? {};
  const lean = ms === 0 ? others : { ...others, [limb]: ms };
  const say =
    ms === 0
      ? `The ${limb} plays on the beat.`
      : `The ${limb} is ${ms > 0 ? 'laid' : 'pushed'} ${Math.abs(ms)} ms ${ms > 0 ? 'behind' : 'ahead'}.`;
  return ok({ groove: Object.keys(lean).length ? { ...plain, lean } : plain, say });
}

/** The whole kit turned round for a left-handed player. */
export const turnKit = (groove: Groove): Transformed => ({
  groove: turnFor(groove, 'left-handed'),
  say: 'Hands and feet have changed sides, as on a left-handed kit.',
});

/** Only these limbs are kept. */
export function keepLimbs(groove: Groove, limbs: readonly Limb[]): Transformed {
  const bars = groove.bars.map((bar) => ({ ...bar, strokes: bar.strokes.filter(({ limb }) => limbs.includes(limb)) }));
  return {
    groove: { ...groove, bars },
    say: `Only the ${limbs.join(' and the ')} ${limbs.length === 1 ? 'is' : 'are'} left.`,
  };
}

/** A limb's whole line on another surface. */
export function moveLine(groove: Groove, limb: Limb, surface: Surface): Transformed {
  const bars = groove.bars.map((bar) => ({
    ...bar,
    strokes: bar.strokes.map((stroke) => (stroke.limb === limb ? { ...stroke, surface } : stroke)),
  }));
  return { groove: { ...groove, bars }, say: `The ${limb} plays its line on the ${surface}.` };
}

/**
 * Accents on the strokes of a limb, or on those of a stretch, by a pattern that repeats over them: true is an accent,
 * the others are taps.
 */
export function accentPattern(
  groove: Groove,
  limb: Limb,
  pattern: readonly boolean[],
  within?: Pick<Region, 'from' | 'to'>,
): Answer {
  if (!pattern.length || !pattern.includes(true))
    return fail(
      problem('no-accents', 'A pattern without an accent changes nothing to hear.', 'Set at least one accent.'),
    );
  let stroke = 0;
  const starts = barStarts(groove.bars.map(({ meter }) => barLength(meter)));
  const counts = (bar: number, at: WholeNotes) => {
    const from = add(starts[bar]!, at);
    return !within || (!less(from, within.from) && less(from, within.to));
  };
  const bars = groove.bars.map((bar, index) => ({
    ...bar,
    strokes: bar.strokes
      .toSorted((a, b) => compare(a.at, b.at))
      .map((each) =>
        each.limb === limb && counts(index, each.at)
          ? { ...each, height: pattern[stroke++ % pattern.length] ? ('accent' as const) : ('tap' as const) }
          : each,
      ),
  }));
  if (!stroke) return fail(problem('limb-silent', `The ${limb} plays nothing here.`, 'Choose a limb that plays.'));
  const accents = pattern.filter(Boolean).length;
  return ok({ groove: { ...groove, bars }, say: `The ${limb} accents ${accents} in ${pattern.length}.` });
}

/** Pins a technique to a limb ("heel down"), or takes it off. */
export function setTechnique(groove: Groove, limb: Limb, technique: Technique | undefined): Groove {
  const { technique: before, ...plain } = groove;
  const { [limb]: _, ...others } = before ?? {};
  const all = technique ? { ...others, [limb]: technique } : others;
  return Object.keys(all).length ? { ...plain, technique: all } : plain;
}

/** The technique of a limb at a tempo: above its own tempo the faster word holds. Both schools; never a rule. */
export function techniqueAt(groove: Pick<Groove, 'technique'>, limb: Limb, bpm: Bpm): string | undefined {
  const technique = groove.technique?.[limb];
  return technique?.faster && bpm > technique.faster.above ? technique.faster.word : technique?.word;
}
