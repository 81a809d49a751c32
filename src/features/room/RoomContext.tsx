import type { Tolerance } from '@/core/judging/types/figures';
import { createContext, use } from 'react';
import type { School } from '@/core/counting/schools';
import type { SightPlan } from '@/core/documents/sightPlan';
import type { WrittenChart } from '@/core/documents/writtenChart';
import type { WrittenDrill } from '@/core/documents/writtenDrill';
import type { Groove } from '@/core/groove/groove';
import type { Limb, Setup } from '@/core/groove/limbs';
import type { SpeedLimits } from '@/core/limits';
import type { ReportWords } from '@/core/documents/verdict';
import type { Bpm, Ms } from '@/core/time/units';
import type { RoomSettings, WayName } from './settings';
import type { RoomAction, RoomState } from './state';

/** What was set to be practised. */
export interface RoomAssignment {
  id: string;
  tempo: Bpm;
  reason: string;
  /** A day, and how much of it sounded today already. */
  minutes: number;
  todayMs: Ms;
}

/** How what is read at sight is drawn, for which kit, the seed of the first line, and those of what was read before. */
export interface Sight {
  plan: SightPlan;
  setup: Setup;
  first: number;
  spent: readonly number[];
}

/** Who plays what, and as how far on they are judged: all that stays the same while one is in the room. */
export interface RoomFacts {
  playerId: string;
  tolerance: Tolerance;
  school: School;
  report: ReportWords;
  grooveId: string;
  /** Already turned round for the player's kit. */
  groove: Groove;
  /** Strokes a second, as the teacher set them for the workshop. */
  limits: SpeedLimits;
  /** Of a groove that plays a drill. */
  drill?: WrittenDrill;
  /** Of one that plays a chart. */
  chart?: WrittenChart;
  /** Of what is read at sight: `groove` is what the room's seed comes to. */
  sight?: Sight;
  assignment?: RoomAssignment;
}

export interface RoomInUse extends RoomFacts {
  limbs: readonly Limb[];
  state: RoomState;
  dispatch: (action: RoomAction) => void;
  /** The ways it can be practised, and how the room is set another way. */
  ways: readonly WayName[];
  practisedAs: (way: WayName) => RoomSettings;
}

export const RoomContext = createContext<RoomInUse | undefined>(undefined);

/** The room one is in. */
export function useRoom(): RoomInUse {
  const room = use(RoomContext);
  if (!room) throw new Error('Only inside a room');
  return room;
}
