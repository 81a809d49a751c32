import Box from '@mui/material/Box';
import { useMemo } from 'react';
import { beatsWithin, type MusicSettings } from '@/core/practice/music';
import type { Ms } from '@/core/time/units';
import { peaks, type Music } from '@/sound/music';
import type { SectionMs } from '../../piece';

interface MusicPictureProps {
  music: Music;
  settings: MusicSettings;
  fromMs: Ms;
  toMs: Ms;
  /** Sections of a chart, from the first beat on. */
  sections?: readonly SectionMs[];
  label: string;
  onPick: (ms: Ms) => void;
}

const COLUMNS = 400;

/**
 * The music as a band of its loudness, with the first beat, the sections of a chart and, where they can be told
 * apart, its beats.
 */
export function MusicPicture({ music, settings, fromMs, toMs, sections = [], label, onPick }: MusicPictureProps) {
  const drawn = useMemo(() => peaks(music.buffer, fromMs, toMs, COLUMNS), [music, fromMs, toMs]);
  const x = (ms: Ms) => (COLUMNS * (ms - fromMs)) / (toMs - fromMs);
  const beats = toMs - fromMs < 10_000 ? beatsWithin(settings, fromMs, toMs) : [];
  return (
    <Box
      component="svg"
      role="img"
      aria-label={label}
      viewBox={`0 0 ${COLUMNS} 60`}
      preserveAspectRatio="none"
      onClick={(event: React.MouseEvent<SVGSVGElement>) => {
        const box = event.currentTarget.getBoundingClientRect();
        onPick(fromMs + ((event.clientX - box.left) / box.width) * (toMs - fromMs));
      }}
      sx={{
        width: 1,
        height: 60,
        bgcolor: 'background.paper',
        border: 1,
        borderColor: 'divider',
        borderRadius: 1,
        cursor: 'crosshair',
        display: 'block',
      }}
    >
      <Box
        component="path"
        d={drawn.map((peak, index) => `M${index + 0.5} ${30 - 29 * peak}V${30 + 29 * peak + 0.2}`).join('')}
        strokeWidth={1}
        fill="none"
        sx={{ stroke: (theme) => theme.vars!.palette.text.secondary }}
      />
      {sections.map(({ ms }, index) => (
        <Box
          component="line"
          key={index}
          data-section=""
          x1={x(settings.firstBeatMs + ms)}
          x2={x(settings.firstBeatMs + ms)}
          y1={0}
          y2={60}
          strokeWidth={0.8}
          vectorEffect="non-scaling-stroke"
          sx={{ stroke: (theme) => theme.vars!.palette.primary.main }}
        />
      ))}
      {beats.map((ms) => (
        <Box
          component="line"
          key={ms}
          x1={x(ms)}
          x2={x(ms)}
          y1={0}
          y2={60}
          strokeWidth={0.4}
          sx={{ stroke: (theme) => theme.vars!.palette.primary.main }}
        />
      ))}
      <Box
        component="line"
        x1={x(settings.firstBeatMs)}
        x2={x(settings.firstBeatMs)}
        y1={0}
        y2={60}
        strokeWidth={1.2}
        sx={{ stroke: (theme) => theme.vars!.palette.secondary.main }}
      />
    </Box>
  );
}
