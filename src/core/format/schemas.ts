import { z } from 'zod';
import { endShape, headShape } from '../documents/backupFile';
import { grooveShape } from '../documents/groove';
import { chartFileShape } from './chartFile';
import { drillFileShape } from './drillFile';

/** What is published of our own files, by the name of each: a JSON Schema made from the shapes they are read by. */
const PUBLISHED = {
  groove: [
    grooveShape,
    'A groove, as it is taken out as JSON. Places are fractions of a whole note from the start of their bar.',
  ],
  drill: [
    drillFileShape,
    'A drill, as it is taken out as JSON: its rule with what it is called. The same rule writes the same exercises.',
  ],
  chart: [
    chartFileShape,
    'A chart, as it is taken out as JSON: the form of a tune, sections with what stands over their bars, repeats, endings, signs.',
  ],
  'workshop-head': [
    headShape,
    'The first line of a workshop as one file. Each line after it is the name of a table, a blank, and a row as JSON.',
  ],
  'workshop-end': [endShape, 'The last line of a workshop as one file: how many rows there are of each table.'],
} as const satisfies Record<string, readonly [shape: z.ZodType, about: string]>;

/**
 * The published schemas (JSON Schema, draft 2020-12), by name. What words are trimmed or compared beyond their shape
 * is said by the readers.
 */
export const publishedSchemas = (): Record<string, object> =>
  Object.fromEntries(
    Object.entries(PUBLISHED).map(([name, [shape, description]]) => [
      name,
      { title: `Mochila ${name}`, description, ...z.toJSONSchema(shape, { io: 'input', unrepresentable: 'any' }) },
    ]),
  );
