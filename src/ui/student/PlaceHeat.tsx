'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { countedInWords } from '@/core/counting/placeInWords';
import { syllable, type School } from '@/core/counting/schools';
import { LIMBS } from '@/core/groove/limbs';
import type { PlaceOfMany } from '@/core/plan/studentFigures';
import { groupBy } from '@/core/stats/groupBy';
import { lateOrEarly } from '../words/figures';
import { opening } from '../words/text';

interface PlaceHeatProps {
  places: readonly PlaceOfMany[];
  school: School;
}

/** An error this large is drawn in full colour. */
const HOTTEST_MS = 30;
const AUDIBLE_MS = 6;

const partsInWords = (parts: number) => (parts === 1 ? 'on the counts' : `${parts} to a count`);

/** Error by place of the count over all takes: late in one colour, early in another, the figure in each cell. */
export function PlaceHeat({ places, school }: PlaceHeatProps) {
  const grids = [
    ...groupBy(
      places.filter(({ counts }) => counts === 1),
      ({ parts }) => parts,
    ),
  ].sort(([a], [b]) => a - b);
  return (
    <Box>
      <Typography variant="h2">Error by place of the count</Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
        In milliseconds against where each take as a whole sits, late above 0. What nobody hears has no colour; × is
        what was left out.
      </Typography>
      <Box sx={{ display: 'grid', gap: 2 }}>
        {grids.map(([parts, all]) => (
          <HeatGrid key={parts} parts={parts} places={all} school={school} />
        ))}
      </Box>
    </Box>
  );
}

function HeatGrid({ parts, places, school }: { parts: number; places: readonly PlaceOfMany[]; school: School }) {
  const counts = Math.max(...places.map(({ count }) => count));
  const columns = Array.from({ length: counts * parts }, (_, index) => ({
    count: Math.floor(index / parts) + 1,
    part: index % parts,
  }));
  const limbs = LIMBS.filter((limb) => places.some((one) => one.limb === limb));
  return (
    <Box
      role="region"
      tabIndex={0}
      aria-label={`Error by place, ${partsInWords(parts)}`}
      sx={{ overflowX: 'auto', pb: 0.5 }}
    >
      <Box
        role="table"
        aria-label={opening(partsInWords(parts))}
        sx={{
          display: 'grid',
          gridTemplateColumns: `96px repeat(${columns.length}, minmax(38px, 54px))`,
          gap: '2px',
          '& > [role=row]': { display: 'contents' },
        }}
      >
        <Box role="row">
          <Box role="columnheader" sx={{ fontSize: 13, color: 'text.secondary', alignSelf: 'end' }}>
            {partsInWords(parts)}
          </Box>
          {columns.map(({ count, part }) => (
            <Box
              key={`${count} ${part}`}
              role="columnheader"
              sx={{
                textAlign: 'center',
                fontWeight: part ? 450 : 700,
                color: part ? 'text.secondary' : 'text.primary',
              }}
            >
              {part ? (syllable(school, parts, part) ?? '·') : count}
            </Box>
          ))}
        </Box>
        {limbs.map((limb) => (
          <Box role="row" key={limb}>
            <Box role="rowheader" sx={{ fontSize: 14, alignSelf: 'center' }}>
              {opening(limb)}
            </Box>
            {columns.map(({ count, part }) => (
              <HeatCell
                key={`${count} ${part}`}
                place={places.find((one) => one.limb === limb && one.count === count && one.part === part)}
                school={school}
              />
            ))}
          </Box>
        ))}
      </Box>
    </Box>
  );
}

function HeatCell({ place, school }: { place?: PlaceOfMany; school: School }) {
  if (!place)
    return <Box role="cell" sx={{ minHeight: 34, bgcolor: 'action.hover', opacity: 0.35, borderRadius: '4px' }} />;
  const late = place.mean_error_ms ?? 0;
  const isHeard = Math.abs(late) >= AUDIBLE_MS;
  const share = Math.round(60 * Math.min(1, Math.abs(late) / HOTTEST_MS));
  const missed = place.missed / (place.matched + place.missed);
  return (
    <Box
      role="cell"
      title={`${countedInWords(place, school)} in the ${place.limb}: ${lateOrEarly(place.mean_error_ms)} over ${place.matched} strokes, ${place.missed} left out`}
      sx={(theme) => ({
        minHeight: 34,
        borderRadius: '4px',
        display: 'grid',
        placeItems: 'center',
        fontSize: 14,
        fontVariantNumeric: 'tabular-nums',
        border: 1,
        borderColor: 'divider',
        ...(isHeard && {
          bgcolor: `color-mix(in srgb, ${theme.vars!.palette.cloth[late > 0 ? 'rightHand' : 'leftHand']} ${share}%, transparent)`,
        }),
      })}
    >
      {place.mean_error_ms === null ? '–' : `${late < -0.5 ? '−' : ''}${Math.abs(Math.round(late))}`}
      {missed > 0.05 && '×'}
    </Box>
  );
}
