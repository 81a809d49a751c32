import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { LIMBS, type Limb } from '../groove/limbs';
import { limbsIn } from '../groove/kit';
import { anyGroove, oneLine, together } from '../testing/arbitrary';
import { beatsWithin, heardBpm, musicShape, roundsUnder } from './music';
import { formOf } from '../form/form';
import type { Groove } from '../groove/groove';
import { isOrnamented, startWaiting, strikeWaiting, type Waiting } from './waiting';
import { runs } from '../testing/runs';

const backbeat = together(oneLine('AtAt'), oneLine('.A.A', 'left hand'), oneLine('A...', 'right foot'));

const formOfGroove = (one: Groove) =>
  formOf({ groove: one, rounds: 1, bpm: 60, click: { kind: 'silent' }, countIn: 0 });

/** Plays letters: R L hands, r l feet. */
const NAMES: Record<string, Limb> = { R: 'right hand', L: 'left hand', r: 'right foot', l: 'left foot' };
const struck = (groove: typeof backbeat, letters: string, task: Limb[] = limbsIn(groove)): Waiting =>
  [...letters].reduce(
    (now, letter) => strikeWaiting(now, NAMES[letter]!, isOrnamented(groove, now.steps[now.step]!)),
    startWaiting(formOfGroove(groove), task)!,
  );

describe('wait for me', () => {
  test('moves on when all limbs of the slot have struck, in any order', () => {
    expect(struck(backbeat, 'R')).toMatchObject({ step: 0, left: { 'right foot': 1 } });
    expect(struck(backbeat, 'rR')).toMatchObject({ step: 1, left: { 'right hand': 1, 'left hand': 1 } });
    expect(struck(backbeat, 'rRRL')).toMatchObject({ step: 2 });
  });

  test('a wrong limb is shown and costs the clean round, not the place', () => {
    expect(struck(backbeat, 'L')).toMatchObject({
      step: 0,
      wrong: ['left hand'],
      left: { 'right hand': 1, 'right foot': 1 },
    });
    expect(struck(backbeat, 'LrR')).toMatchObject({ step: 1, wrong: [] });
    expect(struck(backbeat, 'LrRRLRRL')).toMatchObject({ step: 0, rounds: 1, clean: 0 });
  });

  test('three clean rounds are counted, limbs out of the task are not waited for', () => {
    expect(struck(backbeat, 'rRRLRRL'.repeat(3))).toMatchObject({ rounds: 3, clean: 3 });
    expect(struck(backbeat, 'r'.repeat(3), ['right foot'])).toMatchObject({ rounds: 3, clean: 3, step: 0 });
    expect(startWaiting(formOfGroove(backbeat), ['left foot'])).toBeUndefined();
  });

  test('a double asks for two strokes; the grace of a flam is let pass', () => {
    const double = oneLine('t...');
    double.bars[0]!.strokes[0]!.ornament = 'double';
    expect(struck(double, 'R')).toMatchObject({ rounds: 0, left: { 'right hand': 1 } });
    expect(struck(double, 'RR')).toMatchObject({ rounds: 1, clean: 1 });
    const flam = oneLine('t...');
    flam.bars[0]!.strokes[0]!.ornament = 'flam';
    expect(struck(flam, 'LR')).toMatchObject({ rounds: 1, clean: 1 });
    expect(struck(flam, 'rR')).toMatchObject({ rounds: 1, clean: 0 });
  });

  test('striking what is wanted always gets through any groove clean', () => {
    fc.assert(
      fc.property(anyGroove(), (groove) => {
        let now = startWaiting(formOfGroove(groove), limbsIn(groove))!;
        for (let strikes = 0; now.rounds < 1 && strikes < 2000; strikes++)
          now = strikeWaiting(
            now,
            LIMBS.find((limb) => now.left[limb])!,
            false,
          );
        expect(now).toMatchObject({ rounds: 1, clean: 1, step: 0 });
      }),
      runs(40),
    );
  });
});

describe('to music', () => {
  test('rounds fill it from its first beat, and one is always played', () => {
    expect(roundsUnder(2000, 1000, 61_000)).toBe(30);
    expect(roundsUnder(4000, 0, 500)).toBe(1);
  });

  test('slower it is heard at its share of the tempo; beats lie on both sides of the first', () => {
    expect(heardBpm({ bpm: 101, speed: 75 })).toBe(75.75);
    expect(beatsWithin({ bpm: 60, firstBeatMs: 1250 }, 0, 3500)).toEqual([250, 1250, 2250, 3250]);
    expect(musicShape.safeParse({ name: 'Slow ferry.wav', bpm: 90, firstBeatMs: -5, speed: 100 }).success).toBe(false);
  });
});
