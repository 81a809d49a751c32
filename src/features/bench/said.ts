import { sayOn, strokesChanged, type SayAnswer } from '@/core/phrase/say';
import type { School } from '@/core/counting/schools';
import type { Groove, Stroke } from '@/core/groove/groove';
import type { Place } from '@/core/groove/edit';
import type { Height } from '@/core/groove/limbs';

/** What a typed phrase comes to: the answer, and the strokes that would be placed, for showing them pale. */
export interface Said {
  answer: SayAnswer;
  preview?: { bar: number; stroke: Stroke }[];
}

/** What is not said is taken from where the hands are: the cursor's limb and bar, the height used last. */
export function saidOn(groove: Groove, text: string, school: School, { limb, bar }: Place, height: Height): Said {
  const answer = sayOn(groove, text, { school, limb, bar, height });
  if (!answer.ok || !answer.changed) return { answer };
  return { answer, preview: strokesChanged(groove, answer.groove).placed };
}
