'use client';

import Box from '@mui/material/Box';
import { useTheme } from '@mui/material/styles';
import 'vexflow/bravura';
import { memo, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import type { School } from '@/core/counting/schools';
import type { Bar, Groove } from '@/core/groove/groove';
import type { Limb } from '@/core/groove/limbs';
import { compare, equal } from '@/core/time/fraction';
import type { Reading } from '@/core/grid/meter';
import { feelInWords } from '../words/grooves';
import { FIGURE_FONT } from '../theme';
import { useWidth } from '../strip/useWidth';
import { ALL_WORDS, drawBar, heightOf, type DrawnHead, type StaveEnd, type StaveWords } from './drawBar';
import { CLEF_ROOM, METER_ROOM, showsMeter, staveRows, type StrokeInLine } from './layout';

export interface StaveProps {
  groove: Groove;
  school: School;
  /** The stroke to mark. */
  selected?: StrokeInLine;
  /** A note was clicked. */
  onPick?: (stroke: StrokeInLine) => void;
  words?: StaveWords;
  /** All of it stands on one drum, without words: lines lie closer. */
  isOneDrum?: boolean;
  /** At most so many bars to a line. */
  perLine?: number;
  /** How it ends. */
  end?: StaveEnd;
}

/** A groove in staff notation: hands with stems up, feet with stems down, counts and sticking beneath. */
export default function Stave({
  groove,
  school,
  selected,
  onPick,
  words = ALL_WORDS,
  isOneDrum,
  perLine,
  end = 'repeat',
}: StaveProps) {
  const [frame, width] = useWidth<HTMLDivElement>();
  const [ready, setReady] = useState(false);
  const pick = useRef(onPick);
  useEffect(() => {
    pick.current = onPick;
  });
  useEffect(() => {
    // Glyphs are measured while they are laid out, so their font has to be there first.
    void document.fonts.load('30px Bravura').finally(() => setReady(true));
  }, []);
  const rows = useMemo(() => (width ? staveRows(groove, width, perLine) : []), [groove, width, perLine]);
  const [onPickBar] = useState(() => (stroke: StrokeInLine) => pick.current?.(stroke));
  return (
    <Box
      ref={frame}
      role="group"
      aria-label={`${groove.title}, stave`}
      sx={{ minWidth: 0, overflow: 'hidden', minHeight: heightOf(words, isOneDrum).height }}
    >
      {groove.swing && (
        <Box component="p" sx={{ m: 0, fontSize: 14, fontStyle: 'italic', color: 'text.secondary' }}>
          {feelInWords(groove.swing)}
        </Box>
      )}
      <Box aria-hidden>
        {ready &&
          width &&
          rows.map((row) => {
            const meters = row.filter((index) => showsMeter(groove, index)).length;
            // A last line with fewer bars is no wider than those above it.
            const room = Math.floor((width - CLEF_ROOM - METER_ROOM * meters) / rows[0]!.length);
            return (
              <Box key={row[0]} sx={{ display: 'flex', breakInside: 'avoid' }}>
                {row.map((index, column) => {
                  const meter = showsMeter(groove, index);
                  return (
                    <StaveBar
                      key={index}
                      bar={groove.bars[index]!}
                      index={index}
                      reading={groove.reading}
                      school={school}
                      width={room + (column === 0 ? CLEF_ROOM : 0) + (meter ? METER_ROOM : 0)}
                      clef={column === 0}
                      meter={meter}
                      end={index === groove.bars.length - 1 ? end : undefined}
                      selected={selected?.bar === index ? selected : undefined}
                      onPick={onPickBar}
                      words={words}
                      isOneDrum={isOneDrum}
                    />
                  );
                })}
              </Box>
            );
          })}
      </Box>
    </Box>
  );
}

interface StaveBarProps {
  bar: Bar;
  index: number;
  reading: Reading;
  school: School;
  width: number;
  clef: boolean;
  meter: boolean;
  end: StaveEnd | undefined;
  selected?: { limb: Limb; index: number };
  onPick: (stroke: StrokeInLine) => void;
  words: StaveWords;
  isOneDrum: boolean | undefined;
}

/** How near to a head a click has to be, in pixels. */
const NEAR = 18;

/** One bar, drawn anew only when it changed. */
const StaveBar = memo(function StaveBar({
  bar,
  index,
  reading,
  school,
  width,
  clef,
  meter,
  end,
  selected,
  onPick,
  words,
  isOneDrum,
}: StaveBarProps) {
  const into = useRef<HTMLDivElement>(null);
  const [heads, setHeads] = useState<DrawnHead[]>([]);
  const theme = useTheme();
  const { text, background, secondary } = theme.vars!.palette;
  useLayoutEffect(() => {
    setHeads(drawBar(into.current!, bar, { reading, school, width, clef, meter, end, words }));
  }, [bar, reading, school, width, clef, meter, end, words]);

  const line = selected && bar.strokes.filter(({ limb }) => limb === selected.limb).sort((a, b) => compare(a.at, b.at));
  const stroke = line?.[selected!.index];
  const marked = stroke && heads.find((head) => head.stroke.limb === stroke.limb && equal(head.stroke.at, stroke.at));
  return (
    <Box
      data-stave-bar={index}
      onClick={(event) => {
        const box = event.currentTarget.getBoundingClientRect();
        const [x, y] = [event.clientX - box.left, event.clientY - box.top];
        const near = heads
          .map((head) => ({ head, far: Math.hypot(head.x - x, head.y - y) }))
          .filter(({ far }) => far <= NEAR)
          .sort((a, b) => a.far - b.far)[0]?.head;
        if (!near) return;
        const own = bar.strokes.filter(({ limb }) => limb === near.stroke.limb).sort((a, b) => compare(a.at, b.at));
        onPick({ bar: index, limb: near.stroke.limb, index: own.findIndex(({ at }) => equal(at, near.stroke.at)) });
      }}
      sx={{
        position: 'relative',
        // Lines that are out of sight are not painted.
        contentVisibility: 'auto',
        flex: 'none',
        width,
        ...heightOf(words, isOneDrum),
        cursor: 'pointer',
        color: text.primary,
        // Ink in both themes: the engraver's own is black.
        '& svg': { display: 'block', overflow: 'visible', stroke: 'currentColor' },
        '& svg *': { fill: 'currentColor' },
        // Our own words are not the engraver's: neither its font nor its outlines.
        '& text.count, & text.syllable, & text.sticking': {
          fontFamily: theme.typography.fontFamily,
          stroke: 'none !important',
        },
        '& text.count': { fontFamily: FIGURE_FONT, fontWeight: 750, fontSize: 15 },
        '& text.syllable': { fontWeight: 450, fontSize: 13, fill: text.secondary },
        '& text.sticking': { fontWeight: 600, fontSize: 12, fill: text.secondary },
      }}
    >
      {marked && (
        <Box
          data-stave-marked=""
          sx={{
            position: 'absolute',
            left: marked.x - 12,
            top: marked.y - 12,
            width: 24,
            height: 24,
            borderRadius: '50%',
            border: '2px solid',
            borderColor: secondary.main,
            bgcolor: background.paper,
          }}
        />
      )}
      <Box ref={into} sx={{ position: 'relative' }} />
    </Box>
  );
});
