import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { readWrittenChart, writeWrittenChart } from '../../documents/writtenChart';
import type { ChartForm } from '../../documents/chart';
import { formOf } from '../../form/form';
import { readGroove } from '../../documents/groove';
import { schedule } from '../../schedule/schedule';
import type { TimedStroke } from '../../schedule/timed';
import { cases } from '../../testing/vectors';
import { add, equal, format, toNumber } from '../../time/fraction';
import { readChartText } from '../text/chartText';
import { unroll } from './unroll';
import { seconds } from './whole';
import { writeOutChart, type GroovesById } from './writeOut';

interface ChartCase {
  id: string;
  form: ChartForm;
  unrolled?: string[];
  problem?: string;
}

const playable = cases<ChartCase>('charts').filter(({ problem }) => !problem);

const chartOf = (text: string): ChartForm => {
  const read = readChartText(text);
  if (!read.ok) throw new Error(read.problems[0].say);
  return read.value;
};
const written = (form: ChartForm, grooves?: GroovesById) => {
  const made = writeOutChart(form, 'Ferry song', grooves);
  if (!made.ok) throw new Error(made.problems[0]!.say);
  return made.value;
};
const scheduled = (form: ChartForm, grooves?: GroovesById) => {
  const { groove, passages } = written(form, grooves);
  const plan = { groove, passages, bpm: groove.tempo, rounds: 1, click: { kind: 'silent' } as const, countIn: 0 };
  const bars = formOf(plan);
  return { bars, timed: schedule(bars) };
};
const strokes = (all: ReturnType<typeof scheduled>) =>
  all.timed.sounds.filter((sound): sound is TimedStroke => sound.kind === 'stroke');

const groove = (places: string[], parts: number, limb: 'left hand' | 'right hand' = 'right hand') => {
  const read = readGroove({
    version: 1,
    title: 'Time',
    reading: 'numbers',
    tempo: 100,
    bars: [
      {
        meter: { beats: 4, unit: 4 },
        cells: Array.from({ length: 4 }, () => ({ counts: 1, parts })),
        strokes: places.map((at) => ({ limb, surface: 'snare', at, height: 'tap' })),
      },
    ],
  });
  if (!read.ok) throw new Error(read.problems[0]!.say);
  return read.value;
};
const RIDE = 'aaaaaaaa-0000-4000-8000-000000000001';

