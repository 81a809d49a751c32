import type { ChartForm, ChartSection, Marks, Sign } from '../../documents/chart';
import { DEEPEST_SECTION } from '../../limits';
import type { Problem } from '../../result';
import { chartProblem } from './problems';

/** A bar as it is written, with where it stands. */
export interface WrittenBar {
  /** "A.5", in an ending "A[1-3].1". */
  name: string;
  /** The bars it is numbered among, by their name: "A", of an ending "A[1-3]"; and its number there. */
  section: string;
  number: number;
  marks: Marks;
  /** The bars it stands among, itself one of them: of a section, or of an ending. */
  beside: readonly WrittenBar[];
  /** Where it lies in each section around it. */
  within: Map<Written, Lies>;
}

/** In the body of a section, or in one of its endings; and at which place of it. */
interface Lies {
  ending?: number;
  at: number;
}

/** A section as it is written: its bars or the sections within it, then its endings. */
export interface Written {
  name: string;
  times: number;
  body: (Written | WrittenBar)[];
  endings: { for: readonly number[]; bars: WrittenBar[] }[];
  groove?: string;
}

export const isBar = (one: Written | WrittenBar): one is WrittenBar => 'marks' in one;

/** Marks that hold for so many bars from theirs on. */
export const RUNS = ['rest', 'same', 'free'] as const;
export type RunMark = (typeof RUNS)[number];

/** For how many bars such a mark holds; undefined where it does not stand. */
export const barsOfRun = (marks: Marks, run: RunMark): number | undefined =>
  run === 'free' ? marks.free?.bars : marks[run];

/** "1-3", "1,3". */
export function timesInName(times: readonly number[]): string {
  const runs: [number, number][] = [];
  for (const time of times.toSorted((a, b) => a - b)) {
    const last = runs.at(-1);
    if (last?.[1] === time - 1) last[1] = time;
    else runs.push([time, time]);
  }
  return runs.map(([from, to]) => (from === to ? String(from) : `${from}-${to}`)).join(',');
}

/** What is written, as a tree that knows where each bar lies; or what of it cannot be played, wherever it is played. */
export function writtenOf(form: ChartForm): { top: Written; bars: WrittenBar[] } | { problem: Problem } {
  const bars: WrittenBar[] = [];
  const around: [Written, Lies][] = [];
  let problem: Problem | undefined;

  const addBars = (owner: Written, name: string, many: number, at: ChartSection['at'] = {}, ending?: number) => {
    const beyond = Object.keys(at).find((number) => Number(number) > many);
    if (beyond) problem ??= chartProblem('no-such-bar', { section: name, bar: Number(beyond) });
    const beside: WrittenBar[] = [];
    for (let index = 0; index < many; index++) {
      const bar: WrittenBar = {
        beside,
        name: `${name}.${index + 1}`,
        section: name,
        number: index + 1,
        marks: at[String(index + 1)] ?? {},
        within: new Map([...around, [owner, { ...(ending !== undefined && { ending }), at: index }]]),
      };
      for (const run of RUNS)
        if (index + (barsOfRun(bar.marks, run) ?? 1) > many)
          problem ??= chartProblem('bars-do-not-add-up', { section: name, bar: index + 1 });
      beside.push(bar);
      bars.push(bar);
    }
    return beside;
  };

  const section = (given: ChartSection): Written => {
    const { name, times = 1, endings = [], groove } = given;
    const owner: Written = { name, times, body: [], endings: [], ...(groove && { groove }) };
    problem ??= timesProblem(given);
    if (around.length > DEEPEST_SECTION) problem ??= chartProblem('too-deep', { section: name });
    if (given.parts && around.length <= DEEPEST_SECTION)
      owner.body = given.parts.map((part, at) => {
        around.push([owner, { at }]);
        const inner = section(part);
        around.pop();
        return inner;
      });
    else owner.body = addBars(owner, name, given.bars ?? 0, given.at);
    owner.endings = endings.map((ending, index) => ({
      for: ending.for,
      bars: addBars(owner, `${name}[${timesInName(ending.for)}]`, ending.bars, ending.at, index),
    }));
    return owner;
  };

  const top: Written = { name: '', times: 1, body: [], endings: [] };
  top.body = form.sections.map((one, at) => {
    around.push([top, { at }]);
    const inner = section(one);
    around.pop();
    return inner;
  });
  problem ??= signProblem(bars);
  return problem ? { problem } : { top, bars };
}

/** What is wrong with how often a section is played, and with its endings. */
function timesProblem({ name, times = 1, endings }: ChartSection): Problem | undefined {
  if (!Number.isInteger(times) || times < 1) return chartProblem('times', { section: name });
  if (!endings) return undefined;
  const claimed = endings.flatMap((ending) => ending.for);
  if (times === 1 || claimed.some((time) => time > times))
    return chartProblem('ending-without-repeat', { section: name });
  if (new Set(claimed).size < claimed.length) return chartProblem('two-endings', { section: name });
  return claimed.length < times ? chartProblem('time-without-ending', { section: name }) : undefined;
}

/** Signs of which there may be one. */
const SINGLE: Sign[] = ['segno', 'coda', 'to coda'];

const has = (sign: Sign) => (bar: WrittenBar) => bar.marks.signs?.includes(sign) ?? false;

/** What is wrong with the signs and the jumps to them. */
function signProblem(bars: readonly WrittenBar[]): Problem | undefined {
  for (const sign of SINGLE) {
    const second = bars.filter(has(sign))[1];
    if (second) return chartProblem('two-signs', second);
  }
  const isThere = (sign: Sign) => bars.some(has(sign));
  for (const bar of bars) {
    const { jump } = bar.marks;
    if (has('to coda')(bar) && !isThere('coda')) return chartProblem('jump-without-sign', bar);
    if (!jump) continue;
    if (jump.startsWith('D.S.') && !isThere('segno')) return chartProblem('jump-without-sign', bar);
    if (jump.endsWith('al Coda') && !isThere('coda')) return chartProblem('jump-without-sign', bar);
    if (jump.endsWith('al Fine') && !isThere('fine')) return chartProblem('al-fine-without-fine', bar);
  }
  return undefined;
}
