import fc from 'fast-check';
import { parseMidi, writeMidi } from 'midi-file';
import { describe, expect, test } from 'vitest';
import { formOf, type Plan } from '../../form/form';
import type { Groove } from '../../groove/groove';
import { usualLimb } from '../../groove/limbs';
import { schedule } from '../../schedule/schedule';
import { format } from '../../time/fraction';
import { anyGroove, oneLine } from '../../testing/arbitrary';
import { STARTERS } from '../../testing/starters';
import { strokesInText } from '../../testing/strokesInText';
import type { Answers } from '../imported/grooveRead';
import { readMidiGroove } from './midiGroove';
import { midiOf, TICKS_A_QUARTER } from './midiOut';
import { runs } from '../../testing/runs';

const fileOf = (groove: Groove, more: Partial<Plan> = {}) =>
  midiOf({ groove, rounds: 1, bpm: groove.tempo, click: { kind: 'silent' }, countIn: 0, ...more });
const read = (bytes: Uint8Array, answers: Answers = {}) => {
  const answer = readMidiGroove(bytes, answers);
  if (!answer.ok) throw new Error(answer.problems[0]!.say);
  return answer.value;
};
/** Without limbs, which a file does not name. */
const strokesOf = (groove: Groove): string[][] =>
  strokesInText(groove).map((bar) => bar.map((one) => one.replace(/ (?:left|right) (?:hand|foot)/, '')).toSorted());

test('whatever the groove, its strokes are written and read again: places, surfaces, heights, meters', () => {
  fc.assert(
    fc.property(anyGroove({ ornaments: false }), (any) => {
      // So slow that no two notes are near enough for a grace and its stroke.
      const groove = { ...any, tempo: 20 };
      const first = groove.bars.findIndex(({ strokes }) => strokes.length);
      const last = groove.bars.findLastIndex(({ strokes }) => strokes.length);
      const struck = { ...groove, bars: groove.bars.slice(first, last + 1) };
      const { groove: again, left } = read(fileOf(groove));
      expect(left.filter((one) => !/empty bar/.test(one))).toEqual([]);
      expect(strokesOf(again)).toEqual(strokesOf(struck));
      expect(again.bars.map(({ meter }) => meter)).toEqual(struck.bars.map(({ meter }) => meter));
    }),
    runs(60),
  );
});

describe('the grooves that ship', () => {
  test.each(STARTERS.map((groove) => [groove.title, groove] as const))('%s', (_, groove) => {
    const { groove: again } = read(fileOf(groove));
    expect(strokesOf(again)).toEqual(strokesOf(groove));
    expect([again.title, again.swing]).toEqual([groove.title, groove.swing]);
    for (const { strokes } of again.bars)
      for (const { limb, surface } of strokes) expect([usualLimb(surface), 'left hand', 'right hand']).toContain(limb);
  });
});

test('a soft stroke just before another on its surface is a grace, two are a drag', () => {
  const line = oneLine('..A...A.', 'left hand', 80);
  const [bar] = line.bars;
  const ornate = {
    ...line,
    bars: [
      {
        ...bar!,
        strokes: bar!.strokes.map((one, index) => ({
          ...one,
          ornament: index ? ('drag' as const) : ('flam' as const),
        })),
      },
    ],
  };
  expect(strokesOf(read(fileOf(ornate)).groove)).toEqual([['1/4 snare accent flam', '3/4 snare accent drag']]);
});

/** The same file with every stroke moved by some ticks. */
function played(bytes: Uint8Array, ticks: (index: number) => number): Uint8Array {
  const data = parseMidi(bytes);
  for (const track of data.tracks) {
    let tick = 0;
    let count = 0;
    const placed = track.map((event) => ({ event, tick: (tick += event.deltaTime) }));
    for (const one of placed) if (one.event.type.startsWith('note')) one.tick = Math.max(0, one.tick + ticks(count++));
    placed.sort((a, b) => a.tick - b.tick);
    placed.forEach(({ event, tick: at }, index) => (event.deltaTime = at - (placed[index - 1]?.tick ?? 0)));
  }
  return new Uint8Array(writeMidi(data));
}

test('what was played and not written lies on the nearest places, and a stroke just before a bar on its first', () => {
  const groove = {
    ...oneLine('AtAtAtAt', 'right hand', 90),
    bars: [1, 2].map(() => oneLine('AtAtAtAt', 'right hand', 90).bars[0]!),
  };
  const human = played(fileOf(groove), (index) => ((index * 7919) % 401) - 200);
  const { groove: again, left } = read(human);
  expect(strokesOf(again)).toEqual(strokesOf(groove));
  expect(left).toEqual([expect.stringMatching(/^1[56] times: stroke moved to the nearest place of the grid$/)]);
  expect(200 / TICKS_A_QUARTER).toBeLessThan(1 / 16);
});

