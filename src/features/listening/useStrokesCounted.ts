import { useCallback, useEffect, useRef, useState } from 'react';
import type { Strike } from '@/sound/inputs/input';
import { mainListener, useEars } from '@/sound/inputs/ears';
import { Midi } from '@/sound/inputs/midi/midi';
import { useMicrophone } from '@/sound/inputs/microphone/useMicrophone';
import { StrokeCounter } from './strokeCounter';

/**
 * Counts strokes on drums where drums listen on this device, so that an answer needs no hand at the screen; each
 * count is told once it is over. Nothing is counted while something sounds: a microphone would hear that too.
 */
export function useStrokesCounted(isQuiet: boolean) {
  const [ears] = useEars();
  const [say, setSay] = useState<string>();
  const by = mainListener(ears.listens);
  const counter = useRef<StrokeCounter>(undefined);
  const [counted, setCounted] = useState<{ count: number }>();
  const quiet = useRef(isQuiet);
  useEffect(() => {
    quiet.current = isQuiet;
    if (!isQuiet) counter.current?.forget();
  }, [isQuiet]);
  const strike = useCallback(({ at }: Strike) => {
    counter.current ??= new StrokeCounter((count) => setCounted({ count }));
    if (quiet.current && !('runMs' in at)) counter.current.strike('pageMs' in at ? at.pageMs : at.audioMs);
  }, []);
  useEffect(() => () => counter.current?.forget(), []);

  const { midi } = ears;
  useEffect(() => {
    if (by !== 'MIDI') return;
    const drums = new Midi({ ears: midi, who: () => undefined, onSay: setSay });
    drums.open(strike).catch((error: Error) => setSay(error.message));
    return () => drums.close();
  }, [by, midi, strike]);

  const isOpen = useRef(false);
  const microphone = useMicrophone(strike, () => {
    isOpen.current = false;
    setSay('The microphone was unplugged or taken away. Answer by a touch, or hear it again to open it anew.');
  });
  /** Opens the microphone where that listens; from a touch, as browsers demand. */
  const open = useCallback(async () => {
    if (by !== 'microphone' || isOpen.current) return;
    isOpen.current = true;
    try {
      await microphone.open();
      await microphone.begin();
      setSay(undefined);
    } catch (error) {
      isOpen.current = false;
      setSay((error as Error).message);
    }
  }, [by, microphone]);
  return { isOn: by === 'MIDI' || by === 'microphone', open, say, counted };
}
