/**
 * How much a document may ask for, in one table: readers, forms and the database hold to the same numbers
 * (a test compares these with the constraints of the tables).
 */

/** The slowest and the quickest tempo that can be set, in beats a minute. */
export const SLOWEST = 20;
export const FASTEST = 300;

/** Grooves that are taken out in one archive. */
export const MOST_ZIPPED = 150;

/** Bars of a groove: a drill of 32 exercises, each four times, written out by hand. */
export const MOST_BARS = 128;
/** The farthest a limb may be laid behind (+) or pushed ahead (−) of the beat, in milliseconds. */
export const MOST_LEAN = 40;

/** Characters of what is written by hand. */
export const MOST_TITLE = 120;
export const MOST_NAME = 120;
export const MOST_PLACE = 200;
export const MOST_REASON = 400;
export const MOST_SCHOOL_NAME = 60;
export const MOST_CLICK_NAME = 60;
export const MOST_FAMILY_NAME = 40;
export const MOST_SIGN_IN_NAME = 60;

/** Tags of a groove or drill, and all their characters together. */
export const MOST_TAGS = 12;
export const MOST_TAG_CHARACTERS = 400;

/** Minutes a day that can be set to be practised. */
export const MOST_MINUTES = 120;

/** Minutes of a practice that is planned. */
export const SHORTEST_PRACTICE = 5;
export const LONGEST_PRACTICE = 120;
/** Pieces of a day's plan. */
export const MOST_PIECES = 24;
/** Steps of a path, and paths of a workshop. */
export const MOST_PATH_STEPS = 60;
/** Weeks for which a suggestion can be refused. */
export const MOST_REFUSED_WEEKS = 26;
/** Tunes of a workshop, and lines of a file that is read in. */
export const MOST_TUNES = 2000;
export const MOST_LINES_IN = 10_000;

/** Minutes of a lesson. */
export const SHORTEST_LESSON = 10;
export const LONGEST_LESSON = 240;
/** Who comes to a lesson together. */
export const MOST_IN_A_LESSON = 6;
/** Steps of a lesson, and characters of the notes on one of them. */
export const MOST_STEPS = 12;
export const MOST_STEP_NOTES = 600;
/** Characters of what a student takes home from a lesson. */
export const MOST_LESSON_WORDS = 2000;
/** Days of a holiday. */
export const MOST_HOLIDAY_DAYS = 200;

/** More than half an hour of the fastest hands there are: beyond this something is wrong with the input. */
export const MOST_HITS = 20_000;
/** Takes of one player that are kept within 24 hours: eight hours without a break, a minute each, twice over. */
export const MOST_TAKES_A_DAY = 1000;
/** 25 minutes is when a rest is due (care); a take longer than this is not one attempt any more. */
export const LONGEST_TAKE_MS = 30 * 60_000;
/** A take whose sound can be kept lasts so long at most: five minutes and a count-in. */
export const LONGEST_KEPT_MS = 5 * 60_000 + 15_000;
/** Bytes of a kept sound: five minutes as a browser compresses them, three times over. */
export const MOST_SOUND_BYTES = 10_000_000;
/** Sounds that one player keeps. */
export const MOST_SOUNDS_KEPT = 20;
/** A kept sound that nobody pinned is let go after so many days. */
export const SOUND_DAYS = 90;
/** What a kept sound is: compressed, or where a browser cannot do that, as it is. */
export const SOUND_KINDS = ['audio/webm', 'audio/wav'] as const;
export type SoundKind = (typeof SOUND_KINDS)[number];
/** Half an hour of one-bar rounds at the quickest. */
export const MOST_ROUNDS = 2000;
/** Bars that are played in one go: half an hour of them at the quickest. */
export const MOST_PLAYED_BARS = 10_000;
/** Strokes and clicks of one run: half an hour of 16ths at 200 by three limbs, with a click on each. */
export const MOST_SOUNDS = 100_000;

/** What the number of a save can be, in the database's integers. */
export const MOST_SAVES = 2 ** 31 - 2;

/** How far on somebody is, from the easiest judged: it stretches what can be heard into what is tolerated. */
export const LEVELS = ['first year', 'second year', 'advanced', 'concert'] as const;
export type Level = (typeof LEVELS)[number];

/** How far a student's level stretches what can be heard into what is tolerated. */
export const LEVEL_FACTORS: Record<Level, number> = {
  'first year': 4,
  'second year': 2.5,
  advanced: 1.5,
  concert: 1,
};
/** How far a player's errors are tolerated, in times what can be heard: from 1, all that can be heard, to so many. */
export const STRICTEST = 1;
export const MOST_TOLERANT = 8;

/** About how old somebody is: all that teaching needs to know of it. */
export const AGE_BANDS = ['under 12', '12 to 17', 'grown-up'] as const;
export type AgeBand = (typeof AGE_BANDS)[number];

/** Characters of what a student is after. */
export const MOST_GOALS = 400;

/** Strokes a second up to which a limb is comfortable, fast, at its limit; beyond that hardly anybody is. */
export type SpeedLimits = Record<'hand' | 'foot', readonly [number, number, number]>;
/** What holds where a teacher has set no others. */
export const SPEED_LIMITS: SpeedLimits = { hand: [5, 8, 10], foot: [3.5, 6, 8] };

/** Bars of what is read at sight, and seconds one may look at it before it is played. */
export const MOST_READ_BARS = 32;
export const LONGEST_LOOK_S = 120;
/** A seed is a number below this: what the database's integers hold. */
export const MOST_SEED = 2 ** 31 - 1;
/** Lines read before that a new one must not repeat. */
export const MOST_LINES_SPENT = 200;

/** Bars of a section of a chart, and of a chart as it is played with all its repeats; sections beside one another. */
export const MOST_CHART_BARS = 500;
export const MOST_UNROLLED_BARS = 5000;
export const MOST_SECTIONS = 60;
/** Exercises of a drill, and sections of a chart as they are played one after another. */
export const MOST_EXERCISES = 500;
/** Places that an exercise is said by, and hits of a section. */
export const MOST_PLACES = 256;
/** Sections within sections. */
export const DEEPEST_SECTION = 4;
