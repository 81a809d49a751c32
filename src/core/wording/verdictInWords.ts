import type { School } from '../counting/schools';
import type { FaultFound, Practice, ReportWords, Verdict } from '../documents/verdict';
import type { ClickPlanName } from '../time/clickPlan';
import type { Ms } from '../time/units';
import { verdictForChildren } from './verdictForChildren';
import { countsInWords, judgedPlaceInWords, opening, stepInWords } from './phrases';

/** A verdict as it is read: what to fix, what that rests on, and what to practise. */
export interface VerdictInWords {
  say: string;
  evidence: string;
  practise: string;
  /** What comes after it, where a second fault was heard. */
  next?: string;
}

const ms = (value: Ms) => `${Math.round(Math.abs(value))} ms`;
const lateOrEarly = (value: Ms) => (value > 0 ? 'late' : 'early');

/** A verdict in the school of counting of whoever reads it, and in figures or plain words. */
export function verdictInWords(verdict: Verdict, school: School, report: ReportWords = 'figures'): VerdictInWords {
  const { practise, next } = verdict;
  const said = (fault: FaultFound) =>
    report === 'figures' ? sayAndEvidence(fault, practise, school) : verdictForChildren(fault, practise, school);
  const [say, evidence] = said(verdict);
  return {
    say,
    evidence,
    practise: practiceInWords(practise),
    ...(next && { next: said(next)[0] }),
  };
}

function practiceInWords({ limbs, isWholeTask, step, bpm, click }: Practice): string {
  const named = isWholeTask ? 'all limbs of the task' : limbs.join(' and ');
  return `${opening(step === 'all limbs' ? 'all limbs together' : named)} at ${bpm}, ${CLICK_WORDS[click] ?? `click on ${click}`}.`;
}

/** Plans that are no place the click falls on. */
const CLICK_WORDS: Partial<Record<ClickPlanName, string>> = {
  'thin out and back': 'to a click that thins out and comes back',
  '2 bars on, 2 silent': 'two bars with the click and two without',
  silent: 'without a click',
};

