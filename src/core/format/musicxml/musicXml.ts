import { beatOf } from '../../groove/beat';
import type { Groove } from '../../groove/groove';
import { SURFACES, usualLimb, type Surface } from '../../groove/limbs';
import { writtenBar, type WrittenNote, type WrittenVoice } from '../../groove/notation';
import { formatMeter, barLength } from '../../grid/meter';
import { format, frac, fromDecimal, mul, toNumber, type WholeNotes } from '../../time/fraction';
import { noteWritten } from '../midi/drumNotes';
import { TICKS_A_QUARTER } from '../midi/midiOut';
import { swingRatio } from '../../time/swing';

/** Where a surface stands on the five lines, and its head; MusicXML 4.0, `display-step` and `notehead`. */
export const STAFF_PLACES: Record<Surface, [step: string, octave: number, head?: string]> = {
  crash: ['A', 5, 'x'],
  'closed hat': ['G', 5, 'x'],
  'open hat': ['G', 5, 'circle-x'],
  'hat pedal': ['D', 4, 'x'],
  ride: ['F', 5, 'x'],
  'ride bell': ['F', 5, 'diamond'],
  snare: ['C', 5],
  'cross-stick': ['C', 5, 'x'],
  rim: ['C', 5, 'slashed'],
  pad: ['C', 5],
  clap: ['C', 5, 'triangle'],
  'high tom': ['E', 5],
  'mid tom': ['D', 5],
  'floor tom': ['A', 4],
  kick: ['F', 4],
};

export const NOTE_TYPES: Record<number, string> = {
  1: 'whole',
  2: 'half',
  4: 'quarter',
  8: 'eighth',
  16: '16th',
  32: '32nd',
  64: '64th',
  128: '128th',
  256: '256th',
  512: '512th',
  1024: '1024th',
};

const escaped = (text: string): string =>
  text
    .replace(/[&<>"']/g, (found) => `&#${found.charCodeAt(0)};`)
    .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f]/g, '');

/** An element of text, or of elements. */
type Xml = string | [name: string, attributes?: Record<string, string | number>, ...inner: (Xml | undefined)[]];

function written(xml: Xml, depth = 0): string {
  const pad = '  '.repeat(depth);
  if (typeof xml === 'string') return escaped(xml);
  const [name, attributes = {}, ...inner] = xml;
  const open = [name, ...Object.entries(attributes).map(([key, value]) => `${key}="${escaped(String(value))}"`)].join(
    ' ',
  );
  const within = inner.filter((one) => one !== undefined);
  if (!within.length) return `${pad}<${open}/>`;
  if (within.every((one) => typeof one === 'string'))
    return `${pad}<${open}>${within.map((one) => written(one)).join('')}</${name}>`;
  return `${pad}<${open}>\n${within.map((one) => written(one, depth + 1)).join('\n')}\n${pad}</${name}>`;
}

const text = (name: string, value: string | number): Xml => [name, {}, String(value)];
const durationOf = (length: WholeNotes): number => Math.round(toNumber(mul(length, frac(4 * TICKS_A_QUARTER))));
const idOf = (surface: Surface): string => `I${SURFACES.indexOf(surface) + 1}`;

/** How many beams a note has: none as a quarter, one as an 8th. */
const beamsOf = ({ value }: WrittenNote): number => Math.max(0, Math.log2(value) - 2);

/** How a beam goes on at a note, by whether the notes beside it have it too. */
function wayOf(before: boolean, after: boolean, isAfterAnother: boolean): string {
  if (before) return after ? 'continue' : 'end';
  if (after) return 'begin';
  return isAfterAnother ? 'backward hook' : 'forward hook';
}

