import type { Height, Limb, Ornament, Surface } from '../groove/limbs';
import type { NoteValue } from '../time/noteValue';

/** Words that mean no more than themselves. */
type PlainKind =
  | 'word'
  | 'of'
  | 'every'
  | 'other'
  | 'slot'
  | 'parts'
  | 'bar'
  | 'bars'
  | 'count'
  | 'comma'
  | 'semicolon'
  | 'filler'
  | 'article'
  | 'with'
  | 'in'
  | 'to'
  | 'from'
  | 'remove'
  | 'move'
  | 'copy'
  | 'like'
  | 'replace'
  | 'instead'
  | 'except'
  | 'everything'
  | 'everywhere'
  | 'offBeats'
  | 'downbeats'
  | 'backbeat'
  | 'fourOnTheFloor'
  | 'last'
  | 'one'
  | 'away'
  | 'plain'
  | 'both';

/** What a word of a phrase may mean. A `word` may be a syllable of the school. */
export type Meaning =
  | { kind: 'number'; value: number }
  | { kind: 'ordinal'; value: number }
  | { kind: 'and'; symbol: boolean }
  | { [Kind in PlainKind]: { kind: Kind } }[PlainKind]
  | { kind: 'shift'; by: 1 | -1 }
  | { kind: 'louder'; by: 1 | -1 }
  | { kind: 'limb'; limbs: readonly Limb[] }
  | { kind: 'surface'; surface: Surface }
  | { kind: 'height'; height: Height }
  | { kind: 'ornament'; ornament: Ornament }
  | { kind: 'value'; value: NoteValue }
  | { kind: 'sticking'; hands: readonly Limb[] };

/** A word of a spoken phrase, with where it stands; `glued` to the one before it when there is no blank between. */
export type Token = Meaning & { text: string; from: number; to: number; glued: boolean };
export type TokenKind = Token['kind'];

