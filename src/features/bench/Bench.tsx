'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { visuallyHidden } from '@mui/utils';
import { useCallback, useDeferredValue, useMemo, useReducer, useRef, useState, type KeyboardEvent } from 'react';
import { readSpoken } from '@/core/count/reader';
import type { Remedy } from '@/core/count/spoken';
import { placeInWords } from '@/core/count/placeInWords';
import type { School } from '@/core/count/schools';
import type { Groove } from '@/core/groove/groove';
import type { Place } from '@/core/groove/edit';
import { techniqueAt } from '@/core/groove/lines';
import { LIMBS } from '@/core/groove/limbs';
import type { WorkshopSettings } from '@/core/documents/settings';
import { Page } from '@/ui/Page';
import { Strip, type StripHandle } from '@/ui/strip/Strip';
import { FIGURE_FONT } from '@/ui/theme';
import { BeatArithmetic } from './BeatArithmetic';
import { EditBar } from './EditBar';
import { HeadLine } from './HeadLine';
import { HearMenu, type HearHow } from './HearMenu';
import { benchReducer, openedOn, selectedIn, strokeUnder } from './history';
import { KeyList } from './KeyList';
import { commandOf, type Command } from './keys';
import { placeSpoken, previewOf } from './placeSpoken';
import { fromPlace, limbByLimb, selectionLoop, straightThenSwung, type Loop } from './loop';
import { SayIt } from './SayIt';
import { SidePanel } from './SidePanel';
import { StavePanel } from './StavePanel';
import { TransformDialog } from './TransformDialog';
import { useEditing } from './useEditing';
import { useHearing } from './useHearing';
import { useSettled } from './useSettled';
import { useStable } from './useStable';
import { useSaving } from './useSaving';
import { useStripPointer } from './useStripPointer';

interface BenchProps {
  id: string;
  level: string;
  school: School;
  settings: WorkshopSettings;
  opened: Groove;
  saveNumber: number;
}

