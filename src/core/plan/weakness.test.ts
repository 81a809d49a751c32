import { describe, expect, test } from 'vitest';
import type { Verdict } from '../documents/verdict';
import { oneLine } from '../testing/arbitrary';
import { STARTERS } from '../testing/starters';
import { exact } from '../time/fraction';
import { makeDrill } from '../drill/drill';
import { drillOf, settingsLike, limbsUnder, MADE_OF_GROOVE } from '../drill/fromGroove';
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
    expect(drillFor({ limb: 'right foot', offBeats: true, tempo: 70 })).toMatchObject({
      family: 'between',
      params: { limb: 'right foot' },
    });
    expect(drillFor({ limb: 'left hand', tempo: 70 })).toMatchObject({
      family: 'placement',
      params: { limb: 'left hand' },
    });
  });

  test('places become exactly these exercises, four times each, in the meter and grid they were heard in', () => {
    expect(saysOf({ limb: 'right foot', places: [exact('3/16'), exact('5/16')], tempo: 70 })).toEqual([
      'the a of 1',
      'the e of 2',
    ]);
    expect(saysOf({ places: [exact('1/12')], meter: '3/4', parts: 3, tempo: 70 })).toEqual(['the trip of 1']);
    expect(drillFor({ places: [exact('3/16')], tempo: 70 })).toMatchObject({ repeats: 4, picked: [3] });
    // The second pulse of 12/8, counted in pulses of three.
    expect(
      saysOf({ places: [exact('3/8'), exact('1/2')], meter: '12/8', parts: 3, reading: 'pulse', tempo: 70 }),
    ).toEqual(['count 2', 'the trip of 2']);
    // A place that the grid does not have is no reason to make nothing.
    expect(drillFor({ limb: 'left hand', places: [exact('1/7')], tempo: 70 })).toMatchObject({
      family: 'placement',
      params: { limb: 'left hand' },
    });
    expect(drillFor({ limb: 'left hand', places: [exact('1/7')], tempo: 70 }).picked).toBeUndefined();
  });

  test('whatever is weak, what is chosen makes a drill', () => {
    const limbs = [undefined, 'left hand', 'right hand', 'right foot', 'left foot'] as const;
    for (const limb of limbs)
      for (const more of [
        {},
        { offBeats: true },
        { uneven: true },
        { switches: ['quarter', '16th'] as const },
        { places: [exact('1/4')] },
      ])
        expect(saysOf({ limb, ...more, tempo: 80 }).length).toBeGreaterThan(0);
  });
});

describe('a verdict says what is weak', () => {
  const take = { groove: oneLine('t.t.t.t.t.t.t.t.'), bpm: 72 };
  const weakness = (verdict: Partial<Verdict>) => weaknessOf(verdict as Verdict, take);
  test.each([
    [{ about: 'clean' }, undefined],
    [{ about: 'nothing heard' }, undefined],
    [{ about: 'off-beats' }, { offBeats: true }],
    [{ about: 'drift' }, { uneven: true }],
    [{ about: 'limb', limb: 'right foot' }, { limb: 'right foot' }],
    [
      {
        about: 'place',
        limb: 'left hand',
        place: { limb: 'left hand', bar: 0, bars: 1, count: 1, part: 1, parts: 4, counts: 1 },
      },
      { limb: 'left hand', places: [exact('1/16')] },
    ],
  ] as [Partial<Verdict>, object | undefined][])('%#', (verdict, expected) => {
    if (expected)
      expect(weakness(verdict)).toEqual({ tempo: 72, meter: '4/4', parts: 4, reading: 'numbers', ...expected });
    else expect(weakness(verdict)).toBeUndefined();
  });
});

describe('a groove says what a drill of it is like', () => {
  const shuffle = {
    ...oneLine('t.tt.tt.tt.t'),
    title: 'Rope walk',
    tempo: 96,
    swing: { value: '8th' as const, ratio: '2' },
  };

  test.each(Object.keys(MADE_OF_GROOVE))(
    '%s: makes something of every starter groove in one meter, in its feel and tempo',
    (what) => {
      for (const groove of [shuffle, ...STARTERS.slice(0, 3)]) {
        const rule = drillOf(groove, what);
        expect(rule).toMatchObject({ goal: groove.tempo, ostinato: '', reading: groove.reading });
        const drill = makeDrill(rule);
        if (!drill.ok) {
          // One limb alone cannot be built up, and nothing in the hands cannot be accented: both are said.
          expect([
            groove.bars.flatMap(({ strokes }) => strokes).every(({ limb }, _, [first]) => limb === first!.limb),
            drill.problems[0]!.remedy !== '',
          ]).toEqual([true, true]);
          continue;
        }
        expect(drill.value.exercises.length).toBeGreaterThan(0);
        for (const made of drill.value.exercises) expect(made.groove.swing).toEqual(groove.swing);
      }
    },
  );

  test('what goes on under a drill is all but the limb it trains', () => {
    expect(limbsUnder(STARTERS[0]!, 'right foot')).toEqual(['right hand', 'left hand']);
    expect(limbsUnder(oneLine('t...'), 'right hand')).toEqual(['right hand']);
    expect(settingsLike(shuffle)).toMatchObject({ meter: '4/4', parts: 3, swing: shuffle.swing });
  });
});
