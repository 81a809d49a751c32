import { z } from 'zod';
import type { Result } from '../result';
import { readVersioned } from './reader';

/** What a figure of a take is about. */
export const FIGURE_KINDS = [
  'limb',
  'evenness',
  'left out',
  'rate',
  'rate spread',
  'switch',
  'swing',
  'together',
  'phrase',
  'height',
  'accents',
  'second loudness',
  'flam',
  'doubles',
] as const;
export type FigureKind = (typeof FIGURE_KINDS)[number];

const figureShape = z.strictObject({
  kind: z.enum(FIGURE_KINDS),
  /**
   * Which limb, rate ("4" strokes a quarter), switch ("2>4"), pair of limbs ("left hand+right foot"), phrase (bars).
   */
  of: z.string().max(60),
  /** How many strokes, pairs or phrases it rests on. */
  n: z.number().int().min(0),
  /** In milliseconds, decibels, as a ratio or a share; null where they are too few. */
  value: z.number().nullable(),
  /** The 95 % interval. */
  low: z.number().nullable(),
  high: z.number().nullable(),
  /** What was meant, of swing. */
  meant: z.number().optional(),
});
export type TakeFigure = z.infer<typeof figureShape>;

const figuresShape = z.strictObject({ version: z.literal(1), figures: z.array(figureShape).max(500) });

/** The figures of a take as they are kept beside its row. */
export const writeFigures = (figures: readonly TakeFigure[]) => ({ version: 1, figures });

export const readFigures = (json: unknown): Result<z.infer<typeof figuresShape>> =>
  readVersioned(json, { name: 'figures', version: 1, shape: figuresShape, migrations: {} });
