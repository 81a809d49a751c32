import { useCallback, useEffect, useMemo, useRef, useState, type RefObject } from 'react';
import type { School } from '@/core/count/schools';
import type { Ears } from '@/core/documents/ears';
import { formOf } from '@/core/form/form';
import type { Groove } from '@/core/groove/groove';
import { limbsBySurface } from '@/core/groove/kit';
import { LIMBS, type Limb } from '@/core/groove/limbs';
import { usualSurface } from '@/core/groove/edit';
import { MOST_HITS } from '@/core/limits';
import { schedule } from '@/core/schedule/schedule';
import type { Schedule } from '@/core/schedule/timed';
import type { Played } from '@/core/take/fromPlaying';
import { CLICK_PLANS } from '@/core/time/clickPlan';
import type { Ms } from '@/core/time/units';
import { useEars } from '@/sound/inputs/ears';
import { useInputs } from '@/sound/inputs/useInputs';
import { Player } from '@/sound/player';
import { voiceOf } from '@/sound/voices';
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
  const ears = useMemo(() => ({ ...here, listens: here.listens.includes('MIDI') ? ALL : KEYS_AND_PADS }), [here]);
  const player = useRef<Player>(undefined);
  const hits = useRef<{ ms: Ms; limb: Limb; loudness?: number }[]>([]);
  const latest = useRef(options);
  useEffect(() => {
    latest.current = options;
  });

  const stop = useCallback(() => {
    player.current?.stop();
    setRun(undefined);
    latest.current.onEnded(hits.current);
  }, []);

  const start = async () => {
    try {
      player.current ??= await Player.open();
      const timed = scheduled(options);
      hits.current = [];
      await player.current.start(
        timed.sounds.map((sound) => ({ ms: sound.ms, voice: voiceOf(sound) })),
        timed.startMs,
      );
      setSay(undefined);
      setRun({ timed });
    } catch (error) {
      setSay((error as Error).message);
    }
  };

  const pads = useInputs({
    keys,
    limbs: LIMBS,
    ears,
    who: (surface) => limbsBySurface(options.groove)(surface),
    onSay: setSay,
    isOn: run !== undefined,
    onStrike: ({ input, limb, at, loudness }, delayMs) => {
      if (!limb || !player.current || !('pageMs' in at)) return;
      // Drums sound by themselves.
      if (input !== 'MIDI') player.current.strike(`${usualSurface(options.groove, limb)}/tap`);
      setStruck((before) => ({ limb, count: (before?.count ?? 0) + 1 }));
      if (hits.current.length >= MOST_HITS) return;
      hits.current.push({
        limb,
        ms: player.current.heardMs(at.pageMs) - delayMs,
        ...(loudness !== undefined && { loudness }),
      });
    },
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

/** One wants to write down what one taps: keys and pads listen whatever was chosen, and drums where they were. */
const KEYS_AND_PADS: Ears['listens'] = ['keys', 'pads'];
const ALL: Ears['listens'] = [...KEYS_AND_PADS, 'MIDI'];
