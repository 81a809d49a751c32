import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { limbsBySurface } from '@/core/groove/kit';
import type { Limb } from '@/core/groove/limbs';
import type { Bpm } from '@/core/time/units';
import { speedWord } from '../care';
import { useKeys } from '@/ui/pads/keys';
import type { Followed } from '../moment';
import { heardSchedule, type Piece } from '../piece';
import { useRoom } from '../RoomContext';
import type { RoomSettings } from '../settings';
import type { Judged } from '../state';
import { useAttempt } from '../useAttempt';
import { useAwake } from '../useAwake';
import { useCountOfFour } from '../useCountOfFour';
import { mainListener, useEars } from '@/sound/inputs/ears';
import type { Strike } from '@/sound/inputs/input';
import { useInputs } from '@/sound/inputs/useInputs';
import { useLessonRoom } from '../useLessonRoom';
import { useRest } from '../useRest';
import { useSpace } from '../useSpace';
import { useStage } from '../useStage';
import type { WaitForMe } from '../useWaiting';
import type { Look } from '../ways/atSight/useLook';

/** What a way of practising gives the room. */
export interface FrameOptions {
  /** What is played, and how the room is set as this way has it. */
  piece: Piece;
  settings: RoomSettings;
  /** Something is to be set first. */
  isBlocked?: boolean;
  /** Asked right before a take begins: other settings or another piece for it. */
  begin?: () => { settings?: RoomSettings; piece?: Piece };
  onRound?: (clean: () => Promise<boolean>, follow: (wanted: Followed) => void) => void | Promise<void>;
  onEnded?: (judged: Judged | undefined) => void;
  /** Looked at before it plays: when the time is over it begins by itself. */
  look?: Look;
  /** Practice that waits instead of playing. */
  waits?: WaitForMe;
  /** The tempos that are ahead, where they are others than the one that is set. */
  tempos?: readonly Bpm[];
}

/** Between two takes that follow one another: time to read what the last came to and to lift the sticks. */
const BREATH_MS = 1800;

