import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { MicrophoneEars } from '@/core/documents/ears';
import { opening } from '@/ui/words/text';
import { toldInWords } from '@/ui/words/ears';

/** So large a share of a surface's strokes is told right where it is told well. */
const WELL = 0.8;

/** What can be told here and what cannot, as it was tried on the strokes themselves. */
export function ToldTable({ microphone: { told, kit } }: { microphone: MicrophoneEars }) {
  if (!kit?.surfaces.length)
    return (
      <Typography role="status">No stroke was heard, so nothing was learnt. Come nearer and strike again.</Typography>
    );
  const poor = told.filter(({ right, of }) => right < WELL * of);
  return (
    <Box role="status">
      <Typography>{howWell(told.length, poor.length)}</Typography>
      <Box component="ul" sx={{ m: 0, mt: 1, pl: 2.5 }}>
        {told.map((one) => (
          <li key={one.surface}>{opening(toldInWords(one))}</li>
        ))}
      </Box>
    </Box>
  );
}

function howWell(surfaces: number, poor: number): string {
  if (poor) return 'Some of it is not told apart well here. Another place for the microphone may help.';
  return surfaces === 1
    ? 'It is heard. Which hand struck cannot be told from one surface.'
    : 'All of it is told apart here.';
}
