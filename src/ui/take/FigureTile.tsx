import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { FIGURE_FONT } from '../theme';
import { Explained } from './Explained';

export interface FigureTileProps {
  name: string;
  value: string;
  note: string;
  explained: string;
}

/** One figure, large; on a touch it says what it is. */
export function FigureTile({ name, value, note, explained }: FigureTileProps) {
  return (
    <Explained explained={explained} sx={{ borderTop: 2, borderColor: 'divider', pt: 1 }}>
      <Typography component="div" variant="body2" color="textSecondary" className="figure-name">
        {name}
      </Typography>
      <Box sx={{ fontFamily: FIGURE_FONT, fontWeight: 700, fontSize: '1.35rem', lineHeight: 1.25 }}>{value}</Box>
      <Typography component="div" variant="body2" color="textSecondary">
        {note}
      </Typography>
    </Explained>
  );
}
