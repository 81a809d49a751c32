import { SCHOOLS, type School } from '../counting/schools';
import type { Subject } from '../documents/listening';
import { oneExercise } from '../drill/drill';
import { familyNamed } from '../drill/registry';
import { usualRule } from '../drill/rule';
import { saidBar } from '../drill/said';
import { placesInWords } from '../form/exercises';
import { formOf, inTurn, type Form } from '../form/form';
import { cellsOfDivisions, slotsOfBar } from '../grid/cells';
import type { Groove } from '../groove/groove';
import type { Limb } from '../groove/limbs';
import { barsFrom } from '../groove/place';
import { displace, stretch } from '../groove/transform';
import { GRACE_MS } from '../schedule/strokes';
import { schedule } from '../schedule/schedule';
import type { Schedule } from '../schedule/timed';
import { CLICK_PLANS, type ClickPlan } from '../time/clickPlan';
import { frac, negate } from '../time/fraction';
import { valuesInWords } from '../time/noteValue';
import type { Bpm, Ms } from '../time/units';
import { RATES, type Rate } from '../drill/families/rates';

/**
 * What is asked on a rung: what may be answered, and what sounds when it is that. `vary` from 0 to 1 changes what
 * stays the same.
 */
interface Asking {
  choices: readonly string[];
  sound: (choice: string, vary: number) => Schedule;
}

/** A thing to be told by ear, easier or harder by rung, from 0. */
interface SubjectOf {
  asks: string;
  /** Why it is worth hearing, in a sentence. */
  trains: string;
  on: (rung: number) => Asking;
  words?: (choice: string, school: School) => string;
}

const FOUR = { beats: 4, unit: 4 } as const;

/** A bar that is said, round and round. Throws where it cannot be: a programmer's mistake. */
function said(text: string, tempo: Bpm, change: Partial<Groove> = {}): Groove {
  const bar = saidBar(text, FOUR, 'right hand');
  const bars = bar.ok && barsFrom(bar.value, [{ meter: FOUR }], 'numbers');
  if (!bars) throw new Error(`“${text}” is not a bar`);
  return { version: 1, title: '', reading: 'numbers', tempo, bars, ...change };
}

const form = (groove: Groove, rounds: number, click: ClickPlan = CLICK_PLANS.counts, countIn = 1): Form =>
  formOf({ groove, bpm: groove.tempo, rounds, click, countIn });

const silent = { kind: 'silent' } as const;
/** One of several tempos, slower on the easier rungs. */
const tempoOf = (rung: number, vary: number, slow: Bpm, step: Bpm): Bpm => slow + rung * step + Math.round(vary * 12);

const STRAIGHT = 'straight';
const SWUNG: Record<string, string> = { 'light, 3:2': '3/2', 'triplet, 2:1': '2', 'dotted, 3:1': '3' };
const SWINGS = [
  [STRAIGHT, 'triplet, 2:1'],
  [STRAIGHT, 'triplet, 2:1', 'dotted, 3:1'],
  [STRAIGHT, 'light, 3:2', 'triplet, 2:1'],
  [STRAIGHT, 'light, 3:2', 'triplet, 2:1', 'dotted, 3:1'],
  [STRAIGHT, 'light, 3:2', 'triplet, 2:1', 'dotted, 3:1'],
];

const RATES_BY_RUNG: Rate[][] = [
  ['quarter', '8th', '16th'],
  ['8th', '8th triplet', '16th'],
  ['quarter', 'quarter triplet', '8th', '8th triplet'],
  ['quarter triplet', '8th', '8th triplet', '16th', '16th triplet'],
  ['half triplet', 'quarter', 'quarter triplet', '8th', '8th triplet', '16th', '16th triplet'],
];

