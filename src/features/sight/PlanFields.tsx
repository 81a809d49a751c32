import Box from '@mui/material/Box';
import FormHelperText from '@mui/material/FormHelperText';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { READ_VALUES, type ReadKind, type SightPlanJson } from '@/core/documents/sightPlan';
import { FASTEST, LEVELS, SLOWEST } from '@/core/limits';
import type { Problem } from '@/core/result';
import { sentence } from '@/core/result';
import { Pick } from '@/ui/Pick';
import { plural } from '@/ui/words/text';

interface PlanFieldsProps {
  plan: SightPlanJson;
  tempo: number;
  problems: readonly Problem[];
  onChange: (change: Partial<SightPlanJson>) => void;
  onTempo: (tempo: number) => void;
}

/** How many bars can be chosen of each kind, and how many are usual. */
const BARS: Record<ReadKind, { all: number[]; usual: number }> = {
  line: { all: [1, 2, 4, 8, 12, 16], usual: 4 },
  chart: { all: [8, 12, 16, 24, 32], usual: 16 },
};
const LOOKS = [0, 5, 10, 15, 20, 30, 45, 60, 90, 120];

/** What a line may hold, how long it is, and how long one may look at it. */
export function PlanFields({ plan, tempo, problems, onChange, onTempo }: PlanFieldsProps) {
  const problemAt = (name: keyof SightPlanJson) => {
    const found = problems.find(({ path }) => path[0] === name);
    return found && sentence({ ...found, where: '' });
  };
  const { kind } = plan;
  return (
    <Box component="form" aria-label="What is read" onSubmit={(event) => event.preventDefault()} sx={FORM}>
      <ToggleButtonGroup
        exclusive
        className="wide"
        value={kind}
        aria-label="What is read"
        onChange={(_, next: ReadKind | null) => next && onChange({ kind: next, bars: BARS[next].usual })}
        sx={{ '& .MuiToggleButton-root': { flex: 1, minHeight: 44, textTransform: 'none' } }}
      >
        <ToggleButton value="line">A line</ToggleButton>
        <ToggleButton value="chart">A short chart</ToggleButton>
      </ToggleButtonGroup>
      <Box className="wide">
        <Pick label="Level" value={plan.level} options={LEVELS} onPick={(level) => onChange({ level })} />
      </Box>
      <Box className="wide">
        <Typography variant="body2" color="textSecondary" gutterBottom>
          Values
        </Typography>
        <ToggleButtonGroup
          value={plan.values}
          aria-label="Values"
          onChange={(_, values: SightPlanJson['values']) => onChange({ values })}
          sx={VALUES}
        >
          {READ_VALUES.map((value) => (
            <ToggleButton key={value} value={value}>
              {value}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        {problemAt('values') && <FormHelperText error>{problemAt('values')}</FormHelperText>}
      </Box>
      <TextField
        label="Meter"
        value={plan.meter}
        error={Boolean(problemAt('meter'))}
        helperText={problemAt('meter')}
        onChange={({ target }) => onChange({ meter: target.value.slice(0, 40) })}
      />
      <Pick label="Bars" value={plan.bars} options={BARS[kind].all} onPick={(bars) => onChange({ bars })} />
      <TextField
        label="Tempo"
        type="number"
        value={Number.isNaN(tempo) ? '' : tempo}
        error={!isTempo(tempo)}
        helperText={isTempo(tempo) ? undefined : `From ${SLOWEST} to ${FASTEST}.`}
        onChange={({ target }) => onTempo(target.value === '' ? NaN : Number(target.value))}
      />
      <Pick
        label="Time to look"
        value={plan.lookS}
        options={LOOKS.map((seconds) => [seconds, seconds ? plural(seconds, 'second') : 'none'] as const)}
        onPick={(lookS) => onChange({ lookS })}
      />
    </Box>
  );
}

export const isTempo = (tempo: number): boolean => tempo >= SLOWEST && tempo <= FASTEST;

/** They stand in two lines, so each has its own border. */
const VALUES = {
  flexWrap: 'wrap',
  gap: 1,
  '& .MuiToggleButtonGroup-grouped': { m: 0, border: 1, borderColor: 'divider', borderRadius: 1 },
  '& .MuiToggleButton-root': { minHeight: 40, px: 1.5, textTransform: 'none' },
};

const FORM = {
  display: 'grid',
  gridTemplateColumns: '1fr 1fr',
  gap: 2,
  alignItems: 'start',
  '& > .wide': { gridColumn: '1 / -1' },
};
