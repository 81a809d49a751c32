'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Chip from '@mui/material/Chip';
import IconButton from '@mui/material/IconButton';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Typography from '@mui/material/Typography';
import { useEffect, useOptimistic, useRef, useState, useTransition } from 'react';
import { turnFor } from '@/core/groove/kit';
import type { GrooveContent, GrooveRow } from '@/server/grooves';
import { Unreadable } from '@/ui/Unreadable';
import { MoreHoriz, Star, StarBorder } from '@/ui/icons';
import { glanceOf } from '@/ui/strip/glance';
import { Strip } from '@/ui/strip/Strip';
import { rowInWords } from '@/ui/words/grooves';
import { tempoInWords } from '@/ui/words/figures';
import { archiveAction, favouriteAction } from './actions';
import type { ShelfPerson } from './GrooveShelf';

interface GrooveCardProps {
  one: GrooveRow;
  /** What it holds, as soon as that is here. */
  content?: GrooveContent;
  person: ShelfPerson;
  /** It has come into sight. */
  onSight: (id: string) => void;
  newGroove: (form: FormData) => Promise<void>;
  onLabels: () => void;
  onTag: (tag: string) => void;
}

/** One groove on the shelf: what it is, its strip, where it can be taken. */
export function GrooveCard({ one, content, person, newGroove, onSight, onLabels, onTag }: GrooveCardProps) {
  const { id, title, level, tempo, tags } = one;
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
            {rowInWords(one)} · {tempoInWords(tempo)} bpm · {level}
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
        <GrooveMenu one={one} anchor={menu} newGroove={newGroove} onLabels={onLabels} onClose={() => setMenu(null)} />
      )}
      <CardStrip id={id} title={title} content={content} person={person} onSight={onSight} />
    </Box>
  );
}

interface GrooveMenuProps extends Pick<GrooveCardProps, 'one' | 'newGroove' | 'onLabels'> {
  anchor: HTMLElement | null;
  onClose: () => void;
}

/** What a teacher can do with a groove beside opening it. */
function GrooveMenu({ one: { id, archived }, anchor, newGroove, onLabels, onClose }: GrooveMenuProps) {
  const [, start] = useTransition();
  const copy = () => {
    const form = new FormData();
    form.set('like', id);
    start(() => newGroove(form));
  };
  return (
    <Menu anchorEl={anchor} open={Boolean(anchor)} onClose={onClose}>
      <MenuItem
        onClick={() => {
          onClose();
          onLabels();
        }}
      >
        Level and tags
      </MenuItem>
      <MenuItem component="a" href={`/drills?groove=${id}`}>
        Make a drill of this
      </MenuItem>
      <MenuItem onClick={copy}>Copy it to the bench</MenuItem>
      <MenuItem
        onClick={() => {
          onClose();
          start(() => archiveAction(id, !archived));
        }}
      >
        {archived ? 'Bring it back' : 'Put it away'}
      </MenuItem>
    </Menu>
  );
}

/** About as high as a strip of one row, so that nothing jumps when it comes. */
const STRIP_HEIGHT = 150;

/** The strip of a groove, asked for when it comes into sight. */
function CardStrip({
  id,
  title,
  content,
  person,
  onSight,
}: Pick<GrooveCardProps, 'content' | 'person' | 'onSight'> & { id: string; title: string }) {
  const place = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (content || !place.current) return;
    const watch = new IntersectionObserver(([entry]) => entry!.isIntersecting && onSight(id), { rootMargin: '600px' });
    watch.observe(place.current);
    return () => watch.disconnect();
  }, [content, id, onSight]);
  if (!content) return <Box ref={place} sx={{ minHeight: STRIP_HEIGHT }} aria-hidden />;
  if ('unreadable' in content) return <Unreadable what={title} problem={content.unreadable} />;
  return <Strip groove={turnFor(glanceOf(content), person.setup)} school={person.school} size="glance" />;
}
