'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { Limb } from '@/core/groove/limbs';
import { writeTake, type Hit, type Take } from '@/core/documents/take';
import { smallestAudibleMs, LEVEL_FACTORS } from '@/core/take/figures';
import { type Level } from '@/core/limits';
import { judge, type Judgement } from '@/core/take/judge';
import type { Ms } from '@/core/time/units';
import { Player, SoundLost } from '@/sound/player';
import { errorInWords, kindOf, WIDENED, type Bead } from '@/ui/strip/beads';
import { post } from './outbox';
import { Performance, type Followed, type Moment, type Piece } from './performance';
import type { RoomSettings } from './settings';

export type Status = 'ready' | 'starting' | 'playing' | 'judged';

export interface Judged {
  /** Whether it was played to its end, not stopped. */
  whole: boolean;
  id: string;
  take: Take;
  judgement: Judgement;
}

export interface AttemptOptions {
  playerId: string;
  level: Level;
  grooveId: string;
  assignmentId?: string;
  programme: Piece;
  /** With every frame while playing: where the ear is. */
  onMoment: (moment: Moment | undefined) => void;
  /** A round is done; `clean` says, when asked, whether nothing is to be fixed in it. */
  onRound?: (clean: () => boolean, follow: (wanted: Followed) => void) => void;
  /** A take is over; nothing when nothing was struck. */
  onEnded?: (judged: Judged | undefined) => void;
}