/** When each stroke sounds, to a tenth of a millisecond, and on what. */
const sounding = (groove: Groove) =>
  schedule(formOf({ groove, rounds: 1, bpm: groove.tempo, click: { kind: 'silent' }, countIn: 0 }))
    .sounds.flatMap((sound) => (sound.kind === 'stroke' ? [`${sound.ms.toFixed(1)} ${sound.surface}`] : []))
    .toSorted();

test('whatever the groove and its swing, it comes back with it, and sounds as it did', () => {
  fc.assert(
    fc.property(
      anyGroove({ ornaments: false }).filter(
        ({ bars }) => bars.every(({ meter }) => meter.unit === 4) && bars[0]!.strokes.length > 0,
      ),
      fc.constantFrom('8th' as const, '16th' as const),
      fc.constantFrom('3/2', '2', '3'),
      (any, value, ratio) => {
        const { lean: _, ...straight } = any;
        const groove: Groove = { ...straight, tempo: 20, reading: 'numbers', swing: { value, ratio } };
        const last = groove.bars.findLastIndex(({ strokes }) => strokes.length);
        const struck = { ...groove, bars: groove.bars.slice(0, last + 1) };
        const { groove: again, left } = read(fileOf(groove));
        expect(left).toEqual([]);
        expect(again.swing).toEqual(groove.swing);
        expect(sounding(again)).toEqual(sounding(struck));
      },
    ),
    runs(60),
  );
});

const questionsOf = (bytes: Uint8Array, answers: Answers = {}) =>
  read(bytes, answers).questions!.map(({ id, ask, taken }) => [id, ask, taken]);

/** A drum part of a program that says nothing of itself: what is struck at which tick of 96 a quarter. */
const bare = (struck: readonly (readonly [tick: number, note: number, velocity?: number])[], channel = 9) => {
  let before = 0;
  const events = struck.map(([tick, noteNumber, velocity = 80]) => {
    const deltaTime = tick - before;
    before = tick;
    return { deltaTime, type: 'noteOn', channel, noteNumber, velocity };
  });
  return new Uint8Array(
    writeMidi({
      header: { format: 0, numTracks: 1, ticksPerBeat: 96 },
      tracks: [[...events, { deltaTime: 0, type: 'endOfTrack' }]],
    }),
  );
};
const placesOf = ({ bars }: Groove) =>
  bars.map(({ strokes }) => strokes.map(({ at, surface }) => `${format(at)} ${surface}`));

describe('what a file leaves open is asked, and goes by the answer', () => {
  test('a file that says everything asks nothing', () => {
    expect(questionsOf(fileOf({ ...STARTERS[0]!, swing: undefined }))).toEqual([]);
  });

  test('the meter, where it names none', () => {
    const file = bare([0, 96, 192, 288].map((tick) => [tick, 38]));
    expect(questionsOf(file)).toEqual([['meter', 'It names no meter', '4/4']]);
    expect(read(file, { meter: '3/4' }).groove.bars.map(({ meter }) => meter.beats)).toEqual([3, 3]);
    expect(read(file, { meter: '5/9' }).groove.bars.map(({ meter }) => meter.beats)).toEqual([4]);
  });

  test('notes nobody knows, those struck most first; left out until it is said what they are', () => {
    const file = bare([
      [0, 36],
      [24, 54],
      [48, 54],
      [72, 99],
    ]);
    expect(questionsOf(file)).toEqual([
      ['note 54', 'Note 54 (tambourine), 2 times', 'left out'],
      ['note 99', 'Note 99, once', 'left out'],
      ['meter', 'It names no meter', '4/4'],
    ]);
    expect(read(file).left).toEqual(['3 times: note of no surface that is known']);
    const { groove, left } = read(file, { 'note 54': 'closed hat' });
    expect(placesOf(groove)).toEqual([['0 kick', '1/16 closed hat', '1/8 closed hat']]);
    expect(left).toEqual(['note of no surface that is known']);
  });

  test('every note of a channel that is not the drums’', () => {
    const file = bare(
      [
        [0, 36],
        [96, 60],
      ],
      0,
    );
    expect(questionsOf(file).map(([id, , taken]) => [id, taken])).toEqual([
      ['note 36', 'kick'],
      ['note 60', 'left out'],
      ['meter', '4/4'],
    ]);
    expect(placesOf(read(file, { 'note 36': 'floor tom', 'note 60': 'snare' }).groove)).toEqual([
      ['0 floor tom', '1/4 snare'],
    ]);
  });

  test('soft strokes just before others: graces or strokes', () => {
    // At 120 a tick is 5.2 ms: the soft one is 31 ms before.
    const file = bare([
      [0, 36],
      [90, 38, 30],
      [96, 38, 110],
    ]);
    expect(questionsOf(file)[0]).toEqual(['graces', 'Soft strokes just before others, one', 'graces']);
    expect(read(file).groove.bars[0]!.strokes.map(({ ornament }) => ornament)).toEqual([undefined, 'flam']);
    expect(read(file, { graces: 'strokes' }).groove.bars[0]!.strokes).toHaveLength(3);
  });

  test('the grid of what was played', () => {
    const file = bare([
      [0, 38],
      [29, 38],
      [98, 38],
    ]);
    expect(questionsOf(file)[1]).toEqual(['grid', 'Beside the grid, 3 strokes', 'nearest']);
    expect(placesOf(read(file).groove)).toEqual([['0 snare', '1/12 snare', '1/4 snare']]);
    expect(placesOf(read(file, { grid: '4' }).groove)).toEqual([['0 snare', '1/16 snare', '1/4 snare']]);
  });

  test('which bars of a long one', () => {
    const file = bare(Array.from({ length: 300 }, (_, bar) => [bar * 384, bar < 128 ? 36 : 38]));
    expect(questionsOf(file)[1]).toEqual(['from', 'It has 300 bars, 128 are read', '1']);
    const { groove, left } = read(file, { from: '257' });
    expect([groove.bars.length, groove.bars[0]!.strokes[0]!.surface]).toEqual([44, 'snare']);
    expect(left).toEqual(['256 times: bar beyond the 128 that are read']);
  });
});

