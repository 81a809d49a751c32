import type { Climb } from '@/core/documents/climb';
import type { Take } from '@/core/documents/take';
import type { Judgement } from '@/core/judging/types/judgement';
import type { TakeSound } from '@/sound/recordings/takeSound';
import type { Ms } from '@/core/time/units';
import type { RoomSettings } from './settings';

/** A take when it is done. */
export interface Judged {
  /** Whether it was played to its end, not stopped. */
  whole: boolean;
  id: string;
  take: Take;
  judgement: Judgement;
  /** What the microphone recorded of it, where it is no longer than can be kept. */
  sound?: TakeSound;
}

/** Where one stands on the groove's ladder, which of the kept steps that is, and what the last take came to. */
export interface Climbing {
  climb: Climb;
  step: number;
  said?: string;
}

/** Everything in a room that changes. */
export interface RoomState {
  settings: RoomSettings;
  phase: 'ready' | 'starting' | 'playing' | 'hearing' | 'judged';
  judged?: Judged;
  /** How much of what was recorded is heard, 0 to 1, while it is. */
  heardShare?: number;
  /** What happened to the last attempt, for the person. */
  say?: string;
  /** Takes follow one another by themselves, as on a ladder. */
  goesOn: boolean;
  /** The next way of practising begins as soon as it is there. */
  beginsAtOnce: boolean;
  /** In which order places are called. */
  seed: number;
  climbing: Climbing;
  /** How long the player's own takes sounded since the room was entered. */
  practisedMs: Ms;
}

export type RoomAction =
  | { type: 'set'; change: Partial<RoomSettings> }
  /** Other settings, as another way of practising has them; what was judged is put away. */
  | { type: 'practise'; settings: RoomSettings; atOnce?: boolean }
  | { type: 'starting' }
  | { type: 'playing' }
  /** The recording of a take that has ended is heard as a whole. */
  | { type: 'hearing'; share: number }
  | { type: 'failed'; say: string }
  /** Nothing was struck, so there is nothing to judge. */
  | { type: 'ended'; say: string }
  | { type: 'judged'; judged: Judged; say?: string }
  | { type: 'said'; say: string }
  | { type: 'again' }
  | { type: 'goes on'; on: boolean }
  | { type: 'seeded'; seed: number }
  | { type: 'climbed'; climbing: Climbing };

/** What becomes of a room by what happens in it. */
export function roomAfter(state: RoomState, action: RoomAction): RoomState {
  switch (action.type) {
    case 'set':
      return { ...state, settings: { ...state.settings, ...action.change } };
    case 'practise':
      return {
        ...cleared(state),
        settings: action.settings,
        goesOn: false,
        beginsAtOnce: action.atOnce ?? false,
      };
    case 'starting':
      return { ...cleared(state), phase: 'starting', beginsAtOnce: false };
    case 'playing':
      return { ...state, phase: 'playing' };
    case 'hearing':
      return { ...state, phase: 'hearing', heardShare: action.share };
    case 'failed':
    case 'ended':
      return { ...state, phase: 'ready', goesOn: false, say: action.say };
    case 'judged':
      return {
        ...state,
        phase: 'judged',
        judged: action.judged,
        say: action.say,
        practisedMs: state.practisedMs + (action.judged.take.struckBy === 'player' ? action.judged.take.playedMs : 0),
      };
    case 'said':
      return { ...state, say: action.say };
    case 'again':
      return cleared(state);
    case 'goes on':
      return { ...state, goesOn: action.on };
    case 'seeded':
      return { ...state, seed: action.seed };
    case 'climbed':
      return { ...state, climbing: action.climbing };
  }
}

/** Ready for the next take, what was judged and said put away. */
const cleared = (state: RoomState): RoomState => ({ ...state, phase: 'ready', judged: undefined, say: undefined });