/** Slots of a bar of 16ths the kick may be on: the counts, the 8ths, one count, two counts, all of them. */
const SIXTEENTHS = Array.from({ length: 16 }, (_, slot) => slot);
const KICKS = [
  SIXTEENTHS.filter((slot) => slot % 4 === 0),
  SIXTEENTHS.filter((slot) => slot % 2 === 0),
  SIXTEENTHS.slice(0, 4),
  SIXTEENTHS.slice(0, 8),
  SIXTEENTHS,
];
const SLOTS = slotsOfBar(FOUR, 'numbers', cellsOfDivisions(FOUR, 'numbers', 4));

/**
 * How far before its stroke the grace of a flam sounds: below 12 ms it is one stroke, above 45 two (see `GRACE_MS`).
 */
const FLAT: Ms[] = [0, 3, 5, 7, 8];
const WIDE: Ms[] = [110, 90, 75, 65, 58];

/** How late a limb is, in milliseconds: from what nobody misses to what is just heard. */
const LATE: Ms[] = [70, 55, 42, 34, 26];
const LIMBS_ASKED: Limb[] = ['right hand', 'left hand', 'right foot'];
const NOBODY = 'none of them';

const BACKBEAT = 'hat 8ths, snare on 2 and 4, kick on 1 and 3';
const SAME = 'as before';
/** The rest of the kit in half and double time under a hand that goes on. */
const KEPT: Record<string, string> = {
  'double-time': 'hat 8ths, snare on & of 1, & of 2, & of 3, & of 4, kick on 1 2 3 4',
  'half-time': 'hat 8ths, snare on 3, kick on 1',
};

/** Grooves whose 1 is plainer to hear or less so. */
const ONES = [
  'crash on 1, hat on 2 3 4, kick on 1',
  'hat quarters, kick on 1, snare on 3',
  'hat 8ths, kick on 1 and & of 3, snare on 2 and 4',
  'hat 8ths, kick on & of 1, & of 2, 3, snare on 2 and 4',
  'ride quarters, hat foot on 2 and 4, kick on & of 2, & of 4, snare on a of 3',
];

