'use client';

import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import { useColorScheme } from '@mui/material/styles';
import { useSyncExternalStore } from 'react';
import { BrightnessMediumOutlined, DarkModeOutlined, LightModeOutlined } from '@/ui/icons';

const SCHEMES = {
  system: { icon: BrightnessMediumOutlined, words: 'Light or dark as the device', next: 'light' },
  light: { icon: LightModeOutlined, words: 'Light', next: 'dark' },
  dark: { icon: DarkModeOutlined, words: 'Dark', next: 'system' },
} as const;

/** Light, dark, or as the device: the next one with each touch. */
export function SchemeButton({ withWords = false }: { withWords?: boolean }) {
  const { mode, setMode } = useColorScheme();
  const mounted = useSyncExternalStore(
    () => () => {},
    () => true,
    () => false,
  );
  const { icon: Icon, words, next } = SCHEMES[(mounted && mode) || 'system'];
  if (withWords)
    return (
      <Button variant="outlined" startIcon={<Icon />} onClick={() => setMode(next)} sx={{ minHeight: 44 }}>
        {words}
      </Button>
    );
  return (
    <IconButton
      onClick={() => setMode(next)}
      title={`${words}: change`}
      aria-label={`${words}: change`}
      sx={{ color: 'inherit', width: { xs: 36, sm: 44 }, height: 44 }}
    >
      <Icon fontSize="small" />
    </IconButton>
  );
}