describe('a chart written out', () => {
  test.each(playable)('$id lasts as long as it is, and each hit sounds where it is caught', ({ form }) => {
    const played = unroll(form);
    if (!played.ok) throw new Error('It can be played.');
    const { bars, timed } = scheduled(form);
    expect(bars.bars).toHaveLength(played.value.length);
    expect((timed.endMs - timed.startMs) / 1000).toBeCloseTo(seconds(played.value), 6);
    const at = timed.bars.map(({ startMs }) => startMs);
    const struck = strokes({ bars, timed });
    for (const [index, { hits, speed, held, heldAt }] of played.value.entries())
      for (const { sounding } of hits) {
        const after = held.n && heldAt && toNumber(sounding) > toNumber(heldAt) ? add(sounding, held) : sounding;
        const due = at[index]! + (60_000 * toNumber(after)) / toNumber(speed);
        expect(struck.some(({ ms, barInRun }) => barInRun === index && Math.abs(ms - due) < 1e-6)).toBe(true);
      }
    expect(struck.length).toBe(
      2 *
        new Set(played.value.flatMap(({ hits }, bar) => hits.map(({ written: place }) => `${bar} ${format(place)}`)))
          .size,
    );
  });

  test('each section as it comes is told by its name, and its bars stand once', () => {
    const { exercises, passages, groove: once, bars } = written(chartOf('A 4, 2 times; B 3; A2 4'));
    expect(exercises.map(({ say }) => say)).toEqual(['A, time 1 of 2', 'A, time 2 of 2', 'B', 'A2']);
    expect(exercises.map(({ section }) => section)).toEqual(['A', 'A', 'B', 'A2']);
    expect(passages.map(({ exercise, times }) => [exercise, times])).toEqual([
      [0, 4],
      [1, 4],
      [2, 3],
      [3, 4],
    ]);
    expect(once.bars).toHaveLength(3);
    expect(bars).toBe(15);
  });

  test("a section's groove is played under its hits, and not where it is rested or free", () => {
    const form = chartOf(
      'A 6, hits: & of 2, short 4 in bar 2, rest 1 in bar 3, fill 1 in bar 4, 3/4 in bar 5, rest 1 in bar 6',
    );
    form.sections[0]!.groove = RIDE;
    const { groove: once, passages } = written(form, new Map([[RIDE, groove(['0', '1/4', '1/2', '3/4'], 1)]]));
    const said = passages.flatMap(({ from, bars, times, isFree }) =>
      Array.from({ length: bars * times }, (_, at) => {
        const { strokes: struck } = once.bars[from + (at % bars)]!;
        return [struck.map(({ limb, at: place }) => `${limb} ${format(place)}`).sort(), isFree];
      }),
    );
    expect(said).toEqual([
      [['right hand 0', 'right hand 1/2', 'right hand 1/4', 'right hand 3/4'], undefined],
      [
        [
          'left hand 3/4',
          'right foot 3/4',
          'right foot 3/8',
          'right hand 0',
          'right hand 1/2',
          'right hand 1/4',
          'right hand 3/4',
          'right hand 3/8',
        ],
        undefined,
      ],
      [[], undefined],
      [[], true],
      [[], true],
      [[], undefined],
    ]);
  });

  test('a hit on the let stands on the third triplet where the groove plays triplets', () => {
    const form = chartOf('shuffle; A 1, hits: let of 4');
    form.sections[0]!.groove = RIDE;
    const { timed, bars } = scheduled(
      form,
      new Map([[RIDE, groove(['0', '1/12', '1/6', '3/4', '5/6'], 3, 'left hand')]]),
    );
    expect(strokes({ timed, bars }).some(({ limb, at }) => limb === 'right foot' && equal(at, { n: 11, d: 12 }))).toBe(
      true,
    );
  });

  test('6/8 is counted by its numbers, and in pulses where they go too fast to be counted', () => {
    expect(written(chartOf('6/8, dotted quarter at 70; A 4')).groove).toMatchObject({ reading: 'numbers', tempo: 210 });
    expect(written(chartOf('6/8, dotted quarter at 120; A 4')).groove).toMatchObject({ reading: 'pulse', tempo: 120 });
  });

  test('more bars that differ than a groove has are told', () => {
    const many = Array.from({ length: 45 }, (_, index) => `S${index} 3, hits: 1, hits: 2 in bar 2`).join('; ');
    const made = writeOutChart(chartOf(many), 'Long');
    expect(made.ok ? '' : made.problems[0]!.code).toBe('too-many-bars');
  });

  test('a count that is named twice is caught once', () => {
    const chart = written(chartOf('A 1, hits: 1, short 1, long 1, & of 2'));
    expect(chart.groove.bars[0]!.strokes).toHaveLength(4);
    expect(
      readWrittenChart(JSON.parse(JSON.stringify(writeWrittenChart(chart).chart)), writeWrittenChart(chart).groove).ok,
    ).toBe(true);
  });

  test('more than half an hour is told', () => {
    const made = writeOutChart(chartOf('A 500, 10 times'), 'Long');
    expect(made.ok ? '' : made.problems[0]!.say).toBe('It lasts 200 minutes.');
  });

  test('is stored and read to the same', () => {
    for (const { form } of playable) {
      const chart = written(form);
      const kept = JSON.parse(JSON.stringify(writeWrittenChart(chart)));
      const back = readWrittenChart(kept.chart, kept.groove);
      expect(back.ok && back.value).toEqual(chart);
    }
  });

  test('of whatever is typed, as many bars are played as there are', () => {
    const section = fc.record({
      bars: fc.integer({ min: 1, max: 12 }),
      times: fc.integer({ min: 1, max: 4 }),
      feel: fc.constantFrom('shuffle', 'straight', 'swing'),
    });
    fc.assert(
      fc.property(fc.array(section, { minLength: 1, maxLength: 8 }), (sections) => {
        const text = sections.map(({ bars, times, feel }, at) => `S${at} ${bars}, ${feel}, ${times} times`).join('; ');
        const { bars } = scheduled(chartOf(text));
        expect(bars.bars).toHaveLength(sections.reduce((all, { bars: many, times }) => all + many * times, 0));
      }),
    );
  });
});
