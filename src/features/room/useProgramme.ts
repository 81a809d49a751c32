'use client';

import { useMemo } from 'react';
import type { School } from '@/core/count/schools';
import type { Groove } from '@/core/groove/document';
import type { Limb } from '@/core/groove/limbs';
import { bpmAt } from '@/core/ladder/ladder';
import { heardBpm, roundsUnder } from '@/core/practice/music';
import { sidesOf, turnsOf, type Sides } from '@/core/practice/sides';
import type { Result } from '@/core/result';
import type { VoiceName } from '@/sound/voices';
import { lanesOf } from '@/ui/strip/layout';
import type { Programme } from './performance';
import type { RoomSettings } from './settings';
import type { Climbing } from './useLadder';
import type { Playalong } from './useMusic';

export interface Planned {
  programme: Programme;
  /** The settings as the way of practising sets them. */
  asPractised: RoomSettings;
  sides: Result<Sides>;
  /** Both sides, while they are set against each other. */
  against?: Sides;
}

/** What is played, from the groove, the settings and the way it is practised. */
export function useProgramme(groove: Groove, school: School, settings: RoomSettings, { climb }: Climbing, playalong: Playalong): Planned {
  const { way, lean, contrast } = settings;
  const leaning = useMemo(() => leaned(groove, lean), [groove, lean]);
  const sides = useMemo(() => sidesOf(leaning, contrast.what, contrast.bars), [leaning, contrast]);
  const against = way === 'back to back' && sides.ok ? sides.value : undefined;
  const programme = useMemo((): Programme => {
    const voices = Object.fromEntries(lanesOf(groove).map(({ limb, surface }) => [limb, `${surface}/tap`])) as Partial<Record<Limb, VoiceName>>;
    return { groove: against?.groove ?? leaning, school, voices, ...(against && { changes: (rounds) => turnsOf(against, rounds) }) };
  }, [groove, leaning, school, against]);
  const { music, settings: musical } = playalong;
  const asPractised = useMemo((): RoomSettings => {
    if (way === 'ladder') {
      const { unit, many } = climb.ladder.length;
      const length = unit === 'bars' ? { rounds: Math.max(1, Math.ceil(many / groove.bars.length)) } : { minutes: many };
      return { ...settings, bpm: bpmAt(climb.ladder, climb.standing), length };
    }
    if (way === 'to music' && music && musical)
      return { ...settings, bpm: heardBpm(musical), length: { rounds: roundsUnder(groove, musical, music.buffer.duration * 1000) } };
    return settings;
  }, [way, settings, climb, groove, music, musical]);
  return { programme, asPractised, sides, against };
}

/** The groove with its limbs where they are set to lean. */
function leaned(groove: Groove, lean: RoomSettings['lean']): Groove {
  const { lean: _, ...upright } = groove;
  const leaning = Object.fromEntries(Object.entries(lean).filter(([, ms]) => ms !== 0));
  return Object.keys(leaning).length ? { ...upright, lean: leaning } : upright;
}
