import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { readGroove, writeGroove } from '../documents/groove';
import { LIMBS, limbsIn, type Limb } from '../groove/limbs';
import { schedule, type TimedStroke } from '../schedule/schedule';
import { anyGroove, meterOf, oneLine, together } from '../testing/arbitrary';
import { STARTERS } from '../testing/starters';
import { steady } from '../time/tempoMap';
import { beatsWithin, heardBpm, musicShape, roundsUnder } from './music';
import { CONTRASTS, sidesOf, turnsOf } from '../form/sides';
import { isOrnamented, startWaiting, strikeWaiting, type Waiting } from './waiting';

const backbeat = together(oneLine('AtAt'), oneLine('.A.A', 'left hand'), oneLine('A...', 'right foot'));

/** Plays letters: R L hands, r l feet. */
const NAMES: Record<string, Limb> = { R: 'right hand', L: 'left hand', r: 'right foot', l: 'left foot' };
const struck = (groove: typeof backbeat, letters: string, task: Limb[] = limbsIn(groove)): Waiting =>
  [...letters].reduce(
    (now, letter) => strikeWaiting(now, NAMES[letter]!, isOrnamented(groove, now.steps[now.step]!)),
    startWaiting(groove, task)!,
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
    expect(startWaiting(backbeat, ['left foot'])).toBeUndefined();
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
        let now = startWaiting(groove, limbsIn(groove))!;
        for (let strikes = 0; now.rounds < 1 && strikes < 2000; strikes++)
          now = strikeWaiting(
            now,
            LIMBS.find((limb) => now.left[limb])!,
            false,
          );
        expect(now).toMatchObject({ rounds: 1, clean: 1, step: 0 });
      }),
      { numRuns: 40 },
    );
  });
});

describe('back to back', () => {
  const swung = { ...oneLine('AtAtAtAt'), swing: { value: '8th' as const, ratio: '3' } };

  test('straight and swung: one groove twice, the swing turning on the bar line, in its own ratio', () => {
    const read = sidesOf(swung, 'straight and swung', 2);
    if (!read.ok) throw new Error('no sides');
    const { groove, sideOf } = read.value;
    expect(sideOf).toEqual([0, 0, 1, 1]);
    expect(turnsOf(read.value, 2)).toEqual([
      { fromBar: 0, swing: 'straight' },
      { fromBar: 2, swing: swung.swing },
      { fromBar: 4, swing: 'straight' },
      { fromBar: 6, swing: swung.swing },
    ]);
    const { sounds } = schedule({
      groove,
      tempo: steady(60, { n: 1, d: 4 }),
      click: { kind: 'silent' },
      countIn: 0,
      rounds: 2,
      changes: turnsOf(read.value, 2),
    });
    const second = (bar: number) =>
      (sounds.filter((sound): sound is TimedStroke => sound.kind === 'stroke' && sound.barInRun === bar)[1]!.ms -
        4000 * bar) /
      1000;
    expect([0, 1, 2, 3, 4, 6].map(second)).toEqual([0.5, 0.5, 0.75, 0.75, 0.5, 0.75]);
  });

  test('plain has no accents, accented all of them; without any there is nothing to hear', () => {
    const read = sidesOf(backbeat, 'plain and accented', 1);
    if (!read.ok) throw new Error('no sides');
    const accents = read.value.groove.bars.map((bar) => bar.strokes.filter(({ height }) => height === 'accent').length);
    expect(accents).toEqual([0, 5]);
    expect(sidesOf(oneLine('tttt'), 'plain and accented', 1)).toMatchObject({
      ok: false,
      problems: [{ say: expect.stringContaining('no accents') }],
    });
  });

  test('re-rated: each side in whole rounds, at least as many bars as asked', () => {
    const half = sidesOf(backbeat, 'written and half-time', 3);
    expect(half).toMatchObject({ ok: true, value: { sideOf: [0, 0, 0, 1, 1, 1, 1], names: ['written', 'half-time'] } });
  });

  test('whatever sides there are, they make a groove that can be kept', () => {
    for (const groove of STARTERS) {
      for (const contrast of CONTRASTS) {
        const read = sidesOf(groove, contrast, 2);
        if (read.ok) expect(readGroove(JSON.parse(JSON.stringify(writeGroove(read.value.groove)))).ok).toBe(true);
        else expect(read.problems[0]!.remedy).not.toBe('');
      }
    }
  });
});

describe('to music', () => {
  test('rounds fill it from its first beat, and one is always played', () => {
    expect(roundsUnder(oneLine('tttt'), { bpm: 120, firstBeatMs: 1000 }, 61_000)).toBe(30);
    expect(
      roundsUnder(
        { ...oneLine('tttt'), bars: [{ ...oneLine('tttt').bars[0]!, meter: meterOf('4/4') }] },
        { bpm: 60, firstBeatMs: 0 },
        500,
      ),
    ).toBe(1);
  });

  test('slower it is heard at its share of the tempo; beats lie on both sides of the first', () => {
    expect(heardBpm({ bpm: 101, speed: 75 })).toBe(75.75);
    expect(beatsWithin({ bpm: 60, firstBeatMs: 1250 }, 0, 3500)).toEqual([250, 1250, 2250, 3250]);
    expect(musicShape.safeParse({ name: 'Slow ferry.wav', bpm: 90, firstBeatMs: -5, speed: 100 }).success).toBe(false);
  });
});
