'use client';

import Button from '@mui/material/Button';
import ButtonGroup from '@mui/material/ButtonGroup';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { memo, useState } from 'react';
import { ArrowDropDown } from '@/ui/icons';

export type HearHow = 'all' | 'here' | 'selection' | 'bar' | 'straight then swung' | 'limb by limb';

interface HearMenuProps {
  playing: boolean;
  swung: boolean;
  selected: boolean;
  bars: number;
  onHear: (how: HearHow) => void;
  onStop: () => void;
}

/** Hear it, or hear it in one of the other ways. */
export const HearMenu = memo(function HearMenu({ playing, swung, selected, bars, onHear, onStop }: HearMenuProps) {
  const [menu, setMenu] = useState<HTMLElement | null>(null);
  const ways: [HearHow, string, boolean][] = [
    ['all', 'From the start', true],
    ['here', 'From the cursor (Shift Space)', true],
    ['selection', 'Loop what is selected (L)', selected],
    ['bar', `Loop this bar${selected ? '' : ' (L)'}`, bars > 1],
    ['straight then swung', 'Straight, then swung', swung],
    ['limb by limb', 'One limb after another', true],
  ];
  return (
    <>
      <ButtonGroup variant="contained" disableElevation>
        <Button onClick={() => (playing ? onStop() : onHear('all'))}>{playing ? 'Stop' : 'Hear it'}</Button>
        <Button
          aria-label="Other ways to hear it"
          aria-haspopup="menu"
          onClick={(event) => setMenu(event.currentTarget)}
          sx={{ px: 0.5 }}
        >
          <ArrowDropDown />
        </Button>
      </ButtonGroup>
      <Menu anchorEl={menu} open={Boolean(menu)} onClose={() => setMenu(null)}>
        {ways.map(([how, words, possible]) => (
          <MenuItem
            key={how}
            disabled={!possible}
            onClick={() => {
              setMenu(null);
              onHear(how);
            }}
          >
            {words}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
});
