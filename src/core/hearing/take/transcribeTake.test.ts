import { describe, expect, test } from 'vitest';
import { readEars, FIRST_EARS } from '../../documents/ears';
import { readTake, writeTake, type Take } from '../../documents/take';
import { calibrationOf, type Setting } from '../../simulate/recording';
import { madeKit } from '../../simulate/drumSounds';
import { roomResponse } from '../../simulate/room';
import { soundOfTake } from '../../simulate/takeAsSound';
import { judge } from '../../judging/verdict/judge';
import { oneLine, together } from '../../testing/arbitrary';
import { emptyTake, playedTake } from '../../testing/takes';
import type { Surface } from '../../groove/limbs';
import { transcribeTake } from './transcribeTake';
import { learnKit } from '..';
import { kitOf, writeKit } from '../kit/kitJson';
import { crossValidateKit } from './crossValidateKit';
import { limbsHeard, limbForSurface } from './limbForSurface';

const RATE = 48_000;
const surfaces: Surface[] = ['closed hat', 'snare', 'kick'];
const groove = together(
  oneLine('t.t.t.t.', 'right hand', 90),
  together(oneLine('..A...A.', 'left hand', 90), oneLine('A...A.t.', 'right foot', 90)),
);
const setting = (of: readonly Surface[] = surfaces): Setting => ({
  kit: madeKit(4, 'rings', RATE, [...of]),
  room: roomResponse(4, 'soft', RATE),
  noise: 'pink',
  noiseDb: 38,
  rate: RATE,
  seed: 4,
});
const struck = (of: readonly Surface[]) =>
  of.map((surface) => ({ surface, samples: calibrationOf(surface, setting(of)), sampleRate: RATE }));
const kit = learnKit(struck(surfaces));
const take: Take = { ...emptyTake(groove, { rounds: 3 }), input: 'microphone', struckBy: 'player' };
const played = playedTake({ spreadMs: 4, isLoud: true }, take);

describe('a take heard by a microphone', () => {
  const { samples, firstBarMs } = soundOfTake(played, setting());
  const heard = transcribeTake(take, { samples, sampleRate: RATE, firstBarMs: firstBarMs - 40 }, { kit, delayMs: 40 });

  test('has each limb’s strokes at their time, as loud as they were, and is judged like the take that was played', () => {
    const { strokes } = judge(heard.take, 'advanced');
    // A hat under a snare that is struck with it may not stand out of it: then it is not judged.
    const count = (outcome: string) => strokes.filter((one) => one.outcome === outcome).length;
    expect(count('matched')).toBeGreaterThan(0.7 * strokes.length);
    expect(count('missed')).toBeLessThanOrEqual(1);
    const offs = heard.take.hits.map(({ limb, ms }) =>
      Math.min(...played.hits.filter((one) => one.limb === limb).map((one) => Math.abs(one.ms - ms))),
    );
    expect(offs.sort((a, b) => a - b)[offs.length >> 1]).toBeLessThan(0.5);
    const kicks = heard.take.hits.filter(({ limb }) => limb === 'right foot');
    const loudest = Math.max(...kicks.map(({ loudness }) => loudness!));
    const softest = Math.min(...kicks.map(({ loudness }) => loudness!));
    expect(20 * Math.log10(loudest / softest)).toBeGreaterThan(5);
    expect(heard.take.calibrationMs).toBe(40);
    expect(heard.isClickHeard).toBe(false);
    expect(readTake(JSON.parse(JSON.stringify(writeTake(heard.take)))).ok).toBe(true);
  });

  test('a delay that was not measured is a constant that everything is late by', () => {
    const late = transcribeTake(take, { samples, sampleRate: RATE, firstBarMs: firstBarMs - 40 }, { kit, delayMs: 0 });
    const { figures } = judge(late.take, 'advanced');
    expect(figures.meanErrorMs!).toBeGreaterThan(35);
  });
});

describe('who struck', () => {
  test('on a pad alone only the hands are heard, and nobody says which', () => {
    const pad = learnKit(struck(['pad']));
    expect(limbsHeard(take, pad)).toEqual(['right hand', 'left hand']);
    expect(limbForSurface(take, pad)('pad')).toBeUndefined();
    expect(limbForSurface({ ...take, task: ['left hand', 'right foot'] }, pad)('pad')).toBe('left hand');
    expect(limbsHeard({ ...take, task: ['right foot'] }, pad)).toEqual(['right foot']);
  });

  test('on a kit, whose surface it is in the groove; a limb whose surface was not learnt is not heard', () => {
    expect(limbForSurface(take, kit)('snare')).toBe('left hand');
    expect(limbForSurface(take, kit)('crash')).toBe('right hand');
    expect(limbsHeard(take, learnKit(struck(['closed hat', 'snare'])))).toEqual(['right hand', 'left hand']);
  });
});

test('a kit is stored and read back, and hears the same', () => {
  const ears = {
    ...FIRST_EARS,
    microphone: { deviceName: 'a phone', click: 'headphones', kit: writeKit(kit), told: [], heardOn: '2026-11-26' },
  };
  const read = readEars(JSON.parse(JSON.stringify(ears)));
  if (!read.ok) throw new Error(read.problems[0]!.say);
  const again = kitOf(read.value.microphone!.kit!);
  const { samples, firstBarMs } = soundOfTake(played, setting());
  const limbs = (one: typeof kit) =>
    transcribeTake(take, { samples, sampleRate: RATE, firstBarMs }, { kit: one, delayMs: 0 }).take.hits.map(
      ({ ms, limb }) => `${limb} ${Math.round(ms)}`,
    );
  expect(limbs(again)).toEqual(limbs(kit));
});

test('what a kit would tell is tried on strokes it was not learnt from', () => {
  const told = crossValidateKit(struck(surfaces));
  expect(told.map(({ surface }) => surface)).toEqual(surfaces);
  for (const { right, of } of told) {
    expect(of).toBe(6);
    expect(right).toBeGreaterThanOrEqual(4);
  }
});
