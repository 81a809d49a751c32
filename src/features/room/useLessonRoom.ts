import { useEffect, useMemo, useRef } from 'react';
import type { ToldBead } from '@/core/documents/lessonScreen';
import { MOST_BEADS_TOLD } from '@/core/documents/lessonScreen';
import { LIMBS, limbFor } from '@/core/groove/limbs';
import type { Bead } from '@/ui/strip/beads';
import { useLessonLive } from '@/ui/lesson/lessonLive';
import { useRoom } from './RoomContext';
import type { RoomSettings } from './settings';

/** Strokes are told together so often: five of them lie within the 200 ms a screen may be behind. */
const TOLD_MS = 40;

/** What of a room's settings the other screen of a lesson follows. */
type Followed = Pick<RoomSettings, 'bpm' | 'click' | 'task' | 'swing' | 'bars'>;

/**
 * A room in a lesson that runs: the teacher's shows what is set to the student's device, the student's takes it over
 * and tells each stroke as it falls. Gives the strokes of the other device, for the strip of whoever does not play.
 */
export function useLessonRoom(
  settings: RoomSettings,
  beads: readonly Bead[],
  change: (wanted: Partial<RoomSettings>) => void,
): readonly Bead[] | undefined {
  const live = useLessonLive();
  const { grooveId, sight, state, dispatch } = useRoom();
  const seed = sight && state.seed;
  const { bpm, click, task, swing, bars } = settings;
  const isTeacher = live?.role === 'teacher';
  const { isOn, setup, show, tell, setBusy, screen, elsewhere } = live ?? {};

  useEffect(() => {
    if (!isTeacher || !isOn) return;
    const written = LIMBS.filter((limb) => task.includes(limbFor(limb, setup!)));
    show!({ version: 1, grooveId, bpm, click, task: written, ...(swing && { swing }), ...(bars && { bars }), seed });
  }, [isTeacher, isOn, setup, show, grooveId, bpm, click, task, swing, bars, seed]);

  // Taken over once each time it changes, so that what a student sets meanwhile is left to them.
  const taken = useRef<unknown>(undefined);
  useEffect(() => {
    if (!screen || screen.grooveId !== grooveId || taken.current === screen) return;
    taken.current = screen;
    if (screen.seed !== undefined) dispatch({ type: 'seeded', seed: screen.seed });
    const own = LIMBS.filter((limb) => screen.task.includes(limbFor(limb, setup!)));
    change({
      bpm: screen.bpm,
      click: screen.click,
      task: own,
      swing: screen.swing,
      bars: screen.bars,
    } satisfies Followed);
  }, [screen, grooveId, setup, change, dispatch]);

  useTelling(isTeacher ? undefined : tell, beads);
  const { phase, judged } = state;
  const isBusy = phase === 'starting' || phase === 'playing' || phase === 'hearing';
  useEffect(() => {
    setBusy?.(isBusy);
    return () => setBusy?.(false);
  }, [setBusy, isBusy]);
  const wasPlaying = useRef(false);
  useEffect(() => {
    if (!tell || isTeacher) return;
    if (phase === 'playing') tell({ tells: 'begun', grooveId });
    else if (wasPlaying.current && phase !== 'hearing')
      tell({ tells: 'ended', grooveId, ...(judged && { take: judged.id }) });
    wasPlaying.current = phase === 'playing' || (wasPlaying.current && phase === 'hearing');
  }, [tell, isTeacher, phase, judged, grooveId]);

  return useMemo(
    () =>
      isTeacher && elsewhere?.grooveId === grooveId
        ? elsewhere.beads.map((bead) => ({ ...bead, limb: limbFor(bead.limb, setup!), ms: 0 }))
        : undefined,
    [isTeacher, elsewhere, grooveId, setup],
  );
}

/** Tells new strokes, several at once. */
function useTelling(
  tell: NonNullable<ReturnType<typeof useLessonLive>>['tell'] | undefined,
  beads: readonly Bead[],
): void {
  const { grooveId } = useRoom();
  const setup = useLessonLive()?.setup;
  const toldKey = useRef(-1);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const latest = useRef(beads);
  useEffect(() => {
    latest.current = beads;
    if (!beads.length) toldKey.current = -1;
    if (!tell || !beads.length || timer.current) return;
    timer.current = setTimeout(() => {
      timer.current = undefined;
      const fresh = latest.current.filter(({ key }) => Number(key) > toldKey.current).slice(-MOST_BEADS_TOLD);
      if (!fresh.length) return;
      toldKey.current = Number(fresh.at(-1)!.key);
      const told = fresh.map(({ limb, bar, round, percent, kind, title }): ToldBead => ({
        limb: limbFor(limb, setup!),
        bar,
        round,
        percent,
        kind,
        title: title.slice(0, 60),
      }));
      tell({ tells: 'beads', grooveId, beads: told });
    }, TOLD_MS);
  }, [tell, beads, grooveId, setup]);
  useEffect(() => () => clearTimeout(timer.current), []);
}
