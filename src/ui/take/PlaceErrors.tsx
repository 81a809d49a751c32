'use client';

import Box from '@mui/material/Box';
import { useTheme } from '@mui/material/styles';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import type { School } from '@/core/counting/schools';
import type { Take } from '@/core/documents/take';
import { LIMBS } from '@/core/groove/limbs';
import type { Judgement, PlaceFigures } from '@/core/judging/types/judgement';
import { meanInterval, type Estimate } from '@/core/stats/estimates';
import { barsDrawn } from '../strip/drawn';
import { barsPerRow, percentOfStroke, SHADE_LEAD, SIZES, THREAD, type DrawnBar } from '../strip/layout';
import { useWidth } from '../strip/useWidth';

interface PlaceErrorsProps {
  take: Take;
  judgement: Judgement;
  school: School;
  /** Of another take, drawn pale beside it. */
  beside?: Judgement;
}

interface Shown extends Estimate {
  place: PlaceFigures;
  audibleMs: number;
  isBeside: boolean;
}

const HEIGHT = 132;
const TOP = 18;
/** So far off at least is shown, up and down. */
const LEAST_MS = 20;

/**
 * Where each place falls on average, on the axis of the strip above it: early is up, late down, with its 95 %
 * interval.
 */
export function PlaceErrors({ take, judgement, school, beside }: PlaceErrorsProps) {
  const [frame, width = 1100] = useWidth<HTMLDivElement>();
  const shown = useMemo(
    () => [...(beside ? shownOf(beside, true) : []), ...shownOf(judgement, false)],
    [judgement, beside],
  );
  const most = Math.max(
    LEAST_MS,
    ...shown.map(({ value, low, high }) =>
      Math.max(Math.abs(value ?? 0), Math.min(120, Math.max(-(low ?? 0), high ?? 0))),
    ),
  );
  const bars = barsDrawn(take.groove, school, take.bpm, take.swing);
  const perRow = barsPerRow(bars, width, 'desk');
  const narrow = width < 600;
  const [lead, margin] = [narrow ? SHADE_LEAD : SIZES.desk.lead, narrow ? 68 : SIZES.desk.margin];
  const rows = Array.from({ length: Math.ceil(bars.length / perRow) }, (_, row) => row * perRow);
  return (
    <Box component="section">
      <Typography variant="h2">Error by place</Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
        The mean of each place with its 95 % interval, on the strip’s own axis. Up is early, down late; the green band
        is what nobody hears{beside ? '; pale is the other take' : ''}.
      </Typography>
      <Box ref={frame} aria-hidden sx={{ display: 'grid', gap: 1 }}>
        {rows.map((from) => (
          <Box key={from} sx={{ display: 'flex', pr: narrow ? 2 : `${SIZES.desk.lead}px` }}>
            <Scale margin={margin} most={most} />
            {bars.slice(from, from + perRow).map((bar, column) => (
              <BarErrors
                key={column}
                bar={bar}
                shown={shown.filter(({ place }) => place.bar === from + column)}
                most={most}
                lead={lead}
              />
            ))}
          </Box>
        ))}
      </Box>
    </Box>
  );
}

function shownOf({ byPlace, strokes }: Judgement, isBeside: boolean): Shown[] {
  const audible = new Map(strokes.map(({ stroke, audibleMs }) => [key(stroke), audibleMs]));
  return byPlace.map((place) => ({
    place,
    isBeside,
    audibleMs: audible.get(key(place)) ?? 6,
    ...meanInterval(place.matched, place.meanErrorMs, place.sdErrorMs),
  }));
}

const key = ({ limb, bar, written }: Pick<PlaceFigures, 'limb' | 'bar' | 'written'>) =>
  `${limb} ${bar} ${written.n}/${written.d}`;

const yOf = (ms: number, most: number) => TOP + ((HEIGHT - TOP - 6) * (ms + most)) / (2 * most);

function Scale({ margin, most }: { margin: number; most: number }) {
  const { text } = useTheme().vars!.palette;
  const half = Math.round(most / 2);
  return (
    <Box component="svg" sx={{ flex: 'none', width: margin, height: HEIGHT, display: 'block' }}>
      {[-half, 0, half].map((ms) => (
        <text key={ms} x={margin - 10} y={yOf(ms, most) + 4} textAnchor="end" fontSize={12} fill={text.secondary}>
          {ms === 0 ? 'on time' : `${Math.abs(ms)} ms ${ms < 0 ? 'early' : 'late'}`}
        </text>
      ))}
    </Box>
  );
}

interface BarErrorsProps {
  bar: DrawnBar;
  shown: readonly Shown[];
  most: number;
  lead: number;
}

function BarErrors({ bar, shown, most, lead }: BarErrorsProps) {
  const { cloth, text, divider } = useTheme().vars!.palette;
  const clipped = (ms: number) => yOf(Math.max(-most, Math.min(most, ms)), most);
  return (
    <Box sx={{ position: 'relative', flex: 1, minWidth: 0, height: HEIGHT }}>
      <Box component="svg" sx={{ position: 'absolute', left: lead, width: 1, height: HEIGHT, overflow: 'visible' }}>
        {bar.slots.map((slot) => (
          <svg key={slot.percent} x={`${slot.percent}%`} overflow="visible">
            <line y1={TOP - 4} y2={HEIGHT} stroke={divider} strokeDasharray={slot.count ? undefined : '1 4'} />
            {slot.count && (
              <text y={10} textAnchor="middle" fontSize={12} fill={text.secondary}>
                {slot.say}
              </text>
            )}
          </svg>
        ))}
        <line x1="-16" x2="100%" y1={yOf(0, most)} y2={yOf(0, most)} stroke={text.secondary} />
        {shown.map(({ place, audibleMs, isBeside }) => (
          <svg
            key={`${key(place)} ${isBeside}`}
            x={`${percentOfStroke(bar, { limb: place.limb, at: place.written })}%`}
            overflow="visible"
          >
            <rect
              x={-9}
              width={18}
              y={clipped(-audibleMs)}
              height={clipped(audibleMs) - clipped(-audibleMs)}
              fill={cloth.unheard}
              opacity={0.75}
            />
          </svg>
        ))}
        {shown.map(({ place, value, low, high, isBeside }) => {
          if (value === null) return null;
          const colour = cloth[THREAD[place.limb]];
          const x = (LIMBS.indexOf(place.limb) - 1.5) * 5 + (isBeside ? -2 : 0);
          return (
            <svg
              key={`${key(place)} ${isBeside}`}
              x={`${percentOfStroke(bar, { limb: place.limb, at: place.written })}%`}
              overflow="visible"
              opacity={isBeside ? 0.45 : 1}
            >
              {low !== null && high !== null && (
                <line x1={x} x2={x} y1={clipped(low)} y2={clipped(high)} stroke={colour} strokeWidth={2} />
              )}
              <circle
                cx={x}
                cy={clipped(value)}
                r={4.5}
                fill={isBeside ? 'none' : colour}
                stroke={colour}
                strokeWidth={2}
              />
            </svg>
          );
        })}
      </Box>
    </Box>
  );
}
