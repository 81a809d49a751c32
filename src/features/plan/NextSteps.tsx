import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Suggestion } from '@/core/plan/nextStep';
import { suggestionInWords } from '@/core/wording/planInWords';
import type { PassedWork } from '@/core/plan/works';
import type { Reader } from '@/ui/reader';
import { weaknessHref } from '@/ui/take/weaknessHref';
import { plural } from '@/ui/words/text';
import { Suggested } from './Suggested';

interface NextStepsProps {
  student: { id: string; name: string };
  suggestions: readonly Suggestion[];
  passed: readonly PassedWork[];
  today: number;
  reader: Reader;
}

/**
 * What the takes suggest for a student, with why; done by one touch, or refused for a while. Nothing is done of
 * itself.
 */
export function NextSteps({ student, suggestions, passed, today, reader: { school, report } }: NextStepsProps) {
  const due = passed.filter(({ recall }) => recall.dueOn <= today).length;
  return (
    <section>
      <Typography variant="h2">What comes next</Typography>
      {!suggestions.length && (
        <Typography color="textSecondary">
          Nothing to suggest: what is set goes on. Suggestions come from takes, and nothing is set before you say so.
        </Typography>
      )}
      {suggestions.map((one) => (
        <Suggested
          key={one.key}
          studentId={student.id}
          suggestionKey={one.key}
          {...suggestionInWords(one, school, report)}
          act={ACTS[one.does]}
          href={one.does === 'drill' ? weaknessHref(one.weakness) : undefined}
        />
      ))}
      {passed.length > 0 && (
        <Box component="details" sx={{ mt: 1.5 }}>
          <Box component="summary" sx={{ cursor: 'pointer', py: 0.5 }}>
            {plural(passed.length, 'thing')} passed, {due ? `${due} due to come back` : 'none due to come back'}
          </Box>
          <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
            {passed
              .toSorted((a, b) => a.recall.dueOn - b.recall.dueOn)
              .map(({ grooveId, title, goal, recall }) => (
                <li key={grooveId}>
                  {title} at {goal}: {dueInWords(recall.dueOn - today)}
                  {recall.back > 0 && `, ${plural(recall.back, 'rung')} below, at ${recall.bpm}`}
                </li>
              ))}
          </Box>
        </Box>
      )}
    </section>
  );
}

const ACTS: Record<Suggestion['does'], string> = {
  end: 'End it',
  raise: 'Set it higher',
  ease: 'Set it lower',
  again: 'Set it again',
  path: 'Set it',
  drill: 'Make the drill',
  listen: 'Set it',
};

function dueInWords(days: number): string {
  if (days < 0) return `due for ${plural(-days, 'day')}`;
  return days === 0 ? 'due today' : `comes back in ${plural(days, 'day')}`;
}