/** Everything that goes on in a room while it is practised in: what plays, what listens, what moves. */
export function useFrame({ piece, settings, isBlocked, begin, onRound, onEnded, look, waits, tempos }: FrameOptions) {
  const { state, dispatch, limbs, groove, limits } = useRoom();
  const { phase, goesOn } = state;
  const stage = useStage({ piece, bpm: settings.bpm, swing: settings.swing, waitsAt: waits?.now });
  const onStruck = useRef<(strike: Strike) => void>(undefined);
  const attempt = useAttempt({
    piece,
    onMoment: stage.onMoment,
    onRound,
    onEnded,
    onStruck: useCallback((one: Strike) => onStruck.current?.(one), []),
  });
  const { start, stop, strike, follow, clear, listen } = attempt;
  const isWaiting = waits?.now !== undefined;
  const playing = phase === 'playing' || isWaiting || goesOn;
  useAwake(playing);
  const [rest, rested] = useRest(phase === 'playing');

  const play = useCallback(() => {
    if (isBlocked) return;
    if (waits) {
      dispatch({ type: 'again' });
      clear();
      void listen();
      return waits.start();
    }
    if (look && look.leftS === undefined) {
      dispatch({ type: 'again' });
      // Sound is opened by a touch, as browsers demand, and there when the time is over.
      void listen();
      return look.begin();
    }
    const wanted = begin?.() ?? {};
    void start(wanted.settings ?? settings, wanted.piece);
  }, [isBlocked, waits, look, begin, start, settings, dispatch, clear, listen]);
  const toggle = useCallback(() => {
    dispatch({ type: 'goes on', on: false });
    if (isWaiting) waits.stop();
    else if (phase === 'playing') void stop();
    else if (!goesOn && phase !== 'starting' && phase !== 'hearing') play();
  }, [dispatch, isWaiting, waits, phase, stop, goesOn, play]);
  useSpace(toggle);

  const latest = useRef(play);
  useEffect(() => {
    latest.current = play;
  });
  // Takes that follow one another, and a way that begins as soon as it is there.
  const isNext = goesOn && phase === 'judged';
  useEffect(() => {
    if (!isNext) return;
    const timer = setTimeout(() => latest.current(), BREATH_MS);
    return () => clearTimeout(timer);
  }, [isNext]);
  const isLookedAt = look?.leftS === 0;
  useEffect(() => {
    if (isLookedAt) latest.current();
  }, [isLookedAt]);
  const { beginsAtOnce } = state;
  useEffect(() => {
    if (beginsAtOnce) latest.current();
  }, [beginsAtOnce]);

  const [keys, changeKey] = useKeys();
  const [ears] = useEars();
  const who = useMemo(() => limbsBySurface(groove), [groove]);
  const pads = useInputs({
    keys,
    limbs,
    ears,
    isOn: settings.who === 'me' || isWaiting,
    who,
    onStrike: (one, delayMs) => {
      strike(one, delayMs);
      onStruck.current?.(one);
    },
    onSay: (say) => dispatch({ type: 'said', say }),
  });

  const isAtRest = !playing && (phase === 'ready' || phase === 'judged');
  const countIn = useCountOfFour(Boolean(ears.startsByFour) && isAtRest, play);
  useEffect(() => {
    onStruck.current = (one) => {
      if (one.limb) waits?.strike(one.limb);
      countIn(one);
    };
  });

  // A microphone is opened by a touch, as browsers demand: before the first take by one beside any button.
  const opensByTouch =
    Boolean(ears.startsByFour) && settings.who === 'me' && mainListener(ears.listens) === 'microphone' && isAtRest;
  useEffect(() => {
    if (!opensByTouch) return;
    const touched = ({ target }: PointerEvent) => {
      if (target instanceof Element && !target.closest('button, a, input, label, [role="button"], [role="combobox"]'))
        void listen();
    };
    window.addEventListener('pointerdown', touched);
    return () => window.removeEventListener('pointerdown', touched);
  }, [opensByTouch, listen]);

  /** Sets something; what plays takes it up on the next bar line. */
  const change = useCallback(
    (wanted: Partial<RoomSettings>) => {
      dispatch({ type: 'set', change: wanted });
      follow(wanted);
    },
    [dispatch, follow],
  );
  const { task } = settings;
  const tooFast = useMemo(
    () => (tempos ?? [settings.bpm]).map((tempo) => speedWord(groove, tempo, task, limits)).find(Boolean),
    [tempos, settings.bpm, groove, task, limits],
  );
  const isCalled = Boolean(piece.passages?.some(({ call }) => call));
  const unspoken = useMemo(
    () => (settings.count || isCalled ? heardSchedule(piece, { ...settings, length: { rounds: 1 } }).unspoken : 0),
    [piece, settings, isCalled],
  );
  // While playing all rounds share one line: what was struck last lies on top.
  const elsewhere = useLessonRoom(settings, attempt.beads, change);
  const beads = useMemo(() => {
    const shown = playing || attempt.beads.length ? attempt.beads : elsewhere;
    return shown?.length ? shown.map((bead) => ({ ...bead, round: 0 })) : undefined;
  }, [attempt.beads, elsewhere, playing]);
  const [isSettingUp, setSettingUp] = useState(false);
  const switchLimb = useCallback(
    (list: 'task' | 'heard', limb: Limb, on: boolean) =>
      change({ [list]: limbs.filter((one) => (one === limb ? on : settings[list].includes(one))) }),
    [change, limbs, settings],
  );
  return {
    piece,
    settings,
    isBlocked: Boolean(isBlocked),
    attempt,
    stage,
    waitsAt: waits?.now,
    isStarting: phase === 'starting' && !goesOn,
    playing,
    rest,
    rested,
    tooFast,
    isCalled,
    unspoken,
    beads: isWaiting ? undefined : beads,
    keys,
    changeKey,
    pads,
    toggle,
    change,
    switchLimb,
    isSettingUp,
    setSettingUp,
  };
}

export type Frame = ReturnType<typeof useFrame>;
