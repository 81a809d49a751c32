import { parseMidi } from 'midi-file';
import { describe, expect, test } from 'vitest';
import { writeOutChart } from '../chart/play/writeOut';
import { readChartText } from '../chart/text/chartText';
import { SCHOOLS } from '../counting/schools';
import { readGroove } from '../documents/groove';
import { formOf, type Plan } from '../form/form';
import { midiOf, TICKS_A_QUARTER } from '../format/midi/midiOut';
import { meterOf, oneLine } from '../testing/arbitrary';
import { CLICK_PLANS } from '../time/clickPlan';
import { format } from '../time/fraction';
import { countedIn } from './countIn';
import { schedule } from './schedule';

/** One count, then two bars, at one count a second. */
const charted = (text: string): Plan => {
  const read = readChartText(text);
  if (!read.ok) throw new Error(read.problems[0].say);
  const made = writeOutChart(read.value, 'Rope over the rail');
  if (!made.ok) throw new Error(made.problems[0]!.say);
  const { groove, passages } = made.value;
  return { groove, passages, bpm: groove.tempo, rounds: 1, click: CLICK_PLANS.counts, countIn: 1 };
};
const PICK_UP = charted('quarter = 60, pick-up; up 1 1/4; A 2 4/4');

describe('before a pick-up', () => {
  test('whole bars are counted in, and of one more what the pick-up leaves', () => {
    const form = formOf(PICK_UP);
    expect(countedIn(form).map(({ length, counts }) => [format(length), counts])).toEqual([
      ['1', 4],
      ['3/4', 3],
    ]);
    const { sounds, bars, startMs } = schedule(form);
    expect(startMs).toBe(-7000);
    expect(bars.map(({ barInRun, startMs: from, counts }) => [barInRun, from, counts])).toEqual([
      [-2, -7000, 4],
      [-1, -3000, 3],
      [0, 0, undefined],
      [1, 1000, undefined],
      [2, 5000, undefined],
    ]);
    const clicks = sounds.flatMap((sound) =>
      sound.kind === 'click' && sound.ms < 2000 ? [[sound.ms, sound.voice]] : [],
    );
    expect(clicks).toEqual([
      [-7000, 'one'],
      [-6000, 'count'],
      [-5000, 'count'],
      [-4000, 'count'],
      [-3000, 'one'],
      [-2000, 'count'],
      [-1000, 'count'],
      // The pick-up is the four of its bar, and the one comes after it.
      [0, 'count'],
      [1000, 'one'],
    ]);
  });

  test('the numbers go on from the count-in through the pick-up', () => {
    const { sounds } = schedule(formOf(PICK_UP), { count: { school: SCHOOLS[0], plan: CLICK_PLANS.counts } });
    const words = sounds.flatMap((sound) => (sound.kind === 'word' && sound.ms <= 1000 ? [sound.say] : []));
    expect(words.join(' ')).toBe('1 2 3 4 1 2 3 4 1');
  });

  test('one that begins between two counts is counted from there', () => {
    const plan = charted('quarter = 60, pick-up; up 1 3/8; A 2 4/4');
    const form = formOf(plan);
    expect(countedIn(form).map(({ length, counts }) => [format(length), counts])).toEqual([
      ['1', 4],
      ['5/8', 3],
    ]);
    const count = { school: SCHOOLS[0], plan: CLICK_PLANS.counts };
    const words = schedule(form, { count }).sounds.flatMap((sound) =>
      sound.kind === 'word' && sound.ms >= -2500 && sound.ms <= 1500 ? [[sound.ms, sound.say]] : [],
    );
    expect(words).toEqual([
      [-2500, '1'],
      [-1500, '2'],
      [-500, '3'],
      [500, '4'],
      [1500, '1'],
    ]);
  });

  test('without a count-in there is none, and a whole first bar is no pick-up', () => {
    expect(formOf({ ...PICK_UP, countIn: 0 }).countIn).toBe(0);
    const whole = charted('quarter = 60, pick-up; up 1 4/4; A 2');
    expect(countedIn(formOf(whole)).map(({ length }) => format(length))).toEqual(['1']);
  });

  test('a file of it has the meters of the bars counted in', () => {
    const signs = parseMidi(midiOf(PICK_UP)).tracks[0]!.reduce<{ tick: number; found: unknown[] }>(
      ({ tick, found }, event) => {
        const now = tick + event.deltaTime;
        if (event.type === 'timeSignature') found.push([now / TICKS_A_QUARTER, event.numerator, event.denominator]);
        return { tick: now, found };
      },
      { tick: 0, found: [] },
    ).found;
    expect(signs).toEqual([
      [0, 4, 4],
      [4, 3, 4],
      [7, 1, 4],
      [8, 4, 4],
    ]);
  });

  test('a pick-up as long as its bar is told', () => {
    const groove = oneLine('A...', 'right hand', 60, '1/4');
    const json = (endOf: string) => ({
      ...groove,
      bars: groove.bars.map((bar) => ({
        ...bar,
        endOf: meterOf(endOf),
        strokes: bar.strokes.map((one) => ({ ...one, at: format(one.at) })),
      })),
    });
    expect(readGroove(json('2/4')).ok).toBe(true);
    expect(readGroove(json('1/4'))).toMatchObject({ ok: false, problems: [{ code: 'no-pick-up', where: 'bar 1' }] });
  });
});

test('else bars counted in are like the first', () => {
  const plan: Plan = {
    ...PICK_UP,
    groove: oneLine('A.A.A.', 'right hand', 60, '3/4'),
    passages: undefined,
    countIn: 2,
  };
  expect(countedIn(formOf(plan)).map(({ length, counts }) => [format(length), counts])).toEqual([
    ['3/4', 3],
    ['3/4', 3],
  ]);
});