/** Plays, listens, judges and keeps one attempt after another. */
export function useAttempt(options: AttemptOptions) {
  const [status, setStatus] = useState<Status>('ready');
  const [say, setSay] = useState<string>();
  const [beads, setBeads] = useState<Bead[]>([]);
  const [struck, setStruck] = useState<{ limb: Limb; count: number }>();
  const [judged, setJudged] = useState<Judged>();
  const player = useRef<Player>(undefined);
  const level = useRef(1);
  const performance_ = useRef<Performance>(undefined);
  const latest = useRef(options);
  useEffect(() => {
    latest.current = options;
  });

  const show = useCallback((hit: Hit) => {
    setStruck((before) => ({ limb: hit.limb, count: (before?.count ?? 0) + 1 }));
    const near = performance_.current?.nearest(hit);
    if (near)
      setBeads((before) => [
        ...before.slice(-199),
        beadOf(hit, near, latest.current.level, before.length ? Number(before.at(-1)!.key) + 1 : 0),
      ]);
  }, []);

  const finish = useCallback(async (note?: string) => {
    const ending = performance_.current;
    if (!ending) return;
    performance_.current = undefined;
    const whole = ending.over;
    const { playerId, grooveId, assignmentId, level, onMoment } = latest.current;
    onMoment(undefined);
    const take = ending.finish();
    if (!take) {
      setStatus('ready');
      setSay(note ?? 'Nothing was played, so nothing is kept.');
      latest.current.onEnded?.(undefined);
      return;
    }
    const id = crypto.randomUUID();
    const judged = { id, take, judgement: judge(take, level), whole };
    setJudged(judged);
    setStatus('judged');
    setSay(note);
    latest.current.onEnded?.(judged);
    try {
      await post({
        id,
        playerId,
        body: JSON.stringify({
          id,
          playerId,
          grooveId,
          assignmentId,
          playedAt: new Date().toISOString(),
          take: writeTake(take),
        }),
      });
    } catch {
      setSay(
        'This browser keeps nothing (private window, or its storage is full), so the take is shown but not kept. Allow storage and play it again.',
      );
    }
  }, []);

  /** The player that is open, or one opened now; a new one in place of one that does not answer any more. */
  const opened = useCallback(
    async (anew = false): Promise<Player> => {
      if (anew) {
        void player.current?.close();
        player.current = undefined;
      }
      if (!player.current) {
        player.current = await Player.open();
        player.current.setLevel(level.current);
        player.current.onInterrupted(
          () =>
            void finish(
              'The sound was taken away, so the take ends here. What was played is kept; press play to go on.',
            ),
        );
        player.current.onDevicesChanged(() => {
          if (performance_.current)
            setSay(
              'The sound device has changed, and the sound goes on through another. If you hear nothing, stop and press play again.',
            );
        });
      }
      await player.current.prepare(Object.values(latest.current.programme.voices));
      return player.current;
    },
    [finish],
  );

  const start = useCallback(
    async (settings: RoomSettings, change: Partial<Piece> = {}) => {
      setStatus('starting');
      setSay(undefined);
      setBeads([]);
      setJudged(undefined);
      const programme = { ...latest.current.programme, ...change };
      try {
        try {
          performance_.current = await Performance.start(await opened(), programme, settings);
        } catch (error) {
          if (!(error instanceof SoundLost)) throw error;
          performance_.current = await Performance.start(await opened(true), programme, settings);
        }
        setStatus('playing');
      } catch (error) {
        setStatus('ready');
        setSay((error as Error).message);
      }
    },
    [opened],
  );

  useEffect(() => {
    if (status !== 'playing') return;
    let round = -1;
    let done = 0;
    const frame = () => {
      const playing = performance_.current;
      if (!playing) return;
      player.current!.tick();
      const moment = playing.moment();
      latest.current.onMoment(moment);
      for (const hit of playing.kitStrokes()) show(hit);
      // Each round starts on a clean strip but for the last round's beads, which fade beneath.
      if (moment && moment.round !== round) {
        round = moment.round;
        setBeads((before) => before.filter((bead) => bead.round >= round - 1));
      }
      if (latest.current.onRound && playing.roundsDone > done) {
        const ended = done;
        done = playing.roundsDone;
        latest.current.onRound(
          () => playing.cleanRound(ended, latest.current.level),
          (wanted) => void playing.follow(wanted),
        );
      }
      if (playing.over) void finish();
      else request = requestAnimationFrame(frame);
    };
    let request = requestAnimationFrame(frame);
    return () => cancelAnimationFrame(request);
  }, [status, show, finish]);

  // Out of sight no key is heard, so a take that is being struck ends there; what only sounds goes on.
  useEffect(() => {
    if (status !== 'playing') return;
    const onHidden = () => {
      if (document.visibilityState === 'hidden' && performance_.current?.isStruck)
        void finish(
          'The page went out of sight, where no stroke can be heard, so the take ends there. What was played is kept.',
        );
    };
    document.addEventListener('visibilitychange', onHidden);
    return () => document.removeEventListener('visibilitychange', onHidden);
  }, [status, finish]);

  // Leaving the room ends the sound; a take that was going on is dropped with it.
  useEffect(
    () => () => {
      performance_.current = undefined;
      void player.current?.close();
      player.current = undefined;
    },
    [],
  );

  /** A stroke of the person's own at a time of the page's clock. */
  const strike = useCallback(
    (limb: Limb, pageMs: Ms) => {
      const voice = latest.current.programme.voices[limb];
      if (voice) player.current?.strike(voice);
      const hit = performance_.current?.strike(limb, pageMs);
      if (hit) show(hit);
      else setStruck((before) => ({ limb, count: (before?.count ?? 0) + 1 }));
    },
    [show],
  );

  /** Takes up what is set while it plays, on the next bar line. */
  const follow = useCallback((wanted: Followed) => void performance_.current?.follow(wanted), []);
  /** How loud, 0 to 1. */
  const setLevel = useCallback((wanted: number) => {
    level.current = wanted;
    player.current?.setLevel(wanted);
  }, []);
  const again = useCallback(() => {
    setStatus('ready');
    setJudged(undefined);
    setBeads([]);
    setSay(undefined);
  }, []);

  /** Opens the sound for strokes alone, without anything that plays. */
  const listen = useCallback(() => void opened().catch((error: Error) => setSay(error.message)), [opened]);

  return { status, say, beads, struck, judged, start, stop: finish, strike, follow, again, setLevel, listen };
}

function beadOf(
  hit: Hit,
  { stroke, startMs, endMs }: NonNullable<ReturnType<Performance['nearest']>>,
  level: Level,
  number: number,
): Bead {
  const errorMs = hit.ms - stroke.ms;
  const due = (100 * (stroke.ms - startMs)) / (endMs - startMs);
  const offset = Math.max(-12, Math.min(12, (100 * WIDENED * errorMs) / (endMs - startMs)));
  // What can be heard depends on the gap; while playing the least of it does for the colour.
  const kind = kindOf(errorMs, LEVEL_FACTORS[level] * smallestAudibleMs(0));
  return {
    key: String(number),
    limb: hit.limb,
    bar: stroke.bar,
    round: stroke.round,
    percent: due + offset,
    kind,
    title: errorInWords(errorMs),
  };
}
