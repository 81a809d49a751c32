'use client';

import type { Ref } from 'react';
import type { School } from '@/core/count/schools';
import type { Limb } from '@/core/groove/limbs';
import type { Swing } from '@/core/time/swing';
import type { Bpm } from '@/core/time/units';
import type { Bead } from '@/ui/strip/beads';
import { Strip, type StripHandle } from '@/ui/strip/Strip';
import { DrillStage } from './DrillStage';
import type { Programme } from './performance';
import type { OnStage } from './useStage';

interface PlayedStripProps {
  programme: Programme;
  /** Of a drill: which exercise is on. */
  onStage: OnStage | undefined;
  playing: boolean;
  school: School;
  bpm: Bpm;
  swing?: Swing | 'straight';
  task: readonly Limb[];
  beads?: readonly Bead[];
  strip: Ref<StripHandle>;
}

/** What is played: a groove whole, of a drill the exercise that is on. */
export function PlayedStrip({ programme: { groove, parts, calls }, onStage, playing, strip, ...drawn }: PlayedStripProps) {
  if (!parts || !onStage) return <Strip groove={groove} size="room" handle={strip} {...drawn} />;
  return <DrillStage groove={groove} parts={parts} onStage={onStage} called={Boolean(calls)} hidden={!playing} strip={strip} {...drawn} />;
}
