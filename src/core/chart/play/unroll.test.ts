import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { chartFormShape, type ChartForm, type ChartSection } from '../../documents/chart';
import { MOST_UNROLLED_BARS } from '../../limits';
import { cases } from '../../testing/vectors';
import { format } from '../../time/fraction';
import type { ChartProblemCode } from './problems';
import { unroll, type PlayedBar } from './unroll';
import { dynamics, feelRuns, meterRuns, seconds, tempos } from './whole';
import { runs } from '../../testing/runs';

interface Case {
  id: string;
  say: string;
  form: unknown;
  unrolled: string[];
  firstBarNumber: number;
  count: number;
  meters: unknown;
  feels: unknown;
  tempos: unknown;
  seconds: number;
  hits: unknown;
  dynamics: unknown;
  problem?: string;
  where: { section: string; bar?: number };
}

const CODES: Record<string, ChartProblemCode> = {
  'a jump without its sign': 'jump-without-sign',
  'a coda that is never reached': 'coda-never-reached',
  'an ending without a repeat': 'ending-without-repeat',
  'times must be a whole number of 1 or more': 'times',
  'goes round for ever': 'for-ever',
};

const played = (form: ChartForm): PlayedBar[] => {
  const answer = unroll(form);
  if (!answer.ok) throw new Error(`${answer.problems[0]!.where}: ${answer.problems[0]!.say}`);
  return answer.value;
};
const names = (form: ChartForm) => played(form).map(({ from }) => from);

describe('the exact answers', () => {
  const [good, bad] = [
    cases<Case>('charts').filter(({ problem }) => !problem),
    cases<Case>('charts').filter(({ problem }) => problem),
  ];
  test.each(good)('$id', (one) => {
    const bars = played(chartFormShape.parse(one.form));
    expect(bars.map(({ from }) => from)).toEqual(one.unrolled);
    expect(bars).toHaveLength(one.count);
    expect(bars[0]!.number).toBe(one.firstBarNumber);
    expect(meterRuns(bars)).toEqual(one.meters);
    expect(feelRuns(bars)).toEqual(one.feels);
    expect(tempos(bars).map((from) => ({ ...from, bpm: format(from.bpm) }))).toEqual(one.tempos);
    expect(seconds(bars)).toBeCloseTo(one.seconds, 4);
    expect(
      bars.flatMap(({ number, hits }) =>
        hits.map(({ written, sounding }) => [number, format(written), format(sounding)]),
      ),
    ).toEqual(one.hits);
    expect(dynamics(bars)).toEqual(one.dynamics);
  });

  test.each(bad)('$id is told at its place', ({ form, problem, where }) => {
    const answer = unroll(chartFormShape.parse(form));
    expect(answer).toMatchObject({
      ok: false,
      problems: [{ code: CODES[problem!], where: where.bar ? `${where.section}, bar ${where.bar}` : where.section }],
    });
  });
});

const form = (sections: ChartSection[], more: Partial<ChartForm> = {}): ChartForm => ({
  tempo: { beat: 'quarter', bpm: '120' },
  meter: '4/4',
  feel: 'straight',
  sections,
  ...more,
});
const wrong = (sections: ChartSection[]) => {
  const answer = unroll(form(sections));
  return answer.ok ? 'played' : `${answer.problems[0]!.code} ${answer.problems[0]!.where}`;
};

