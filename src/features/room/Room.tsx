'use client';

import { useMemo, useReducer } from 'react';
import type { Climb } from '@/core/documents/climb';
import { limbsIn } from '@/core/groove/kit';
import type { ClickPlanName } from '@/core/time/clickPlan';
import { RoomContext, type RoomAssignment, type RoomFacts } from './RoomContext';
import { firstSettings, type AskedSettings } from './settings';
import { roomAfter } from './state';
import { practisedAs, wayNamed, WAYS } from './ways/registry';

export interface RoomProps extends Omit<RoomFacts, 'assignment'> {
  assignment?: RoomAssignment & { click: ClickPlanName };
  /** Where the player stands on this groove's ladder, and which of the kept steps that is. */
  climb: Climb;
  step: number;
  /** Why a ladder that is kept is not the one that stands here. */
  said?: string;
  /** What the address asks for: a verdict's practice. */
  asked: AskedSettings;
}

const anySeed = () => Math.floor(Math.random() * 2 ** 31);

/** Where a groove is practised: as a way of practising has it. */
export function Room({ climb, step, said, asked, ...facts }: RoomProps) {
  const { groove, drill, chart, assignment } = facts;
  const [state, dispatch] = useReducer(roomAfter, undefined, () => ({
    settings: { ...firstSettings(groove, assignment, drill, chart), ...asked },
    phase: 'ready' as const,
    goesOn: false,
    beginsAtOnce: false,
    seed: anySeed(),
    climbing: { climb, step, said },
    practisedMs: 0,
  }));
  const limbs = useMemo(() => limbsIn(groove), [groove]);
  const { way } = state.settings;
  const { Room: Way } = wayNamed(way);
  return (
    <RoomContext
      value={{
        ...facts,
        limbs,
        state,
        dispatch,
        ways: WAYS.filter(({ isFor }) => isFor({ drill, chart })).map(({ name }) => name),
        practisedAs: (name) => practisedAs(state.settings, name, limbs),
      }}
    >
      <Way key={way} />
    </RoomContext>
  );
}
