import { formOfTake, type Take } from '../../documents/take';
import type { TimedStroke } from '../../schedule/timed';
import { equal } from '../../time/fraction';
import type { Judgement } from '../types/judgement';
import { placeJudged } from './verdict';
import { factsOf, limbsTogether, switchesOf } from '../faults/strokeFacts';

/** Which strokes a verdict is about, for being shown; none where it is about everything. */
export function notesOfFault(take: Take, { verdict, schedule, strokes }: Judgement): (stroke: TimedStroke) => boolean {
  const { about, limb, place } = verdict;
  const ofLimb = (stroke: TimedStroke) => !limb || stroke.limb === limb;
  if (place)
    return (stroke) => {
      if (stroke.limb !== place.limb || stroke.bar !== place.bar || stroke.role === 'grace') return false;
      const at = placeJudged(take, stroke.limb, stroke.bar, stroke.written);
      return at.count === place.count && equal({ n: at.part, d: at.parts }, { n: place.part, d: place.parts });
    };
  const form = formOfTake(take);
  const facts = factsOf(form, schedule);
  const due = strokes.map(({ stroke }) => stroke);
  switch (about) {
    case 'off-beats':
      return (stroke) => stroke.role === 'main' && !facts.isOnCount(stroke);
    case 'swing':
      return (stroke) => facts.swungMs(stroke) > 1;
    case 'switch': {
      const since = switchesOf(due, form);
      return ({ ms }) => (since.get(ms)?.moments ?? Infinity) < (verdict.numbers['moments'] ?? 1);
    }
    case 'doubles':
      return ({ role }) => role === 'second';
    case 'flam':
      return ({ ornament, role }) => ornament === 'flam' && role === 'main';
    case 'apart': {
      const together = limbsTogether(due);
      return (stroke) => ofLimb(stroke) && together(stroke.ms) > 1;
    }
    case 'limb':
    case 'limb uneven':
    case 'missed':
      return (stroke) => ofLimb(stroke) && stroke.role !== 'grace';
    case 'accents':
      return (stroke) => ofLimb(stroke) && stroke.height === 'accent';
    default:
      return () => false;
  }
}
