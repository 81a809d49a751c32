'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import { useEffect, useState, type ReactNode } from 'react';
import { LIMBS, type Limb } from '@/core/groove/limbs';
import type { Ms } from '@/core/time/units';
import { THREAD } from '@/ui/strip/layout';
import { FIGURE_FONT } from '@/ui/theme';
import { opening } from '@/ui/words';
import { limbKeyOf, type KeyMap, type LimbKey } from './keys';

interface PadsProps {
  limbs: readonly Limb[];
  task: readonly Limb[];
  keys: KeyMap;
  struck?: { limb: Limb; count: number };
  playing: boolean;
  /** Limbs that are waited for, and those that struck where they had nothing to do. */
  awaited?: readonly Limb[];
  wrong?: readonly Limb[];
  /** What can be switched of a limb. */
  switches: (limb: Limb) => ReactNode;
  onStrike: (limb: Limb, pageMs: Ms) => void;
  onChangeKey: (limb: Limb, to: LimbKey) => void;
}

/** As one sits: left foot, left hand, right hand, right foot. */
const SEATED: Limb[] = ['left foot', 'left hand', 'right hand', 'right foot'];

/** A pad a limb: shows its key, lights up when it is struck, and can be touched. */
export function Pads({
  limbs,
  task,
  keys,
  struck,
  playing,
  awaited,
  wrong,
  switches,
  onStrike,
  onChangeKey,
}: PadsProps) {
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

  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: `repeat(${limbs.length}, minmax(0, 1fr))`,
        gap: 1.5,
        flex: '1 1 300px',
        maxWidth: 900,
      }}
      role="group"
      aria-label="Keys and pads"
    >
      {SEATED.filter((limb) => limbs.includes(limb)).map((limb) => {
        const off = !task.includes(limb);
        return (
          <Box key={limb} sx={{ textAlign: 'center' }}>
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
                animation: struck?.limb === limb ? `struck-${struck.count % 2 ? 'a' : 'b'} 160ms ease-out` : undefined,
                '&:focus-visible': { outline: '3px solid', outlineOffset: 2 },
              }}
            >
              <Box component="kbd" sx={{ fontFamily: FIGURE_FONT, fontSize: 24, fontWeight: 700, lineHeight: 1.15 }}>
                {changing === limb ? '…' : keys[limb].label}
              </Box>
              <Box component="span" sx={{ fontSize: 13, fontWeight: 600 }}>
                {wrong?.includes(limb) ? 'not here' : limb}
              </Box>
            </ButtonBase>
            {switches(limb)}
            {!playing && (
              <Button
                size="small"
                onClick={() => {
                  setChanging(changing === limb ? undefined : limb);
                  setWord(undefined);
                }}
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

/** The limb a key plays, if any. */
export const limbOfKey = (keys: KeyMap, code: string): Limb | undefined =>
  LIMBS.find((limb) => keys[limb].code === code);
