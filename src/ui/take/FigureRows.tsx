'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useTheme } from '@mui/material/styles';
import type { FigureKind, TakeFigure } from '@/core/documents/takeFigures';
import { figureInWords } from '@/core/wording/figuresInWords';
import { Explained } from './Explained';

interface FigureRowsProps {
  title: string;
  /** Each by its short name, or by its label. */
  figures: readonly (TakeFigure & { label?: string })[];
  /** Half the band in which nobody hears an error, in milliseconds. */
  audibleMs: number;
}

/** Figures that lie early or late of 0, and so have a band round it that nobody hears. */
const AROUND_ZERO: readonly FigureKind[] = ['limb', 'rate', 'switch', 'together', 'phrase', 'doubles'];

/** Figures of one sort under one another, each with its value, its interval as a picture, and how many it rests on. */
export function FigureRows({ title, figures, audibleMs }: FigureRowsProps) {
  if (!figures.length) return null;
  const range = rangeOf(figures, audibleMs);
  return (
    <Box component="section">
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        {title}
      </Typography>
      {figures.map((figure) => (
        <FigureRow
          key={`${figure.kind} ${figure.label ?? figure.of}`}
          figure={figure}
          range={range}
          audibleMs={audibleMs}
        />
      ))}
    </Box>
  );
}

interface Range {
  from: number;
  to: number;
}

/** One axis for all of them, so that they can be compared. */
function rangeOf(figures: readonly TakeFigure[], audibleMs: number): Range {
  const values = figures.flatMap(({ low, high, value, meant }) =>
    [low, high, value, meant].flatMap((one) => (typeof one === 'number' ? [one] : [])),
  );
  if (figures.every(({ kind }) => AROUND_ZERO.includes(kind))) {
    const most = Math.max(3 * audibleMs, ...values.map(Math.abs));
    return { from: -most, to: most };
  }
  return { from: Math.min(0, ...values), to: Math.max(...values, mostShown(figures[0]!)) };
}

/** A share is shown against at least a tenth, a ratio of swing against at least 3 : 1. */
function mostShown({ kind }: TakeFigure): number {
  if (kind === 'left out') return 0.1;
  return kind === 'swing' ? 3 : 0;
}

function FigureRow({
  figure,
  range,
  audibleMs,
}: {
  figure: FigureRowsProps['figures'][number];
  range: Range;
  audibleMs: number;
}) {
  const { short, value, explained } = figureInWords(figure);
  return (
    <Explained explained={explained} sx={{ borderTop: 1, borderColor: 'divider' }}>
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: '1fr auto', sm: 'minmax(150px, 3fr) 92px minmax(120px, 4fr)' },
          columnGap: 2,
          alignItems: 'center',
          minHeight: 40,
          py: 0.5,
        }}
      >
        <span className="figure-name">{figure.label ?? short}</span>
        <Box component="strong" sx={{ textAlign: { xs: 'right', sm: 'left' } }}>
          {value}
        </Box>
        <IntervalPicture figure={figure} range={range} audibleMs={audibleMs} />
      </Box>
    </Explained>
  );
}

/** The interval as a line with its value on it, over the band that nobody hears. */
function IntervalPicture({
  figure: { kind, value, low, high, meant },
  range,
  audibleMs,
}: {
  figure: TakeFigure;
  range: Range;
  audibleMs: number;
}) {
  const { cloth, text, divider } = useTheme().vars!.palette;
  const at = (one: number) => `${(100 * (one - range.from)) / (range.to - range.from || 1)}%`;
  const width = (from: number, to: number) => `${(100 * (to - from)) / (range.to - range.from || 1)}%`;
  return (
    <Box
      component="svg"
      aria-hidden
      sx={{ width: 1, height: 20, overflow: 'visible', gridColumn: { xs: '1 / -1', sm: 'auto' }, display: 'block' }}
    >
      <line x1="0" x2="100%" y1={10} y2={10} stroke={divider} />
      {AROUND_ZERO.includes(kind) && (
        <rect x={at(-audibleMs)} width={width(-audibleMs, audibleMs)} y={1} height={18} rx={3} fill={cloth.unheard} />
      )}
      <line x1={at(0)} x2={at(0)} y1={1} y2={19} stroke={text.secondary} />
      {meant !== undefined && (
        <line x1={at(meant)} x2={at(meant)} y1={1} y2={19} stroke={text.secondary} strokeDasharray="2 3" />
      )}
      {low !== null && high !== null && (
        <line x1={at(low)} x2={at(high)} y1={10} y2={10} stroke={text.primary} strokeWidth={2.5} />
      )}
      {value !== null && <circle cx={at(value)} cy={10} r={4.5} fill={text.primary} />}
    </Box>
  );
}
