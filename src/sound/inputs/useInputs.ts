import { useEffect, useMemo, useRef } from 'react';
import type { Ears, Listener } from '@/core/documents/ears';
import { LIMBS, type Limb, type Surface } from '@/core/groove/limbs';
import type { Ms } from '@/core/time/units';
import type { Input, Strike } from './input';
import { Keys } from './keys';
import { Midi } from './midi/midi';
import { Pads } from './pads';

/** What each input that can be chosen is called. */
export const INPUT_WORDS: Record<Listener, string> = {
  keys: 'Keys of this computer',
  pads: 'Pads on the screen',
  MIDI: 'MIDI drums',
  microphone: 'Microphone',
};

interface InputsOptions {
  /** The place on the keyboard that each limb is played by. */
  keys: Record<Limb, { code: string }>;
  limbs: readonly Limb[];
  /** What listens on this device; a microphone is opened by whoever plays, with the sound. */
  ears: Ears;
  /** Whether strokes are listened for now. */
  isOn: boolean;
  /** Who struck a surface. */
  who: (surface: Surface) => Limb | undefined;
  /** With what its input adds to its time on this device. */
  onStrike: (strike: Strike, delayMs: Ms) => void;
  /** Something is to be said of what listens. */
  onSay: (say: string) => void;
}

/** Opens what listens, and gives the pads that the screen touches. */
export function useInputs({ keys, limbs, ears, isOn, who, onStrike, onSay }: InputsOptions): Pads {
  const latest = useRef({ who, onStrike, onSay });
  useEffect(() => {
    latest.current = { who, onStrike, onSay };
  });
  const pads = useMemo(() => new Pads(), []);
  useEffect(() => {
    if (!isOn) return;
    const { delays, listens, midi } = ears;
    const all: Input[] = [
      pads,
      new Keys({ limbOf: (code) => limbOfKey(keys, limbs, code), isElsewhere }),
      new Midi({
        ears: midi,
        who: (surface) => latest.current.who(surface),
        onSay: (say) => latest.current.onSay(say),
      }),
    ];
    const open = all.filter(({ name }) => (listens as readonly string[]).includes(name));
    for (const input of open) {
      const delayMs = delays[input.name as Listener]?.ms ?? 0;
      void Promise.resolve(input.open((strike) => latest.current.onStrike(strike, delayMs))).catch((error: Error) =>
        latest.current.onSay(error.message),
      );
    }
    return () => {
      for (const input of open) input.close();
    };
  }, [keys, limbs, ears, isOn, pads]);
  return pads;
}

const limbOfKey = (keys: InputsOptions['keys'], limbs: readonly Limb[], code: string): Limb | undefined =>
  LIMBS.find((limb) => keys[limb].code === code && limbs.includes(limb));

/** Whether a key is meant for what has the focus: words for a field of words, figures for a field of figures. */
export function isElsewhere({ target, key }: Pick<KeyboardEvent, 'target' | 'key'>): boolean {
  if (target instanceof HTMLTextAreaElement) return true;
  if (target instanceof HTMLElement && target.closest('[role="listbox"]')) return true;
  if (!(target instanceof HTMLInputElement)) return false;
  if (target.type === 'range' || target.type === 'checkbox') return false;
  return target.inputMode === 'decimal' || target.inputMode === 'numeric' ? /^[\d.,-]$/.test(key) : true;
}
