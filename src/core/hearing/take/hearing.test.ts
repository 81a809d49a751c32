import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { madeKit } from '../../simulate/drumSounds';
import { noiseOf, roomResponse, talking } from '../../simulate/room';
import { recordingOf, type Setting, type Sounded } from '../../simulate/recording';
import { recordingQuality, findStrokes, LiveHearing, type HeardStroke } from '..';
import { runs } from '../../testing/runs';

const RATE = 48_000;
const pad = (change: Partial<Setting> = {}): Setting => ({
  kit: madeKit(3, 'rings', change.rate ?? RATE, ['pad', 'snare', 'kick']),
  room: roomResponse(1, 'soft', change.rate ?? RATE),
  noise: 'pink',
  noiseDb: 40,
  rate: RATE,
  seed: 5,
  ...change,
});
const strokesAt = (times: readonly number[], surface: Sounded['surface'] = 'pad'): Sounded[] =>
  times.map((ms, index) => ({ ms, surface, height: index % 3 ? 'tap' : 'accent' }));
const EIGHTHS = Array.from({ length: 12 }, (_, index) => 250 * index + (index % 2) * 7);
const times = (heard: readonly HeardStroke[]) => heard.map(({ ms }) => ms);
/** Each heard stroke beside the true one, none too many or too few. */
const expectAt = (heard: readonly HeardStroke[], onsets: readonly number[], within: number) => {
  expect(times(heard)).toHaveLength(onsets.length);
  onsets.forEach((ms, index) => expect(Math.abs(heard[index]!.ms - ms)).toBeLessThan(within));
};

describe('strokes on one surface', () => {
  test.each(['pad', 'snare', 'kick'] as const)('every stroke of a %s, to a fraction of a millisecond', (surface) => {
    const { samples, onsets } = recordingOf(strokesAt(EIGHTHS, surface), pad());
    expectAt(findStrokes(samples, RATE), onsets, surface === 'kick' ? 1.5 : 0.3);
  });

  test('the grace of a flam and the second stroke of a double are strokes of their own', () => {
    const written: Sounded[] = [0, 600, 1200].flatMap((ms): Sounded[] => [
      { ms, surface: 'pad', height: 'ghost', db: 6 },
      { ms: ms + 28, surface: 'pad', height: 'accent' },
      { ms: ms + 300, surface: 'pad', height: 'tap' },
      { ms: ms + 375, surface: 'pad', height: 'tap', db: -2 },
    ]);
    const { samples, onsets } = recordingOf(written, pad());
    expectAt(findStrokes(samples, RATE), onsets, 0.3);
  });

  test('what a lossy file spreads ahead of a loud stroke is none, a soft grace as near is one', () => {
    const { samples, onsets } = recordingOf(strokesAt([0, 500, 1000]), pad());
    for (const ms of onsets) {
      const [from, to] = [ms - 11, ms].map((at) => Math.round((at * RATE) / 1000)) as [number, number];
      for (let index = from; index < to; index++)
        samples[index]! += 0.012 * Math.sin(index * 1.3) * Math.cos(index * 0.37);
    }
    expectAt(findStrokes(samples, RATE), onsets, 0.3);
    const flam = recordingOf(
      [
        { ms: 0, surface: 'pad', height: 'ghost', db: 2 },
        { ms: 14, surface: 'pad', height: 'accent' },
      ],
      pad(),
    );
    expectAt(findStrokes(flam.samples, RATE), flam.onsets, 0.3);
  });

  test('louder strokes are louder, by as much as they were struck', () => {
    const written: Sounded[] = [0, -6, -12, -18].map((db, index) => ({
      ms: 500 * index,
      surface: 'pad',
      height: 'accent',
      db,
    }));
    const levels = findStrokes(recordingOf(written, pad()).samples, RATE).map(({ levelDb }) => levelDb);
    // A soft stroke is duller too, which takes from its power what its level does not.
    levels.slice(1).forEach((level, index) => expect(Math.abs(levels[index]! - level - 6)).toBeLessThan(4));
  });

  test.each([8000, 11_025, 16_000, 22_050, 44_100, 96_000])('times stay right at %i samples a second', (rate) => {
    const { samples, onsets } = recordingOf(strokesAt(EIGHTHS), pad({ rate, room: roomResponse(1, 'soft', rate) }));
    expectAt(findStrokes(samples, rate), onsets, rate < 22_050 ? 1.2 : 0.4);
  });
});

describe('what always holds', () => {
  const take = recordingOf(strokesAt(EIGHTHS), pad()).samples;
  const heard = findStrokes(take, RATE);

  test('a louder recording has the same strokes, as much louder', () => {
    const louder = findStrokes(
      take.map((value) => 2 * value),
      RATE,
    );
    expect(times(louder)).toEqual(times(heard));
    louder.forEach(({ levelDb }, index) => expect(levelDb - heard[index]!.levelDb).toBeCloseTo(6.02, 1));
  });

  test('a recording that begins later has its strokes earlier', () =>
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 15_000 }), (by) => {
        const later = findStrokes(take.subarray(by), RATE);
        expect(later).toHaveLength(heard.length);
        later.forEach(({ ms }, index) =>
          expect(Math.abs(ms + (1000 * by) / RATE - heard[index]!.ms)).toBeLessThan(0.05),
        );
      }),
      runs(12),
    ));

  test('two recordings joined have the strokes of both', () => {
    const second = recordingOf(strokesAt([0, 333, 666, 1111], 'snare'), pad({ seed: 9 })).samples;
    const both = new Float32Array(take.length + second.length);
    both.set(take);
    both.set(second, take.length);
    const joined = [...times(heard), ...times(findStrokes(second, RATE)).map((ms) => ms + (1000 * take.length) / RATE)];
    expectAt(findStrokes(both, RATE), joined, 0.1);
  });

  test('where a stroke lies is not moved by what comes a second later', () => {
    const cut = take.slice(0, Math.round(((heard[5]!.ms + 1000) * RATE) / 1000));
    expect(times(findStrokes(cut, RATE)).slice(0, 6)).toEqual(times(heard).slice(0, 6));
  });

  test('a long recording is heard in stretches, and no stroke is lost or doubled between them', () => {
    const long = Array.from({ length: 190 }, (_, index) => 240 * index);
    const { samples, onsets } = recordingOf(strokesAt(long), pad());
    const shares: number[] = [];
    expectAt(findStrokes(samples, RATE, { onShare: (share) => shares.push(share) }), onsets, 0.3);
    expect(shares.length).toBeGreaterThan(1);
    expect(shares.at(-1)).toBe(1);
  });
});