/** The beams of a note, from the first to the last, by its neighbours in its group. */
function beams(notes: readonly WrittenNote[], index: number): Xml[] {
  const note = notes[index]!;
  if (note.beam === undefined) return [];
  const group = notes.filter((one) => one.beam === note.beam && one.strokes.length);
  const at = group.indexOf(note);
  if (at < 0 || group.length < 2) return [];
  const has = (one: WrittenNote | undefined, level: number) => one !== undefined && beamsOf(one) >= level;
  return Array.from({ length: beamsOf(note) }, (_, index): Xml => {
    const level = index + 1;
    const [before, after] = [has(group[at - 1], level), has(group[at + 1], level)];
    return ['beam', { number: level }, wayOf(before, after, at > 0)];
  });
}

interface InVoice {
  voice: WrittenVoice;
  number: 1 | 2;
}

/** One note as it is written: graces before it, then each stroke, the second and later ones as a chord. */
function noteXml({ voice, number }: InVoice, index: number): Xml[] {
  const note = voice.notes[index]!;
  const stem = number === 1 ? 'up' : 'down';
  const tuplet = note.tuplet === undefined ? undefined : voice.tuplets[note.tuplet]!;
  const length: Xml[] = [
    text('type', NOTE_TYPES[note.value]!),
    ...(note.dots ? [['dot'] as Xml] : []),
    ...(tuplet
      ? [['time-modification', {}, text('actual-notes', tuplet.notes), text('normal-notes', tuplet.inTimeOf)] as Xml]
      : []),
  ];
  const ofTuplet = voice.notes.filter((one) => tuplet && one.tuplet === note.tuplet);
  const bracket = (['start', 'stop'] as const).flatMap((type): Xml[] =>
    tuplet && ofTuplet.at(type === 'start' ? 0 : -1) === note ? [['tuplet', { type, number: 1 }]] : [],
  );
  const notations = (more: Xml[]): Xml[] => (more.length ? [['notations', {}, ...more]] : []);
  const duration = text('duration', durationOf(note.length));
  if (!note.strokes.length)
    return [['note', {}, ['rest'], duration, text('voice', number), ...length, ...notations(bracket)]];
  const graces = note.strokes.flatMap(({ surface, ornament }) =>
    Array.from({ length: { flam: 1, drag: 2, double: 0, buzz: 0 }[ornament ?? 'double'] }, () => surface),
  );
  const standing = (surface: Surface): Xml => {
    const [step, octave] = STAFF_PLACES[surface];
    return ['unpitched', {}, text('display-step', step), text('display-octave', octave)];
  };
  return [
    ...graces.map((surface): Xml => [
      'note',
      {},
      ['grace', { slash: 'yes' }],
      standing(surface),
      ['instrument', { id: idOf(surface) }],
      text('voice', number),
      text('type', graces.length > 1 ? '16th' : 'eighth'),
      text('stem', stem),
    ]),
    ...note.strokes.map(({ limb, surface, height, ornament }, which): Xml => {
      const head = STAFF_PLACES[surface][2];
      return [
        'note',
        {},
        which ? ['chord'] : undefined,
        standing(surface),
        duration,
        ['instrument', { id: idOf(surface) }],
        text('voice', number),
        ...length,
        text('stem', stem),
        head || height === 'ghost'
          ? ['notehead', height === 'ghost' ? { parentheses: 'yes' } : {}, head ?? 'normal']
          : undefined,
        ...(which ? [] : beams(voice.notes, index)),
        ...notations([
          ...(which ? [] : bracket),
          ...(ornament === 'double' ? [['ornaments', {}, ['tremolo', { type: 'single' }, '1']] as Xml] : []),
          ...(ornament === 'buzz' ? [['ornaments', {}, ['tremolo', { type: 'unmeasured' }, '0']] as Xml] : []),
          ...(limb === usualLimb(surface) ? [] : [['technical', {}, text('other-technical', limb)] as Xml]),
          ...(height === 'accent' ? [['articulations', {}, ['accent']] as Xml] : []),
        ]),
      ];
    }),
  ];
}

