import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { listeningFigures } from '@/core/practice/listening';
import { choiceInWords } from '@/core/practice/subjects';
import { RUNGS } from '@/core/documents/listening';
import type { ListeningProgress } from '@/server/listening';
import type { Reader } from '@/ui/reader';
import { dayInWords } from '@/ui/words/dates';
import { confusedInWords } from '@/ui/words/listening';
import { opening } from '@/ui/words/text';

interface ListeningProps {
  progress: readonly ListeningProgress[];
  reader: Reader;
}

/** What a student tells by ear: how far with each subject, and what is taken for what. */
export function Listening({ progress, reader: { school, clock } }: ListeningProps) {
  return progress.map(({ subject, sittings, answers }) => {
    const [last] = sittings;
    return (
      <Box
        key={subject}
        sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 3, py: 1.25, borderTop: 1, borderColor: 'divider' }}
      >
        <Box sx={{ flex: '1 1 260px' }}>
          <Typography>
            <strong>{opening(subject)}</strong>, step {last!.rung + 1} of {RUNGS}
          </Typography>
          <Typography variant="body2" color="textSecondary">
            Last {last!.answered} of {last!.asked} right, {dayInWords(last!.at, clock)}
          </Typography>
        </Box>
        <Typography sx={{ flex: '2 1 340px' }}>
          {confusedInWords(listeningFigures({ answers }), (choice) => choiceInWords(subject, choice, school))}
        </Typography>
      </Box>
    );
  });
}
