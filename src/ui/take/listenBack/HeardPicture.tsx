'use client';

import { useMemo, useRef, useState } from 'react';
import type { School } from '@/core/counting/schools';
import type { Take } from '@/core/documents/take';
import type { Judgement } from '@/core/judging/types/judgement';
import type { Ms } from '@/core/time/units';
import { beadsOf, type Bead } from '../../strip/beads';
import type { StripHandle } from '../../strip/Strip';
import { TakePicture } from '../TakePicture';
import type { Listening } from './back';
import { ListenBack } from './ListenBack';
import { useShownBars } from './useShownBars';

interface HeardPictureProps {
  take: Take;
  judgement: Judgement;
  school: School;
  listening: Listening;
}

/** So long before a stroke its sound is begun, so that it does not come out of nothing. */
const BEFORE_MS: Ms = 250;

/** Where every stroke fell, with the sound of it: from a bead to its sound, and from the sound to its bead. */
export function HeardPicture({ take, judgement, school, listening }: HeardPictureProps) {
  const { back } = listening;
  const strip = useRef<StripHandle>(null);
  const [marked, setMarked] = useState<Bead>();
  const beads = useMemo(() => beadsOf(judgement, 1), [judgement]);
  const shown = useShownBars(judgement, back);
  const hear = (ms: Ms, bead?: Bead) => {
    setMarked(bead);
    shown.reveal(ms);
    back.play(bead ? bead.ms - BEFORE_MS : ms);
  };
  const { bars } = judgement.schedule;
  const onHeard = (ms: Ms | undefined) => {
    const bar = ms === undefined || ms < 0 ? undefined : bars.findLast(({ startMs }) => startMs <= ms);
    strip.current?.playhead(bar?.bar, bar ? (ms! - bar.startMs) / (bar.endMs - bar.startMs) : 0);
  };
  return (
    <>
      <ListenBack
        {...listening}
        shown={shown}
        judgement={judgement}
        beads={beads}
        marked={marked}
        onHear={hear}
        onHeard={onHeard}
      />
      <TakePicture
        take={take}
        judgement={judgement}
        school={school}
        handle={strip}
        marked={marked?.key}
        onBead={(bead) => hear(bead.ms, bead)}
      />
    </>
  );
}