function tempoXml(groove: Groove): Xml[] {
  const beat = beatOf(groove);
  const dotted = beat.n === 3;
  const quarters = toNumber(mul(fromDecimal(groove.tempo), mul(beat, frac(4))));
  const { swing } = groove;
  const ratio = swing && swingRatio(swing, groove.tempo);
  return [
    [
      'direction',
      { placement: 'above' },
      [
        'direction-type',
        {},
        [
          'metronome',
          {},
          text('beat-unit', NOTE_TYPES[dotted ? beat.d / 2 : beat.d]!),
          dotted ? ['beat-unit-dot'] : undefined,
          text('per-minute', groove.tempo),
        ],
      ],
      ['sound', { tempo: quarters }],
    ],
    ...(swing && ratio
      ? [
          [
            'direction',
            { placement: 'above' },
            ['direction-type', {}, text('words', `Swing ${swing.value}s, ${format(ratio)}:1`)],
            [
              'sound',
              {},
              [
                'swing',
                {},
                text('first', ratio.n),
                text('second', ratio.d),
                text('swing-type', swing.value === '8th' ? 'eighth' : '16th'),
              ],
            ],
          ] as Xml,
        ]
      : []),
  ];
}

/**
 * A groove as MusicXML 4.0, once from its first bar to its last: hands in one voice with stems up, feet in another
 * with stems down, each surface an instrument on channel 10. A limb that is not the one that usually plays its
 * surface is named as a technique; what the format has no sign for (lean, techniques, a swing that follows the tempo)
 * is not in it.
 */
export function musicXmlOf(groove: Groove): string {
  const used = SURFACES.filter((surface) =>
    groove.bars.some(({ strokes }) => strokes.some((one) => one.surface === surface)),
  );
  const instruments = used.length ? used : (['snare'] satisfies Surface[]);
  let meter = '';
  const measures = groove.bars.map((bar, index): Xml => {
    const { hands, feet } = writtenBar(bar, groove.reading);
    const whole = barLength(bar.meter);
    const isNew = formatMeter(bar.meter) !== meter;
    meter = formatMeter(bar.meter);
    const attributes: Xml[] = [
      ...(index ? [] : [text('divisions', TICKS_A_QUARTER), ['key', {}, text('fifths', 0)] as Xml]),
      ...(isNew ? [['time', {}, text('beats', bar.meter.beats), text('beat-type', bar.meter.unit)] as Xml] : []),
      ...(index ? [] : [['clef', {}, text('sign', 'percussion')] as Xml]),
    ];
    const voices: InVoice[] = [
      { voice: hands, number: 1 as const },
      { voice: feet, number: 2 as const },
    ].filter(({ voice }) => voice.notes.length);
    const notes = voices.flatMap((one, which) => [
      ...(which ? [['backup', {}, text('duration', durationOf(whole))] as Xml] : []),
      ...one.voice.notes.flatMap((_, at) => noteXml(one, at)),
    ]);
    const silent: Xml = [
      'note',
      {},
      ['rest', { measure: 'yes' }],
      text('duration', durationOf(whole)),
      text('voice', 1),
    ];
    return [
      'measure',
      { number: index + 1 },
      attributes.length ? ['attributes', {}, ...attributes] : undefined,
      ...(index ? [] : tempoXml(groove)),
      ...(notes.length ? notes : [silent]),
      index === groove.bars.length - 1
        ? ['barline', { location: 'right' }, text('bar-style', 'light-heavy')]
        : undefined,
    ];
  });
  return `<?xml version="1.0" encoding="UTF-8"?>
${written([
  'score-partwise',
  { version: '4.0' },
  ['work', {}, text('work-title', groove.title)],
  ['identification', {}, ['encoding', {}, text('software', 'Mochila')]],
  [
    'part-list',
    {},
    [
      'score-part',
      { id: 'P1' },
      text('part-name', 'Drums'),
      ...instruments.map((one): Xml => ['score-instrument', { id: idOf(one) }, text('instrument-name', one)]),
      ...instruments.map((one): Xml => [
        'midi-instrument',
        { id: idOf(one) },
        text('midi-channel', 10),
        // Counted from 1 there.
        text('midi-unpitched', noteWritten(one) + 1),
      ]),
    ],
  ],
  ['part', { id: 'P1' }, ...measures],
])}
`;
}
