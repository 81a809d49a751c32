import Box from '@mui/material/Box';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { countedInWords } from '@/core/counting/placeInWords';
import type { School } from '@/core/counting/schools';
import { countsOf } from '@/core/grid/meter';
import type { Groove } from '@/core/groove/groove';
import type { Decision, FromPlaying } from '@/core/transcribe/fromPlaying';
import { div, less, sub, type WholeNotes } from '@/core/time/fraction';
import { opening } from '@/ui/words/text';

interface DoubtsProps {
  groove: Groove;
  heard: FromPlaying;
  decisions: readonly Decision[];
  school: School;
  onDecide: (index: number, decision: Decision) => void;
}

/** What was not certain of what was played, each with what it may be. */
export function PlayabilityWarnings({ groove, heard: { doubts }, decisions, school, onDecide }: DoubtsProps) {
  return doubts.map((doubt, index) => {
    const { limb, at, or, rounds, of } = doubt;
    const say = (place: WholeNotes) => placeOf(groove, doubt.bar, place, school);
    return (
      <Box
        key={index}
        role="group"
        aria-label={`${opening(limb)}, ${say(at)}`}
        sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'center', justifyContent: 'space-between' }}
      >
        <Typography>
          {opening(limb)}, {say(at)}
          {groove.bars.length > 1 && ` in bar ${doubt.bar + 1}`}:{' '}
          <Typography component="span" color="textSecondary">
            {or ? 'between two places' : `struck ${rounds} of ${of} times`}
          </Typography>
        </Typography>
        <ToggleButtonGroup
          exclusive
          value={decisions[index]}
          sx={{ '& .MuiToggleButton-root': { minHeight: 44, textTransform: 'none' } }}
          onChange={(_, decision: Decision | null) => decision && onDecide(index, decision)}
        >
          <ToggleButton value="here">{or ? `on ${say(at)}` : 'it stands'}</ToggleButton>
          {or && <ToggleButton value="other">on {say(or)}</ToggleButton>}
          <ToggleButton value="out">leave it out</ToggleButton>
        </ToggleButtonGroup>
      </Box>
    );
  });
}

/** A place by the count it belongs to, in the plainest grid that has it, whatever that of the bar is now. */
function placeOf(groove: Groove, bar: number, at: WholeNotes, school: School): string {
  const {
    number,
    at: start,
    length,
  } = countsOf(groove.bars[bar]!.meter, groove.reading).findLast((one) => !less(at, one.at))!;
  const { n: part, d: parts } = div(sub(at, start), length);
  return countedInWords({ count: number, part, parts, counts: 1 }, school);
}
