import type { InputName } from '@/core/documents/take';
import type { Limb, Surface } from '@/core/groove/limbs';
import type { Ms } from '@/core/time/units';

/** One stroke as an input heard it. */
export interface Strike {
  input: InputName;
  /** Undefined where the input cannot tell who struck. */
  limb?: Limb;
  /** What was struck, where the input can tell. */
  surface?: Surface;
  /**
   * When: by the page's clock (`event.timeStamp`, `performance.now()`) or by that of the sound, as it was recorded, the
   * input's own delay not yet taken off; or, of what is made and not heard, in milliseconds from the first bar of what
   * plays.
   */
  at: { pageMs: Ms } | { audioMs: Ms } | { runMs: Ms };
  /** From 0 to 1; undefined where the input cannot tell. */
  loudness?: number;
}

export type OnStrike = (strike: Strike) => void;

/** Something that hears strokes: keys, pads, a MIDI kit, a microphone. All are opened, listened to and closed alike. */
export interface Input {
  readonly name: InputName;
  /** Begins to listen. Throws with words for the person when it cannot. */
  open: (onStrike: OnStrike) => void | Promise<void>;
  close: () => void;
  /** Called with every frame while something plays, `runMs` from its first bar, where an input has to be asked. */
  ask?: (runMs: Ms) => void;
}
