'use client';

import Box from '@mui/material/Box';
import { useTheme } from '@mui/material/styles';
import { useMemo, type Ref } from 'react';
import { LIMBS, type Limb } from '@/core/groove/limbs';
import { outlinePath } from '@/core/hearing/dsp/outline';
import type { Judgement } from '@/core/judging/types/judgement';
import type { Ms } from '@/core/time/units';
import { THREAD } from '../../strip/layout';
import type { Bead } from '../../strip/beads';
import type { Back, windowOf } from './back';

const WIDTH = 1000;
const HEAD = 26;
const WAVE = 120;
const HEIGHT = HEAD + WAVE;
/**
 * How far a limb's lines reach: each a little less than the one before, so that those that fall together are all
 * seen.
 */
const reach = (limb: Limb) => (0.42 - 0.08 * LIMBS.indexOf(limb)) * WAVE;
const byReach = (a: Limb, b: Limb) => reach(b) - reach(a);

interface BackWaveProps {
  back: Back;
  window: ReturnType<typeof windowOf>;
  judgement: Judgement;
  beads: readonly Bead[];
  /** The key of the bead that is listened to. */
  marked?: string;
  /** Bars on which something is written. */
  noted: ReadonlySet<number>;
  /** Where it is heard. */
  line: Ref<HTMLDivElement>;
  onTouch: (ms: Ms) => void;
}

/** Some bars of a take's sound: its wave, above it when strokes were meant, below when they were heard. */
export function BackWave({ back, window, judgement, beads, marked, noted, line, onTouch }: BackWaveProps) {
  const { cloth, text, divider } = useTheme().vars!.palette;
  const { fromMs, toMs, seen } = window;
  const lengthMs = toMs - fromMs;
  const x = (ms: Ms) => (WIDTH * (ms - fromMs)) / lengthMs;
  const path = useMemo(
    () =>
      outlinePath(back.outline, { fromMs: Math.max(0, fromMs + back.zeroMs), lengthMs, width: WIDTH, height: WAVE }),
    [back.outline, back.zeroMs, fromMs, lengthMs],
  );
  const isIn = (ms: Ms) => ms >= fromMs && ms <= toMs;
  const meant = judgement.strokes
    .filter(({ stroke }) => isIn(stroke.ms))
    .sort((a, b) => byReach(a.stroke.limb, b.stroke.limb));
  const heard = beads.filter(({ kind, ms }) => kind !== 'missed' && isIn(ms)).sort((a, b) => byReach(a.limb, b.limb));
  return (
    <Box sx={{ position: 'relative', border: 1, borderColor: 'divider', borderRadius: 1, overflow: 'hidden' }}>
      <Box
        component="svg"
        role="img"
        aria-label={`Bar ${seen[0]!.barInRun + 1}${seen.length > 1 ? ` to ${seen.at(-1)!.barInRun + 1}` : ''}: ${meant.length} strokes meant, ${heard.length} heard`}
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        preserveAspectRatio="none"
        onClick={({ currentTarget, clientX }) => {
          const { left, width } = currentTarget.getBoundingClientRect();
          onTouch(fromMs + (lengthMs * (clientX - left)) / width);
        }}
        sx={{ width: 1, height: HEIGHT, display: 'block', bgcolor: 'background.paper', cursor: 'pointer' }}
      >
        <rect width={WIDTH} height={HEAD} fill={cloth.countShade} />
        {seen.map(({ barInRun, startMs }) => (
          <line
            key={barInRun}
            x1={x(startMs)}
            x2={x(startMs)}
            y2={HEIGHT}
            stroke={text.secondary}
            strokeWidth={1.5}
            vectorEffect="non-scaling-stroke"
          />
        ))}
        {judgement.schedule.countsMs.filter(isIn).map((ms) => (
          <line
            key={ms}
            x1={x(ms)}
            x2={x(ms)}
            y1={HEAD}
            y2={HEIGHT}
            stroke={divider}
            vectorEffect="non-scaling-stroke"
          />
        ))}
        <g transform={`translate(0 ${HEAD})`}>
          <path
            d={path}
            fill={cloth.countShade}
            stroke={text.secondary}
            strokeWidth={0.6}
            vectorEffect="non-scaling-stroke"
          />
        </g>
        {meant.map(({ stroke }, index) => (
          <line
            key={`meant ${index}`}
            x1={x(stroke.ms)}
            x2={x(stroke.ms)}
            y1={HEAD}
            y2={HEAD + reach(stroke.limb)}
            stroke={cloth[THREAD[stroke.limb]]}
            strokeWidth={stroke.height === 'ghost' ? 1.5 : 3}
            opacity={0.45}
            vectorEffect="non-scaling-stroke"
          />
        ))}
        {heard.map(({ key, ms, limb, kind }) => (
          <line
            key={key}
            x1={x(ms)}
            x2={x(ms)}
            y1={HEIGHT}
            y2={key === marked ? HEAD : HEIGHT - reach(limb)}
            stroke={cloth[THREAD[limb]]}
            strokeWidth={key === marked ? 4 : 2.5}
            strokeDasharray={kind === 'extra' ? '3 3' : undefined}
            vectorEffect="non-scaling-stroke"
          />
        ))}
      </Box>
      {seen.map(({ barInRun, startMs }) => (
        <Box
          key={barInRun}
          sx={{
            position: 'absolute',
            top: 4,
            left: `${x(startMs) / 10}%`,
            pl: 0.75,
            fontSize: '0.8125rem',
            lineHeight: '18px',
            color: 'text.secondary',
            pointerEvents: 'none',
          }}
        >
          bar {barInRun + 1}
          {noted.has(barInRun) && (
            <Box component="span" sx={{ ml: 0.75, color: 'text.primary', fontWeight: 700 }}>
              · a word on it
            </Box>
          )}
        </Box>
      ))}
      <Box
        ref={line}
        sx={{
          position: 'absolute',
          top: 0,
          bottom: 0,
          width: '2.5px',
          ml: '-1px',
          bgcolor: cloth.playhead,
          visibility: 'hidden',
          pointerEvents: 'none',
        }}
      />
    </Box>
  );
}
