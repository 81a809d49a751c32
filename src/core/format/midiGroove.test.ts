import fc from 'fast-check';
import { parseMidi, writeMidi } from 'midi-file';
import { describe, expect, test } from 'vitest';
import type { Plan } from '../form/form';
import type { Groove } from '../groove/groove';
import { usualLimb } from '../groove/limbs';
import { anyGroove, oneLine } from '../testing/arbitrary';
import { STARTERS } from '../testing/starters';
import { strokesInText } from '../testing/strokesInText';
import { readMidiGroove } from './midiGroove';
import { midiOf, TICKS_A_QUARTER } from './midiOut';

const fileOf = (groove: Groove, more: Partial<Plan> = {}) =>
  midiOf({ groove, rounds: 1, bpm: groove.tempo, click: { kind: 'silent' }, countIn: 0, ...more });
const read = (bytes: Uint8Array) => {
  const answer = readMidiGroove(bytes);
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
    { numRuns: 60 },
  );
});

describe('the grooves that ship, where they are not swung', () => {
  test.each(STARTERS.filter(({ swing }) => !swing).map((groove) => [groove.title, groove] as const))(
    '%s',
    (_, groove) => {
      const { groove: again } = read(fileOf(groove));
      expect(strokesOf(again)).toEqual(strokesOf(groove));
      expect(again.title).toBe(groove.title);
      for (const { strokes } of again.bars)
        for (const { limb, surface } of strokes)
          expect([usualLimb(surface), 'left hand', 'right hand']).toContain(limb);
    },
  );
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
    { numRuns: 400 },
  );
});
