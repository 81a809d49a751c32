import { createContext, use } from 'react';
import type { LessonScreen, Told, ToldBead } from '@/core/documents/lessonScreen';
import type { Setup } from '@/core/groove/limbs';

/** What other devices in the lesson have played: the strokes on one groove, and the last take that was kept. */
export interface PlayedElsewhere {
  by: string;
  grooveId: string;
  beads: readonly (ToldBead & { key: string })[];
  isPlaying: boolean;
  take?: string;
}

/** The lesson that runs, and who is in it beside oneself, by their id. */
export interface RunningLesson {
  id: string;
  with: Readonly<Record<string, string>>;
}

/** A lesson that runs, for whatever page is open in it. */
export interface LessonLive {
  id: string;
  role: 'teacher' | 'student';
  /** How one's own kit is turned: limbs are told as they are written. */
  setup: Setup;
  /** Whether this device takes part: shows what it has open, or follows. Either side lets go. */
  isOn: boolean;
  setOn: (on: boolean) => void;
  /** What the teacher has open, on a student's device that follows. */
  screen?: LessonScreen;
  elsewhere?: PlayedElsewhere;
  /** Shows a screen to those who follow. */
  show: (screen: LessonScreen) => void;
  /**
   * While a take goes on here, this device stays where it is: what is struck is not lost to what is opened elsewhere.
   */
  setBusy: (busy: boolean) => void;
  /** Tells what is played here. */
  tell: (told: Told) => void;
}

export const LessonLiveContext = createContext<LessonLive | undefined>(undefined);

/** The lesson that runs; undefined outside of one. */
export const useLessonLive = (): LessonLive | undefined => use(LessonLiveContext);
