import { Strip } from '@/ui/strip/Strip';
import { DrillStage, type Drawn } from './DrillStage';
import type { Piece } from './performance';
import type { OnStage } from './useStage';

interface PlayedStripProps extends Drawn {
  programme: Piece;
  /** Of a drill: which exercise is on. */
  onStage: OnStage | undefined;
  playing: boolean;
}

/** What is played: a groove whole, of a drill the exercise that is on. */
export function PlayedStrip({
  programme: { groove, parts, calls },
  onStage,
  playing,
  strip,
  ...drawn
}: PlayedStripProps) {
  if (!parts || !onStage) return <Strip groove={groove} size="room" handle={strip} {...drawn} />;
  return (
    <DrillStage
      groove={groove}
      parts={parts}
      onStage={onStage}
      called={Boolean(calls)}
      hidden={!playing}
      strip={strip}
      {...drawn}
    />
  );
}
