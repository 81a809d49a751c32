import { useCallback, useEffect, useRef, useState } from 'react';
import { writeTake, type Hit, type Take } from '@/core/documents/take';
import { limbsIn } from '@/core/groove/kit';
import type { Limb } from '@/core/groove/limbs';
import type { Ms } from '@/core/time/units';
import { MOST_HITS } from '@/core/limits';
import { inputSettings, mainListener } from '@/sound/inputs/ears';
import type { Strike } from '@/sound/inputs/input';
import { SKIPPED_MS, useMicrophone } from '@/sound/inputs/microphone/useMicrophone';
import type { Bead } from '@/ui/strip/beads';
import { troublesOf } from '@/ui/words/recordings';
import { useJudge } from './judging/judging';
import { useJudgeApart } from './judging/useJudgeApart';
import { withBead } from './liveBeads';
import { hold, letGo, post, type WaitingTake } from '@/ui/outbox/outbox';
import type { Performance } from './performance';
import type { Followed, Moment } from './moment';
import { voicesOf, type Piece } from './piece';
import { useRoom, type RoomInUse } from './RoomContext';
import type { RoomSettings } from './settings';
import type { Judged } from './state';
import { useOutOfSight } from './useOutOfSight';
import { usePlayer } from './usePlayer';

export interface AttemptOptions {
  piece: Piece;
  /** With every frame while playing: where the ear is. */
  onMoment: (moment: Moment | undefined) => void;
  /** A round is done; `clean` says, when asked, whether nothing is to be fixed in it. */
  onRound?: (clean: () => Promise<boolean>, follow: (wanted: Followed) => void) => void | Promise<void>;
  /** A take is over; nothing when nothing was struck. */
  onEnded?: (judged: Judged | undefined) => void;
  /** A stroke was heard by what is opened with the sound: by the microphone. */
  onStruck?: (strike: Strike) => void;
}

/** What plays a take is brought while the room stands, as the sound is. */
const performing = () => import('./performance');

/** What is said where a take ends by itself. */
const LOST = {
  sound: 'The sound was taken away, so the take ends here. What was played is kept; press play to go on.',
  elsewhere: 'Another window of this browser sounds now, so the take ends here. What was played is kept.',
  sight: 'The page went out of sight, where no stroke can be heard, so the take ends there. What was played is kept.',
  devices:
    'The sound device has changed, and the sound goes on through another. If you hear nothing, stop and press play again.',
  full: `A take holds ${MOST_HITS.toLocaleString('en')} hits: what is struck from here on is not kept. Stop, and begin another.`,
  microphone: 'The microphone was unplugged or taken away, so the take ends here. What was heard before is kept.',
  skipped:
    'This computer was too busy to record all of it: the strokes of some moments are missing. Close other pages.',
  recording: 'What was recorded could not be heard again, so the take stands as it was heard while playing.',
  judge: 'What judges a take could not be loaded. The take is kept, and judged in the log.',
  short: 'Nothing listens, and it was too short to be kept. What listens is chosen under Set up.',
  storage:
    'This browser keeps nothing (private window, or its storage is full), so the take is shown but not kept. Allow storage and play it again.',
};

