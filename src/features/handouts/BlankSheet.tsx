'use client';

import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import { usePathname, useRouter, useSearchParams } from 'next/navigation';
import { labels } from '@/core/counting/labels';
import type { School } from '@/core/counting/schools';
import { cellsOfDivisions } from '@/core/grid/cells';
import { barLength, meterInWords, parseMeter, type Meter } from '@/core/grid/meter';
import { toNumber } from '@/core/time/fraction';
import { sentence } from '@/core/result';
import { Pick } from '@/ui/Pick';
import { FIGURE_FONT } from '@/ui/theme';
import { BLANK_LINES, BLANK_PARTS, type BlankOptions } from './blank';
import { SheetBar } from './HandoutBar';
import { Paper } from './Paper';

interface BlankSheetProps {
  options: BlankOptions;
  school: School;
  workshop: string;
  hasPdf: boolean;
}

const LANES = ['R hand', 'L hand', 'R foot', 'L foot'];

/** Empty grids of any meter and division with the count written, to be filled by pencil. */
export function BlankSheet({ options, school, workshop, hasPdf }: BlankSheetProps) {
  const [router, path, query] = [useRouter(), usePathname(), useSearchParams()];
  const set = (change: Partial<BlankOptions>) => {
    const asked = new URLSearchParams(query);
    for (const [name, value] of Object.entries(change)) asked.set(name, String(value));
    router.replace(`${path}?${asked}`, { scroll: false });
  };
  const { meter: typed, parts, bars, lines, lanes, paper } = options;
  const meter = parseMeter(typed);
  return (
    <>
      <SheetBar paper={paper} hasPdf={hasPdf} onPaper={(next) => set({ paper: next })}>
        <TextField
          label="Meter"
          defaultValue={typed}
          error={!meter.ok}
          helperText={meter.ok ? undefined : sentence(meter.problems[0]!)}
          onBlur={({ target }) => target.value !== typed && set({ meter: target.value })}
          sx={{ width: 150 }}
        />
        <Pick
          label="To a count"
          value={parts}
          options={BLANK_PARTS}
          onPick={(next) => set({ parts: next })}
          sx={{ width: 110 }}
        />
        <Pick
          label="Bars to a line"
          value={bars}
          options={[1, 2, 3, 4]}
          onPick={(next) => set({ bars: next })}
          sx={{ width: 120 }}
        />
        <Pick
          label="Lines"
          value={lines}
          options={BLANK_LINES}
          onPick={(next) => set({ lines: next })}
          sx={{ width: 100 }}
        />
        <Pick
          label="Limbs"
          value={lanes}
          options={[1, 2, 3, 4]}
          onPick={(next) => set({ lanes: next })}
          sx={{ width: 100 }}
        />
      </SheetBar>
      <Paper paper={paper}>
        <Box component="header" sx={{ display: 'flex', gap: 3, mb: 3 }}>
          {['Title', 'Name', 'Date'].map((label) => (
            <Box key={label} component="p" sx={{ m: 0, display: 'flex', gap: 1, flex: label === 'Title' ? 2 : 1 }}>
              {label}
              <Box component="span" sx={{ flex: 1, borderBottom: '1px solid' }} />
            </Box>
          ))}
        </Box>
        {meter.ok &&
          Array.from({ length: lines }, (_, line) => (
            <Box key={line} sx={{ display: 'flex', breakInside: 'avoid', mb: 3 }}>
              <Box sx={{ flex: 'none', width: NAMES, pt: `${HEAD}px`, fontSize: 12 }}>
                {LANES.slice(0, lanes).map((lane) => (
                  <Box key={lane} sx={{ height: LANE, lineHeight: `${LANE}px` }}>
                    {lane}
                  </Box>
                ))}
              </Box>
              {Array.from({ length: bars }, (_, bar) => (
                <EmptyBar key={bar} meter={meter.value} parts={parts} lanes={lanes} school={school} />
              ))}
            </Box>
          ))}
        <Box component="p" sx={{ m: 0, fontSize: '0.8em' }}>
          {workshop}
          {meter.ok && `. ${meterInWords(meter.value)}, ${parts} to a count.`}
        </Box>
      </Paper>
    </>
  );
}

interface EmptyBarProps {
  meter: Meter;
  parts: number;
  lanes: number;
  school: School;
}

/** Room of the limbs' names before the first bar, and heights, in pixels. */
const NAMES = 54;
const HEAD = 22;
const LANE = 26;

/** One bar on a true axis: the counts over it, a line to each limb, a tick to each place. */
function EmptyBar({ meter, parts, lanes, school }: EmptyBarProps) {
  const all = labels(meter, 'numbers', cellsOfDivisions(meter, 'numbers', parts), school);
  const length = toNumber(barLength(meter));
  const xOf = (at: (typeof all)[number]['at']) => `${(100 * toNumber(at)) / length}%`;
  const bottom = HEAD + lanes * LANE;
  return (
    <Box
      component="svg"
      role="img"
      aria-label={`Empty bar of ${meterInWords(meter)}`}
      sx={{ flex: 1, minWidth: 0, height: bottom + 2, overflow: 'visible' }}
    >
      {all.map(({ at, say, count }, index) => (
        <g key={index}>
          <line
            x1={xOf(at)}
            x2={xOf(at)}
            y1={HEAD}
            y2={bottom}
            stroke="#000"
            strokeWidth={count ? 1 : 0.4}
            strokeDasharray={count ? undefined : '2 3'}
          />
          <text
            x={xOf(at)}
            y={HEAD - 6}
            dx={2}
            fontSize={count ? 14 : 11}
            fontWeight={count ? 700 : 400}
            fontFamily={count ? FIGURE_FONT : undefined}
          >
            {say}
          </text>
        </g>
      ))}
      {Array.from({ length: lanes + 1 }, (_, lane) => (
        <line
          key={lane}
          x1="0"
          x2="100%"
          y1={HEAD + lane * LANE}
          y2={HEAD + lane * LANE}
          stroke="#000"
          strokeWidth={0.5}
        />
      ))}
      <line x1="100%" x2="100%" y1={HEAD} y2={bottom} stroke="#000" strokeWidth={1.4} />
    </Box>
  );
}
