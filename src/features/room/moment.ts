import type { Hit } from '@/core/documents/take';
import type { Feel } from '@/core/form/form';
import type { RoomSettings } from './settings';

/** Where the ear is. */
export interface Moment {
  /** Index of the bar in the groove; the first one while counting in. */
  bar: number;
  barInRun: number;
  /** How far into the bar, 0 to 1. */
  fraction: number;
  countingIn: boolean;
  /** The number that is counted, while counting in. */
  count?: number;
  /** How often its bar was played before, and how often the whole was gone through. */
  round: number;
  pass: number;
  /** The swing in force, where it is not the groove's own. */
  swing?: Feel;
  exercise?: number;
  side?: number;
  /** How many bars there are in all. */
  bars: number;
  /** How much of the whole is played, 0 to 1. */
  share: number;
}

/** What may be set anew while it plays. */
export type Followed = Partial<Pick<RoomSettings, 'bpm' | 'click' | 'count' | 'layers' | 'heard' | 'task' | 'swing'>>;

/** What became of a stroke: kept, not meant for this moment, or more than a take holds. */
export type Struck = Hit | 'unasked' | 'full';
