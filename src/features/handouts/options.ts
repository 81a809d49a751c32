import { z } from 'zod';
import { textShape } from '@/core/documents/shapes';
import { MOST_REASON } from '@/core/limits';

export const PAPERS = ['A4', 'Letter'] as const;
export type Paper = (typeof PAPERS)[number];

/** Sheets in millimetres, and the margin all round them. */
export const PAPER_MM: Record<Paper, { width: number; height: number }> = {
  A4: { width: 210, height: 297 },
  Letter: { width: 215.9, height: 279.4 },
};
export const MARGIN_MM = 14;

const on = (usual: boolean) =>
  z
    .enum(['on', 'off'])
    .catch(usual ? 'on' : 'off')
    .transform((value) => value === 'on');

/** What an address asks of a handout; what it does not name is as usual. */
const optionsShape = z.object({
  paper: z.enum(PAPERS).catch('A4'),
  counts: z.enum(['below', 'above', 'off']).catch('below'),
  sticking: on(true),
  strip: on(false),
  tempos: on(true),
  large: on(false),
  black: on(false),
  /** The teacher's own words on the sheet. */
  words: textShape(MOST_REASON).catch(''),
});
export type HandoutOptions = z.infer<typeof optionsShape>;

export const handoutOptions = (asked: Partial<Record<string, string>>): HandoutOptions => optionsShape.parse(asked);

/** The options as an address names them: only those that are not as usual. */
export function optionsAsked(options: HandoutOptions): Record<string, string> {
  const usual = handoutOptions({});
  return Object.fromEntries(
    (Object.keys(options) as (keyof HandoutOptions)[]).flatMap((name) => {
      const value = options[name];
      if (value === usual[name]) return [];
      const switched = value ? 'on' : 'off';
      return [[name, typeof value === 'boolean' ? switched : value]];
    }),
  );
}
