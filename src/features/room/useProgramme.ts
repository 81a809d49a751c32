'use client';

import { useMemo } from 'react';
import type { School } from '@/core/count/schools';
import { called, type Called } from '@/core/drill/caller';
import { onlyExercises, type ExerciseBars } from '@/core/form/exercises';
import type { Groove } from '@/core/groove/groove';
import type { Limb } from '@/core/groove/limbs';
import { bpmAt } from '@/core/plan/ladder';
import { heardBpm, roundsUnder } from '@/core/practice/music';
import { sidesOf, turnsOf, type Sides } from '@/core/form/sides';
import type { Result } from '@/core/result';
import type { VoiceName } from '@/sound/voices';
import { lanesOf } from '@/ui/strip/layout';
import type { Piece } from './performance';
import type { RoomSettings } from './settings';
import type { Climbing } from './useLadder';
import type { Playalong } from './useMusic';

export interface Planned {
  programme: Piece;
  /** The settings as the way of practising sets them. */
  asPractised: RoomSettings;
  sides: Result<Sides>;
  /** Both sides, while they are set against each other. */
  against?: Sides;
}

/** What a room plays: a groove, and of a drill which of its bars are which exercise. */
export interface Practised {
  groove: Groove;
  parts?: readonly ExerciseBars[];
}

/** What is played of it: of a drill the exercises chosen, one after another, or called in the order of a seed. */
export function chosenOf(
  { groove, parts }: Practised,
  { way, range, caller: { pace, calls }, lean }: Pick<RoomSettings, 'way' | 'range' | 'caller' | 'lean'>,
  school: School,
  seed: number,
): Practised & Partial<Pick<Called, 'calls'>> {
  const whole = { groove: leaned(groove, lean), parts };
  if (!parts) return whole;
  if (way === 'called')
    return called({ groove: whole.groove, parts: [...parts] }, { range, pace, calls, seed }, school);
  return onlyExercises({ groove: whole.groove, parts }, range);
}

/** What is played, from the groove, the settings and the way it is practised; `seed` says in which order places are called. */
export function useProgramme(
  { groove, parts }: Practised,
  school: School,
  settings: RoomSettings,
  { climb }: Climbing,
  playalong: Playalong,
  seed: number,
): Planned {
  const { way, lean, contrast, range, caller } = settings;
  const chosen = useMemo(
    () => chosenOf({ groove, parts }, { way, range, caller, lean }, school, seed),
    [groove, parts, way, range, caller, lean, school, seed],
  );
  const sides = useMemo(() => sidesOf(chosen.groove, contrast.what, contrast.bars), [chosen, contrast]);
  const against = way === 'back to back' && sides.ok ? sides.value : undefined;
  const programme = useMemo((): Piece => {
    const voices = Object.fromEntries(lanesOf(groove).map(({ limb, surface }) => [limb, `${surface}/tap`])) as Partial<
      Record<Limb, VoiceName>
    >;
    return {
      school,
      voices,
      ...(against ? { groove: against.groove, changes: (rounds: number) => turnsOf(against, rounds) } : chosen),
    };
  }, [groove, chosen, school, against]);
  const { music, settings: musical } = playalong;
  const asPractised = useMemo((): RoomSettings => {
    const { groove: played } = chosen;
    if (way === 'ladder') {
      const { unit, many } = climb.ladder.length;
      const length =
        unit === 'bars' ? { rounds: Math.max(1, Math.ceil(many / played.bars.length)) } : { minutes: many };
      return { ...settings, bpm: bpmAt(climb.ladder, climb.standing), length };
    }
    if (way === 'called') return { ...settings, length: { rounds: 1 } };
    if (way === 'to music' && music && musical)
      return {
        ...settings,
        bpm: heardBpm(musical),
        length: { rounds: roundsUnder(played, musical, music.buffer.duration * 1000) },
      };
    return settings;
  }, [way, settings, climb, chosen, music, musical]);
  return { programme, asPractised, sides, against };
}

/** The groove with its limbs where they are set to lean. */
function leaned(groove: Groove, lean: RoomSettings['lean']): Groove {
  const { lean: _, ...upright } = groove;
  const leaning = Object.fromEntries(Object.entries(lean).filter(([, ms]) => ms !== 0));
  return Object.keys(leaning).length ? { ...upright, lean: leaning } : upright;
}
