'use client';

import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Sides } from '@/core/form/sides';
import { CLEAN_ROUNDS, type Waiting } from '@/core/practice/waiting';
import type { Result } from '@/core/result';
import type { Bpm } from '@/core/time/units';
import { plural } from '@/ui/words';
import { BuildUpPanel } from './BuildUpPanel';
import { ContrastPanel } from './ContrastPanel';
import { LadderPanel } from './LadderPanel';
import { MusicPanel } from './MusicPanel';
import type { RoomSettings } from './settings';
import type { Climbing } from './useLadder';
import type { Playalong } from './useMusic';

/** The slowest click after practice without one: the lowest that plain metronomes have. */
export const SLOWEST_CLICK = 40;

interface WaysProps {
  settings: RoomSettings;
  playing: boolean;
  climbing: Climbing;
  sides: Result<Sides>;
  playalong: Playalong;
  waitsAt?: Waiting;
  onChange: (change: Partial<RoomSettings>) => void;
  onMoved: (bpm: Bpm) => void;
  onNextLimb: () => void;
  onWithClick: () => void;
}

/** What belongs to the way a groove is practised. */
export function Ways({
  settings,
  playing,
  climbing,
  sides,
  playalong,
  waitsAt,
  onChange,
  onMoved,
  onNextLimb,
  onWithClick,
}: WaysProps) {
  switch (settings.way) {
    case 'through':
      return null;
    case 'ladder':
      return <LadderPanel climbing={climbing} playing={playing} onMoved={onMoved} />;
    case 'build-up':
      return (
        <BuildUpPanel
          buildUp={settings.buildUp}
          task={settings.task}
          playing={playing}
          onChange={(buildUp) => onChange({ buildUp })}
          onNext={onNextLimb}
        />
      );
    case 'back to back':
      return (
        <ContrastPanel
          contrast={settings.contrast}
          sides={sides}
          playing={playing}
          onChange={(contrast) => onChange({ contrast })}
        />
      );
    case 'to music':
      return <MusicPanel playalong={playalong} playing={playing} />;
    case 'wait for me':
      return <WaitingPanel waitsAt={waitsAt} onWithClick={onWithClick} />;
  }
}

function WaitingPanel({ waitsAt, onWithClick }: { waitsAt?: Waiting; onWithClick: () => void }) {
  const wrong = waitsAt?.wrong.length ? `. The ${waitsAt.wrong.join(' and the ')} has nothing here` : '';
  return (
    <>
      <Typography role="status" sx={{ fontSize: '1.1rem', minHeight: 28 }}>
        {waitsAt
          ? `${plural(waitsAt.rounds, 'round')} through, ${waitsAt.clean} clean in a row${wrong}.`
          : 'No clock: the strip waits at each slot until the right limbs have struck.'}
      </Typography>
      {waitsAt && waitsAt.clean >= CLEAN_ROUNDS && (
        <Alert
          severity="success"
          role="status"
          action={
            <Button onClick={onWithClick} sx={{ minHeight: 44 }}>
              With a click at {SLOWEST_CLICK}
            </Button>
          }
        >
          {CLEAN_ROUNDS} clean rounds: the motion is there. Now slowly, in time.
        </Alert>
      )}
    </>
  );
}
