'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { visuallyHidden } from '@mui/utils';
import { useCallback, useMemo, useReducer, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { readSpoken } from '@/core/count/reader';
import type { Remedy } from '@/core/count/spoken';
import { placeInWords } from '@/core/count/placeInWords';
import { schoolNamed } from '@/core/count/schools';
import { beatOf } from '@/core/groove/beat';
import type { Groove } from '@/core/groove/document';
import { moveHeight, placeStroke, removeStroke, setDivision, setOrnament, setTuplet, type Place, type Regridded } from '@/core/groove/edit';
import { slotAt, slotsOfBar } from '@/core/groove/grid';
import { HEIGHTS, type Height, type Limb, type Ornament } from '@/core/groove/limbs';
import type { Result } from '@/core/result';
import type { Transformed } from '@/core/groove/transform';
import { steady } from '@/core/time/tempoMap';
import { drawnBars } from '@/ui/strip/layout';
import { Strip, type StripHandle } from '@/ui/strip/Strip';
import { Page } from '@/ui/Page';
import { BeatArithmetic } from './BeatArithmetic';
import { benchReducer, openedOn, strokeUnder } from './history';
import { HeadLine } from './HeadLine';
import { KeyList } from './KeyList';
import { placeSpoken, previewOf } from './placeSpoken';
import { SayIt } from './SayIt';
import { SidePanel } from './SidePanel';
import { useHearing } from './useHearing';
import { useSaving } from './useSaving';

interface BenchProps {
  id: string;
  level: string;
  school: string;
  opened: Groove;
  saveNumber: number;
}

/** How far a drag goes for one height, in pixels. */
const DRAG_STEP = 18;

const ORNAMENT_KEYS: Record<string, Ornament> = { f: 'flam', d: 'drag', w: 'double', z: 'buzz' };

/** The teacher's desk: place strokes by pointer, keys or words, see at once whether they can be played. */
export function Bench({ id, level, school: schoolName, opened, saveNumber }: BenchProps) {
  const school = schoolNamed(schoolName);
  const [state, dispatch] = useReducer(benchReducer, opened, openedOn);
  const { groove, cursor, height } = state;
  const [text, setText] = useState('');
  const [notice, setNotice] = useState<{ severity: 'info' | 'error'; say: string }>();
  const [losing, setLosing] = useState<{ say: string; groove: Groove }>();
  const [helping, setHelping] = useState(false);
  const drag = useRef<{ place: Place; y: number; from: number; moved: boolean; wasThere: boolean }>(undefined);
  const strip = useRef<StripHandle>(null);
  const load = useCallback((other: Groove) => dispatch({ type: 'load', groove: other }), []);
  const { saving, choose } = useSaving(id, level, { groove: opened, saveNumber }, groove, load);
  const hearing = useHearing(groove, strip);

  const spokenBars = useMemo(() => groove.bars.map(({ meter, cells }) => ({ meter, reading: groove.reading, cells })), [groove]);
  const spoken = useMemo(() => readSpoken(text, spokenBars, school, cursor.bar), [text, spokenBars, school, cursor.bar]);
  const unsaid = { limb: cursor.limb, height };
  const preview = previewOf(groove, spoken.places, unsaid);
  const under = strokeUnder(state);

  const edit = useCallback(
    (next: Groove, more: { cursor?: Place; height?: Height; merge?: boolean } = {}) => dispatch({ type: 'edit', groove: next, ...more }),
    [],
  );

  /** Takes up a new grid at once when nothing is lost by it; else asks first, naming what would be. */
  const regrid = useCallback(
    (answer: Regridded, words: string) => {
      if (!answer.lost.length) return edit(answer.groove);
      const named = answer.lost.map((stroke) => `${stroke.limb}, ${placeInWords(groove, cursor.bar, stroke.at, school)}`).join('; ');
      setLosing({ say: `${words} has no slot for: ${named}.`, groove: answer.groove });
    },
    [edit, groove, cursor.bar, school],
  );

  const divide = useCallback(
    (count: number, parts: number, bar = cursor.bar) => regrid(setDivision(groove, bar, count, parts), `Count ${count} divided by ${parts}`),
    [regrid, groove, cursor.bar],
  );
  const countHere = slotAt(slotsOfBar(groove.bars[cursor.bar]!.meter, groove.reading, groove.bars[cursor.bar]!.cells), cursor.at)?.count ?? 1;

  const transform = useCallback(
    (answer: Result<Transformed> | Transformed) => {
      if ('ok' in answer && !answer.ok) return setNotice({ severity: 'error', say: `${answer.problems[0]!.say} ${answer.problems[0]!.remedy}` });
      const { groove: next, say } = 'ok' in answer ? answer.value : answer;
      edit(next);
      setNotice({ severity: 'info', say });
    },
    [edit],
  );

  const onPointer = useCallback(
    (kind: 'down' | 'move' | 'up', at: { bar: number; limb: Limb; percent: number }, event: PointerEvent) => {
      if (kind === 'down') {
        const bar = drawnBars(groove, school, steady(groove.tempo, beatOf(groove)))[at.bar]!;
        const slot = bar.slots.reduce((near, one) => (Math.abs(one.percent - at.percent) < Math.abs(near.percent - at.percent) ? one : near));
        const place: Place = { bar: at.bar, limb: at.limb, at: slot.at };
        const there = strokeUnder({ groove, cursor: place });
        drag.current = {
          place,
          y: event.clientY,
          from: HEIGHTS.indexOf(there?.height ?? height),
          moved: false,
          wasThere: Boolean(there) && sameAs(place, cursor),
        };
        event.currentTarget.setPointerCapture(event.pointerId);
        if (there) dispatch({ type: 'cursor', cursor: place });
        else edit(placeStroke(groove, place, { height }), { cursor: place });
      } else if (drag.current && kind === 'move') {
        const { place, y, from } = drag.current;
        const wanted = HEIGHTS[Math.max(0, Math.min(2, from + Math.round((y - event.clientY) / DRAG_STEP)))]!;
        if (strokeUnder({ groove, cursor: place })?.height === wanted) return;
        edit(placeStroke(groove, place, { height: wanted }), { height: wanted, merge: drag.current.moved });
        drag.current.moved = true;
      } else if (drag.current && kind === 'up') {
        // A second click on the stroke under the cursor takes it out; a drag leaves it.
        if (drag.current.wasThere && !drag.current.moved) edit(removeStroke(groove, drag.current.place));
        drag.current = undefined;
      }
    },
    [groove, school, height, cursor, edit],
  );

  const onKey = (event: KeyboardEvent) => {
    const key = event.key.length === 1 ? event.key.toLowerCase() : event.key;
    const control = event.ctrlKey || event.metaKey;
    const act = keyActions({ key, control, shift: event.shiftKey });
    if (!act) return;
    event.preventDefault();
    act();
  };
  const keyActions = ({ key, control, shift }: { key: string; control: boolean; shift: boolean }): (() => void) | undefined => {
    if (control && key === 'z') return () => dispatch({ type: shift ? 'redo' : 'undo' });
    if (control && key === 'y') return () => dispatch({ type: 'redo' });
    if (control && (key === 'ArrowLeft' || key === 'ArrowRight')) return () => dispatch({ type: 'move', way: 'count', by: key === 'ArrowRight' ? 1 : -1 });
    if (control) return undefined;
    if (key === '+' || key === '=' || (shift && key === 'ArrowUp')) return () => raise(1);
    if (key === '-' || (shift && key === 'ArrowDown')) return () => raise(-1);
    if (key === 'ArrowLeft' || key === 'ArrowRight') return () => dispatch({ type: 'move', way: 'slot', by: key === 'ArrowRight' ? 1 : -1 });
    if (key === 'ArrowUp' || key === 'ArrowDown') return () => dispatch({ type: 'move', way: 'limb', by: key === 'ArrowDown' ? 1 : -1 });
    if (key === 'PageUp' || key === 'PageDown') return () => dispatch({ type: 'move', way: 'bar', by: key === 'PageDown' ? 1 : -1 });
    if (key === 'Enter') return () => edit(placeStroke(groove, cursor, { height: under?.height ?? height }));
    if (key === 'Delete' || key === 'Backspace') return () => edit(removeStroke(groove, cursor));
    if (key === ' ') return () => void hearing.toggle();
    if (key === '?') return () => setHelping(true);
    const ornament = ORNAMENT_KEYS[key];
    if (ornament && under) return () => edit(setOrnament(groove, cursor, under.ornament === ornament ? undefined : ornament));
    if (/^[1-8]$/.test(key)) return () => divide(countHere, Number(key));
    if (key === 't')
      return () => {
        const answer = setTuplet(groove, cursor.bar, countHere, 2, 3);
        if (answer.ok) regrid(answer.value, 'A triplet over two counts');
        else transform(answer);
      };
    return undefined;
  };
  const raise = (by: 1 | -1) => {
    const next = moveHeight(groove, cursor, by);
    edit(next, { height: strokeUnder({ groove: next, cursor })?.height });
  };

  const remedy = (one: Remedy, from: number, to: number) => {
    if ('replace' in one) setText(text.slice(0, from) + one.replace + text.slice(to));
    else divide(one.count, one.parts, one.bar);
  };

  return (
    <Page
      title={groove.title}
      note={
        <Box component="span" role="status">
          {saving.kind === 'saved' ? 'Saved' : saving.kind === 'waiting' ? 'Saving …' : saving.kind === 'offline' ? saving.say : 'Saved elsewhere meanwhile'}
        </Box>
      }
      actions={
        <>
          <Button variant="outlined" onClick={() => dispatch({ type: 'undo' })} disabled={!state.past.length}>
            Undo
          </Button>
          <Button variant="outlined" onClick={() => dispatch({ type: 'redo' })} disabled={!state.future.length}>
            Redo
          </Button>
          <Button variant="contained" onClick={() => void hearing.toggle()}>
            {hearing.playing ? 'Stop' : 'Hear it'}
          </Button>
        </>
      }
    >
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 270px' }, gap: 3 }}>
        <Box sx={{ display: 'grid', gap: 2, alignContent: 'start', minWidth: 0 }}>
          <HeadLine groove={groove} cursor={cursor} onEdit={edit} onRegrid={regrid} onTransform={transform} />
          {saving.kind === 'behind' && (
            <Alert severity="warning" role="alert">
              <Typography sx={{ fontWeight: 650 }}>
                This groove was saved in another window meanwhile. Which one is to stand? The other is kept as a copy.
              </Typography>
              <Box sx={{ mt: 1.5 }}>
                <Strip groove={saving.theirs} school={schoolName} size="glance" />
              </Box>
              <Box sx={{ mt: 1.5, display: 'flex', gap: 1 }}>
                <Button variant="contained" onClick={() => void choose('mine')}>
                  Keep mine
                </Button>
                <Button variant="outlined" onClick={() => void choose('theirs')}>
                  Take the other, shown here
                </Button>
              </Box>
            </Alert>
          )}
          {losing && (
            <Alert
              severity="warning"
              role="alert"
              action={
                <>
                  <Button
                    color="inherit"
                    onClick={() => {
                      edit(losing.groove);
                      setLosing(undefined);
                    }}
                  >
                    Do it without them
                  </Button>
                  <Button color="inherit" onClick={() => setLosing(undefined)}>
                    Leave it
                  </Button>
                </>
              }
            >
              {losing.say}
            </Alert>
          )}
          {(notice ?? hearing.say) && (
            <Alert severity={notice?.severity ?? 'info'} role="status" onClose={() => setNotice(undefined)}>
              {notice?.say ?? hearing.say}
            </Alert>
          )}
          <Box
            tabIndex={0}
            role="application"
            aria-label="Strip. Arrow keys move, Enter places, question mark lists all keys."
            aria-describedby="bench-cursor"
            onKeyDown={onKey}
            sx={{ borderRadius: 1, py: 1, '&:focus-visible': { outline: '2px solid', outlineColor: 'secondary.main', outlineOffset: 6 } }}
          >
            <Strip groove={groove} school={schoolName} size="desk" allLanes cursor={cursor} preview={preview} onPointer={onPointer} handle={strip} />
          </Box>
          <Box id="bench-cursor" aria-live="polite" sx={visuallyHidden}>
            {`${cursor.limb}, ${placeInWords(groove, cursor.bar, cursor.at, school)}, ${under ? `${under.height} ${under.ornament ?? ''} on ${under.surface}` : 'empty'}`}
          </Box>
          <SayIt
            text={text}
            spoken={spoken}
            onText={setText}
            onRemedy={remedy}
            onPlace={() => {
              edit(placeSpoken(groove, spoken.places, unsaid));
              setText('');
            }}
          />
          <BeatArithmetic groove={groove} bar={cursor.bar} />
        </Box>
        <SidePanel groove={groove} cursor={cursor} school={school} onEdit={edit} onHelp={() => setHelping(true)} />
      </Box>
      <KeyList open={helping} onClose={() => setHelping(false)} />
    </Page>
  );
}

const sameAs = (a: Place, b: Place) => a.bar === b.bar && a.limb === b.limb && a.at.n === b.at.n && a.at.d === b.at.d;