function sayAndEvidence(
  { about, numbers, limb, place }: FaultFound,
  practise: Practice,
  school: School,
): [string, string] {
  // Every kind of verdict brings its own numbers; one that is missing is 0.
  const n = (name: string) => numbers[name] ?? 0;
  const wouldPass = `${ms(n('toleranceMs'))} would pass at this level.`;
  switch (about) {
    case 'not heard':
      return ['Played while nothing listened.', 'It is in the log with its tempo and its length, and is not judged.'];
    case 'nothing heard':
      return [
        n('extra') ? 'None of the hits fell near a stroke of the groove.' : 'No stroke was heard.',
        `${n('due')} strokes were due, ${n('extra')} hits came.`,
      ];
    case 'missed':
      return [
        `${limb ? `The ${limb} leaves` : 'You leave'} strokes out${place ? `, most often ${judgedPlaceInWords(place, school)}` : ''}.`,
        limb
          ? `${n('missedOfLimb')} of ${n('dueOfLimb')} of its strokes were missed, ${n('missed')} of ${n('due')} in all.`
          : `${n('missed')} of ${n('due')} strokes were missed.`,
      ];
    case 'extra':
      return limb
        ? [
            `The ${limb} strikes where nothing is written.`,
            `${n('extraOfLimb')} of ${n('extra')} extra hits are its own, beside ${n('due')} strokes due.`,
          ]
        : [
            'More is struck than is written.',
            `${n('extra')} hits belong to no stroke, beside ${n('due')} strokes due.`,
          ];
    case 'drift': {
      const percent = n('percent');
      return [
        `The tempo ${percent > 0 ? 'runs ahead of' : 'drags behind'} the click from beginning to end.`,
        `${percentInWords(percent)} % ${percent > 0 ? 'fast' : 'slow'}: ${ms(n('overMs'))} over the take; ` +
          `round that trend the spread is ${ms(n('spreadMs'))}.`,
      ];
    }
    case 'off-beats':
      return [
        `What falls between the counts comes ${ms(n('byMs'))} ${lateOrEarly(n('byMs'))}.`,
        `On average over ${n('strokes')} strokes, against those on the counts; ${wouldPass}`,
      ];
    case 'limb':
      return [
        `The ${limb} comes ${ms(n('byMs'))} ${n('byMs') > 0 ? 'after' : 'before'} the other limbs.`,
        `On average over ${n('strokes')} strokes; ${wouldPass}`,
      ];
    case 'place':
      return [
        `${opening(place ? judgedPlaceInWords(place, school) : 'a place')} in the ${limb} ` +
          `comes ${ms(n('meanMs'))} ${lateOrEarly(n('meanMs'))}.`,
        `${n('strokes')} times, spread ${ms(n('spreadMs'))}; ${wouldPass}`,
      ];
    case 'behind or ahead': {
      const isSteady = n('spreadMs') <= n('toleranceMs');
      return [
        `The whole take sits ${ms(n('meanMs'))} ${n('meanMs') > 0 ? 'behind' : 'ahead of'} the click.`,
        `The spread is ${ms(n('spreadMs'))}${isSteady ? ', so it is steady' : ', so it is uneven as well'}; ` +
          'if it is the same on every take, it is the device’s delay.',
      ];
    }
    case 'spread':
      return [
        'The strokes are uneven: they fall now early, now late.',
        `Spread ${ms(n('spreadMs'))}${limb ? `, widest in the ${limb} (${ms(n('spreadOfLimbMs'))})` : ''}; ${wouldPass}`,
      ];
    case 'limb uneven':
      return [
        `The ${limb} is uneven: its strokes fall now early, now late.`,
        `Its spread is ${ms(n('spreadMs'))} over ${n('strokes')} strokes; ${wouldPass}`,
      ];
    case 'swing':
      return n('byMs') > 0
        ? ['The swing is too straight.', `Its off-beats come ${ms(n('byMs'))} before where they swing; ${wouldPass}`]
        : ['The swing is too wide.', `Its off-beats come ${ms(n('byMs'))} after where they swing; ${wouldPass}`];
    case 'switch':
      return [
        `After each change of rate the first ${n('moments') > 1 ? 'notes come' : 'note comes'} ${ms(n('byMs'))} ${lateOrEarly(n('byMs'))}.`,
        `On average over ${n('strokes')} strokes; ${wouldPass}`,
      ];
    case 'phrase':
      return [
        `Within every ${n('bars')} bars the tempo ${n('byMs') > 0 ? 'runs ahead' : 'drags'}, then it is caught up.`,
        `${ms(n('byMs'))} from the beginning of a phrase to its end; ${wouldPass}`,
      ];
    case 'doubles':
      if (n('weakDb'))
        return [
          'The second stroke of the doubles is weak.',
          `It is ${n('weakDb').toFixed(1)} dB softer than the first over ${n('strokes')} doubles; ${n('passesDb')} dB are not noticed.`,
        ];
      return [
        `The second stroke of the doubles comes ${ms(n('byMs'))} ${lateOrEarly(n('byMs'))}.`,
        `On average over ${n('strokes')} of them; ${wouldPass}`,
      ];
    case 'shifted':
      return [
        `Everything comes ${countsInWords(n('counts'))} ${lateOrEarly(n('meanMs'))}.`,
        n('ambiguous')
          ? `${ms(n('meanMs'))}. The line is so even that another place would explain it as well: listen for the 1.`
          : `${ms(n('meanMs'))} ${lateOrEarly(n('meanMs'))} all through, with a spread of ${ms(n('spreadMs'))}.`,
      ];
    case 'bars left out':
      return n('bars')
        ? [
            `${n('bars') === 1 ? 'A bar was' : `${n('bars')} bars were`} left out, from bar ${n('from')} on.`,
            `${n('strokes')} strokes were due there.`,
          ]
        : [
            `From bar ${n('from')} on it goes on ${Math.abs(n('later')) === 1 ? 'a bar' : `${Math.abs(n('later'))} bars`} ${n('later') > 0 ? 'late' : 'early'}.`,
            'What was played fits what was due then.',
          ];
    case 'displaced':
      return [
        `In bar ${n('bar')} the ${limb} plays its figure ${Math.abs(n('slots')) === 1 ? 'a slot' : `${Math.abs(n('slots'))} slots`} ${n('slots') > 0 ? 'late' : 'early'}.`,
        `${n('strokes')} of its strokes fit there.`,
      ];
    case 'flam':
      return [
        n('gapMs') < n('leastMs')
          ? 'The flams are flat: grace and stroke fall together.'
          : 'The flams are too wide: they are heard as two.',
        `The grace comes ${ms(n('gapMs'))} before its stroke over ${n('flams')} flams; ${n('leastMs')} to ${n('mostMs')} ms are heard as one.`,
      ];
    case 'accents':
      return [
        `The ${limb ?? 'hand'} plays accents hardly louder than the rest.`,
        `${n('distanceDb').toFixed(1)} dB apart over ${n('accents')} accents; ${n('wantedDb')} dB are heard at once.`,
      ];
    case 'apart':
      return [
        `Written together, the ${limb} lands ${n('byMs') ? `${ms(n('byMs'))} ${n('byMs') > 0 ? 'after' : 'before'} the others` : 'apart from the others'}.`,
        n('byMs')
          ? `On average over ${n('strokes')} strokes, alone it is on time; ${wouldPass}`
          : `Its spread is ${ms(n('spreadMs'))} over ${n('strokes')} strokes with others, alone it is steady; ${wouldPass}`,
      ];
    case 'loudness':
      return [
        `The loudness of the ${limb ?? 'strokes'} wanders: strokes that should be alike are not.`,
        `Strokes of the same height differ by ${n('spreadDb').toFixed(1)} dB over ${n('strokes')} strokes; ${n('passesDb')} dB would pass at this level.`,
      ];
    case 'clean':
      return [
        `Nothing to fix at this tempo: ${stepInWords(practise)}.`,
        `${n('strokes')} strokes, ${ms(n('meanMs'))} ${lateOrEarly(n('meanMs'))} on average, ` +
          `spread ${ms(n('spreadMs'))}; ${wouldPass}`,
      ];
  }
}

/** One place behind the point, two where that would be nothing. */
const percentInWords = (percent: number): string => Math.abs(percent).toFixed(Math.abs(percent) < 0.1 ? 2 : 1);
