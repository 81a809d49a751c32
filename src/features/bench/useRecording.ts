import { useCallback, useEffect, useMemo, useRef, useState, type RefObject } from 'react';
import type { School } from '@/core/counting/schools';
import type { Ears } from '@/core/documents/ears';
import { formOf } from '@/core/form/form';
import type { Groove } from '@/core/groove/groove';
import { limbsBySurface, usualSurface } from '@/core/groove/kit';
import { LIMBS, usualLimb, type Limb } from '@/core/groove/limbs';
import { MOST_HITS } from '@/core/limits';
import { schedule } from '@/core/schedule/schedule';
import type { Schedule } from '@/core/schedule/timed';
import type { Played } from '@/core/transcribe/fromPlaying';
import { CLICK_PLANS } from '@/core/time/clickPlan';
import type { Ms } from '@/core/time/units';
import { useEars } from '@/sound/inputs/ears';
import type { Strike } from '@/sound/inputs/input';
import { useInputs } from '@/sound/inputs/useInputs';
import { useMicrophone } from '@/sound/inputs/microphone/useMicrophone';
import { Player, sentOf } from '@/sound/player';
import { voiceOf } from '@/sound/voiceNames';
import { barsDrawn } from '@/ui/strip/drawn';
import type { StripHandle } from '@/ui/strip/Strip';
import { useKeys } from '@/ui/pads/keys';

interface RecordingOptions {
  /** What is played over: its bars, its tempo, and what stands in it. */
  groove: Groove;
  rounds: number;
  /** Whether what stands in it sounds along. */
  isHeard: boolean;
  school: School;
  /** Takes what is counted. */
  count: RefObject<HTMLElement | null>;
  strip: RefObject<StripHandle | null>;
  /** What was struck, from the first bar on; nothing struck is an empty list. */
  onEnded: (hits: Played['hits']) => void;
}

const NOT_TAUGHT =
  'The microphone was not taught yet what your drums sound like. Get heard first (in the room, under Set up), or let keys and pads listen there.';

/** A late stroke on the last slot still belongs to it. */
const AFTER_MS: Ms = 250;

/** What sounds while one records: a bar counted in, then the click, and the groove with it where it is wanted. */
const scheduled = ({ groove, rounds, isHeard }: Pick<RecordingOptions, 'groove' | 'rounds' | 'isHeard'>): Schedule =>
  schedule(
    formOf({
      groove,
      bpm: groove.tempo,
      click: CLICK_PLANS.counts,
      countIn: 1,
      rounds,
      ...(!isHeard && { limbs: [] }),
    }),
  );

/** Records what keys and pads strike to the click of the groove. */
export function useRecording(options: RecordingOptions) {
  const [run, setRun] = useState<{ timed: Schedule }>();
  const [struck, setStruck] = useState<{ limb: Limb; count: number }>();
  const [say, setSay] = useState<string>();
  const [keys, changeKey] = useKeys();
  const [here] = useEars();
  const isByMicrophone = here.listens.includes('microphone');
  const ears = useMemo(() => ({ ...here, listens: listensOf(here.listens) }), [here]);
  const player = useRef<Player>(undefined);
  const isRunning = useRef(false);
  const hits = useRef<{ ms: Ms; limb: Limb; loudness?: number }[]>([]);
  const latest = useRef(options);
  useEffect(() => {
    latest.current = options;
  });

  const stop = useCallback(() => {
    if (!isRunning.current) return;
    isRunning.current = false;
    player.current?.stop();
    setRun(undefined);
    latest.current.onEnded(hits.current);
  }, []);

  const start = async () => {
    try {
      player.current ??= await Player.open();
      if (isByMicrophone && !here.microphone?.kit?.surfaces.length) throw new Error(NOT_TAUGHT);
      if (isByMicrophone) await microphone.open();
      const timed = scheduled(options);
      hits.current = [];
      const sounds = timed.sounds.map((sound) => ({ ms: sound.ms, voice: voiceOf(sound) }));
      await player.current.start(sounds, timed.startMs);
      isRunning.current = true;
      setSay(undefined);
      setRun({ timed });
      if (!isByMicrophone) return;
      const { firstBarMs } = player.current;
      const sent = () => sentOf(sounds, firstBarMs);
      await microphone.begin({ groove: options.groove, task: [...LIMBS] }, { firstBarMs, sent });
    } catch (error) {
      setSay((error as Error).message);
    }
  };

  const struckBy = ({ input, limb: known, surface, at, loudness }: Strike, delayMs: Ms) => {
    const limb = known ?? (surface && usualLimb(surface));
    const one = player.current;
    if (!limb || !one || !isRunning.current || 'runMs' in at) return;
    // Drums sound by themselves.
    if (input === 'keys' || input === 'pads') one.strike(`${usualSurface(options.groove, limb)}/tap`);
    setStruck((before) => ({ limb, count: (before?.count ?? 0) + 1 }));
    if (hits.current.length >= MOST_HITS) return;
    const ms = ('pageMs' in at ? one.heardMs(at.pageMs) : at.audioMs - one.firstBarMs) - delayMs;
    hits.current.push({ limb, ms, ...(loudness !== undefined && { loudness }) });
  };
  const microphone = useMicrophone(struckBy, () => stop());
  const pads = useInputs({
    keys,
    limbs: LIMBS,
    ears,
    who: (surface) => limbsBySurface(options.groove)(surface),
    onSay: setSay,
    isOn: run !== undefined,
    onStrike: struckBy,
  });

  useEffect(() => {
    if (!run) return;
    const { timed } = run;
    const { groove, school, count, strip } = latest.current;
    const drawn = barsDrawn(groove, school, undefined, groove.swing);
    const [said, shown] = [count.current, strip.current];
    const frame = () => {
      player.current!.tick();
      const ms = player.current!.heardMs();
      if (ms > timed.endMs + AFTER_MS) return stop();
      const bar = timed.bars.findLast(({ startMs }) => startMs <= ms) ?? timed.bars[0]!;
      const share = Math.max(0, Math.min(1, (ms - bar.startMs) / (bar.endMs - bar.startMs)));
      const counted = drawn[bar.bar]!.counts.findLast(({ percent }) => percent <= share * 100 + 0.01);
      shown?.playhead(bar.barInRun < 0 ? undefined : bar.bar, share);
      const words = `${bar.barInRun < 0 ? 'in ' : ''}${counted?.number ?? ''}`;
      if (said && said.textContent !== words) said.textContent = words;
      request = requestAnimationFrame(frame);
    };
    let request = requestAnimationFrame(frame);
    return () => {
      cancelAnimationFrame(request);
      shown?.playhead(undefined, 0);
      if (said) said.textContent = '';
    };
  }, [run, stop]);
  useEffect(() => () => void player.current?.close(), []);

  return { isRecording: run !== undefined, start, stop, struck, keys, changeKey, touch: pads.touch.bind(pads), say };
}

/**
 * One wants to write down what one taps: keys and pads listen whatever was chosen, and drums where they were. A
 * microphone would hear the taps too.
 */
function listensOf(chosen: Ears['listens']): Ears['listens'] {
  if (chosen.includes('microphone')) return [];
  return chosen.includes('MIDI') ? ['keys', 'pads', 'MIDI'] : ['keys', 'pads'];
}