/** Plays, listens, judges and keeps one attempt after another. */
export function useAttempt(options: AttemptOptions) {
  const room = useRoom();
  const { phase } = room.state;
  const judging = useJudge();
  const judgeInWorker = useJudgeApart(Boolean(options.onRound));
  const [beads, setBeads] = useState<Bead[]>([]);
  const [struck, setStruck] = useState<{ limb: Limb; count: number }>();
  const performance_ = useRef<Performance>(undefined);
  const latest = useRef({ ...options, ...room });
  useEffect(() => {
    latest.current = { ...options, ...room };
  });

  const flash = useCallback((limb: Limb) => setStruck((before) => ({ limb, count: (before?.count ?? 0) + 1 })), []);
  const show = useCallback((hit: Hit) => {
    const near = performance_.current?.nearest(hit);
    if (near) setBeads((before) => withBead(before, hit, near, latest.current.tolerance));
  }, []);

  const hearWhole =
    useRef<(ending: Performance, live?: Take) => Promise<Pick<Partial<Judged>, 'take' | 'sound'> & { say?: string }>>(
      undefined,
    );
  const finish = useCallback(
    async (why?: string) => {
      const ending = performance_.current;
      if (!ending) return;
      performance_.current = undefined;
      const whole = ending.over;
      const { tolerance, onMoment, onEnded, dispatch } = latest.current;
      onMoment(undefined);
      const live = ending.finish();
      const id = crypto.randomUUID();
      // Hearing it as a whole takes a while: a page that is closed meanwhile has kept it as it was heard live.
      if (live && ending.isRecorded) await hold(waiting(id, live, latest.current)).catch(() => {});
      const { take, say, sound } = await hearWhole.current!(ending, live);
      const note = why ?? say;
      if (!take) {
        await letGo(id).catch(() => {});
        dispatch({
          type: 'ended',
          say: note ?? (ending.isHeard ? 'Nothing was played, so nothing is kept.' : LOST.short),
        });
        onEnded?.(undefined);
        return;
      }
      const judge = await judging().catch(() => undefined);
      const judged = judge && { id, take, judgement: judge(take, tolerance), whole, sound };
      dispatch(judged ? { type: 'judged', judged, say: note } : { type: 'ended', say: LOST.judge });
      onEnded?.(judged);
      await post(waiting(id, take, latest.current)).catch(() => dispatch({ type: 'said', say: LOST.storage }));
    },
    [judging],
  );

  const { player, withPlayer, setLevel } = usePlayer({
    onInterrupted: () => void finish(LOST.sound),
    onElsewhere: () => void finish(LOST.elsewhere),
    onDevicesChanged: () => performance_.current && room.dispatch({ type: 'said', say: LOST.devices }),
  });
  useOutOfSight(phase === 'playing', () => performance_.current?.isStruck && void finish(LOST.sight));
  useEffect(() => void performing().catch(() => {}), []);
  // Leaving the room ends the sound; a take that was going on is dropped with it.
  useEffect(() => () => void (performance_.current = undefined), []);

  /** A stroke that an input heard. */
  const strike = useCallback(
    (strike: Strike, delayMs = 0) => {
      const voice = strike.limb && voicesOf(latest.current.piece)[strike.limb];
      // Drums sound by themselves.
      if (voice && (strike.input === 'keys' || strike.input === 'pads')) player.current?.strike(voice);
      const hit = performance_.current?.strike(strike, delayMs);
      if (hit === 'full') latest.current.dispatch({ type: 'said', say: LOST.full });
      if (hit && typeof hit === 'object') show(hit);
      if (strike.limb) flash(strike.limb);
    },
    [show, flash, player],
  );

  const { onStruck } = options;
  const struckLive = useCallback(
    (one: Strike, delayMs: Ms) => {
      strike(one, delayMs);
      onStruck?.(one);
    },
    [strike, onStruck],
  );
  const microphone = useMicrophone(struckLive, () => void finish(LOST.microphone));
  useEffect(() => {
    hearWhole.current = async (ending, live) => {
      if (!ending.isRecorded && !(ending.isKitHeard && live)) return { take: live };
      const { dispatch } = latest.current;
      const onShare = (share: number) => dispatch({ type: 'hearing', share });
      onShare(0);
      try {
        if (ending.isKitHeard) {
          const { heardAsSound } = await import('@/sound/inputs/simulated/kitEar');
          return await heardAsSound(live!, ending.seed, onShare);
        }
        const heard = await microphone.hear(ending, onShare);
        if (!heard) return { take: live };
        const [trouble] = troublesOf(heard.about, heard.take.hits.length);
        const say = heard.skippedMs > SKIPPED_MS ? LOST.skipped : trouble;
        // At rest it listens on where four strokes may begin the next take.
        if (inputSettings().startsByFour) await microphone.begin(ending.unheard);
        return { take: ending.takenAsHeard(heard.take), say, sound: heard.sound };
      } catch {
        return { take: live, say: LOST.recording };
      }
    };
  });

  const start = useCallback(
    async (settings: RoomSettings, piece: Piece = latest.current.piece) => {
      const { dispatch } = latest.current;
      const input = mainListener(inputSettings().listens) ?? 'nothing';
      const isRecorded = input === 'microphone' && settings.who === 'me';
      dispatch({ type: 'starting' });
      setBeads([]);
      try {
        performance_.current = await withPlayer(async (open) => {
          const { Performance } = await performing();
          await open.prepare(Object.values(voicesOf(piece)));
          if (isRecorded) await microphone.open();
          return Performance.start(open, piece, settings, input);
        });
        performance_.current.kit.open(strike);
        if (isRecorded) await microphone.begin(performance_.current.unheard, performance_.current);
        dispatch({ type: 'playing' });
      } catch (error) {
        // It may sound already, where only the microphone failed.
        performance_.current?.finish();
        performance_.current = undefined;
        dispatch({ type: 'failed', say: (error as Error).message });
      }
    },
    [withPlayer, strike, microphone],
  );

  useEffect(() => {
    if (phase !== 'playing') return;
    let round = -1;
    let done = 0;
    const frame = () => {
      const playing = performance_.current;
      if (!playing) return;
      player.current!.tick();
      const moment = playing.moment();
      latest.current.onMoment(moment);
      playing.kit.ask(playing.heardMs);
      // Each round starts on a clean strip but for the last round's beads, which fade beneath.
      if (moment && moment.round !== round) {
        round = moment.round;
        setBeads((before) => before.filter((bead) => bead.round >= round - 1));
      }
      if (latest.current.onRound && playing.roundsDone > done) {
        const ended = done;
        done = playing.roundsDone;
        void latest.current.onRound(
          () => judgeInWorker(playing.roundPlayed(ended), latest.current.tolerance),
          (wanted) => void playing.follow(wanted),
        );
      }
      if (playing.over) void finish();
      else request = requestAnimationFrame(frame);
    };
    let request = requestAnimationFrame(frame);
    return () => cancelAnimationFrame(request);
  }, [phase, finish, player, judgeInWorker]);

  /** Takes up what is set while it plays, on the next bar line. */
  const follow = useCallback((wanted: Followed) => void performance_.current?.follow(wanted), []);
  const clear = useCallback(() => setBeads([]), []);
  /** Opens the sound for strokes alone, without anything that plays. */
  const listen = useCallback(async () => {
    const { piece, dispatch } = latest.current;
    try {
      await withPlayer((open) => open.prepare(Object.values(voicesOf(piece))));
      if (mainListener(inputSettings().listens) !== 'microphone') return;
      await microphone.open();
      await microphone.begin({ groove: piece.groove, task: limbsIn(piece.groove) });
    } catch (error) {
      dispatch({ type: 'said', say: (error as Error).message });
    }
  }, [withPlayer, microphone]);
  /** Whether leaving now would lose strokes. */
  const isStruck = useCallback(() => performance_.current?.isStruck ?? false, []);
  return { beads, struck, start, stop: finish, strike, follow, clear, setLevel, listen, isStruck };
}

/** A take as it waits in the browser until the server has it. */
function waiting(
  id: string,
  take: Take,
  {
    playerId,
    grooveId,
    assignment,
    sight,
    state,
  }: Pick<RoomInUse, 'playerId' | 'grooveId' | 'assignment' | 'sight' | 'state'>,
): WaitingTake {
  const body = {
    id,
    playerId,
    grooveId,
    assignmentId: assignment?.id,
    playedAt: new Date().toISOString(),
    seed: sight && state.seed,
  };
  return { id, playerId, body: JSON.stringify({ ...body, take: writeTake(take) }) };
}
