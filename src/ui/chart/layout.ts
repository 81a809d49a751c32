import type { EngravedBar } from '@/core/chart/play/engraved';

/** A line of a chart: its bars, and how much room stands over and under its stave. */
export interface ChartLine {
  bars: readonly EngravedBar[];
  /** Pixels from the top of the line to the top line of the stave, and the height of all. */
  staveAt: number;
  height: number;
}

/** Heights of what stands over a stave, from the stave upwards, and under it, in pixels. */
const HITS = 38;
const BRACKET = 20;
const WORDS = 24;
/** The number over bars of rest. */
const NUMBER = 20;
const LEAST = 14;
const STAVE = 40;
const UNDER = 30;
const PLAIN_UNDER = 14;

const hasWords = (bar: EngravedBar): boolean =>
  Boolean(bar.heading ?? bar.tempo ?? bar.change ?? bar.feel ?? bar.jump ?? bar.held) ||
  bar.signs.length > 0 ||
  bar.isFreeSaid;

const hasUnder = ({ dynamic, swell, say }: EngravedBar): boolean => Boolean(dynamic ?? swell ?? say);

const beginsLine = ({ heading }: EngravedBar): boolean => heading !== undefined;

/** The bars of a chart in lines of at most so many; a section begins a line of its own. */
export function chartLines(bars: readonly EngravedBar[], perLine: number): ChartLine[] {
  const lines: EngravedBar[][] = [];
  for (const bar of bars) {
    const last = lines.at(-1);
    if (!last || last.length >= perLine || beginsLine(bar)) lines.push([bar]);
    else last.push(bar);
  }
  return lines.map((line) => {
    const over = [
      line.some(({ hits }) => hits.length > 0) && HITS,
      line.some((bar) => bar.bars > 1 && hasWords(bar)) && NUMBER,
      line.some(({ ending }) => ending) && BRACKET,
      line.some(hasWords) && WORDS,
    ].reduce<number>((sum, room) => sum + (room || 0), LEAST);
    return { bars: line, staveAt: over, height: over + STAVE + (line.some(hasUnder) ? UNDER : PLAIN_UNDER) };
  });
}

/** Bars to a line: as many as are wished, where each still has room for what stands in it. */
export const barsToALine = (wished: number, width: number): number =>
  Math.max(1, Math.min(wished, Math.floor(width / LEAST_BAR)));
const LEAST_BAR = 104;
