import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { FittedTune } from '@/server/tunes';
import { tempoInWords } from '@/ui/words/figures';

interface TunesReachedProps {
  tunes: readonly FittedTune[];
  /** Whom they fit: nothing where it is the reader. */
  name?: string;
}

/** The tunes somebody can play now, and those that are nearly there, by the tempo that was played clean. */
export function TunesReached({ tunes, name }: TunesReachedProps) {
  const of = (fits: FittedTune['fit']['fits']) => tunes.filter(({ fit }) => fit.fits === fits);
  const [now, nearly] = [of('now'), of('nearly')];
  if (!now.length && !nearly.length) return null;
  return (
    <Box component="section">
      <Typography variant="h2" gutterBottom>
        {name ? `Tunes ${name} can play` : 'Tunes you can play'}
      </Typography>
      <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
        {now.map((tune) => (
          <li key={tune.id}>
            <strong>{tune.title}</strong> at {tempoInWords(tune.tempo)}, {tune.feel}, with {grooveOf(tune)}. {tune.part}
          </li>
        ))}
        {nearly.map((tune) => (
          <Box component="li" key={tune.id} sx={{ color: 'text.secondary' }}>
            {tune.title}: nearly, {tempoInWords(tune.fit.reached)} of {tempoInWords(tune.tempo)} with {grooveOf(tune)}
          </Box>
        ))}
      </Box>
    </Box>
  );
}

const grooveOf = ({ grooves, fit }: FittedTune) => grooves.find(({ id }) => id === fit.grooveId)?.title ?? '';
