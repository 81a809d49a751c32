import type { Verdict } from '../documents/verdict';
import type { Limb } from '../groove/limbs';

/** Faults that are planted in a take, one at a time, and what the verdict should say of each. */

export const PLANTED = [
  'clean',
  'limb late',
  'limb early',
  'place late',
  'place early',
  'off-beats late',
  'behind',
  'ahead',
  'drift',
  'phrase',
  'swing too straight',
  'switch early',
  'limb uneven',
  'all uneven',
  'limb leaves out',
  'extra',
  'limb a slot late for a bar',
  'half a count late',
  'a bar left out',
  'a bar skipped',
  'flams flat',
  'flams wide',
  'accents like ghosts',
  'doubles late',
  'doubles weak',
  'lands after the others',
  'lands apart',
  'loudness wanders',
] as const;
export type Planted = (typeof PLANTED)[number];

/** What is planted, and what the verdict should say of it. */
export interface Plant {
  kind: Planted;
  /** Its size against what passes. */
  times: number;
  about: Verdict['about'];
  limb?: Limb;
  place?: string;
  /** The bar of the run, from 0, where one is left out. */
  bar?: number;
}

/** Whether a verdict names what was planted first. */
export function names(verdict: Verdict, { about, limb, place, bar }: Plant): boolean {
  if (verdict.about !== about) return false;
  if (limb && verdict.limb !== limb) return false;
  if (bar !== undefined && verdict.numbers['from'] !== bar + 1) return false;
  return !place || place.startsWith(`${verdict.place?.limb} ${verdict.place?.bar} `);
}