/** The teacher's desk: place strokes by pointer, keys or words, see and hear at once what came of it. */
export function Bench({ id, level, school, settings, opened, saveNumber }: BenchProps) {
  const [state, dispatch] = useReducer(benchReducer, opened, openedOn);
  const { groove, cursor, height } = state;
  const [text, setText] = useState('');
  const [helping, setHelping] = useState(false);
  const [transforming, setTransforming] = useState(false);
  const [selecting, setSelecting] = useState(false);
  const strip = useRef<StripHandle>(null);
  const load = useCallback((other: Groove) => dispatch({ type: 'load', groove: other }), []);
  const { saving, choose } = useSaving(id, level, { groove: opened, saveNumber }, groove, load);
  const count = useRef<HTMLSpanElement>(null);
  const hearing = useHearing(school, count);
  const editing = useEditing(state, dispatch, school);
  const onPointer = useStripPointer(state, dispatch, school, selecting);
  const { does } = editing;
  // The strip answers first, then the stave, then the rest of the desk; what is costly when the hands rest.
  const onStave = useDeferredValue(state);
  const { groove: later, cursor: laterCursor, past, future } = useDeferredValue(onStave);
  const settled = useSettled(groove);

  const spokenBars = useMemo(
    () => groove.bars.map(({ meter, cells }) => ({ meter, reading: groove.reading, cells })),
    [groove],
  );
  const spoken = useMemo(
    () => readSpoken(text, spokenBars, school, cursor.bar),
    [text, spokenBars, school, cursor.bar],
  );
  const unsaid = { limb: cursor.limb, height };
  const preview = spoken.places.length ? previewOf(groove, spoken.places, unsaid) : undefined;
  const under = strokeUnder(state);
  const { anchor } = state;
  const selection = useMemo(() => selectedIn({ groove, anchor, cursor }), [groove, anchor, cursor]);
  const { technique, tempo } = groove;
  const notes = useMemo(() => laneNotes({ technique, tempo }), [technique, tempo]);

  const play = (programme: Loop) => void hearing.play(programme, [strip]);
  const hear = (how: HearHow) => {
    if (how === 'selection') play(selection ? selectionLoop(groove, selection) : fromPlace(groove));
    else if (how === 'straight then swung') play(straightThenSwung(groove));
    else if (how === 'limb by limb') play(limbByLimb(groove));
    else play(fromPlace(groove, how === 'here' ? cursor : undefined));
  };
  const onCommand = (command: Command) => {
    if (command.do === 'hear') {
      if (hearing.playing && command.how === 'all') hearing.stop();
      else hear(command.how);
    } else if (command.do === 'help') setHelping(true);
    else if (command.do === 'transform') setTransforming(true);
    else does.perform(command);
  };
  const onKey = (event: KeyboardEvent) => {
    const command = commandOf(event);
    if (!command) return;
    event.preventDefault();
    onCommand(command);
  };
  const desk = useStable({
    onCommand,
    hear,
    play,
    stop: hearing.stop,
    help: () => setHelping(true),
    transform: () => setTransforming(true),
    goTo: (place: Place) => dispatch({ type: 'cursor', cursor: place }),
    remedy: (one: Remedy, from: number, to: number) => {
      if ('replace' in one) setText(text.slice(0, from) + one.replace + text.slice(to));
      else does.divide(one.count, one.parts, one.bar);
    },
    placeSaid: () => {
      does.edit(placeSpoken(groove, spoken.places, unsaid));
      setText('');
    },
    select: (on: boolean) => {
      setSelecting(on);
      if (!on) dispatch({ type: 'selectNone' });
    },
  });

  return (
    <Page
      title={groove.title}
      note={
        <Box component="span" role="status">
          {saving.kind === 'saved'
            ? 'Saved'
            : saving.kind === 'waiting'
              ? 'Saving …'
              : saving.kind === 'offline'
                ? saving.say
                : 'Saved elsewhere meanwhile'}
        </Box>
      }
      actions={
        <>
          <Box
            ref={count}
            component="span"
            aria-hidden
            sx={{
              fontFamily: FIGURE_FONT,
              fontWeight: 750,
              fontSize: 30,
              lineHeight: '36px',
              minWidth: 64,
              textAlign: 'right',
              pr: 1,
            }}
          />
          <Button href={`/drills?groove=${id}`} variant="text">
            Make a drill
          </Button>
          <Button variant="outlined" onClick={desk.transform} aria-haspopup="dialog">
            Transform
          </Button>
          <HearMenu
            playing={hearing.playing}
            swung={Boolean(later.swing)}
            selected={Boolean(selection)}
            onHear={desk.hear}
            onStop={desk.stop}
          />
        </>
      }
    >
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 270px' }, gap: 3 }}>
        <Box sx={{ display: 'grid', gap: 2, alignContent: 'start', minWidth: 0 }}>
          <HeadLine
            groove={later}
            cursor={laterCursor}
            feels={settings.feels}
            onEdit={does.edit}
            onRegrid={does.regrid}
            onAnswer={does.answer}
          />
          {saving.kind === 'behind' && (
            <Alert severity="warning" role="alert">
              <Typography sx={{ fontWeight: 650 }}>
                This groove was saved in another window meanwhile. Which one is to stand? The other is kept as a copy.
              </Typography>
              <Box sx={{ mt: 1.5 }}>
                <Strip groove={saving.theirs} school={school} size="glance" />
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
          {editing.losing && (
            <Alert
              severity="warning"
              role="alert"
              action={
                <>
                  <Button color="inherit" onClick={() => editing.settle(true)}>
                    Do it without them
                  </Button>
                  <Button color="inherit" onClick={() => editing.settle(false)}>
                    Leave it
                  </Button>
                </>
              }
            >
              {editing.losing.say}
            </Alert>
          )}
          {(editing.notice ?? hearing.say) && (
            <Alert severity={editing.notice?.severity ?? 'error'} role="status" onClose={editing.forgetNotice}>
              {editing.notice?.say ?? hearing.say}
            </Alert>
          )}
          <Box>
            <EditBar
              canUndo={past.length > 0}
              canRedo={future.length > 0}
              selecting={selecting}
              selected={selection && `${editing.selectedStrokes} selected`}
              onSelecting={desk.select}
              onCommand={desk.onCommand}
              onlyBar={later.bars.length === 1}
              onBar={does}
            />
            <Box
              tabIndex={0}
              role="application"
              aria-label="Strip. Arrow keys move, Enter places, question mark lists all keys."
              aria-describedby="bench-cursor"
              onKeyDown={onKey}
              sx={{
                borderRadius: 1,
                py: 1,
                '&:focus-visible': { outline: '2px solid', outlineColor: 'secondary.main', outlineOffset: 6 },
              }}
            >
              <Strip
                groove={groove}
                school={school}
                size="desk"
                idleLanes={LIMBS}
                laneNotes={notes}
                cursor={cursor}
                preview={preview}
                selection={selection}
                onPointer={onPointer}
                handle={strip}
              />
            </Box>
          </Box>
          <Box id="bench-cursor" aria-live="polite" sx={visuallyHidden}>
            {`${cursor.limb}, ${placeInWords(groove, cursor.bar, cursor.at, school)}, ${under ? `${under.height} ${under.ornament ?? ''} on ${under.surface}` : 'empty'}`}
          </Box>
          <SayIt text={text} spoken={spoken} onText={setText} onRemedy={desk.remedy} onPlace={desk.placeSaid} />
          <StavePanel groove={onStave.groove} cursor={onStave.cursor} school={school} onPick={desk.goTo} />
          <BeatArithmetic
            groove={settled}
            bar={Math.min(laterCursor.bar, settled.bars.length - 1)}
            limb={laterCursor.limb}
            playing={hearing.playing}
            onDrop={does.answer}
            onHear={desk.play}
            onStop={desk.stop}
          />
        </Box>
        <SidePanel
          groove={later}
          settled={settled}
          cursor={laterCursor}
          school={school}
          limits={settings.limits}
          onEdit={does.edit}
          onFix={does.fix}
          onHelp={desk.help}
        />
      </Box>
      <KeyList open={helping} onClose={() => setHelping(false)} />
      {transforming && (
        <TransformDialog
          groove={groove}
          cursor={cursor}
          school={school}
          hearing={hearing}
          onClose={() => setTransforming(false)}
          onTake={(next, say) => {
            setTransforming(false);
            does.answer({ groove: next, say });
          }}
        />
      )}
    </Page>
  );
}

/** The techniques that hold at this tempo, by limb. */
const laneNotes = (groove: Pick<Groove, 'technique' | 'tempo'>) =>
  Object.fromEntries(
    LIMBS.flatMap((limb) => {
      const word = techniqueAt(groove, limb, groove.tempo);
      return word ? [[limb, <LaneNote key={limb} word={word} />]] : [];
    }),
  );

/** The technique a teacher pinned to a limb, over its name. */
function LaneNote({ word }: { word: string }) {
  return (
    <Box
      component="span"
      sx={{
        fontSize: 12,
        fontStyle: 'italic',
        color: 'text.secondary',
        overflow: 'hidden',
        textOverflow: 'ellipsis',
        whiteSpace: 'nowrap',
        pr: 1,
      }}
    >
      {word}
    </Box>
  );
}
