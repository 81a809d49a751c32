import { useCallback, useState } from 'react';
import type { RecordingRow } from '@/server/recordings';
import { keptSound } from '@/sound/recordings/kept';
import type { TakeSound } from '@/sound/recordings/takeSound';

type Loading =
  { kind: 'waits' } | { kind: 'loading' } | { kind: 'there'; sound: TakeSound } | { kind: 'failed'; say: string };

/** The kept sound of a take, brought when it is asked for: many look at a take without listening to it. */
export function useKeptSound(recording: RecordingRow | undefined) {
  const [loading, setLoading] = useState<Loading>({ kind: 'waits' });
  const load = useCallback(async () => {
    if (!recording) return;
    setLoading({ kind: 'loading' });
    try {
      setLoading({ kind: 'there', sound: await keptSound(recording.take_id, recording.zero_ms) });
    } catch (error) {
      setLoading({ kind: 'failed', say: (error as Error).message });
    }
  }, [recording]);
  return { loading, load, sound: recording && loading.kind === 'there' ? loading.sound : undefined };
}
