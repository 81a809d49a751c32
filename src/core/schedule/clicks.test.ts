import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { clickPlanShape, CLICK_PLANS, planInWords, type ClickPlan } from '../time/clickPlan';
import { plainMetronome } from './metronome';
import { clicks, type ClickedBar } from './clicks';
import { format } from '../time/fraction';
import { meterOf } from '../testing/arbitrary';
import { cellsOfDivisions } from '../grid/cells';
import { runs } from '../testing/runs';

const bar = (meter: string, division = 1): ClickedBar => ({
  meter: meterOf(meter),
  reading: 'numbers',
  cells: cellsOfDivisions(meterOf(meter), 'numbers', division),
});

describe('click plans', () => {
  const places = (plan: Parameters<typeof clicks>[0], ...bars: ClickedBar[]) =>
    clicks(plan, bars).map(({ bar: index, written, voice }) => `${index} ${format(written)} ${voice}`);

  test('every slot, 8ths, counts, 2 and 4, 1 only, each with the voice of its place', () => {
    expect(places(CLICK_PLANS['every slot'], bar('2/4', 3))).toEqual([
      '0 0 one',
      '0 1/12 division',
      '0 1/6 division',
      '0 1/4 count',
      '0 1/3 division',
      '0 5/12 division',
    ]);
    expect(places(CLICK_PLANS['8ths'], bar('3/4'))).toHaveLength(6);
    expect(places(CLICK_PLANS.counts, bar('3/4'))).toEqual(['0 0 one', '0 1/4 count', '0 1/2 count']);
    expect(places(CLICK_PLANS['2 and 4'], bar('4/4'), bar('3/4'))).toEqual([
      '0 1/4 count',
      '0 3/4 count',
      '1 1/4 count',
    ]);
    expect(places(CLICK_PLANS['1 only'], bar('7/8'), bar('7/8'))).toEqual(['0 0 one', '1 0 one']);
    expect(places({ kind: 'silent' }, bar('4/4'))).toEqual([]);
  });

  test('one click every so many counts runs on over bar lines', () => {
    expect(places({ kind: 'every', counts: '3', from: '0' }, bar('4/4'), bar('4/4'), bar('4/4'))).toEqual([
      '0 0 one',
      '0 3/4 count',
      '1 1/2 count',
      '2 1/4 count',
    ]);
    expect(places({ kind: 'every', counts: '1', from: '1/2' }, bar('2/4'))).toEqual([
      '0 1/8 division',
      '0 3/8 division',
    ]);
  });

  test('what a plain metronome is set to, where most cannot be set, and where none can', () => {
    expect(plainMetronome(CLICK_PLANS['2 and 4'], bar('4/4'), 90)).toEqual({ bpm: 45, outOfRange: false });
    expect(plainMetronome(CLICK_PLANS['1 only'], bar('4/4'), 80)).toEqual({ bpm: 20, outOfRange: true });
    expect(plainMetronome(CLICK_PLANS['8ths'], bar('4/4'), 140)).toEqual({ bpm: 280, outOfRange: true });
    expect(plainMetronome(CLICK_PLANS['2 and 4'], bar('7/8'), 180)).toBeUndefined();
    expect(plainMetronome({ kind: 'silent' }, bar('4/4'), 90)).toBeUndefined();
    expect(plainMetronome(CLICK_PLANS['every second bar'], bar('4/4'), 66)).toEqual({ bpm: 8.25, outOfRange: true });
    expect(plainMetronome(CLICK_PLANS['2 bars on, 2 silent'], bar('4/4'), 66)).toEqual({ bpm: 66, outOfRange: false });
    expect(
      [30, 29.9, 250, 250.1].map((bpm) => plainMetronome(CLICK_PLANS.counts, bar('4/4'), bpm)!.outOfRange),
    ).toEqual([false, true, false, true]);
  });

  test.each([
    { kind: 'every', counts: '0', from: '0' },
    { kind: 'every', counts: '1', from: '-1' },
    { kind: 'on', counts: [] },
    { kind: 'value', value: '64th' },
    { kind: 'sometimes' },
  ])('%o is no plan', (plan) => {
    expect(clickPlanShape.safeParse(plan).success).toBe(false);
  });
});

