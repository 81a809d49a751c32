import { describe, expect, test } from 'vitest';
import type { Take } from '../take/document';
import type { Verdict } from '../take/verdict';
import { oneLine } from '../testing/arbitrary';
import { exact } from '../time/fraction';
import { makeDrill } from './drill';
import { drillFor, weaknessOf, type Weakness } from './weakness';

const saysOf = (weakness: Weakness) => {
  const drill = makeDrill(drillFor(weakness));
  if (!drill.ok) throw new Error(drill.problems[0]!.say);
  return drill.value.exercises.map(({ say }) => say);
};

describe('a weakness chooses family and parameters', () => {
  test('the most particular thing first: a switch, then places, then a limb', () => {
    expect(drillFor({ switches: ['8th', '8th triplet'], limb: 'left hand', tempo: 70 })).toMatchObject({
      family: 'rates',
      params: { way: 'to and fro' },
      goal: 70,
    });
    expect(drillFor({ limb: 'right foot', offBeats: true, tempo: 70 })).toMatchObject({ family: 'between', params: { limb: 'right foot' } });
    expect(drillFor({ limb: 'left hand', tempo: 70 })).toMatchObject({ family: 'placement', params: { limb: 'left hand' } });
  });

  test('places become exactly these exercises, four times each, in the meter and grid they were heard in', () => {
    expect(saysOf({ limb: 'right foot', places: [exact('3/16'), exact('5/16')], tempo: 70 })).toEqual(['the a of 1', 'the e of 2']);
    expect(saysOf({ places: [exact('1/12')], meter: '3/4', parts: 3, tempo: 70 })).toEqual(['the trip of 1']);
    expect(drillFor({ places: [exact('3/16')], tempo: 70 })).toMatchObject({ repeats: 4, picked: [3] });
    // A place that the grid does not have is no reason to make nothing.
    expect(drillFor({ limb: 'left hand', places: [exact('1/7')], tempo: 70 })).toMatchObject({ family: 'placement', params: { limb: 'left hand' } });
    expect(drillFor({ limb: 'left hand', places: [exact('1/7')], tempo: 70 }).picked).toBeUndefined();
  });

  test('whatever is weak, what is chosen makes a drill', () => {
    const limbs = [undefined, 'left hand', 'right hand', 'right foot', 'left foot'] as const;
    for (const limb of limbs)
      for (const more of [{}, { offBeats: true }, { uneven: true }, { switches: ['quarter', '16th'] as const }, { places: [exact('1/4')] }])
        expect(saysOf({ limb, ...more, tempo: 80 }).length).toBeGreaterThan(0);
  });
});

describe('a verdict says what is weak', () => {
  const take = { groove: oneLine('t.t.t.t.t.t.t.t.'), tempo: [{ fromBar: 0, bpm: 72 }] } as Take;
  const weakness = (verdict: Partial<Verdict>) => weaknessOf(verdict as Verdict, take);
  test.each([
    [{ about: 'clean' }, undefined],
    [{ about: 'nothing heard' }, undefined],
    [{ about: 'off-beats' }, { offBeats: true }],
    [{ about: 'drift' }, { uneven: true }],
    [{ about: 'limb', limb: 'right foot' }, { limb: 'right foot' }],
    [
      { about: 'place', limb: 'left hand', place: { limb: 'left hand', bar: 0, written: exact('1/16') } },
      { limb: 'left hand', places: [exact('1/16')] },
    ],
  ] as [Partial<Verdict>, object | undefined][])('%#', (verdict, expected) => {
    if (expected) expect(weakness(verdict)).toEqual({ tempo: 72, meter: '4/4', parts: 4, ...expected });
    else expect(weakness(verdict)).toBeUndefined();
  });
});
