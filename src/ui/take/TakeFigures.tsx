import Box from '@mui/material/Box';
import { meanInterval, standardDeviationInterval, type Estimate } from '@/core/stats/estimates';
import type { Judgement } from '@/core/judging/types/judgement';
import type { ReportWords } from '@/core/documents/verdict';
import { driftInWords, inMs, lateOrEarly } from '../words/figures';
import { FigureTile, type FigureTileProps } from './FigureTile';

/** "±2" of an interval, nothing where it is not known. */
const unsure = ({ low, high }: Estimate): string =>
  low === null || high === null ? '' : `± ${Math.max(1, Math.round((high - low) / 2))}`;

interface TakeFiguresProps {
  judgement: Judgement;
  report: ReportWords;
  /** What was left out and what was too many stands above it already. */
  isBeneath?: boolean;
}

/** The figures of a whole take, in large; in plain words only how it was, and what was left out. */
export function TakeFigures({ judgement, report, isBeneath = false }: TakeFiguresProps) {
  const tiles = [
    ...(report === 'figures' ? inFigures(judgement) : inWords(judgement)),
    ...(isBeneath ? [] : counted(judgement)),
  ];
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(150px, 1fr))', gap: 2 }}>
      {tiles.map((tile) => (
        <FigureTile key={tile.name} {...tile} />
      ))}
    </Box>
  );
}

function inFigures(judgement: Judgement): FigureTileProps[] {
  const { figures, toleranceMs } = judgement;
  const { matched, meanErrorMs, sdErrorMs, sdAroundTrendMs, tempoDriftPercent } = figures;
  const strokes = `${matched} strokes`;
  const mean = meanInterval(matched, meanErrorMs, sdErrorMs);
  const spread = standardDeviationInterval(matched, sdErrorMs);
  return [
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
  ];
}

/** What somebody does who is told that much is off, against what passes. */
function inWords(judgement: Judgement): FigureTileProps[] {
  const { figures, toleranceMs } = judgement;
  const { matched, meanErrorMs, sdErrorMs, tempoDriftPercent } = figures;
  const late = (meanErrorMs ?? 0) / toleranceMs;
  const uneven = (sdErrorMs ?? 0) / toleranceMs;
  const faster = tempoDriftPercent ?? 0;
  const from = `From ${matched} strokes.`;
  const way = late > 0 ? 'late' : 'early';
  return [
    {
      name: 'With the click',
      value: Math.abs(late) < 0.5 ? 'on time' : `${Math.abs(late) < 1.2 ? 'a little ' : ''}${way}`,
      note: 'all of it together',
      explained: `Whether you play with the click, before it or after it. ${from}`,
    },
    {
      name: 'How even',
      value: uneven <= 1 ? 'even' : 'not even yet',
      note: 'stroke by stroke',
      explained: `Whether all strokes are as early or as late as each other. ${from}`,
    },
    {
      name: 'Tempo',
      value: Math.abs(faster) < 0.3 ? 'steady' : `gets ${faster > 0 ? 'faster' : 'slower'}`,
      note: 'from beginning to end',
      explained: `Whether you get faster or slower on the way. ${from}`,
    },
  ];
}

function counted({ figures: { matched, missed, extra, notJudgeable } }: Judgement): FigureTileProps[] {
  return [
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
}