describe('a click that thins', () => {
  const bars = (count: number): ClickedBar[] => Array.from({ length: count }, () => bar('4/4'));
  const perBar = (plan: ClickPlan, count: number) => {
    const found = clicks(plan, bars(count));
    return Array.from({ length: count }, (_, index) => found.filter((click) => click.bar === index).length);
  };

  test('off-beats fall half-way between the counts, in any meter', () => {
    expect(
      clicks(CLICK_PLANS['off-beats'], [bar('3/4')]).map(({ written, voice }) => `${format(written)} ${voice}`),
    ).toEqual(['1/8 division', '3/8 division', '5/8 division']);
    expect(perBar(CLICK_PLANS['off-beats'], 2)).toEqual([4, 4]);
    expect(plainMetronome(CLICK_PLANS['off-beats'], bar('4/4'), 90)).toEqual({ bpm: 90, outOfRange: false });
  });

  test('bars on and bars silent; the 1 of every second bar', () => {
    expect(perBar(CLICK_PLANS['2 bars on, 2 silent'], 9)).toEqual([4, 4, 0, 0, 4, 4, 0, 0, 4]);
    expect(perBar(CLICK_PLANS['every second bar'], 4)).toEqual([1, 0, 1, 0]);
    expect(perBar({ kind: 'gaps', of: { kind: 'on', counts: [3] }, on: 1, off: 3 }, 5)).toEqual([1, 0, 0, 0, 1]);
  });

  test('thins out stage by stage and comes back, each end once', () => {
    const plan: ClickPlan = {
      kind: 'thinning',
      stages: [{ kind: 'value', value: '8th' }, CLICK_PLANS.counts, CLICK_PLANS['1 only']],
      bars: 2,
    };
    expect(perBar(plan, 12)).toEqual([8, 8, 4, 4, 1, 1, 4, 4, 8, 8, 4, 4]);
    expect(plainMetronome(plan, bar('4/4'), 90)).toBeUndefined();
    const found = clicks(plan, bars(12));
    expect(found.every((click, index) => !index || click.bar >= found[index - 1]!.bar)).toBe(true);
  });

  test('drops about so many percent, the same ones for the same seed', () => {
    const plan = (seed: number, percent = 40): ClickPlan => ({ kind: 'drops', of: CLICK_PLANS.counts, percent, seed });
    const kept = clicks(plan(7), bars(500));
    expect(kept.length / 2000).toBeGreaterThan(0.55);
    expect(kept.length / 2000).toBeLessThan(0.65);
    expect(clicks(plan(7), bars(500))).toEqual(kept);
    expect(clicks(plan(8), bars(500))).not.toEqual(kept);
    // What is dropped early does not depend on how long it goes on.
    expect(clicks(plan(7), bars(100))).toEqual(kept.filter((click) => click.bar < 100));
  });

  test('is said by its name, or by what it does', () => {
    expect(planInWords(CLICK_PLANS['thin out and back'])).toBe('thin out and back');
    expect(planInWords({ kind: 'gaps', of: CLICK_PLANS.counts, on: 3, off: 1 })).toBe('3 bars on, 1 silent, counts');
    expect(planInWords({ kind: 'on', counts: [3] })).toBe('only 3');
    expect(planInWords({ kind: 'drops', of: CLICK_PLANS['8ths'], percent: 30, seed: 1 })).toBe('8ths, 30 % dropped');
    for (const plan of Object.values(CLICK_PLANS)) expect(clickPlanShape.parse(plan)).toEqual(plan);
    expect(clickPlanShape.safeParse({ kind: 'gaps', of: CLICK_PLANS['every second bar'], on: 1, off: 1 }).success).toBe(
      false,
    );
    expect(clickPlanShape.safeParse({ kind: 'gaps', of: CLICK_PLANS.counts, on: 0, off: 1 }).success).toBe(false);
  });
});

test('whatever thins a click leaves some of the clicks it thins, and adds none', () => {
  const base = fc.constantFrom(
    CLICK_PLANS['every slot'],
    CLICK_PLANS['8ths'],
    CLICK_PLANS.counts,
    CLICK_PLANS['off-beats'],
    CLICK_PLANS['1 only'],
  );
  const few = fc.integer({ min: 1, max: 5 });
  fc.assert(
    fc.property(
      base,
      few,
      few,
      fc.integer({ min: 5, max: 95 }),
      fc.nat(),
      fc.constantFrom('4/4', '7/8', '3/4', '6/8'),
      (of, on, off, percent, seed, meter) => {
        const bars = Array.from({ length: 24 }, () => bar(meter, 2));
        const said = (plan: ClickPlan) =>
          clicks(plan, bars).map((click) => `${click.bar} ${format(click.written)} ${click.voice}`);
        const whole = said(of);
        for (const plan of [
          { kind: 'gaps', of, on, off },
          { kind: 'drops', of, percent, seed },
        ] as ClickPlan[]) {
          const left = said(plan);
          expect(left.length).toBeLessThanOrEqual(whole.length);
          expect(left).toEqual(whole.filter((one) => left.includes(one)));
        }
        expect(new Set(clicks({ kind: 'gaps', of, on, off }, bars).map((click) => click.bar)).size).toBe(
          Array.from({ length: 24 }, (_, index) => index).filter((index) => index % (on + off) < on).length,
        );
      },
    ),
    runs(40),
  );
});
