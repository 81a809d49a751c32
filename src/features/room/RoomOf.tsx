'use client';

import { useEffect, useMemo, useReducer } from 'react';
import type { Climb } from '@/core/documents/climb';
import { limbsIn } from '@/core/groove/kit';
import type { Limb } from '@/core/groove/limbs';
import type { ClickPlanName } from '@/core/time/clickPlan';
import { anySeed } from './anySeed';
import { RoomContext, type RoomAssignment, type RoomFacts } from './RoomContext';
import { firstSettings, type AskedSettings, type RoomSettings } from './settings';
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

/** What is read makes no sound of its own, and each line is gone through once. */
const AT_SIGHT = { way: 'at sight', heard: [] as Limb[], length: { rounds: 1 } } satisfies Partial<RoomSettings>;

/** What is played: what was opened, or what a seed comes to where it is read at sight. */
export type Drawn = (
  facts: Pick<RoomFacts, 'groove' | 'chart' | 'sight'>,
  seed: number,
) => Pick<RoomFacts, 'groove' | 'chart'>;

/** Where something is practised: as a way of practising has it. */
export function RoomOf({ climb, step, said, asked, drawn: drawnWith, ...facts }: RoomProps & { drawn: Drawn }) {
  const { drill, sight, assignment } = facts;
  const [state, dispatch] = useReducer(roomAfter, undefined, () => {
    const seed = sight?.first ?? anySeed();
    const { groove, chart } = drawnWith(facts, seed);
    return {
      settings: { ...firstSettings(groove, assignment, drill, chart), ...(sight && AT_SIGHT), ...asked },
      phase: 'ready' as const,
      goesOn: false,
      beginsAtOnce: false,
      seed,
      climbing: { climb, step, said },
      practisedMs: 0,
    };
  });
  // Calls have a seed too, and the facts are new objects with every rendering: what is drawn is only for reading.
  // oxlint-disable-next-line react/exhaustive-deps
  const drawn = useMemo(() => drawnWith(facts, state.seed), [sight, sight && state.seed, facts.groove, facts.chart]);
  useEffect(() => {
    for (const { bring } of WAYS) void bring?.().catch(() => {});
  }, []);
  const { groove, chart } = drawn;
  const limbs = useMemo(() => limbsIn(groove), [groove]);
  const { way } = state.settings;
  const { Room: Way } = wayNamed(way);
  return (
    <RoomContext
      value={{
        ...facts,
        ...drawn,
        limbs,
        state,
        dispatch,
        ways: WAYS.filter(({ isFor }) => isFor({ drill, chart, sight })).map(({ name }) => name),
        practisedAs: (name) => practisedAs(state.settings, name, limbs),
      }}
    >
      <Way key={way} />
    </RoomContext>
  );
}
