import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { RefObject } from 'react';
import { FIGURE_FONT } from '@/ui/theme';
import { FileMenu } from './FileMenu';
import { HearMenu, type HearHow } from './HearMenu';
import type { Hearing } from './useHearing';

interface BenchActionsProps {
  id: string;
  /** Takes what is counted while it is heard. */
  count: RefObject<HTMLSpanElement | null>;
  hearing: Hearing;
  swung: boolean;
  selected: boolean;
  bars: number;
  desk: { hear: (how: HearHow) => void; stop: () => void; transform: () => void; record: () => void };
}

/** What can be done with the whole groove: make a drill of it, transform it, hear it. */
export function BenchActions({ id, count, hearing, swung, selected, bars, desk }: BenchActionsProps) {
  return (
    <>
      <Box
        ref={count}
        component="span"
        aria-hidden
        sx={{
          fontFamily: FIGURE_FONT,
          fontWeight: 750,
          fontSize: 30,
          lineHeight: '36px',
          minWidth: 64,
          textAlign: 'right',
          pr: 1,
        }}
      />
      <Button href={`/drills?groove=${id}`} variant="text">
        Make a drill
      </Button>
      <FileMenu id={id} />
      <Button variant="outlined" onClick={desk.record} aria-haspopup="dialog">
        Play it in
      </Button>
      <Button variant="outlined" onClick={desk.transform} aria-haspopup="dialog">
        Transform
      </Button>
      <HearMenu
        playing={hearing.playing}
        swung={swung}
        selected={selected}
        bars={bars}
        onHear={desk.hear}
        onStop={desk.stop}
      />
    </>
  );
}
