'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import { useEffect, useState, type ReactNode } from 'react';
import type { Limb } from '@/core/groove/limbs';
import type { Ms } from '@/core/time/units';
import { THREAD } from '@/ui/strip/layout';
import { FIGURE_FONT } from '@/ui/theme';
import { opening } from '@/ui/words/text';
import { limbKeyOf, type KeyMap, type LimbKey } from './keys';

interface LimbPadsProps {
  limbs: readonly Limb[];
  task: readonly Limb[];
  keys: KeyMap;
  struck?: { limb: Limb; count: number };
  playing: boolean;
  /** Limbs that are waited for, and those that struck where they had nothing to do. */
  awaited?: readonly Limb[];
  wrong?: readonly Limb[];
  /** As large as there is place: for thumbs. */
  isLarge?: boolean;
  /** What can be switched of a limb. */
  switches?: (limb: Limb) => ReactNode;
  onStrike: (limb: Limb, pageMs: Ms) => void;
  onChangeKey: (limb: Limb, to: LimbKey) => void;
}

/** As one sits: left foot, left hand, right hand, right foot. */
const SEATED: Limb[] = ['left foot', 'left hand', 'right hand', 'right foot'];

/** On a phone the hands above the feet, each on its side. */
const HANDS_FIRST: Limb[] = ['left hand', 'right hand', 'left foot', 'right foot'];

/** A pad a limb: shows its key, lights up when it is struck, and can be touched. */
export function LimbPads({
  limbs,
  task,
  keys,
  struck,
  playing,
  awaited,
  wrong,
  isLarge = false,
  switches,
  onStrike,
  onChangeKey,
}: LimbPadsProps) {
  const { changing, word, toggle } = useKeyChange(onChangeKey);
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: `repeat(${isLarge ? Math.min(2, limbs.length) : limbs.length}, minmax(0, 1fr))`,
        ...(isLarge && { gridAutoRows: '1fr', '& > :last-child:nth-of-type(odd)': { gridColumn: '1 / -1' } }),
        gap: isLarge ? 1 : 1.5,
        flex: '1 1 300px',
        maxWidth: isLarge ? undefined : 900,
      }}
      role="group"
      aria-label="Keys and pads"
    >
      {(isLarge ? HANDS_FIRST : SEATED)
        .filter((limb) => limbs.includes(limb))
        .map((limb) => {
          const off = !task.includes(limb);
          return (
            <Box key={limb} sx={{ textAlign: 'center', minHeight: 0, ...(isLarge && { display: 'grid' }) }}>
              <ButtonBase
                aria-label={`${opening(limb)}, key ${keys[limb].label}`}
                disabled={off}
                onPointerDown={(event) => {
                  event.preventDefault();
                  onStrike(limb, event.timeStamp);
                }}
                sx={{
                  width: 1,
                  opacity: off ? 0.45 : 1,
                  outline: awaited?.includes(limb) ? '4px solid' : undefined,
                  outlineOffset: 3,
                  minHeight: 64,
                  height: isLarge ? 1 : undefined,
                  font: 'inherit',
                  borderRadius: 2,
                  border: 2,
                  touchAction: 'none',
                  bgcolor: 'background.paper',
                  display: 'flex',
                  flexDirection: 'column',
                  py: 0.5,
                  borderColor: (theme) => theme.vars!.palette.cloth[THREAD[limb]],
                  color: (theme) => theme.vars!.palette.cloth[THREAD[limb]],
                  '@keyframes struck-a': {
                    from: { backgroundColor: 'color-mix(in srgb, currentColor 35%, transparent)' },
                  },
                  '@keyframes struck-b': {
                    from: { backgroundColor: 'color-mix(in srgb, currentColor 35%, transparent)' },
                  },
                  animation:
                    struck?.limb === limb ? `struck-${struck.count % 2 ? 'a' : 'b'} 160ms ease-out` : undefined,
                  '&:focus-visible': { outline: '3px solid', outlineOffset: 2 },
                }}
              >
                <Box
                  component="kbd"
                  sx={{
                    fontFamily: FIGURE_FONT,
                    fontSize: 24,
                    fontWeight: 700,
                    lineHeight: 1.15,
                    // Where fingers strike there is no key to be named.
                    ...(isLarge && { '@media (pointer: coarse)': { display: 'none' } }),
                  }}
                >
                  {changing === limb ? '…' : keys[limb].label}
                </Box>
                <Box component="span" sx={{ fontSize: isLarge ? 20 : 13, fontWeight: isLarge ? 700 : 600 }}>
                  {wrong?.includes(limb) ? 'not here' : limb}
                </Box>
              </ButtonBase>
              {switches?.(limb)}
              {!playing && (
                <Button
                  size="small"
                  onClick={() => toggle(limb)}
                  sx={{ color: 'text.secondary', fontWeight: 450, '@media (pointer: coarse)': { display: 'none' } }}
                  aria-label={`Change the key of the ${limb}`}
                >
                  {changing === limb ? 'press a key' : 'change key'}
                </Button>
              )}
            </Box>
          );
        })}
      {word && (
        <Box role="alert" sx={{ gridColumn: '1 / -1', color: 'error.main', fontSize: 14 }}>
          {word}
        </Box>
      )}
    </Box>
  );
}

/** A limb whose key is being changed takes the next key that is pressed; `word` says why one cannot be had. */
function useKeyChange(onChangeKey: LimbPadsProps['onChangeKey']) {
  const [changing, setChanging] = useState<Limb>();
  const [word, setWord] = useState<string>();
  useEffect(() => {
    if (!changing) return;
    const take = (event: KeyboardEvent) => {
      event.preventDefault();
      event.stopPropagation();
      if (event.code === 'Escape') return setChanging(undefined);
      const key = limbKeyOf(event);
      if (!key) return setWord('This key has its own work. Press a letter or a digit.');
      onChangeKey(changing, key);
      setChanging(undefined);
      setWord(undefined);
    };
    window.addEventListener('keydown', take, true);
    return () => window.removeEventListener('keydown', take, true);
  }, [changing, onChangeKey]);
  const toggle = (limb: Limb) => {
    setChanging(changing === limb ? undefined : limb);
    setWord(undefined);
  };
  return { changing, word, toggle };
}
