import dynamic from 'next/dynamic';
import { useMemo } from 'react';
import { exerciseOfBar } from '@/core/form/exercises';
import { Strip } from '@/ui/strip/Strip';
import type { Drawn } from './DrillStage';
import { drillOf, type Piece } from './piece';
import type { OnStage } from './useStage';

/** Each stage comes with what is played on it. */
const DrillStage = dynamic(() => import('./DrillStage').then((found) => found.DrillStage), { loading: () => null });
const SightStage = dynamic(() => import('./SightStage').then((found) => found.SightStage), { loading: () => null });
const ChartStage = dynamic(() => import('./ChartStage').then((found) => found.ChartStage), { loading: () => null });

interface PlayedStripProps extends Drawn {
  piece: Piece;
  onStage: OnStage;
  playing: boolean;
}

/** What is played: a groove whole, of a drill the exercise that is on, of a chart the bar. */
export function PlayedStrip({ piece, onStage, playing, strip, ...drawn }: PlayedStripProps) {
  const drill = useMemo(() => drillOf(piece), [piece]);
  const { passages } = piece;
  if (piece.chart)
    return (
      <ChartStage piece={piece} chart={piece.chart} onStage={onStage} playing={playing} strip={strip} {...drawn} />
    );
  if (piece.isRead) return <SightStage groove={piece.groove} school={drawn.school} bar={onStage.bar} />;
  if (!drill) return <Strip groove={piece.groove} handle={strip} {...drawn} />;
  return (
    <DrillStage
      drill={drill}
      onStage={onStage}
      isCalled={Boolean(passages?.some(({ call }) => call)) || !exerciseOfBar(passages ?? [], passages?.[0]?.from ?? 0)}
      isHidden={!playing}
      strip={strip}
      {...drawn}
    />
  );
}
