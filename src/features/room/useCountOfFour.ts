import { useCallback, useEffect, useRef } from 'react';
import { endsInCountOfFour } from '@/core/practice/countOfFour';
import type { Ms } from '@/core/time/units';
import { isListenedBack } from '@/sound/recordings/sounding';
import type { Strike } from '@/sound/inputs/input';

/** Calls back when four even strokes were counted on drums while it is on; gives what is to be told of each stroke. */
export function useCountOfFour(isOn: boolean, onCounted: () => void): (strike: Strike) => void {
  const strokes = useRef<Ms[]>([]);
  const latest = useRef({ isOn, onCounted });
  useEffect(() => {
    latest.current = { isOn, onCounted };
  });
  return useCallback(({ input, at }) => {
    // Whoever plays keys or pads has a hand at the screen; the two clocks of drums are never mixed in one device.
    if (input === 'keys' || input === 'pads' || 'runMs' in at) return;
    // What is listened to again was struck before.
    if (input === 'microphone' && isListenedBack()) return;
    strokes.current = [...strokes.current.slice(-4), 'pageMs' in at ? at.pageMs : at.audioMs];
    if (!latest.current.isOn || !endsInCountOfFour(strokes.current)) return;
    strokes.current = [];
    latest.current.onCounted();
  }, []);
}