describe('off-beats that lie late', () => {
  const eighths = (late: number, jitter: (index: number) => number = () => 0) =>
    bare(
      Array.from({ length: 16 }, (_, index): [number, number] => [
        Math.max(0, 96 * Math.floor(index / 2) + (index % 2 ? late : 0) + jitter(index)),
        42,
      ]),
    );
  const even = ['0', '1/8', '1/4', '3/8', '1/2', '5/8', '3/4', '7/8'].map((at) => `${at} closed hat`);

  test.each([
    // 3:2 lies at 57.6 ticks of 96; 2:1 at 64; 3:1 at 72.
    ['as triplets exactly', 64, 'none', '2'],
    ['dotted', 72, 'none', '3'],
    ['lightly', 58, '3/2', '3/2'],
  ])('%s', (_, late, usual, ratio) => {
    const swing = read(eighths(late)).questions!.find(({ id }) => id === 'swing');
    expect([swing!.ask, swing!.taken]).toEqual([`Off-beats lie late, ${Math.round((100 * late) / 96)} %`, usual]);
    const asked = read(eighths(late), { swing: ratio }).groove;
    expect(asked.swing).toEqual({ value: '8th', ratio });
    expect(placesOf(asked)).toEqual([even, even]);
  });

  test('played so, they are read as swung; even ones are not asked about', () => {
    const human = (index: number) => ((index * 7919) % 7) - 3;
    const { groove } = read(eighths(63, human));
    expect(groove.swing).toEqual({ value: '8th', ratio: '2' });
    expect(placesOf(groove)).toEqual([even, even]);
    expect(questionsOf(eighths(48, human)).map(([id]) => id)).toEqual(['meter', 'grid']);
  });
});

test('a count-in that nobody strikes is left out, and so are later tempos', () => {
  const groove = STARTERS[0]!;
  const { groove: again, left } = read(fileOf(groove, { countIn: 1 }));
  expect(again.bars).toHaveLength(groove.bars.length);
  expect(left).toEqual(['empty bar before the first stroke']);
});

test.each<[string, Uint8Array, string]>([
  ['nothing', new Uint8Array(), 'no-midi'],
  ['a picture', new TextEncoder().encode('\x89PNG'), 'no-midi'],
  [
    'no notes',
    new Uint8Array(
      writeMidi({
        header: { format: 0, numTracks: 1, ticksPerBeat: 96 },
        tracks: [[{ deltaTime: 0, type: 'endOfTrack' }]],
      }),
    ),
    'empty',
  ],
])('%s is told', (_, bytes, code) => expect(readMidiGroove(bytes)).toMatchObject({ ok: false, problems: [{ code }] }));

test('whatever is done to a file, it is read or told', () => {
  const bytes = fileOf(STARTERS[1]!);
  fc.assert(
    fc.property(fc.nat(bytes.length - 1), fc.nat(255), fc.nat(bytes.length), (at, value, cut) => {
      const damaged = bytes.slice(0, Math.max(20, cut));
      damaged[at % damaged.length] = value;
      expect(typeof readMidiGroove(damaged).ok).toBe('boolean');
    }),
    runs(400),
  );
});
