import type { School } from '@/core/counting/schools';
import type { WrittenChart } from '@/core/documents/writtenChart';
import type { WrittenDrill } from '@/core/documents/writtenDrill';
import type { Groove } from '@/core/groove/groove';
import type { Bpm } from '@/core/time/units';

/** One thing on a handout. */
export interface HandoutPiece {
  title: string;
  /** In a line: meter, feel, tempo. */
  facts: string;
  /** Turned round for whoever plays it. */
  groove: Groove;
  drill?: WrittenDrill;
  chart?: WrittenChart;
  /** The tempos to tick, from the first to the goal. */
  tempos: readonly Bpm[];
  /** How it is set, and why. */
  set?: string;
  reason?: string;
  /** Where it is found in Mochila. */
  href: string;
}

/** Everything on a handout. */
export interface HandoutContent {
  title: string;
  /** Who it is for; a line to write on where it is for anybody. */
  name?: string;
  date?: string;
  workshop: string;
  school: School;
  /** Of a lesson: its steps with their minutes, and what is taken home. */
  steps?: readonly { title: string; minutes: number }[];
  takenHome?: string;
  pieces: readonly HandoutPiece[];
}
