import Box from '@mui/material/Box';
import { meanKnown, estimatedSpread, type Estimate } from '@/core/take/statistics';
import type { Judgement } from '@/core/take/judge';
import { driftInWords, inMs, lateOrEarly } from '../words/figures';
import { FigureTile, type FigureTileProps } from './FigureTile';

/** "±2" of an interval, nothing where it is not known. */
const unsure = ({ low, high }: Estimate): string =>
  low === null || high === null ? '' : `± ${Math.max(1, Math.round((high - low) / 2))}`;

/** The figures of a whole take, in large. */
export function TakeFigures({ judgement: { figures, toleranceMs } }: { judgement: Judgement }) {
  const { matched, missed, extra, notJudgeable, meanErrorMs, sdErrorMs, sdAroundTrendMs, tempoDriftPercent } = figures;
  const strokes = `${matched} strokes`;
  const mean = meanKnown(matched, meanErrorMs, sdErrorMs);
  const spread = estimatedSpread(matched, sdErrorMs);
  const tiles: FigureTileProps[] = [
    {
      name: 'Where the take sits',
      value: lateOrEarly(meanErrorMs),
      note: `${unsure(mean)} ms, of ${strokes}`,
      explained: `The mean of all errors. From ${strokes}; a constant part of it may be the device’s own delay.`,
    },
    {
      name: 'Spread',
      value: inMs(sdErrorMs),
      note: `${Math.round(toleranceMs)} ms passes`,
      explained: `The standard deviation of all errors: two thirds of the strokes lie within it. From ${strokes}; with 95 in 100 it lies between ${inMs(spread.low)} and ${inMs(spread.high)}.`,
    },
    {
      name: 'Tempo',
      value: driftInWords(tempoDriftPercent),
      note: `spread round it ${inMs(sdAroundTrendMs)}`,
      explained: `How much faster or slower than the click the whole take is, by a straight line through all errors. From ${strokes}.`,
    },
    {
      name: 'Left out',
      value: `${missed} of ${matched + missed}`,
      note: notJudgeable ? `${notJudgeable} not judgeable` : 'strokes that were due',
      explained:
        'Strokes that were due and had no hit of their own.' +
        (notJudgeable ? ` ${notJudgeable} that this input cannot tell of are not among them.` : ''),
    },
    {
      name: 'Too many',
      value: String(extra),
      note: 'hits where none was due',
      explained: 'Hits that belong to no stroke of the groove.',
    },
  ];
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(150px, 1fr))', gap: 2 }}>
      {tiles.map((tile) => (
        <FigureTile key={tile.name} {...tile} />
      ))}
    </Box>
  );
}
