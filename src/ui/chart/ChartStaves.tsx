'use client';

import Box from '@mui/material/Box';
import { useTheme, type Theme } from '@mui/material/styles';
import 'vexflow/bravura';
import { memo, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import type { EngravedBar } from '@/core/chart/play/engraved';
import { useWidth } from '../strip/useWidth';
import { FIGURE_FONT } from '../theme';
import type { DrawnBar } from './drawn';
import { drawLine } from './drawLine';
import { barsToALine, chartLines, type ChartLine } from './layout';

interface ChartStavesProps {
  title: string;
  bars: readonly EngravedBar[];
  /** Bars to a line that are wished for. */
  perLine?: number;
  /** The written bar that plays, or that is chosen. */
  marked?: number;
  /** The line of the marked bar is kept in sight. */
  follows?: boolean;
  /** Drawn whole at once, to be printed. */
  isWhole?: boolean;
  onPick?: (bar: EngravedBar, at: HTMLElement) => void;
}

/** A chart in staff notation: slashes, hits over them, rests, repeats and endings, signs; a line after another. */
export default function ChartStaves({
  title,
  bars,
  perLine = 4,
  marked,
  follows = false,
  isWhole = false,
  onPick,
}: ChartStavesProps) {
  const [frame, width] = useWidth<HTMLDivElement>();
  const [ready, setReady] = useState(false);
  useEffect(() => {
    // Glyphs are measured while they are laid out, so their font has to be there first.
    void document.fonts.load('30px Bravura').finally(() => setReady(true));
  }, []);
  const toALine = barsToALine(perLine, width || 1);
  const lines = useMemo(() => chartLines(bars, toALine), [bars, toALine]);
  const pick = useRef(onPick);
  useEffect(() => {
    pick.current = onPick;
  });
  const [onPickBar] = useState(() => (bar: EngravedBar, at: HTMLElement) => pick.current?.(bar, at));
  return (
    <Box ref={frame} role="group" aria-label={`${title}, chart`} sx={{ minWidth: 0 }}>
      {ready &&
        width !== undefined &&
        width > 0 &&
        lines.map((line, index) => (
          <Line
            key={line.bars[0]!.written}
            line={line}
            width={width}
            perLine={toALine}
            clef={index === 0}
            marked={line.bars.find((bar) => isIn(bar, marked))?.written}
            follows={follows}
            isWhole={isWhole}
            onPick={onPick && onPickBar}
          />
        ))}
    </Box>
  );
}

const isIn = ({ written, bars }: EngravedBar, index: number | undefined): boolean =>
  index !== undefined && index >= written && index < written + bars;

interface LineProps {
  line: ChartLine;
  width: number;
  perLine: number;
  clef: boolean;
  marked?: number;
  follows: boolean;
  isWhole: boolean;
  onPick?: (bar: EngravedBar, at: HTMLElement) => void;
}

/** Lines are drawn when they come near: the first ones stand before a long chart is engraved. */
const NEAR = '400px';

const Line = memo(function Line({ line, width, perLine, clef, marked, follows, isWhole, onPick }: LineProps) {
  const frame = useRef<HTMLDivElement>(null);
  const into = useRef<HTMLDivElement>(null);
  const [isNear, setNear] = useState(isWhole);
  const [drawn, setDrawn] = useState<DrawnBar[]>([]);
  const theme = useTheme();
  useEffect(() => {
    if (isNear) return;
    const watch = new IntersectionObserver((seen) => seen.some((one) => one.isIntersecting) && setNear(true), {
      rootMargin: NEAR,
    });
    watch.observe(frame.current!);
    return () => watch.disconnect();
  }, [isNear]);
  useLayoutEffect(() => {
    if (isNear) setDrawn(drawLine(into.current!, line, { width, perLine, clef }));
  }, [isNear, line, width, perLine, clef]);
  const isMarked = marked !== undefined;
  useEffect(() => {
    if (isMarked && follows) frame.current!.scrollIntoView({ block: 'center' });
  }, [isMarked, follows]);
  const here = drawn.find(({ bar }) => bar.written === marked);
  return (
    <Box
      ref={frame}
      data-chart-line=""
      onClick={(event) => {
        const x = event.clientX - event.currentTarget.getBoundingClientRect().left;
        const bar = drawn.find((one) => x >= one.left && x < one.left + one.width)?.bar;
        if (bar) onPick?.(bar, event.currentTarget);
      }}
      sx={[
        { position: 'relative', height: line.height, breakInside: 'avoid', cursor: onPick && 'pointer' },
        inked(theme),
      ]}
    >
      {here && (
        <Box
          data-chart-marked={here.bar.written}
          sx={{
            position: 'absolute',
            left: here.left,
            width: here.width,
            top: line.staveAt - 8,
            height: 56,
            borderRadius: 1,
            bgcolor: theme.vars!.palette.secondary.main,
            opacity: 0.18,
          }}
        />
      )}
      <Box ref={into} aria-hidden sx={{ position: 'relative' }} />
    </Box>
  );
});

/** Ink in both themes: the engraver's own is black. Our own words are not the engraver's font. */
const inked = (theme: Theme) =>
  ({
    color: theme.vars!.palette.text.primary,
    '& svg': { display: 'block', overflow: 'visible', stroke: 'currentColor' },
    '& svg *': { fill: 'currentColor' },
    '& svg text': { stroke: 'none !important' },
    '& text.over, & text.after, & text.ending, & text.say': { fontFamily: theme.typography.fontFamily },
    '& text.over, & text.after': { fontSize: 13.5, fontWeight: 600 },
    '& text.heading': { fontFamily: FIGURE_FONT, fontWeight: 750, fontSize: 15 },
    '& rect.box, & path.bracket, & path.swell': { fill: 'none', strokeWidth: 1.2 },
    '& text.ending': { fontSize: 12, fontWeight: 600 },
    '& text.say': { fontSize: 13, fontStyle: 'italic' },
    '& .glyph': { fontFamily: 'Bravura', fontSize: 20, fontWeight: 400 },
    '& .glyph.dynamic': { fontSize: 22 },
    '& .glyph.fermata': { fontSize: 26 },
    '& .small': { fontSize: 10 },
  }) as const;
