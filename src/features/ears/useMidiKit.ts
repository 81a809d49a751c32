import { useEffect, useRef, useState } from 'react';
import type { MidiEars } from '@/core/documents/ears';
import type { Surface } from '@/core/groove/limbs';
import type { Strike } from '@/sound/inputs/input';
import { Midi } from '@/sound/inputs/midi/midi';

export interface NoteStruck {
  note: number;
  velocity: number;
  surface?: Surface;
  device: string;
}

const nobody = () => undefined;

/** Listens to the MIDI kits that are connected: what was struck last, and what is to be said of them. */
export function useMidiKit(
  ears: MidiEars | undefined,
  onNote: (note: NoteStruck) => void,
  onStrike: (strike: Strike) => void,
) {
  const [say, setSay] = useState<string>();
  const [last, setLast] = useState<NoteStruck>();
  const latest = useRef({ onNote, onStrike });
  useEffect(() => {
    latest.current = { onNote, onStrike };
  });
  useEffect(() => {
    const midi = new Midi({
      ears,
      who: nobody,
      onSay: setSay,
      onNote: (note, velocity, surface, device) => {
        const struck = { note, velocity, device, ...(surface && { surface }) };
        setSay(undefined);
        setLast(struck);
        latest.current.onNote(struck);
      },
    });
    midi.open((strike) => latest.current.onStrike(strike)).catch((error: Error) => setSay(error.message));
    return () => midi.close();
  }, [ears]);
  return { say, last };
}