describe('nothing is made up', () => {
  test('silence, nothing at all, and what is no number give no stroke', () => {
    expect(findStrokes(new Float32Array(3 * RATE), RATE)).toEqual([]);
    expect(findStrokes(new Float32Array(), RATE)).toEqual([]);
    expect(findStrokes(new Float32Array(RATE).fill(NaN), RATE)).toEqual([]);
  });

  test('noise and hum give none', () => {
    for (const kind of ['pink', 'hum', 'hiss'] as const)
      expect(
        findStrokes(
          noiseOf(4, kind, 5 * RATE, RATE).map((value) => 0.05 * value),
          RATE,
        ).length,
      ).toBeLessThan(2);
  });

  test('talk gives none, and is told for what it is', () => {
    const talk = talking(2, 8 * RATE, RATE).map((value) => 0.05 * value);
    expect(findStrokes(talk, RATE)).toEqual([]);
    expect(recordingQuality(talk, RATE)).toMatchObject({ isSilent: false, clipped: 0, hums: false, talk: 1 });
  });

  test('what is wrong with a recording is told', () => {
    const { samples } = recordingOf(strokesAt(EIGHTHS), pad());
    expect(recordingQuality(samples, RATE)).toEqual({ isSilent: false, clipped: 0, hums: false, talk: 0 });
    expect(
      recordingQuality(
        samples.map((value) => Math.max(-1, Math.min(1, 8 * value))),
        RATE,
      ).clipped,
    ).toBeGreaterThan(0.001);
    expect(recordingQuality(new Float32Array(RATE), RATE)).toMatchObject({ isSilent: true, talk: 0 });
    const hum = Float32Array.from(
      { length: 3 * RATE },
      (_, index) => 0.1 * Math.sin((2 * Math.PI * 50 * index) / RATE),
    );
    expect(recordingQuality(hum, RATE)).toMatchObject({ hums: true });
    expect(recordingQuality(new Float32Array(), RATE)).toMatchObject({ isSilent: true });
  });

  test('one stroke is one, and a clipped recording has its strokes', () => {
    const one = recordingOf(strokesAt([0]), pad());
    expectAt(findStrokes(one.samples, RATE), one.onsets, 0.3);
    const { samples, onsets } = recordingOf(strokesAt(EIGHTHS), pad());
    expectAt(
      findStrokes(
        samples.map((value) => Math.max(-1, Math.min(1, 8 * value))),
        RATE,
      ),
      onsets,
      0.6,
    );
  });

  test('a rate that no recording has is refused', () => {
    expect(() => findStrokes(new Float32Array(10), 0)).toThrow(RangeError);
    expect(() => findStrokes(new Float32Array(10), NaN)).toThrow(RangeError);
  });
});

describe('while it is recorded', () => {
  test.each([RATE, 44_100])('each stroke is told within 100 ms, as it is found at the end, at %i', (rate) => {
    const { samples, onsets } = recordingOf(strokesAt(EIGHTHS), pad({ rate, room: roomResponse(1, 'soft', rate) }));
    const live = new LiveHearing(rate);
    const told: HeardStroke[] = [];
    for (let from = 0; from < samples.length; from += 480) {
      const fresh = live.feed(samples.subarray(from, from + 480));
      const now = (1000 * Math.min(samples.length, from + 480)) / rate;
      for (const { ms } of fresh) expect(now - ms).toBeLessThan(100);
      told.push(...fresh);
    }
    expectAt(told, onsets, 0.4);
    expect(live.finish()).toEqual(findStrokes(samples, rate));
  });

  test('a click that does not come back is looked for a few times, not with every block', () => {
    const { samples } = recordingOf(strokesAt(Array.from({ length: 40 }, (_, index) => 500 * index)), pad());
    let looks = 0;
    const click = {
      samples: Float32Array.from({ length: 2000 }, (_, index) => Math.sin(index) * Math.exp(-index / 500)),
      get atMs() {
        looks++;
        return Array.from({ length: 40 }, (_, index) => 500 * index);
      },
    };
    const live = new LiveHearing(RATE, { clicks: [click] });
    for (let from = 0; from < samples.length; from += 480) live.feed(samples.subarray(from, from + 480));
    expect(looks).toBeGreaterThan(0);
    expect(looks).toBeLessThanOrEqual(10);
  });

  test('what is let go of a long recording leaves the times right', () => {
    const { samples, onsets } = recordingOf(strokesAt(Array.from({ length: 60 }, (_, index) => 350 * index)), pad());
    const live = new LiveHearing(RATE);
    const told: HeardStroke[] = [];
    for (let from = 0; from < samples.length; from += 777) told.push(...live.feed(samples.subarray(from, from + 777)));
    expectAt(told, onsets, 0.4);
  });
});
