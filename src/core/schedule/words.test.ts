import { describe, expect, test } from 'vitest';
import { cellsOfDivisions } from '../grid/cells';
import { formOf } from '../form/form';
import { schedule } from './schedule';
import { type TimedWord } from './timed';
import { meterOf, oneLine } from '../testing/arbitrary';
import { CLICK_PLANS, type ClickPlan } from '../time/clickPlan';
import { SCHOOLS } from '../counting/schools';

const inMeter = (text: string, parts: number) => ({
  ...oneLine('t...'),
  bars: [{ meter: meterOf(text), cells: cellsOfDivisions(meterOf(text), 'numbers', parts), strokes: [] }],
});

function spoken(
  groove = oneLine('t...............'),
  plan: ClickPlan = CLICK_PLANS['every slot'],
  bpm = 60,
  more = {},
) {
  const form = formOf({ groove, bpm, click: { kind: 'silent' }, countIn: 0, rounds: 1, ...more });
  const timed = schedule(form, { count: { school: SCHOOLS[0], plan } });
  const words = timed.sounds.filter((sound): sound is TimedWord => sound.kind === 'word');
  return { said: words.map(({ say }) => say).join(' '), ms: words.map(({ ms }) => ms), unspoken: timed.unspoken };
}

describe('the spoken count', () => {
  test('says every slot in the school, each word on its slot', () => {
    expect(spoken().said).toBe('1 e & a 2 e & a 3 e & a 4 e & a');
    expect(spoken().ms).toEqual(Array.from({ length: 16 }, (_, index) => 250 * index));
    expect(spoken(oneLine('t...........')).said).toBe('1 trip let 2 trip let 3 trip let 4 trip let');
  });

  test('thins by its own plan, and says the & also where the grid is wider', () => {
    expect(spoken(undefined, CLICK_PLANS.counts).said).toBe('1 2 3 4');
    expect(spoken(undefined, CLICK_PLANS['1 only']).said).toBe('1');
    expect(spoken(oneLine('t...'), CLICK_PLANS['8ths']).said).toBe('1 & 2 & 3 & 4 &');
    expect(spoken(undefined, CLICK_PLANS['every second bar'], 60, { rounds: 4 }).said).toBe('1 1');
  });

  test('counts in with the numbers, whatever the plan', () => {
    expect(spoken(undefined, CLICK_PLANS.silent, 60, { countIn: 2 }).said).toBe('1 2 3 4 1 2 3 4');
  });

  test('swings with what is played', () => {
    expect(
      spoken(oneLine('t.......'), CLICK_PLANS['8ths'], 60, { swing: { value: '8th', ratio: '3' } }).ms.slice(0, 4),
    ).toEqual([0, 750, 1000, 1750]);
  });

  test('too fast, the inner syllables drop out: first all but the middle one, then all; and it says how many', () => {
    expect(spoken(undefined, undefined, 110)).toMatchObject({ said: '1 & 2 & 3 & 4 &', unspoken: 8 });
    expect(spoken(undefined, undefined, 230)).toMatchObject({ said: '1 2 3 4', unspoken: 12 });
    expect(spoken(undefined, undefined, 60).unspoken).toBe(0);
    // Only the counts that are too fast lose theirs.
    const mixed = {
      ...oneLine('t...'),
      bars: [{ meter: meterOf('4/4'), cells: cellsOfDivisions(meterOf('4/4'), 'numbers', [4, 2, 4, 1]), strokes: [] }],
    };
    expect(spoken(mixed, undefined, 110).said).toBe('1 & 2 & 3 & 4');
  });

  test('where the counts themselves are too fast, 1 and the first of each group are said', () => {
    expect(spoken(inMeter('7/8', 1), undefined, 300).said).toBe('1');
    const grouped = inMeter('7/8', 1);
    grouped.bars[0]!.meter = { ...grouped.bars[0]!.meter, grouping: [2, 2, 3] };
    expect(spoken(grouped, undefined, 300).said).toBe('1 3 5');
    expect(spoken(grouped, undefined, 120).said).toBe('1 2 3 4 5 6 7');
  });
});
