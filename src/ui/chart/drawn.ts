import type { EngravedBar } from '@/core/chart/play/engraved';
import { toNumber, type WholeNotes } from '@/core/time/fraction';

/** Where a bar was drawn. */
export interface DrawnBar {
  bar: EngravedBar;
  left: number;
  width: number;
  /** Where a place of it stands, from 0 to 1 of its length. */
  xAt: (share: number) => number;
}

/** The share of a bar that lies before a place of it. */
export const shareOf = (at: WholeNotes, { meter }: EngravedBar): number => toNumber(at) / (meter.beats / meter.unit);
