import { useEffect, useMemo, useRef } from 'react';
import type { InputName } from '@/core/documents/take';
import { LIMBS, type Limb } from '@/core/groove/limbs';
import type { Input, Strike } from './input';
import { Keys } from './keys';
import { Pads } from './pads';

/** The inputs that can be listened to, with what each is called. */
export const INPUT_WORDS = { keys: 'Keys of this computer', pads: 'Pads on the screen' } as const satisfies Partial<
  Record<InputName, string>
>;

interface InputsOptions {
  /** The place on the keyboard that each limb is played by. */
  keys: Record<Limb, { code: string }>;
  limbs: readonly Limb[];
  listens: readonly InputName[];
  /** Whether strokes are listened for now. */
  isOn: boolean;
  onStrike: (strike: Strike, input: Input) => void;
}

/** Opens what listens, and gives the pads that the screen touches. */
export function useInputs({ keys, limbs, listens, isOn, onStrike }: InputsOptions): Pads {
  const latest = useRef(onStrike);
  useEffect(() => {
    latest.current = onStrike;
  });
  const pads = useMemo(() => new Pads(), []);
  useEffect(() => {
    if (!isOn) return;
    const all: Input[] = [pads, new Keys({ limbOf: (code) => limbOfKey(keys, limbs, code), isElsewhere })];
    const open = all.filter(({ name }) => listens.includes(name));
    for (const input of open) void input.open((strike) => latest.current(strike, input));
    return () => {
      for (const input of open) input.close();
    };
  }, [keys, limbs, listens, isOn, pads]);
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
