import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { School } from '@/core/counting/schools';
import type { Rule } from '@/core/documents/rule';
import { oneExercise } from '@/core/drill/drill';
import { Strip } from '@/ui/strip/Strip';

interface ShelfEntryProps {
  name: string;
  /** For whom it is, and what it trains. */
  note: string;
  rule: Rule;
  school: School;
  onChoose: (rule: Rule) => void;
}

/** A drill on the shelf: its name, for whom and for what it is, and the first bar of it. */
export function ShelfEntry({ name, note, rule, school, onChoose }: ShelfEntryProps) {
  return (
    <ButtonBase
      onClick={() => onChoose(rule)}
      sx={{
        display: 'block',
        textAlign: 'left',
        font: 'inherit',
        width: 1,
        minWidth: 0,
        p: 1.25,
        mb: 1,
        borderRadius: 1.5,
        border: 1,
        borderColor: 'divider',
        bgcolor: 'background.paper',
        '&:hover': { borderColor: 'text.secondary' },
        '&:focus-visible': { outline: '2px solid', outlineColor: 'secondary.main' },
      }}
    >
      <Typography sx={{ fontWeight: 650, overflowWrap: 'anywhere' }}>{name}</Typography>
      {note && (
        <Typography variant="body2" color="textSecondary" gutterBottom>
          {note}
        </Typography>
      )}
      <FirstBar rule={rule} school={school} />
    </ButtonBase>
  );
}

/** As high as a strip of three limbs at a glance: what is drawn later moves nothing. */
const HEIGHT = 132;

/** The first bar of a drill, made and drawn when it comes into sight. */
function FirstBar({ rule, school }: { rule: Rule; school: School }) {
  const [inSight, setInSight] = useState(false);
  const place = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const watch = new IntersectionObserver(([entry]) => entry!.isIntersecting && setInSight(true), {
      rootMargin: '200px',
    });
    watch.observe(place.current!);
    return () => watch.disconnect();
  }, []);
  const groove = useMemo(() => (inSight ? oneExercise(rule) : undefined), [inSight, rule]);
  return (
    <Box ref={place} aria-hidden sx={{ minHeight: HEIGHT, pointerEvents: 'none' }}>
      {groove?.ok && (
        <Strip groove={{ ...groove.value, bars: groove.value.bars.slice(0, 1) }} school={school} size="glance" />
      )}
    </Box>
  );
}
