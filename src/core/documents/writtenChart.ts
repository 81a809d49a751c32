import { z } from 'zod';
import type { Exercises } from '../form/exercises';
import { MOST_PLAYED_BARS } from '../limits';
import { fail, ok, within, type Result } from '../result';
import { chartFormShape, type ChartForm } from './chart';
import { readGroove, writeGroove, type GrooveJson } from './groove';
import { readVersioned } from './reader';
import { exerciseNamesShape, passageProblems, passagesShape } from './take';

const WRITTEN_CHART_VERSION = 1;

const writtenShape = z.strictObject({
  version: z.literal(WRITTEN_CHART_VERSION),
  form: chartFormShape,
  passages: passagesShape,
  exercises: exerciseNamesShape,
  /** How many bars are played. */
  bars: z.number().int().min(1).max(MOST_PLAYED_BARS),
  /** How long it lasts at its own tempo. */
  seconds: z.number().min(0),
});

/**
 * A chart written out to be played: every bar that differs once, the passages that go through them, and its sections
 * in the order they are played. These bars stay as they are, whatever becomes of the grooves they were made of.
 */
export interface WrittenChart extends Exercises {
  form: ChartForm;
  bars: number;
  seconds: number;
}

/** What is kept beside the groove of a written chart. */
export type WrittenChartJson = z.infer<typeof writtenShape>;

/** Reads a written chart from what is kept of it and from its groove. */
export function readWrittenChart(json: unknown, grooveJson: unknown): Result<WrittenChart> {
  const kept = readVersioned(json, { name: 'chart', version: WRITTEN_CHART_VERSION, shape: writtenShape });
  if (!kept.ok) return kept;
  const groove = readGroove(grooveJson);
  if (!groove.ok) return fail(...within(['groove'], groove.problems));
  const { version: _, ...chart } = kept.value;
  const problems = passageProblems(chart.passages, groove.value.bars.length, chart.exercises.length);
  return problems.length ? fail(...problems) : ok({ ...chart, groove: groove.value });
}

export function writeWrittenChart({ groove, ...chart }: WrittenChart): { groove: GrooveJson; chart: WrittenChartJson } {
  return { groove: writeGroove(groove), chart: { version: WRITTEN_CHART_VERSION, ...chart } };
}