describe('what cannot be played', () => {
  const A: ChartSection = { name: 'A', bars: 4 };
  test.each<[string, ChartSection[]]>([
    ['al-fine-without-fine A, bar 4', [{ ...A, at: { 4: { jump: 'D.C. al Fine' } } }]],
    ['jump-without-sign A, bar 4', [{ ...A, at: { 4: { jump: 'D.S.' } } }]],
    ['jump-without-sign A, bar 4', [{ ...A, at: { 4: { jump: 'D.C. al Coda' } } }]],
    ['jump-without-sign A, bar 2', [{ ...A, at: { 2: { signs: ['to coda'] } } }]],
    [
      'two-signs B, bar 1',
      [
        { ...A, at: { 2: { signs: ['segno'] } } },
        { name: 'B', bars: 2, at: { 1: { signs: ['segno'] } } },
      ],
    ],
    ['time-without-ending A', [{ ...A, times: 3, endings: [{ for: [1, 2], bars: 1 }] }]],
    [
      'two-endings A',
      [
        {
          ...A,
          times: 2,
          endings: [
            { for: [1, 2], bars: 1 },
            { for: [2], bars: 1 },
          ],
        },
      ],
    ],
    [
      'ending-without-repeat A',
      [
        {
          ...A,
          times: 2,
          endings: [
            { for: [1], bars: 1 },
            { for: [3], bars: 1 },
          ],
        },
      ],
    ],
    ['times A', [{ ...A, times: 1.5 }]],
    ['times A', [{ ...A, times: 0 }]],
    ['nothing-before A, bar 2', [{ ...A, at: { 2: { same: 2 } } }]],
    ['bars-do-not-add-up A, bar 4', [{ ...A, at: { 4: { same: 2 } } }]],
    ['bars-do-not-add-up A, bar 3', [{ ...A, at: { 3: { rest: 4 } } }]],
    ['no-such-bar A, bar 5', [{ ...A, at: { 5: { dynamic: 'p' } } }]],
    ['no-such-count A, bar 3', [{ ...A, at: { 3: { hits: ['1', 'a of 5'] } } }]],
    ['no-such-count A, bar 3', [{ ...A, at: { 3: { hits: ['ta of 1'] } } }]],
    [
      'jump-without-sign A[2], bar 1',
      [
        {
          ...A,
          times: 2,
          endings: [
            { for: [1], bars: 1 },
            { for: [2], bars: 1, at: { 1: { jump: 'D.S.' } } },
          ],
        },
      ],
    ],
    ['no-meter A, bar 2', [{ ...A, at: { 2: { meter: '4/5' } } }]],
    [
      'coda-never-reached C, bar 1',
      [
        { ...A, at: { 4: { jump: 'D.C.' } } },
        { name: 'C', bars: 2, at: { 1: { signs: ['coda'] } } },
      ],
    ],
    ['for-ever A, bar 4', [{ ...A, at: { 4: { jump: 'D.C.', every: true } } }]],
    ['too-long A', [{ ...A, times: 90_000 }]],
    [
      'too-deep f',
      [
        ['f', 'e', 'd', 'c', 'b'].reduce<ChartSection>((inner, name) => ({ name, parts: [inner] }), {
          name: 'g',
          bars: 1,
        }),
      ],
    ],
  ])('%s', (said, sections) => expect(wrong(sections)).toBe(said));
});

describe('jumps', () => {
  test('each is made once, and every time where it says so until a Fine lets one out', () => {
    const two = form([
      { name: 'A', bars: 1, at: { 1: { jump: 'D.C.' } } },
      { name: 'B', bars: 1, at: { 1: { jump: 'D.C.' } } },
    ]);
    expect(names(two).join(' ')).toBe('A.1 A.1 B.1 A.1 B.1');
    const fine = form([
      { name: 'A', bars: 2, at: { 1: { signs: ['fine'] }, 2: { jump: 'D.C. al Fine', every: true } } },
    ]);
    expect(names(fine).join(' ')).toBe('A.1 A.2 A.1');
  });

  test('a Fine counts after a plain jump too, and not after one al Coda', () => {
    const at = (jump: 'D.C.' | 'D.C. al Coda') =>
      form([
        { name: 'A', bars: 2, at: { 1: { signs: ['fine'] }, 2: { signs: ['to coda'] } } },
        { name: 'B', bars: 1, at: { 1: { jump } } },
        { name: 'C', bars: 1, at: { 1: { signs: ['coda'] } } },
      ]);
    expect(names(at('D.C. al Coda')).join(' ')).toBe('A.1 A.2 B.1 A.1 A.2 C.1');
    const plain = form([
      { name: 'A', bars: 2, at: { 1: { signs: ['fine'] } } },
      { name: 'B', bars: 1, at: { 1: { jump: 'D.C.' } } },
    ]);
    expect(names(plain).join(' ')).toBe('A.1 A.2 B.1 A.1');
  });

  test('a sign in an ending: from there on, and the repeat is over', () => {
    const one = form([
      {
        name: 'A',
        bars: 1,
        times: 2,
        endings: [
          { for: [1], bars: 2, at: { 2: { signs: ['segno'] } } },
          { for: [2], bars: 1 },
        ],
      },
      { name: 'B', bars: 1, at: { 1: { jump: 'D.S.' } } },
    ]);
    expect(names(one).join(' ')).toBe('A.1 A[1].1 A[1].2 A.1 A[2].1 B.1 A[1].2 B.1');
    expect(names({ ...one, repeatsAfterJump: true }).join(' ')).toBe(
      'A.1 A[1].1 A[1].2 A.1 A[2].1 B.1 A[1].2 A.1 A[2].1 B.1',
    );
  });

  test('sections of one name are each themselves', () => {
    const aba = form([
      { name: 'A', bars: 2, at: { 1: { hits: ['1'] }, 2: { same: 1 } } },
      { name: 'B', bars: 1 },
      { name: 'A', bars: 2 },
    ]);
    expect(played(aba).map(({ hits }) => hits.length)).toEqual([1, 1, 0, 0, 0]);
  });
});

