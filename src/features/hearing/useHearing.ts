'use client';

import { proxy, transfer, wrap, type Remote } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Take } from '@/core/documents/take';
import type { Expected } from '@/core/hearing/kit/scoreSurfaces';
import { isMidiFile, midiStrokes, MOST_MIDI_BYTES } from '@/core/format/midi/midiFile';
import type { KitJson } from '@/core/documents/ears';
import { ok, sentence, type Result } from '@/core/result';
import type { Ms } from '@/core/time/units';
import { decoded } from '@/sound/decoding';
import type { Heard, HeardAgain, HearWorker } from './hear.worker';

/** Who played what was heard, and when. */
export interface From {
  struckBy: Take['struckBy'];
  playedAt: Date;
}

/** Where hearing stands: nothing yet, at work (with the share that is done), or what came of it. */
export type Hearing =
  | { kind: 'nothing' }
  | { kind: 'at work'; name: string; share: number }
  | { kind: 'heard'; name: string; heard: Heard; from: From }
  | { kind: 'refused'; say: string };

/** Hears recordings in a worker, so that twenty minutes of sound do not stop the page; they can be stopped. */
export function useHearing() {
  const [hearing, setHearing] = useState<Hearing>({ kind: 'nothing' });
  const apart = useRef<{ worker: Worker; remote: Remote<HearWorker> }>(undefined);
  const attempt = useRef(0);
  const close = useCallback(() => {
    attempt.current++;
    apart.current?.worker.terminate();
    apart.current = undefined;
  }, []);
  useEffect(() => close, [close]);

  const work = useCallback(
    async (
      name: string,
      from: From,
      how: (remote: Remote<HearWorker>, onShare: (share: number) => void) => Promise<Heard | string>,
    ) => {
      close();
      const mine = attempt.current;
      const isMine = () => attempt.current === mine;
      setHearing({ kind: 'at work', name, share: 0 });
      const worker = new Worker(new URL('./hear.worker.ts', import.meta.url));
      apart.current = { worker, remote: wrap<HearWorker>(worker) };
      const onShare = proxy((share: number) => {
        if (isMine()) setHearing({ kind: 'at work', name, share });
      });
      try {
        const came = await how(apart.current.remote, onShare);
        if (isMine())
          setHearing(
            typeof came === 'string' ? { kind: 'refused', say: came } : { kind: 'heard', name, heard: came, from },
          );
      } catch {
        if (isMine())
          setHearing({
            kind: 'refused',
            say: 'It could not be heard: there may be too little memory. Close other pages, or cut the recording shorter.',
          });
      }
    },
    [close],
  );

  return {
    hearing,
    hearFile: useCallback(
      (file: File, kit?: KitJson) =>
        work(file.name, { struckBy: 'player', playedAt: fileDate(file) }, async (remote, onShare) => {
          const midi = await midiIn(file);
          if (midi) return midi.ok ? midi.value : sentence(midi.problems[0]!);
          const read = await decoded(file);
          if (!read.ok) return sentence(read.problems[0]!);
          const { samples, sampleRate } = read.value;
          return remote.hearFile(transfer(samples, [samples.buffer]), sampleRate, kit, onShare);
        }),
      [work],
    ),
    transcribeTake: useCallback(
      (take: Take, name: string, seed: number) =>
        work(name, { struckBy: 'kit', playedAt: new Date() }, (remote, onShare) =>
          remote.transcribeTake(take, seed, onShare),
        ),
      [work],
    ),
    /** The same recording with what is written known; nothing where there is none, or it was stopped meanwhile. */
    hearAgain: useCallback(async (expected: readonly Expected[]): Promise<HeardAgain | undefined> => {
      const mine = attempt.current;
      const again = await apart.current?.remote.hearAgain(expected);
      return attempt.current === mine ? again : undefined;
    }, []),
    /** The sound that was heard, where it can be kept. */
    sound: useCallback(() => apart.current?.remote.sound(), []),
    stop: useCallback(() => {
      close();
      setHearing({ kind: 'nothing' });
    }, [close]),
  };
}

/** When a file was made, as far as the device says. */
const fileDate = (file: File): Date => new Date(Math.min(Date.now(), file.lastModified || Date.now()));

/** The strokes of a MIDI file; undefined where it is none. */
async function midiIn(file: File): Promise<Result<Heard> | undefined> {
  if (!isMidiFile(new Uint8Array(await file.slice(0, 4).arrayBuffer()))) return undefined;
  const read = midiStrokes(new Uint8Array(await file.slice(0, MOST_MIDI_BYTES + 1).arrayBuffer()));
  if (!read.ok) return read;
  return ok({
    strokes: read.value.map(({ ms, loudness, surface }) => ({
      ms,
      levelDb: 20 * Math.log10(Math.max(1e-3, loudness)),
      sure: 1,
      ...(surface && { surface }),
    })),
    lengthMs: read.value.at(-1)!.ms + TAIL_MS,
    isTold: true,
  });
}

/** So long after its last note a MIDI file is over. */
const TAIL_MS: Ms = 500;
