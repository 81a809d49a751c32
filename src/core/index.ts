/**
 * The face of the core: what anybody outside it calls to work with grooves, charts, takes and practice. A name here
 * changes only with a line in the changelog; `index.test.ts` runs an example of each. The application itself imports
 * by file, so that a page carries no more than it uses.
 *
 * Positions are exact fractions of a whole note, times milliseconds (`Ms`), tempos beats a minute (`Bpm`). What a user
 * can get wrong comes back as `{ ok: false, problems }`, each with a code, path, place, words and remedy; what a
 * programmer got wrong is thrown.
 */

/** `Result<T>`: `{ ok: true, value }` or `{ ok: false, problems }`; a problem in one line with its remedy. */
export { sentence, type Problem, type Result } from './result';

/** A stored groove of any version, checked; `writeGroove` gives the JSON that is stored. */
export { readGroove, writeGroove } from './documents/groove';
export type { Groove } from './groove/groove';
/** A stored take of any version: what was to be played and every hit, in milliseconds from the first bar. */
export { readTake, writeTake, type Take } from './documents/take';

/** The syllables of each school of counting; the first is the usual one. */
export { SCHOOLS, type School } from './counting/schools';
/** What stands on a groove after a phrase ("kick on 1 and 3"), said back in plain words; refused whole or not at all. */
export { sayOn } from './phrase/say';
/** A groove moved by a length in whole notes, its limbs given; a groove in other note values. */
export { displace, rerate } from './groove/transform';

/** What is played as a list of bars: rounds or passages of a groove at a tempo, with click and count-in. */
export { formOf, type Form, type Plan } from './form/form';
/** When each click, stroke and word of a form sounds: `at` exact, `ms` from the first bar, the count-in below 0. */
export { schedule } from './schedule/schedule';
export type { Schedule } from './schedule/timed';
/** The click by name: on every count, on 2 and 4, thinning out. */
export { CLICK_PLANS, type ClickPlan } from './time/clickPlan';

/** A chart as it is typed ("intro 4, A 8, 2 times"), or what of it is not understood and at which letters. */
export { readChartText } from './chart/text/chartText';
/** The bars of a chart really played, repeats and jumps followed; a problem where they never end. */
export { unroll } from './chart/play/unroll';
/** The same in words, a line a stretch and the whole length. */
export { barsInWords } from './wording/barsInWords';

/** The families of drills, and the rule a family makes when nothing is chosen. */
export { FAMILIES, familyNamed } from './drill/registry';
export { usualRule } from './drill/rule';
/** The exercises of a rule, as many as it asks for, in its order; the same rule gives the same drill. */
export { makeDrill } from './drill/drill';

/** Which hit was which stroke, figures by limb and place in milliseconds, and one verdict, as data. */
export { judge } from './judging/verdict/judge';
export type { Judgement } from './judging/types/judgement';
/** A verdict as it is read: what to fix, what that rests on, what to practise. */
export { verdictInWords } from './wording/verdictInWords';

/** A kit learnt from a recording of each surface; every stroke of a recording of one channel; a take with its hits. */
export { findStrokes, learnKit, type Kit } from './hearing/index';
export { transcribeTake } from './hearing/take/transcribeTake';
/** A groove from what was played in: hits in, a groove and the doubtful ones out. */
export { grooveFromPlaying } from './transcribe/fromPlaying';
/** What a player with given faults strikes of a form: hits in milliseconds, the same for the same seed. */
export { simulateKit } from './simulate/simulatedKit';

/** A practice for so many minutes, from what there is to do. */
export { planDay } from './plan/dayPlan';

/** A groove out of a file of any kind that is read, and into one of any kind that is written. */
export { readGrooveFile } from './format/grooveFileIn';
export { grooveFile } from './format/grooveFile';
export { GROOVE_FILES, type GrooveFile } from './format/grooveFileKinds';
/** A form as a MIDI file, 6720 ticks a quarter. */
export { midiOf } from './format/midi/midiOut';
