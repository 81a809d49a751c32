import type { School } from '../counting/schools';
import type { FaultFound, Practice } from '../documents/verdict';
import { countsInWords, judgedPlaceInWords, opening, stepInWords } from './phrases';

/**
 * What a verdict says in words that a nine-year-old understands: no milliseconds, no decibels, no percent. How far off
 * something was is said against what passes at the level.
 */
export function verdictForChildren(
  fault: FaultFound,
  practise: Practice,
  school: School,
): [say: string, evidence: string] {
  const { about, numbers, limb, place } = fault;
  const n = (name: string) => numbers[name] ?? 0;
  const by = (of: number) => `${howFar(of, n('toleranceMs'))} too ${of > 0 ? 'late' : 'early'}`;
  const strokes = `Heard in ${n('strokes')} strokes.`;
  switch (about) {
    case 'not heard':
      return ['You played, and nothing listened.', 'It is in the log.'];
    case 'nothing heard':
      return ['I heard nothing that belongs to this groove.', 'Check what listens, then play once more.'];
    case 'missed':
      return [
        `${limb ? `The ${limb} forgets` : 'You forget'} strokes${place ? `, most of all ${judgedPlaceInWords(place, school)}` : ''}.`,
        limb
          ? `${n('missedOfLimb')} of its ${n('dueOfLimb')} strokes were not there.`
          : `${n('missed')} of ${n('due')} strokes were not there.`,
      ];
    case 'extra':
      return [
        `${limb ? `The ${limb} plays` : 'You play'} strokes that are not written.`,
        `${n('extraOfLimb')} of them.`,
      ];
    case 'drift':
      return n('percent') > 0
        ? ['You get faster and faster.', 'At the end you are ahead of the click.']
        : ['You get slower and slower.', 'At the end you are behind the click.'];
    case 'off-beats':
      return [`What lies between the counts is ${by(n('byMs'))}.`, 'The counts themselves are better.'];
    case 'limb':
      return [`The ${limb} is ${by(n('byMs'))}.`, 'The other limbs are better together.'];
    case 'place':
      return [
        `${opening(place ? judgedPlaceInWords(place, school) : 'one place')} in the ${limb} is ${by(n('meanMs'))}.`,
        `It was so in ${n('strokes')} rounds, one with another.`,
      ];
    case 'behind or ahead':
      return [
        `Everything is ${by(n('meanMs'))}.`,
        'If it is so every time, it may be the device and not you: ask your teacher.',
      ];
    case 'spread':
      return ['Your strokes are not even: some come early, some late.', 'Play slower, and listen to the click.'];
    case 'limb uneven':
      return [`The ${limb} is not even: some strokes come early, some late.`, 'The other limbs are steadier.'];
    case 'swing':
      return n('byMs') > 0
        ? ['It does not swing enough.', 'The short note comes too early.']
        : ['It swings too much.', 'The short note comes too late.'];
    case 'switch':
      return [`When the notes change, the first one is ${by(n('byMs'))}.`, strokes];
    case 'phrase':
      return [
        `In every ${n('bars')} bars you ${n('byMs') > 0 ? 'run ahead' : 'fall behind'}, then catch up.`,
        'Listen to the click at the end of each phrase.',
      ];
    case 'doubles':
      return n('weakDb')
        ? ['The second stroke of your doubles is too soft.', strokes]
        : [`The second stroke of your doubles is ${by(n('byMs'))}.`, strokes];
    case 'apart':
      return [`The ${limb} does not land together with the others.`, 'Alone it is fine.'];
    case 'loudness':
      return [`The ${limb ?? 'hand'} is now loud, now soft.`, 'Strokes that should be alike are not.'];
    case 'shifted':
      return [
        `Everything comes ${countsInWords(n('counts'))} too ${n('counts') > 0 ? 'late' : 'early'}.`,
        'Listen for the 1.',
      ];
    case 'bars left out':
      return n('bars')
        ? [
            `${n('bars') === 1 ? 'One bar was' : `${n('bars')} bars were`} missing, from bar ${n('from')} on.`,
            `${n('strokes')} strokes were not there.`,
          ]
        : [`From bar ${n('from')} on you are in another bar than the click.`, 'Count the bars aloud.'];
    case 'displaced':
      return [`In bar ${n('bar')} the ${limb} slipped to another place.`, strokes];
    case 'flam':
      return n('gapMs') < n('leastMs')
        ? ['Your flams sound like one stroke.', 'The small stroke has to come a little before the big one.']
        : ['Your flams sound like two strokes.', 'The small stroke has to come nearer to the big one.'];
    case 'accents':
      return [
        `The ${limb ?? 'hand'} plays accents hardly louder than the rest.`,
        'Lift the stick higher for an accent.',
      ];
    case 'clean':
      return [
        `Nothing to fix here: ${stepInWords(practise)}.`,
        `${n('strokes')} strokes heard, and nothing is off again and again.`,
      ];
  }
}

function howFar(ms: number, toleranceMs: number): string {
  const times = Math.abs(ms) / (toleranceMs || 1);
  if (times < 1.2) return 'a little';
  return times < 2.5 ? 'clearly' : 'far';
}
