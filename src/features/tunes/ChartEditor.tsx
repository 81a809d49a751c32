import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useRef } from 'react';
import { sentence } from '@/core/result';
import { Pick } from '@/ui/Pick';
import { ReadChart } from './ReadChart';
import { sectionNames, type ChartTyped } from './useChartText';

interface ChartEditorProps {
  typed: ChartTyped;
  grooves: readonly { id: string; title: string }[];
  busy: boolean;
  say?: string;
  onKeep: () => void;
  onClose: () => void;
}

const EXAMPLE = `swing at 132
intro 8, rest
A 8, 2 times, hits: let of 4 in bar 8, first ending 2, second ending 2
B 8, half-time shuffle, sign, hits: 1, short & of 2 in bar 4, to coda in bar 8
C 4 3/4, 8th = 8th, solo 4
A2 8 4/4, D.S. al Coda
coda 4, coda, ff, hold 4 by 1/2 in bar 4`;

/** What a section plays where no groove is chosen. */
const AS_YOU_LIKE = 'time as you like';

/** Where a chart is typed as one reads it aloud, and grooves are chosen for its sections. */
export function ChartEditor({ typed, grooves, busy, say, onKeep, onClose }: ChartEditorProps) {
  const field = useRef<HTMLTextAreaElement>(null);
  const { text, problem, form, chart } = typed;
  const goThere = () => {
    if (!problem || !('from' in problem)) return;
    field.current?.focus();
    field.current?.setSelectionRange(problem.from, problem.to);
  };
  return (
    <Box component="section" aria-label="Write the chart" sx={{ display: 'grid', gap: 1.5, alignContent: 'start' }}>
      <TextField
        label="The chart, as you would read it aloud"
        multiline
        minRows={7}
        maxRows={18}
        fullWidth
        value={text}
        placeholder={EXAMPLE}
        onChange={({ target }) => typed.setText(target.value)}
        inputRef={field}
        slotProps={{ htmlInput: { spellCheck: false, maxLength: 20_000 }, inputLabel: { shrink: true } }}
        helperText="Sections with their bars, a line or a semicolon between them; commas between what holds in each."
        sx={{ '& textarea': { lineHeight: 1.6 } }}
      />
      {problem && (
        <Alert
          severity="warning"
          action={
            'from' in problem && (
              <Button color="inherit" size="small" onClick={goThere}>
                Show it
              </Button>
            )
          }
        >
          {sentence(problem)}
        </Alert>
      )}
      {say && <Alert severity="error">{say}</Alert>}
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
        <Button variant="contained" onClick={onKeep} loading={busy} disabled={!chart}>
          Keep the chart
        </Button>
        <ReadChart onRead={typed.setText} />
        <Button onClick={onClose}>Close</Button>
      </Box>
      {form && grooves.length > 0 && (
        <Box component="fieldset" sx={{ border: 0, p: 0, m: 0, mt: 1 }}>
          <Typography component="legend" variant="h3" sx={{ mb: 1, p: 0 }}>
            What each section plays
          </Typography>
          <Box sx={{ display: 'grid', gap: 1.25, gridTemplateColumns: 'repeat(auto-fill, minmax(190px, 1fr))' }}>
            {sectionNames(form).map((name) => (
              <Pick
                key={name}
                label={name}
                value={typed.grooves[name] ?? AS_YOU_LIKE}
                options={[AS_YOU_LIKE, ...grooves.map(({ id, title }) => [id, title] as const)]}
                onPick={(id) => typed.setGroove(name, id === AS_YOU_LIKE ? undefined : id)}
              />
            ))}
          </Box>
        </Box>
      )}
    </Box>
  );
}
