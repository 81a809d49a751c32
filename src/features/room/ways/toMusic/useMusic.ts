'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { musicShape, type MusicSettings } from '@/core/practice/music';
import type { Bpm } from '@/core/time/units';
import { readMusic, slowed, type Music } from '@/sound/music';

export interface Playalong {
  music?: Music;
  settings?: MusicSettings;
  /** Why a file could not be read. */
  say?: string;
  /** While it is read or slowed: how much of it is done, if that is known. */
  busy?: { what: 'reading' | 'slowing'; share?: number };
  /** At the speed that is set; undefined while it is made. */
  ready?: AudioBuffer;
  open: (file: File) => void;
  change: (change: Partial<MusicSettings>) => void;
}

/** What is set for a file is kept in this browser under the hash of its bytes. */
const keyOf = (hash: string) => `mochila music ${hash}`;

function remembered(hash: string): MusicSettings | undefined {
  try {
    return musicShape.safeParse(JSON.parse(localStorage.getItem(keyOf(hash)) ?? 'null')).data;
  } catch {
    return undefined;
  }
}

function remember(hash: string, settings: MusicSettings): void {
  try {
    localStorage.setItem(keyOf(hash), JSON.stringify(settings));
  } catch {
    // A browser that keeps nothing asks again the next time.
  }
}

interface Opened {
  music: Music;
  settings: MusicSettings;
}
/** Music at the speed that is set. */
interface Made {
  hash: string;
  speed: number;
  buffer: AudioBuffer;
}
/** Kept while the window is open, so that another way of practising does not lose it. */
let lastOpened: Opened | undefined;
let lastMade: Made | undefined;
/** Nothing is open any more. */
export const forgetMusic = (): void => void ([lastOpened, lastMade] = [undefined, undefined]);

/** Music of the player's own: never sent anywhere. `bpm` is what an unknown file begins with. */
export function useMusic(bpm: Bpm): Playalong {
  const [opened, setOpenedHere] = useState(lastOpened);
  const setOpened = useCallback((next: Opened) => {
    lastOpened = next;
    setOpenedHere(next);
  }, []);
  const [say, setSay] = useState<string>();
  const [busy, setBusy] = useState<Playalong['busy']>();
  const [made, setMadeHere] = useState(lastMade);
  const setMade = useCallback((next: Made) => {
    lastMade = next;
    setMadeHere(next);
  }, []);
  const wanted = useRef(0);

  const slow = useCallback(
    (music: Music, speed: number) => {
      const mine = ++wanted.current;
      setBusy(speed === 100 ? undefined : { what: 'slowing', share: 0 });
      void slowed(
        music.buffer,
        speed / 100,
        (share) => wanted.current === mine && setBusy({ what: 'slowing', share }),
      ).then(
        (buffer) => {
          if (wanted.current !== mine) return;
          setMade({ hash: music.hash, speed, buffer });
          setBusy(undefined);
        },
        () => {
          if (wanted.current !== mine) return;
          setBusy(undefined);
          setSay('This browser cannot slow the music down. Play it at 100 %.');
        },
      );
    },
    [setMade],
  );

  const open = useCallback(
    (file: File) => {
      const mine = ++wanted.current;
      setSay(undefined);
      setBusy({ what: 'reading' });
      void readMusic(file).then(
        (music) => {
          if (wanted.current !== mine) return;
          const settings = remembered(music.hash) ?? {
            name: music.name.slice(0, 300),
            bpm,
            firstBeatMs: 0,
            speed: 100,
          };
          setOpened({ music, settings });
          slow(music, settings.speed);
        },
        (error: Error) => {
          if (wanted.current !== mine) return;
          // What was open before stays open.
          setBusy(undefined);
          setSay(error.message);
        },
      );
    },
    [bpm, slow, setOpened],
  );

  const change = useCallback(
    (by: Partial<MusicSettings>) => {
      if (!opened) return;
      const settings = { ...opened.settings, ...by };
      setOpened({ ...opened, settings });
      remember(opened.music.hash, settings);
      if (by.speed !== undefined && by.speed !== opened.settings.speed) slow(opened.music, by.speed);
    },
    [opened, slow, setOpened],
  );

  useEffect(
    () => () => {
      wanted.current = -1;
    },
    [],
  );
  const ready =
    opened && made?.hash === opened.music.hash && made.speed === opened.settings.speed ? made.buffer : undefined;
  return { ...opened, say, busy, ready, open, change };
}
