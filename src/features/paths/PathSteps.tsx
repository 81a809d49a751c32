import Box from '@mui/material/Box';
import { tempoInWords } from '@/ui/words/figures';

interface PathStepsProps {
  steps: readonly { title: string; goal: number; passTakes: number; clean?: number }[];
  /** The step somebody stands on; none where nobody does. */
  at?: number;
}

/** The steps of a path in a row, each with its tempo; what is passed is filled, and where one stands is ringed. */
export function PathSteps({ steps, at }: PathStepsProps) {
  return (
    <Box component="ol" sx={{ listStyle: 'none', display: 'flex', flexWrap: 'wrap', gap: 0.75, m: 0, p: 0 }}>
      {steps.map(({ title, goal, passTakes, clean = 0 }, index) => {
        const isPassed = at !== undefined && clean >= passTakes;
        const isHere = index === at;
        return (
          <Box
            component="li"
            key={index}
            aria-current={isHere ? 'step' : undefined}
            sx={{
              px: 1.25,
              py: 0.5,
              borderRadius: 1,
              border: isHere ? 2 : 1,
              borderColor: isHere ? 'primary.main' : 'divider',
              bgcolor: isPassed ? 'action.selected' : 'transparent',
              fontSize: 14,
              overflowWrap: 'anywhere',
            }}
          >
            {index + 1}. {title}{' '}
            <Box component="span" sx={{ color: 'text.secondary', whiteSpace: 'nowrap' }}>
              {tempoInWords(goal)}
              {at !== undefined && (isPassed ? ' passed' : ` ${clean} of ${passTakes}`)}
            </Box>
          </Box>
        );
      })}
    </Box>
  );
}
