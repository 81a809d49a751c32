import { describe, expect, test } from 'vitest';
import { SCHOOLS } from '@/core/counting/schools';
import { LIMBS } from '@/core/groove/limbs';
import { schedule } from '@/core/schedule/schedule';
import { formOfTake } from '@/core/documents/take';
import { emptyTake } from '@/core/testing/takes';
import { judge } from '@/core/judging/verdict/judge';
import { simulateKit } from '@/core/simulate/simulatedKit';
import { oneLine, together } from '@/core/testing/arbitrary';
import { beadsIn, beadsOf, errorInWords, kindOf, unheardBands, roundsToShow } from './beads';
import { barsPerRow, drawnBars, lanesOf, sizeThatFits } from './layout';

const groove = together(oneLine('AtAtAtAt'), oneLine('..A...A.', 'left hand'));
const tempo = 60;

describe('the drawing of a bar', () => {
  test('slots stand where they sound: even 8ths, a triplet’s second at a third, swung 8ths at two thirds', () => {
    const percents = (one: typeof groove, swing?: { value: '8th'; ratio: string }) =>
      drawnBars(one, SCHOOLS[0], tempo, swing)[0]!
        .slots.slice(0, 3)
        .map(({ percent }) => percent);
    expect(percents(groove)).toEqual([0, 12.5, 25]);
    expect(percents(oneLine('ttt ttt ttt ttt'))[1]).toBeCloseTo(100 / 12);
    expect(percents(groove, { value: '8th', ratio: '2' })[1]).toBeCloseTo(100 / 6);
  });

  test('lanes are the limbs that play, hands above feet, or all four', () => {
    expect(lanesOf(groove).map(({ limb, surface }) => `${limb}: ${surface}`)).toEqual([
      'right hand: closed hat',
      'left hand: snare',
    ]);
    expect(lanesOf(groove, LIMBS)).toHaveLength(4);
  });

  test('as many bars in a row as can be read, at least one', () => {
    const bars = drawnBars({ ...groove, bars: Array.from({ length: 6 }, () => groove.bars[0]!) }, SCHOOLS[0], tempo);
    expect([320, 800, 1200, 4000].map((width) => barsPerRow(bars, width, 'desk'))).toEqual([1, 3, 4, 6]);
  });
});

describe('a take of many rounds', () => {
  test('is looked at whole and round by round, a long one in stretches of 16', () => {
    expect(roundsToShow(1)).toEqual([{ from: 0, to: 1 }]);
    expect(roundsToShow(2)).toEqual([
      { from: 0, to: 2 },
      { from: 0, to: 1 },
      { from: 1, to: 2 },
    ]);
    expect(roundsToShow(16)).toHaveLength(17);
    expect(roundsToShow(33).map(({ from, to }) => [from, to])).toEqual([
      [0, 16],
      [16, 32],
      [32, 33],
    ]);
  });

  test('shows the beads of the rounds that were asked for, and no more extra hits than can be seen', () => {
    const bead = { limb: 'left hand', bar: 0, percent: 0, ms: 0, title: '' } as const;
    const hits = Array.from(
      { length: 1000 },
      (_, key) => ({ ...bead, key: `${key}`, round: key % 2, kind: 'extra' }) as const,
    );
    const strokes = [0, 1, 2].map((round) => ({ ...bead, key: `stroke ${round}`, round, kind: 'near' }) as const);
    const shown = beadsIn([...strokes, ...hits], { from: 1, to: 3 });
    expect(shown.filter(({ kind }) => kind === 'near').map(({ key, round }) => `${key}: ${round}`)).toEqual([
      'stroke 1: 0',
      'stroke 2: 1',
    ]);
    expect(shown.filter(({ kind }) => kind === 'extra')).toHaveLength(400);
  });
});

describe('a strip that fills a frame', () => {
  const bars = (many: number) =>
    drawnBars({ ...groove, bars: Array.from({ length: many }, () => groove.bars[0]!) }, SCHOOLS[0], tempo);
  const fits = (many: number, width: number, height: number) => sizeThatFits(bars(many), 4, { width, height });

  test('is as for the room while its lanes fit under the counts, and low where they do not', () => {
    expect(fits(1, 1100, 18 + 62 + 4 * 72)).toBe('room');
    expect(fits(1, 1100, 18 + 62 + 4 * 72 - 1)).toBe('low');
    expect(sizeThatFits(bars(1), 2, { width: 1100, height: 250 })).toBe('room');
  });

  test('shows the row after the one that plays, where there is one', () => {
    expect(fits(8, 1100, 500)).toBe('low');
    expect(fits(8, 1100, 2 * (18 + 62 + 4 * 72))).toBe('room');
  });

  test('is low where its slots would be too narrow to read', () => {
    const slots = bars(1)[0]!.slots.length;
    expect([0, 1].map((less) => fits(1, 128 + 30 * slots - less, 800))).toEqual(['room', 'low']);
  });
});

describe('the beads of a take', () => {
  const empty = emptyTake(groove, { bpm: 60, click: { kind: 'silent' }, countIn: 0, rounds: 2, playedMs: 8000 });
  const played = (change: (ms: number, index: number) => number | undefined) => {
    const form = formOfTake(empty);
    const hits = simulateKit({ form, timed: schedule(form) }, empty.task, {}, 1).flatMap((hit, index) => {
      const ms = change(hit.ms, index);
      return ms === undefined ? [] : [{ ...hit, ms }];
    });
    return judge({ ...empty, hits }, 'concert');
  };

  test('a bead a stroke, left of it early, right of it late, as wide as asked', () => {
    const judgement = played((ms) => ms + 20);
    const [one] = beadsOf(judgement, 1);
    const [three] = beadsOf(judgement, 3);
    expect(one!.percent).toBeCloseTo(0.5);
    expect(three!.percent).toBeCloseTo(1.5);
    expect(beadsOf(judgement, 1)).toHaveLength(20);
    expect(
      beadsOf(
        played((ms) => ms - 40),
        1,
      )[4],
    ).toMatchObject({ kind: 'early' });
  });

  test('missed and extra are beads of their own, each in its round', () => {
    const judgement = played((ms, index) => (index === 0 ? undefined : ms));
    expect(beadsOf(judgement, 3)[0]).toMatchObject({ kind: 'missed', round: 0, percent: 0 });
    const more = judge(
      {
        ...empty,
        hits: [
          { limb: 'left hand', ms: 5000 },
          { limb: 'left hand', ms: 4250 },
        ],
      },
      'concert',
    );
    expect(beadsOf(more, 1).filter(({ kind }) => kind === 'extra')).toMatchObject([{ round: 1, percent: 6.25 }]);
  });

  test('one band a place, twice what can be heard wide', () => {
    const bands = unheardBands(
      played((ms) => ms),
      1,
    );
    expect(bands).toHaveLength(10);
    // 8ths at 60: 2.5 % of 500 ms is 12.5 ms of a bar of 4000.
    expect(bands[0]!.half).toBeCloseTo(0.3125);
  });

  test('errors in words', () => {
    expect([errorInWords(0.3), errorInWords(-12.6), errorInWords(31)]).toEqual([
      'on the dot',
      '13 ms early',
      '31 ms late',
    ]);
    expect([kindOf(9, 10), kindOf(11, 10), kindOf(-11, 10)]).toEqual(['near', 'late', 'early']);
  });
});