const anySection = (depth: number): fc.Arbitrary<ChartSection> =>
  fc
    .record({
      name: fc.constantFrom('A', 'B', 'C'),
      times: fc.integer({ min: 1, max: 3 }),
      inner: depth
        ? fc.oneof(fc.integer({ min: 1, max: 4 }), fc.array(anySection(depth - 1), { minLength: 1, maxLength: 2 }))
        : fc.integer({ min: 1, max: 4 }),
      withEndings: fc.boolean(),
    })
    .map(({ name, times, inner, withEndings }) => ({
      name,
      times,
      ...(typeof inner === 'number' ? { bars: inner } : { parts: inner }),
      ...(withEndings &&
        times > 1 && { endings: Array.from({ length: times }, (_, at) => ({ for: [at + 1], bars: at + 1 })) }),
    }));

const barsOf = ({ bars = 0, parts = [], times = 1, endings = [] }: ChartSection): number =>
  times * (bars + parts.reduce((sum, part) => sum + barsOf(part), 0)) +
  endings.reduce((sum, one) => sum + one.bars * one.for.length, 0);

test('without jumps every bar is played as often as the repeats around it say, numbered one after another', () => {
  fc.assert(
    fc.property(fc.array(anySection(2), { minLength: 1, maxLength: 4 }), fc.boolean(), (sections, pickup) => {
      const bars = played(form(sections, { pickup }));
      expect(bars).toHaveLength(sections.reduce((sum, one) => sum + barsOf(one), 0));
      expect(bars.map(({ number }) => number)).toEqual(bars.map((_, index) => index + (pickup ? 0 : 1)));
      expect(seconds(bars)).toBeCloseTo(2 * bars.length, 6);
    }),
  );
});

test('whatever is marked, it is played within its bound or told why not', () => {
  const mark = fc.oneof(
    fc.record({
      signs: fc.array(fc.constantFrom('segno' as const, 'coda' as const, 'to coda' as const, 'fine' as const), {
        maxLength: 2,
      }),
    }),
    fc.record({
      jump: fc.constantFrom('D.C.' as const, 'D.S.' as const, 'D.S. al Coda' as const, 'D.C. al Fine' as const),
      every: fc.boolean(),
    }),
    fc.record({ same: fc.integer({ min: 1, max: 3 }) }),
    fc.record({ meter: fc.constantFrom('3/4', '6/8', '7/8') }),
    fc.constant({}),
  );
  const section = fc
    .tuple(fc.constantFrom('A', 'B'), fc.integer({ min: 1, max: 3 }), fc.array(mark, { minLength: 1, maxLength: 4 }))
    .map(([name, times, marks]): ChartSection => ({
      name,
      times,
      bars: marks.length,
      at: Object.fromEntries(marks.map((one, at) => [at + 1, one])),
    }));
  fc.assert(
    fc.property(fc.array(section, { minLength: 1, maxLength: 5 }), fc.boolean(), (sections, repeatsAfterJump) => {
      const answer = unroll(form(sections, { repeatsAfterJump }));
      if (answer.ok) expect(answer.value.length).toBeLessThanOrEqual(MOST_UNROLLED_BARS);
      else expect(answer.problems[0]!.where).toMatch(/^[AB](, bar \d)?$/);
    }),
    runs(500),
  );
});
