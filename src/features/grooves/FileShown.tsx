import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Typography from '@mui/material/Typography';
import type { School } from '@/core/counting/schools';
import { readGroove } from '@/core/documents/groove';
import type { Question } from '@/core/format/imported/grooveRead';
import { limbsIn } from '@/core/groove/kit';
import { Pick } from '@/ui/Pick';
import { Strip } from '@/ui/strip/Strip';
import { tempoInWords } from '@/ui/words/figures';
import { factsOf, grooveInWords } from '@/ui/words/grooves';
import type { FileRead } from './grooveFiles.worker';

/** Bars of a groove that are shown before it is kept. */
const SHOWN_BARS = 2;

interface FileShownProps {
  read: FileRead;
  school: School;
  isWanted: boolean;
  onTurn: () => void;
  /** What is said last came of an answer, which is taken back. */
  say?: string;
  /** While a file is being read nothing is answered. */
  isReading: boolean;
  onAnswer: (id: string, answer: string) => void;
}

/** A file: the groove that was understood and what is open about it, or why there is none. */
export function FileShown({ read, school, isWanted, onTurn, say, isReading, onAnswer }: FileShownProps) {
  const groove = 'groove' in read ? readGroove(read.groove) : undefined;
  if (!('groove' in read) || !groove?.ok)
    return (
      <Alert severity="warning">
        <strong>{read.name}</strong>: {'say' in read ? read.say : 'it cannot be read.'}
      </Alert>
    );
  const { value } = groove;
  const { left, questions } = read;
  const glance = { ...value, bars: value.bars.slice(0, SHOWN_BARS) };
  return (
    <Box component="article" aria-label={value.title} sx={{ borderTop: 1, borderColor: 'divider', pt: 1.5 }}>
      <FormControlLabel
        control={<Checkbox checked={isWanted} onChange={onTurn} />}
        label={
          <span>
            <strong>{value.title}</strong> {grooveInWords(factsOf(value))} · {tempoInWords(value.tempo)} bpm, from{' '}
            {read.name}
          </span>
        }
      />
      <Box sx={{ opacity: isWanted ? 1 : 0.4 }}>
        <Strip groove={glance} school={school} size="glance" task={limbsIn(value)} />
      </Box>
      {isWanted && questions.length > 0 && <Open questions={questions} isReading={isReading} onAnswer={onAnswer} />}
      {say && (
        <Alert severity="warning" sx={{ my: 1 }}>
          {say}
        </Alert>
      )}
      <Typography variant="body2" color={left.length ? 'textPrimary' : 'textSecondary'} sx={{ mt: 0.5 }}>
        {value.bars.length > SHOWN_BARS && `The first ${SHOWN_BARS} of ${value.bars.length} bars. `}
        {left.length ? `Left out: ${left.join('; ')}.` : 'All of it was understood.'}
      </Typography>
    </Box>
  );
}

interface OpenProps {
  questions: readonly Question[];
  isReading: boolean;
  onAnswer: (id: string, answer: string) => void;
}

/** What a file leaves open, each as it was taken; another answer reads it once more. */
function Open({ questions, isReading, onAnswer }: OpenProps) {
  return (
    <Box role="group" aria-label="What the file leaves open" sx={{ my: 1.5 }}>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1.5 }}>
        The file leaves this open. It was taken so:
      </Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(min(250px, 100%), 1fr))', gap: 2 }}>
        {questions.map(({ id, ask, choices, taken }) => (
          <Pick
            key={id}
            label={ask}
            value={taken}
            options={choices}
            disabled={isReading}
            onPick={(answer) => onAnswer(id, answer)}
          />
        ))}
      </Box>
    </Box>
  );
}
