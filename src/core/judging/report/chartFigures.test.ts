import { describe, expect, test } from 'vitest';
import { readChartText } from '../../chart/text/chartText';
import { writeOutChart } from '../../chart/play/writeOut';
import { formOfTake, type Hit, type Take } from '../../documents/take';
import { schedule } from '../../schedule/schedule';
import { pinnedLines } from '../../testing/pinned';
import { emptyTake, playedTake } from '../../testing/takes';
import { barsBySection, chartFigures } from './chartFigures';
import { judge } from '../verdict/judge';

function chartTake(text: string, more: Partial<Take> = {}): Take {
  const read = readChartText(text);
  if (!read.ok) throw new Error(read.problems[0].say);
  const made = writeOutChart(read.value, 'Ferry song');
  if (!made.ok) throw new Error(made.problems[0]!.say);
  const { groove, passages, exercises } = made.value;
  return emptyTake(groove, { passages, exercises, rounds: 1, ...more });
}
/** Every stroke that is written, so late. */
function struck(take: Take, lateMs: (barInRun: number) => number | undefined = () => 0): Take {
  const timed = schedule(formOfTake(take));
  const hits = timed.sounds.flatMap((sound): Hit[] => {
    const late = sound.kind === 'stroke' ? lateMs(sound.barInRun) : undefined;
    return sound.kind === 'stroke' && late !== undefined ? [{ ms: sound.ms + late, limb: sound.limb }] : [];
  });
  return { ...take, playedMs: Math.round(timed.endMs), hits };
}
const figuresOf = (take: Take) => chartFigures(take, judge(take, 'advanced'))!;

describe('a take of a chart', () => {
  test('what is played between the hits of bars without a groove is nobody to blame', () => {
    const take = struck(chartTake('A 8, hits: 1, & of 4 in bar 4, hits: 1 in bar 8'));
    const timed = schedule(formOfTake(take));
    const riding = Array.from({ length: 64 }, (_, at): Hit => ({
      ms: (at * timed.endMs) / 64 + 3,
      limb: 'right hand',
    }));
    const judged = judge({ ...take, hits: [...take.hits, ...riding].toSorted((a, b) => a.ms - b.ms) }, 'advanced');
    expect(judged.figures).toMatchObject({ missed: 0, extra: 0, matched: 6 });
    expect(judged.verdict.about).toBe('clean');
  });

  test('in bars that are rested a stroke is one too many', () => {
    const take = struck(chartTake('A 4, hits: 1 in bar 4, rest 2 in bar 2'));
    const timed = schedule(formOfTake(take));
    const resting = timed.bars.find(({ barInRun }) => barInRun === 1)!;
    const judged = judge(
      { ...take, hits: [{ ms: resting.startMs + 500, limb: 'right hand' }, ...take.hits] },
      'advanced',
    );
    expect(judged.figures.extra).toBe(1);
  });

  test('each hit is told with how often it landed and how late', () => {
    const take = struck(chartTake('A 4, 3 times, hits: 1, & of 4 in bar 4; B 2, hits: short 3'), (bar) =>
      bar === 7 ? undefined : 12,
    );
    expect(figuresOf(take).hits).toMatchObject([
      { section: 'A', bar: 4, due: 3, landed: 2 },
      { section: 'A', bar: 4, due: 3, landed: 2 },
      { section: 'B', bar: 1, due: 1, landed: 1 },
    ]);
    for (const { meanErrorMs } of figuresOf(take).hits) expect(meanErrorMs).toBeCloseTo(12, 6);
  });

  test('a change of tempo is told with the counts it took until it was kept', () => {
    const all = 'quarter at 100; A 1, 4 times, hits: 1, 2, 3, 4; B 1, 6 times, quarter at 120, hits: 1, 2, 3, 4';
    const steady = struck(chartTake(all));
    expect(figuresOf(steady).tempos).toMatchObject([{ section: 'B', barInRun: 4, from: 100, to: 120, counts: 0 }]);
    const slow = struck(chartTake(all), (bar) => (bar === 4 || bar === 5 ? 140 : 0));
    expect(figuresOf(slow).tempos[0]!.counts).toBe(8);
    const never = struck(chartTake(all), (bar) => (bar >= 4 ? 90 + 8 * (bar % 2) : 0));
    expect(figuresOf(never).tempos[0]!.counts).toBeUndefined();
  });

  test('a place is told by its section', () => {
    const take = struck(chartTake('A 2, 8 times, hits: 1, 3; B 2, 8 times, hits: 1, 3'), () => 0);
    const late = {
      ...take,
      hits: take.hits.map((hit, at) => (at >= take.hits.length / 2 && at % 4 > 1 ? { ...hit, ms: hit.ms + 60 } : hit)),
    };
    const { verdict } = judge(late, 'advanced');
    expect(verdict.place?.section ?? verdict.about).toBe('B');
  });

  test('the simulated kit plays a chart clean', () => {
    const take = playedTake(
      {},
      chartTake('swing; A 4, 4 times, hits: let of 4 in bar 4; B 4 3/4, quarter = dotted quarter, hits: 1'),
    );
    expect(judge(take, 'first year').figures.missed).toBe(0);
  });

  test('its bars are called by their section, as each is first played', () => {
    const take = chartTake('A 2, 2 times, hits: 1 in bar 2; B 2, hits: 3 in bar 1');
    const names = barsBySection(take)!;
    expect(names).toHaveLength(take.groove.bars.length);
    expect(names).toEqual(['A, bar 1', 'A, bar 2', 'B, bar 1', 'B, bar 2']);
  });

  test('what plays no chart has none', () => {
    const take = struck(chartTake('A 2, hits: 1'));
    const { exercises: _, ...plain } = take;
    expect(chartFigures(plain, judge(plain, 'advanced'))).toBeUndefined();
    expect(barsBySection(plain)).toBeUndefined();
  });

  test('hits and tempos of a chart that repeats, changes its tempo and is not played quite', () => {
    const text =
      'quarter at 90, A 8, 2 times, hits: 1, & of 4 in bar 4, hits: 2 in bar 8; B 8 at 120, hits: 3 in bar 2; C 4 at 80';
    for (const playing of [{ spreadMs: 12, missedShare: 0.15 }, { spreadMs: 30 }, { driftPercent: 1.5, spreadMs: 4 }]) {
      const { hits, tempos } = figuresOf(playedTake(playing, chartTake(text, { bpm: 90 })));
      expect(pinnedLines([...hits, ...tempos])).toMatchSnapshot();
    }
  });
});
