'use client';

import MoreHoriz from '@mui/icons-material/MoreHoriz';
import Star from '@mui/icons-material/Star';
import StarBorder from '@mui/icons-material/StarBorder';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Chip from '@mui/material/Chip';
import IconButton from '@mui/material/IconButton';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Typography from '@mui/material/Typography';
import { useOptimistic, useState, useTransition } from 'react';
import { turnFor } from '@/core/groove/kit';
import type { StoredGroove } from '@/server/grooves';
import type { Person } from '@/server/people';
import { glanceOf } from '@/ui/strip/glance';
import { Strip } from '@/ui/strip/Strip';
import { drillInWords, grooveInWords, tempoInWords } from '@/ui/words';
import { archiveAction, favouriteAction } from './actions';

interface GrooveCardProps {
  one: StoredGroove;
  person: Person;
  newGroove: (form: FormData) => Promise<void>;
  onLabels: () => void;
  onTag: (tag: string) => void;
}

/** One groove on the shelf: what it is, its strip, where it can be taken. */
export function GrooveCard({ one, person, newGroove, onLabels, onTag }: GrooveCardProps) {
  const { id, title, level, tempo, tags, groove, archived } = one;
  const teacher = person.role === 'teacher';
  const [menu, setMenu] = useState<HTMLElement | null>(null);
  const [favourite, setFavourite] = useOptimistic(one.favourite);
  const [, start] = useTransition();
  return (
    <Box
      component="article"
      sx={{
        bgcolor: 'background.paper',
        border: 1,
        borderColor: 'divider',
        borderRadius: 2,
        p: 2,
        minWidth: 0,
        // A long shelf draws only the strips that are looked at.
        contentVisibility: 'auto',
        containIntrinsicSize: 'auto 260px',
      }}
    >
      <Box sx={{ display: 'flex', flexWrap: { xs: 'wrap', sm: 'nowrap' }, gap: 1, alignItems: 'flex-start', mb: 1.5 }}>
        <IconButton
          aria-label={favourite ? `${title} is a favourite` : `Make ${title} a favourite`}
          aria-pressed={favourite}
          onClick={() =>
            start(async () => {
              setFavourite(!favourite);
              await favouriteAction(id, !favourite);
            })
          }
          sx={{ mt: -0.5, ml: -0.75, color: favourite ? 'secondary.main' : 'text.secondary' }}
        >
          {favourite ? <Star /> : <StarBorder />}
        </IconButton>
        <Box sx={{ flex: { xs: '1 1 75%', sm: 1 }, minWidth: 0 }}>
          <Typography variant="h2" sx={{ overflowWrap: 'anywhere' }}>
            {title}
          </Typography>
          <Typography variant="body2" color="textSecondary">
            {one.drill ? drillInWords(one.drill) : grooveInWords(groove)} · {tempoInWords(tempo)} bpm · {level}
          </Typography>
          {tags.length > 0 && (
            <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5, mt: 0.75 }}>
              {tags.map((tag) => (
                <Chip key={tag} label={tag} size="small" variant="outlined" onClick={() => onTag(tag)} />
              ))}
            </Box>
          )}
        </Box>
        <Box sx={{ display: 'flex', gap: 0.75, alignItems: 'center', flex: 'none', ml: { xs: 'auto', sm: 0 } }}>
          {teacher && (
            <Button href={`/bench/${id}`} variant="outlined" aria-label={`Open ${title} on the bench`}>
              Bench
            </Button>
          )}
          <Button href={`/room/${id}`} variant="outlined" aria-label={`Open ${title} in the room`}>
            Room
          </Button>
          {teacher && (
            <IconButton
              aria-label={`More for ${title}`}
              aria-haspopup="menu"
              onClick={(event) => setMenu(event.currentTarget)}
              size="small"
            >
              <MoreHoriz />
            </IconButton>
          )}
        </Box>
      </Box>
      {teacher && (
        <Menu anchorEl={menu} open={Boolean(menu)} onClose={() => setMenu(null)}>
          <MenuItem
            onClick={() => {
              setMenu(null);
              onLabels();
            }}
          >
            Level and tags
          </MenuItem>
          <MenuItem component="a" href={`/drills?groove=${id}`}>
            Make a drill of this
          </MenuItem>
          <MenuItem
            onClick={() => {
              const form = new FormData();
              form.set('like', id);
              start(() => newGroove(form));
            }}
          >
            Copy it to the bench
          </MenuItem>
          <MenuItem
            onClick={() => {
              setMenu(null);
              start(() => archiveAction(id, !archived));
            }}
          >
            {archived ? 'Bring it back' : 'Put it away'}
          </MenuItem>
        </Menu>
      )}
      <Strip
        groove={glanceOf({ groove: turnFor(groove, person.setup), drill: one.drill })}
        school={person.school}
        size="glance"
      />
    </Box>
  );
}
