import { describe, expect, test } from 'vitest';
import type { Surface } from '../../groove/limbs';
import { calibrationOf, recordingOf, type Setting, type Sounded } from '../../simulate/recording';
import { madeKit } from '../../simulate/drumSounds';
import { roomResponse } from '../../simulate/room';
import { isAudible, findStrokes, learnKit, LiveHearing, type HeardStroke } from '..';

const RATE = 48_000;
const SURFACES: Surface[] = ['kick', 'snare', 'closed hat', 'floor tom'];
const setting: Setting = {
  kit: madeKit(31, 'plates', RATE, SURFACES),
  room: roomResponse(6, 'soft', RATE),
  noise: 'pink',
  noiseDb: 40,
  rate: RATE,
  seed: 12,
};
const kit = learnKit(
  SURFACES.map((surface) => ({ surface, samples: calibrationOf(surface, setting), sampleRate: RATE })),
);

/** A plain groove, hat in 8ths, the limbs that are together a little apart. */
const BARS = 4;
const groove: Sounded[] = Array.from({ length: BARS * 8 }, (_, slot) => {
  const ms = 300 * slot;
  const here: Sounded[] = [{ ms, surface: 'closed hat', height: slot % 2 ? 'tap' : 'accent' }];
  if (slot % 8 === 0 || slot % 8 === 5) here.push({ ms: ms + 3, surface: 'kick', height: 'accent' });
  if (slot % 4 === 2) here.push({ ms: ms + 4, surface: 'snare', height: 'accent' });
  return here;
}).flat();
const play = (strokes: readonly Sounded[], change: Partial<Setting> = {}) => {
  const { samples, onsets } = recordingOf(strokes, { ...setting, ...change });
  return { samples, truth: strokes.map(({ surface, height }, index) => ({ ms: onsets[index]!, surface, height })) };
};

/** How many of the strokes were heard on their own surface, and how many more than there are. */
function scoreOf(heard: readonly HeardStroke[], truth: readonly { ms: number; surface: Surface }[]) {
  const used = new Set<HeardStroke>();
  for (const { ms, surface } of truth) {
    const one = heard.find((each) => each.surface === surface && Math.abs(each.ms - ms) < 20 && !used.has(each));
    if (one) used.add(one);
  }
  return { found: used.size / truth.length, tooMany: heard.length - used.size };
}

describe('a kit that was heard before', () => {
  const { samples, truth } = play(groove);
  const expected = truth.map((one) => ({ ...one, ms: Math.round(one.ms / 300) * 300 - 100 }));
  const blind = findStrokes(samples, RATE, { kit });

  test('each stroke is on its surface, those that are struck together too', () => {
    const { found, tooMany } = scoreOf(blind, truth);
    expect(found).toBeGreaterThan(0.9);
    expect(tooMany).toBeLessThan(2);
  });

  test('with what is written, a hundred milliseconds off, no worse', () => {
    const { found, tooMany } = scoreOf(findStrokes(samples, RATE, { kit, expected }), truth);
    expect(found).toBeGreaterThan(0.97);
    expect(tooMany).toBeLessThan(2);
  });

  test('a take that is 300 ms late, and clocks that part by 200 in a million, spoil nothing', () => {
    const late = truth.map((one) => ({ ...one, ms: one.ms * (1 - 200e-6) - 300 }));
    const { found, tooMany } = scoreOf(findStrokes(samples, RATE, { kit, expected: late }), truth);
    expect(found).toBeGreaterThan(0.97);
    expect(tooMany).toBeLessThan(2);
  });

  test('in whatever order the notes come', () => {
    const heard = findStrokes(samples, RATE, { kit, expected });
    expect(findStrokes(samples, RATE, { kit, expected: expected.toReversed() })).toEqual(heard);
    expect(isAudible(samples, RATE, kit, expected.toReversed())).toEqual(
      isAudible(samples, RATE, kit, expected).reverse(),
    );
  });

  test('notes of something else altogether make nobody deaf', () => {
    const other = truth.map((one, index) => ({ ...one, ms: 317 * index, surface: SURFACES[index % 4]! }));
    expect(scoreOf(findStrokes(samples, RATE, { kit, expected: other }), truth).found).toBeGreaterThan(0.85);
  });

  test('the same in a recording at another rate', () => {
    const rate = 44_100;
    const { kit: _, ...others } = setting;
    const slower = { ...others, rate, room: roomResponse(6, 'soft', rate), kit: madeKit(31, 'plates', rate, SURFACES) };
    const take = recordingOf(groove, slower);
    const heard = findStrokes(take.samples, rate, { kit });
    const { found } = scoreOf(
      heard,
      truth.map((one, index) => ({ ...one, ms: take.onsets[index]! })),
    );
    expect(found).toBeGreaterThan(0.85);
  });

  test('while it is played each is told within 100 ms, with its surface', () => {
    const live = new LiveHearing(RATE, { kit });
    const told: HeardStroke[] = [];
    for (let from = 0; from < samples.length; from += 480) {
      const fresh = live.feed(samples.subarray(from, from + 480));
      for (const { ms } of fresh) expect((1000 * (from + 480)) / RATE - ms).toBeLessThan(100);
      told.push(...fresh);
    }
    expect(scoreOf(told, truth).found).toBeGreaterThan(0.85);
    expect(live.finish()).toEqual(blind);
  });
});

describe('what is left out is not heard, what could not be heard is not missed', () => {
  const withoutKick = groove.filter(({ surface }) => surface !== 'kick');
  const { samples, truth } = play(withoutKick);
  const written = play(groove).truth;

  test('a foot that is written and not played is not made up', () => {
    const heard = findStrokes(samples, RATE, { kit, expected: written });
    expect(heard.filter(({ surface }) => surface === 'kick')).toEqual([]);
    expect(scoreOf(heard, truth).found).toBeGreaterThanOrEqual(0.95);
  });

  test('and would have been heard, so that it counts as missed', () => {
    const could = isAudible(samples, RATE, kit, written);
    written.forEach(({ surface }, index) => {
      if (surface === 'kick') expect(could[index]).toBe(true);
    });
  });

  test('ghosts under loud noise could not, nor could a surface that was never learnt', () => {
    const loud = play(withoutKick, { noiseDb: 2 });
    const ghosts = written.map((one) => ({ ...one, surface: 'floor tom' as const, height: 'ghost' as const }));
    expect(isAudible(loud.samples, RATE, kit, ghosts).filter(Boolean).length).toBeLessThan(0.1 * ghosts.length);
    const cowbell = written.map((one) => ({ ...one, surface: 'ride bell' as const }));
    expect(isAudible(samples, RATE, kit, cowbell).some(Boolean)).toBe(false);
  });
});

describe('learning a kit', () => {
  test('silence teaches nothing, one stroke teaches one sound', () => {
    expect(learnKit([{ surface: 'snare', samples: new Float32Array(RATE), sampleRate: RATE }]).surfaces).toEqual([]);
    const { samples } = play([{ ms: 0, surface: 'snare', height: 'accent' }]);
    const [snare] = learnKit([{ surface: 'snare', samples, sampleRate: RATE }]).surfaces;
    expect(snare).toMatchObject({ surface: 'snare' });
    expect(snare!.templates).toHaveLength(1);
    expect(snare!.softestDb).toBe(snare!.loudestDb);
  });

  test('a kit of no surfaces hears strokes without one', () => {
    const heard = findStrokes(play(groove).samples, RATE, { kit: learnKit([]) });
    expect(heard.length).toBeGreaterThan(20);
    expect(heard.every(({ surface }) => surface === undefined)).toBe(true);
  });
});
