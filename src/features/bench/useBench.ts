import { useCallback, useDeferredValue, useMemo, useReducer, useRef, useState, type KeyboardEvent } from 'react';
import type { Remedy } from '@/core/counting/spoken';
import type { School } from '@/core/counting/schools';
import type { Groove } from '@/core/groove/groove';
import type { Place } from '@/core/groove/edit';
import type { WorkshopSettings } from '@/core/documents/settings';
import { type StripHandle } from '@/ui/strip/Strip';
import type { HearHow } from './HearMenu';
import { laneNotes } from './laneNotes';
import { benchReducer, openedOn, selectedIn, strokeUnder } from './history';
import { commandOf, type Command } from './keys';
import { barRegion, fromPlace, limbByLimb, selectionLoop, straightThenSwung, type Loop } from './loop';
import { useEditing } from './useEditing';
import { useHearing } from './useHearing';
import { useSaid } from './useSaid';
import { useSettled } from './useSettled';
import { useStable } from './useStable';
import { useSaving } from './useSaving';
import { useStripPointer } from './useStripPointer';

export interface BenchProps {
  id: string;
  level: string;
  school: School;
  settings: WorkshopSettings;
  opened: Groove;
  saveNumber: number;
}

/** Everything that goes on at the desk: the groove and its history, what is typed, what is heard, how it is kept. */
export function useBench({ id, level, school, opened, saveNumber }: Omit<BenchProps, 'settings'>) {
  const [state, dispatch] = useReducer(benchReducer, opened, openedOn);
  const { groove, cursor, height } = state;
  const [text, setText] = useState('');
  const [helping, setHelping] = useState(false);
  const [transforming, setTransforming] = useState(false);
  const [recording, setRecording] = useState(false);
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

  const said = useSaid(groove, text, school, cursor, height);
  const under = strokeUnder(state);
  const { anchor } = state;
  const selection = useMemo(() => selectedIn({ groove, anchor, cursor }), [groove, anchor, cursor]);
  const { technique, tempo } = groove;
  const notes = useMemo(() => laneNotes({ technique, tempo }), [technique, tempo]);

  const play = (programme: Loop) => void hearing.play(programme, [strip]);
  const hear = (how: HearHow) => {
    if (how === 'selection') play(selectionLoop(groove, selection ?? barRegion(groove, cursor.bar)));
    else if (how === 'bar') play(selectionLoop(groove, barRegion(groove, cursor.bar)));
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
    else if (command.do === 'record') desk.record();
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
    record: () => {
      hearing.stop();
      setRecording(true);
    },
    goTo: (place: Place) => dispatch({ type: 'cursor', cursor: place }),
    remedy: (one: Remedy, from: number, to: number) => {
      if ('replace' in one) setText(text.slice(0, from) + one.replace + text.slice(to));
      else if ('insert' in one) setText(one.insert + text);
      else if ('text' in one) setText(one.text);
      else does.divide(one.count, one.parts, one.bar);
    },
    placeSaid: () => {
      if (!said.answer.ok) return;
      does.edit(said.answer.groove);
      setText('');
    },
    select: (on: boolean) => {
      setSelecting(on);
      if (!on) dispatch({ type: 'selectNone' });
    },
  });
  return {
    groove,
    cursor,
    later,
    laterCursor,
    settled,
    onStave,
    canUndo: past.length > 0,
    canRedo: future.length > 0,
    saving,
    choose,
    count,
    strip,
    hearing,
    editing,
    text,
    setText,
    said,
    under,
    selection,
    selecting,
    notes,
    onPointer,
    onKey,
    desk,
    helping,
    setHelping,
    transforming,
    setTransforming,
    recording,
    setRecording,
  };
}