export const SUBJECT_OF: Readonly<Record<Subject, SubjectOf>> = {
  'straight or swung': {
    asks: 'How are the 8ths played?',
    trains: 'How long the first of two 8ths is against the second.',
    on: (rung) => ({
      choices: SWINGS[rung]!,
      sound: (choice, vary) => {
        const ratio = SWUNG[choice];
        const groove = said(BACKBEAT, tempoOf(rung, vary, 84, 14));
        return schedule(form(ratio ? { ...groove, swing: { value: '8th', ratio } } : groove, 2));
      },
    }),
  },
  'which rate': {
    asks: 'Which notes are played to the click?',
    trains: 'How many notes go into a count, or over it.',
    words: (choice) => valuesInWords(choice as Rate),
    on: (rung) => ({
      choices: RATES_BY_RUNG[rung]!,
      sound: (choice, vary) => {
        const goal = tempoOf(rung, vary, 66, 4);
        const rule = usualRule(familyNamed('rates')!, {
          params: {
            from: choice,
            to: RATES.find((rate) => rate !== choice),
            way: 'to and fro',
            bars: 1,
            surface: 'pad',
          },
          ostinato: '',
          goal,
        });
        return schedule(form(exercise(rule, 0), 2));
      },
    }),
  },
  'where the kick is': {
    asks: 'Where is the kick?',
    trains: 'Which of the sixteen places a stroke is on.',
    words: (choice, school) => {
      const at = SLOTS[Number(choice)]!.at;
      return placesInWords(said('hat 16ths', 60), 0, [at], school);
    },
    on: (rung) => ({
      choices: KICKS[rung]!.map(String),
      sound: (choice, vary) => {
        const rule = usualRule(familyNamed('placement')!, { ostinato: 'hat 8ths', goal: tempoOf(rung, vary, 60, 4) });
        return schedule(form(exercise(rule, Number(choice)), 2));
      },
    }),
  },
  flam: {
    asks: 'How is the flam?',
    trains: 'Whether grace and stroke are heard as one, as a flam, or as two.',
    words: (choice) => ({ flat: 'flat: as one', right: 'right', wide: 'wide: as two' })[choice] ?? choice,
    on: (rung) => ({
      choices: ['flat', 'right', 'wide'],
      sound: (choice, vary) => {
        const gap = { flat: FLAT[rung]!, right: GRACE_MS, wide: WIDE[rung]! }[choice]!;
        const groove = said('snare flam on 1 2 3 4', tempoOf(0, vary, 60, 0));
        return graced(schedule(form(groove, 2, silent)), gap);
      },
    }),
  },
  'which limb is late': {
    asks: 'Which limb is late?',
    trains: 'Which of three limbs drags behind the others.',
    on: (rung) => ({
      choices: [...LIMBS_ASKED, NOBODY],
      sound: (choice, vary) => {
        const groove = said('hat 8ths, snare on 2 and 4, kick on 1 2 3 4', tempoOf(0, vary, 80, 0));
        const limb = LIMBS_ASKED.find((one) => one === choice);
        return schedule(form(limb ? { ...groove, lean: { [limb]: LATE[rung]! } } : groove, 2));
      },
    }),
  },
  'double-time or half-time': {
    asks: 'How do the last two bars go?',
    trains: 'Whether the backbeat comes twice as often or half as often, whatever the hat does.',
    on: (rung) => ({
      choices: [SAME, 'double-time', 'half-time'],
      sound: (choice, vary) => {
        const groove = said(BACKBEAT, tempoOf(rung, vary, 84, 8));
        // On the easier rungs the hat goes with it; on the others it keeps its 8ths.
        const changed = rung < 2 ? stretched(groove, choice) : underTheSameHat(groove, choice);
        const click = rung < 1 ? CLICK_PLANS.counts : silent;
        const rounds = Math.max(1, Math.round(2 / changed.bars.length));
        return schedule(inTurn([form(groove, 2, click), form(changed, rounds, click)]));
      },
    }),
  },
  'where the 1 is': {
    asks: 'On which count did it begin?',
    trains: 'Hearing the 1 without being told where it is.',
    words: (choice) => `count ${choice}`,
    on: (rung) => ({
      choices: ['1', '2', '3', '4'],
      sound: (choice, vary) => {
        const groove = said(ONES[rung]!, tempoOf(0, vary, 84, 0));
        const counts = frac(Number(choice) - 1, 4);
        const moved = displace(groove, negate(counts), ['right hand', 'left hand', 'right foot', 'left foot']);
        if (!moved.ok) throw new Error(moved.problems[0]!.say);
        return schedule(form(moved.value.groove, 4, silent, 0));
      },
    }),
  },
};

/** A choice in the words of somebody's school. */
export const choiceInWords = (subject: Subject, choice: string, school: School = SCHOOLS[0]): string =>
  SUBJECT_OF[subject].words?.(choice, school) ?? choice;

function exercise(rule: Parameters<typeof oneExercise>[0], index: number): Groove {
  const groove = oneExercise(rule, index);
  if (!groove.ok) throw new Error(groove.problems[0]!.say);
  return groove.value;
}

function stretched(groove: Groove, choice: string): Groove {
  if (choice === SAME) return groove;
  const made = stretch(groove, choice === 'half-time' ? 2 : '1/2');
  if (!made.ok) throw new Error(made.problems[0]!.say);
  return made.value.groove;
}

const underTheSameHat = (groove: Groove, choice: string): Groove =>
  choice === SAME ? groove : said(KEPT[choice]!, groove.tempo);

/** The same with every grace so long before its stroke. */
const graced = (timed: Schedule, gap: Ms): Schedule => ({
  ...timed,
  sounds: timed.sounds
    .map((sound) =>
      sound.kind === 'stroke' && sound.role === 'grace' ? { ...sound, ms: sound.ms + GRACE_MS - gap } : sound,
    )
    .sort((a, b) => a.ms - b.ms),
});
