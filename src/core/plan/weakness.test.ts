import { describe, expect, test } from 'vitest';
import type { Verdict } from '../documents/verdict';
import type { PlaceFigures } from '../judging/types/judgement';
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

  test('a foot that is left out plays by itself, then with the hat, to a click on every slot', () => {
    const left = { limb: 'right foot', joins: true, places: [exact('0'), exact('7/16')], click: 'every slot' } as const;
    expect(saysOf({ ...left, tempo: 70 })).toEqual(['right foot', 'right foot, right hand']);
    const rule = drillFor({ ...left, tempo: 70 });
    expect(rule).toMatchObject({ family: 'build-up', click: 'every slot', goal: 70 });
    const drill = makeDrill(rule);
    expect(drill.ok && drill.value.exercises[0]!.groove.bars[0]!.strokes.map(({ at }) => at)).toEqual(left.places);
    // In triplets the hat keeps quarters.
    expect(saysOf({ ...left, parts: 3, places: [exact('1/12')], tempo: 70 })).toHaveLength(2);
    // Where the grid has none of its places, it goes round them all.
    expect(drillFor({ ...left, places: [exact('1/7')], tempo: 70 })).toMatchObject({ family: 'placement' });
  });

  test('late off-beats train the limb whose off-beats are worst', () => {
    const groove = oneLine('tttttttttttttttt', 'right hand', 72);
    const place = (limb: 'right hand' | 'left hand', at: string, meanErrorMs: number) =>
      ({ limb, bar: 0, written: exact(at), matched: 8, meanErrorMs }) as PlaceFigures;
    const verdict = { about: 'off-beats', practise: { click: 'every slot' } } as Verdict;
    const places = [place('right hand', '1/16', 12), place('left hand', '1/8', 25), place('right hand', '0', 90)];
    expect(weaknessOf(verdict, { groove, bpm: 72 }, places)).toMatchObject({ offBeats: true, limb: 'left hand' });
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
  const practise = { step: 'listen', bpm: 62, click: 'every slot', limbs: [], isWholeTask: true } as const;
  const weakness = (verdict: Partial<Verdict>) => weaknessOf({ practise, ...verdict } as Verdict, take);
  test.each([
    [{ about: 'clean' }, undefined],
    [{ about: 'nothing heard' }, undefined],
    [{ about: 'off-beats' }, { offBeats: true, click: 'counts' }],
    [{ about: 'drift' }, { uneven: true, click: 'thin out and back' }],
    [{ about: 'behind or ahead' }, { uneven: true, click: '2 bars on, 2 silent' }],
    [{ about: 'loudness', limb: 'right hand' }, { figure: 'accents' }],
    [
      { about: 'limb', limb: 'right foot' },
      { limb: 'right foot', click: 'every slot' },
    ],
    [
      { about: 'missed', limb: 'right hand' },
      {
        limb: 'right hand',
        joins: true,
        click: 'every slot',
        places: ['0', '1/8', '1/4', '3/8', '1/2', '5/8', '3/4', '7/8'].map(exact),
      },
    ],
    [
      {
        about: 'place',
        limb: 'left hand',
        place: { limb: 'left hand', bar: 0, bars: 1, count: 1, part: 1, parts: 4, counts: 1 },
      },
      { limb: 'left hand', click: 'every slot', places: [exact('1/16')] },
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