/** The words teachers say, parted by `|`, several words at most five. */
const WORDS: [phrases: string, meaning: Meaning][] = [
  ['right hand|rh|r hand|r.h.', { kind: 'limb', limbs: ['right hand'] }],
  ['left hand|lh|l hand|l.h.', { kind: 'limb', limbs: ['left hand'] }],
  ['right foot|rf|r foot', { kind: 'limb', limbs: ['right foot'] }],
  ['left foot|lf|l foot', { kind: 'limb', limbs: ['left foot'] }],
  ['both hands|hands|hands together', { kind: 'limb', limbs: ['right hand', 'left hand'] }],
  ['both feet|feet|feet together', { kind: 'limb', limbs: ['right foot', 'left foot'] }],
  ['snare|snares|snare drum|sd|sn|backbeat snare', { kind: 'surface', surface: 'snare' }],
  [
    'closed hat|closed hats|hat|hats|hi-hat|hi-hats|hihat|hihats|hi hat|hi hats|high hat|high-hat|hh|closed|close|closed hi-hat|closed hihat|closed hi hat',
    { kind: 'surface', surface: 'closed hat' },
  ],
  [
    'open hat|open hats|open|opened|open hi-hat|open hihat|open hi hat|open hh|hat open|hats open|hi-hat open|hihat open',
    { kind: 'surface', surface: 'open hat' },
  ],
  [
    'hat pedal|pedal|pedal hat|hat foot|foot hat|hi-hat foot|hihat foot|hi hat foot|hi-hat pedal|hihat pedal|foot hi-hat|hat with the foot|hi-hat with the foot|foot chick|chick',
    { kind: 'surface', surface: 'hat pedal' },
  ],
  ['ride|rides|ride cymbal|rd', { kind: 'surface', surface: 'ride' }],
  ['ride bell|bell|bell of the ride', { kind: 'surface', surface: 'ride bell' }],
  ['crash|crash cymbal|cymbal|cr', { kind: 'surface', surface: 'crash' }],
  ['high tom|hi tom|small tom|tom 1|tom one|first tom|t1|rack tom', { kind: 'surface', surface: 'high tom' }],
  ['mid tom|middle tom|tom 2|tom two|second tom|t2|tom', { kind: 'surface', surface: 'mid tom' }],
  ['floor tom|low tom|tom 3|tom three|third tom|t3|ft', { kind: 'surface', surface: 'floor tom' }],
  ['kick|kicks|kick drum|bass drum|bass|bd', { kind: 'surface', surface: 'kick' }],
  [
    'cross-stick|cross stick|stick click|side stick|side-stick|sidestick|rim click|rim-click|rimclick|xstick',
    { kind: 'surface', surface: 'cross-stick' },
  ],
  ['rim|rims|rim shot|rimshot|rim-shot', { kind: 'surface', surface: 'rim' }],
  ['pad', { kind: 'surface', surface: 'pad' }],
  ['clap|claps', { kind: 'surface', surface: 'clap' }],
  [
    'ghost|ghosts|ghosted|ghost note|ghost notes|ghost stroke|ghost strokes|soft|softly|quiet|quietly|low',
    { kind: 'height', height: 'ghost' },
  ],
  ['tap|taps|normal|normally|middle|unaccented', { kind: 'height', height: 'tap' }],
  ['accent|accents|accented|accent on|loud|loudly|hard|high|strong', { kind: 'height', height: 'accent' }],
  ['flam|flams|flammed', { kind: 'ornament', ornament: 'flam' }],
  ['drag|drags|dragged|ruff|ruffs', { kind: 'ornament', ornament: 'drag' }],
  ['double|doubles|doubled|double stroke|double strokes', { kind: 'ornament', ornament: 'double' }],
  ['buzz|buzzed|buzzes|press|press roll|buzz roll', { kind: 'ornament', ornament: 'buzz' }],
  ['plain|without ornament', { kind: 'plain' }],
  [
    'no|not|remove|delete|erase|drop|without|clear|take out|take away|take off|take|lose|leave out|minus|empty|get rid of',
    { kind: 'remove' },
  ],
  ['off|out|away', { kind: 'away' }],
  ['move|shift|push|nudge|bring|slide', { kind: 'move' }],
  ['copy|repeat', { kind: 'copy' }],
  ['like|same as|the same as|as in|equals|as', { kind: 'like' }],
  ['replace|change|swap', { kind: 'replace' }],
  ['instead of|in place of|rather than', { kind: 'instead' }],
  ['except|except for|except on|but|but not|but not on|apart from|save|other than', { kind: 'except' }],
  ['later|late|back|to the right|forward|forwards|after', { kind: 'shift', by: 1 }],
  ['earlier|early|ahead|sooner|to the left', { kind: 'shift', by: -1 }],
  ['louder', { kind: 'louder', by: 1 }],
  ['softer|quieter|soften', { kind: 'louder', by: -1 }],
  ['every|each|all|any', { kind: 'every' }],
  ['other|second one', { kind: 'other' }],
  ['slot|slots|note of the grid', { kind: 'slot' }],
  ['parts', { kind: 'parts' }],
  ['bar|measure', { kind: 'bar' }],
  ['bars|measures', { kind: 'bars' }],
  ['beat|beats|count|counts|number|numbers', { kind: 'count' }],
  ['of|after the count of', { kind: 'of' }],
  ['and|plus', { kind: 'and', symbol: false }],
  ['&|+', { kind: 'and', symbol: true }],
  ['with|by|using', { kind: 'with' }],
  ['in|into', { kind: 'in' }],
  ['to|onto', { kind: 'to' }],
  ['from', { kind: 'from' }],
  ['both', { kind: 'both' }],
  ['everything|all of it|the whole thing|it all', { kind: 'everything' }],
  ['everywhere|throughout|all through|all the way through|all the way', { kind: 'everywhere' }],
  [
    'off-beats|off-beat|offbeats|offbeat|off beats|off beat|upbeats|upbeat|up-beats|up-beat|up beats',
    { kind: 'offBeats' },
  ],
  ['downbeats|down-beats|down beats|on-beats|onbeats', { kind: 'downbeats' }],
  ['backbeat|backbeats|back beat|back beats|back-beat|back-beats', { kind: 'backbeat' }],
  ['four on the floor|four to the floor|4 on the floor|4 to the floor', { kind: 'fourOnTheFloor' }],
  ['last|final', { kind: 'last' }],
  ['first|1st', { kind: 'ordinal', value: 1 }],
  ['second|2nd', { kind: 'ordinal', value: 2 }],
  ['third|3rd', { kind: 'ordinal', value: 3 }],
  ['fourth|4th', { kind: 'ordinal', value: 4 }],
  ['last one|final one|last note|final note|last stroke', { kind: 'last' }],
  ['downbeat|down-beat', { kind: 'number', value: 1 }],
  ...(
    [
      ['one'],
      ['two'],
      ['three'],
      ['four'],
      ['five'],
      ['six'],
      ['seven'],
      ['eight'],
      ['nine'],
      ['ten'],
      ['eleven'],
      ['twelve'],
    ] as const
  ).map(([word], index): [string, Meaning] => [word, { kind: 'number', value: index + 1 }]),
  ['halves|half|half note|half notes|minims', { kind: 'value', value: 'half' }],
  ['quarters|quarter|quarter note|quarter notes|crotchets', { kind: 'value', value: 'quarter' }],
  [
    '8ths|8th|eighths|eighth|8th note|8th notes|eighth note|eighth notes|8th-notes|eighth-notes|quavers',
    { kind: 'value', value: '8th' },
  ],
  [
    '16ths|16th|sixteenths|sixteenth|16th note|16th notes|sixteenth note|sixteenth notes|16th-notes|sixteenth-notes|semiquavers',
    { kind: 'value', value: '16th' },
  ],
  [
    '32nds|32nd|thirty-seconds|thirty-second|thirty-second notes|32nd note|32nd notes|thirty seconds',
    { kind: 'value', value: '32nd' },
  ],
  [
    'triplets|triplet|8th triplets|8th triplet|eighth triplets|eighth triplet|8th note triplets|eighth note triplets|eighth-note triplets|triplet 8ths|triplet eighths',
    { kind: 'value', value: '8th triplet' },
  ],
  [
    'quarter triplets|quarter triplet|quarter note triplets|quarter-note triplets|triplet quarters',
    { kind: 'value', value: 'quarter triplet' },
  ],
  [
    'sextuplets|sextuplet|16th triplets|16th triplet|sixteenth triplets|sixteenth note triplets|16th note triplets',
    { kind: 'value', value: '16th triplet' },
  ],
  ['half note triplets|half triplets|half-note triplets', { kind: 'value', value: 'half triplet' }],
  ['quintuplets|quintuplet|fives', { kind: 'value', value: '16th quintuplet' }],
  ['septuplets|septuplet|sevens', { kind: 'value', value: '16th septuplet' }],
  ['dotted quarters|dotted quarter|dotted quarter notes', { kind: 'value', value: 'dotted quarter' }],
  ['dotted 8ths|dotted eighths|dotted 8th notes|dotted eighth notes', { kind: 'value', value: 'dotted 8th' }],
  [
    'on|the|at|play|plays|played|put|place|add|then|make|turn|please|stroke|strokes|note|notes|hit|hits|line|up|down|very|use|set|split|more|at all|only|also|together|for|divide|there|it|them|is|are|be|have|give|me|want|a bit|just|pattern|whole',
    { kind: 'filler' },
  ],
  ['an', { kind: 'article' }],
];

/** What each phrase of the table means, in small letters. */
export const MEANINGS: ReadonlyMap<string, Meaning> = new Map(
  WORDS.flatMap(([phrases, meaning]) => phrases.split('|').map((phrase): [string, Meaning] => [phrase, meaning])),
);

/** Words that can be meant where one is not understood: what plays, how loud, which ornament and note value. */
export const VOCABULARY: readonly string[] = WORDS.filter(([, { kind }]) =>
  ['limb', 'surface', 'height', 'ornament', 'value', 'offBeats', 'everywhere', 'remove'].includes(kind),
).flatMap(([phrases]) => phrases.split('|').filter((phrase) => phrase.length > 2));

/** What may be said, by what it means, for the table of words in the docs. */
export const SAID_WORDS = WORDS;
