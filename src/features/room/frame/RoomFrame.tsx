import Box from '@mui/material/Box';
import useMediaQuery from '@mui/material/useMediaQuery';
import { visuallyHidden } from '@mui/utils';
import dynamic from 'next/dynamic';
import type { ReactNode } from 'react';
import { LeaveGuard } from '../LeaveGuard';
import { useRoom } from '../RoomContext';
import { VerdictAloud } from '../judging/judging';
import type { Followed } from '../moment';
import { AtRest } from './AtRest';
import { PhonePlaying } from './PhonePlaying';
import { Playing } from './Playing';
import { useFrame, type FrameOptions } from './useFrame';

const SetUp = dynamic(() => import('../SetUp').then((module) => module.SetUp), { ssr: false });

export interface RoomFrameProps extends FrameOptions {
  /** What belongs to the way of practising. */
  panel?: (playing: boolean, follow: (wanted: Followed) => void) => ReactNode;
  /** Whether the tempo is for the player to set, is only shown, or there is none. */
  tempo?: 'set' | 'shown' | 'none';
  /** Whether the length is for the player to set. */
  hasLength?: boolean;
  /** The swing is set by the way of practising. */
  isSwingFixed?: boolean;
  /** Nothing of what will be played is shown yet. */
  isHidden?: boolean;
  /** Once a take is judged, what comes next in place of the same again. */
  next?: { say: string; onNext: () => void };
  /** What the way says of where one is, in a few words. */
  line?: string;
}

/** A room as a way of practising has it: at rest, or playing, on whatever screen it is. */
export function RoomFrame({
  panel,
  tempo = 'set',
  hasLength = true,
  isSwingFixed = false,
  isHidden = false,
  next,
  line,
  ...options
}: RoomFrameProps) {
  const frame = useFrame(options);
  const { school, report, state, chart } = useRoom();
  const { judged } = state;
  // Also one that lies on its side.
  const isPhone = useMediaQuery('(max-width: 599px), (max-height: 500px)', { noSsr: true });
  const { playing, isSettingUp, setSettingUp } = frame;
  const view = { frame, tempo, hasLength, isHidden, next, line, panel: panel?.(playing, frame.attempt.follow) };
  return (
    <>
      {playing && isPhone && <PhonePlaying {...view} />}
      {playing && !isPhone && <Playing {...view} />}
      {!playing && <AtRest {...view} />}
      {/* There before the verdict is, so that it is read out as soon as it stands there. */}
      <Box role="status" sx={visuallyHidden}>
        {judged && !playing && <VerdictAloud verdict={judged.judgement.verdict} school={school} report={report} />}
      </Box>
      <LeaveGuard isStruck={frame.attempt.isStruck} />
      {isSettingUp && (
        <SetUp
          frame={frame}
          isSwingFixed={isSwingFixed || chart !== undefined}
          withTransport={playing && isPhone ? view : undefined}
          onClose={() => setSettingUp(false)}
        />
      )}
    </>
  );
}

/** What every view of the room is given. */
export interface RoomView {
  frame: ReturnType<typeof useFrame>;
  tempo: 'set' | 'shown' | 'none';
  hasLength: boolean;
  isHidden: boolean;
  next?: RoomFrameProps['next'];
  line?: string;
  panel: ReactNode;
}
