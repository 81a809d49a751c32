import { z } from 'zod';
import { chartInWords } from '../chart/text/chartInWords';
import { readChartText } from '../chart/text/chartText';
import { chartFormShape, type ChartForm } from '../documents/chart';
import { readVersioned } from '../documents/reader';
import { titleShape } from '../documents/shapes';
import { fail, ok, type Result } from '../result';

const CHART_FILE_VERSION = 1;

/** A chart as a file of our own. Grooves of its sections are rows of a workshop, and stay there. */
export const chartFileShape = chartFormShape.extend({ version: z.literal(CHART_FILE_VERSION), title: titleShape });

/** What a chart is written as: the ending of its file's name, and its media type. */
export const CHART_FILES = {
  text: { ending: 'txt', type: 'text/plain; charset=utf-8', words: 'As it is typed' },
  json: { ending: 'json', type: 'application/json', words: 'Mochila’s own JSON' },
} as const;
export type ChartFile = keyof typeof CHART_FILES;
export const CHART_FILE_NAMES = Object.keys(CHART_FILES) as [ChartFile, ...ChartFile[]];

const withoutGrooves = (sections: ChartForm['sections']): ChartForm['sections'] =>
  sections.map(({ groove: _, parts, ...section }) => ({ ...section, ...(parts && { parts: withoutGrooves(parts) }) }));

export function chartFile(form: ChartForm, title: string, file: ChartFile): string {
  if (file === 'text') return `${chartInWords(form)}\n`;
  const document = { version: CHART_FILE_VERSION, title, ...form, sections: withoutGrooves(form.sections) };
  return `${JSON.stringify(document, null, 2)}\n`;
}

/** A chart from a file, as it would be typed: typed text, or our own JSON. Problems where it is neither. */
export function readChartFile(text: string): Result<string> {
  if (!text.trimStart().startsWith('{')) {
    const read = readChartText(text);
    return read.ok ? ok(text.trim()) : fail(read.problems[0]);
  }
  let document: unknown;
  try {
    document = JSON.parse(text);
  } catch {
    return fail({
      code: 'no-json',
      path: [],
      where: '',
      say: 'This is no JSON.',
      remedy: 'Give a chart as Mochila writes it.',
    });
  }
  const read = readVersioned(document, { name: 'chart', version: CHART_FILE_VERSION, shape: chartFileShape });
  if (!read.ok) return read;
  const { version: _, title: __, ...form } = read.value;
  return ok(chartInWords(form));
}
