'use client';

import Box from '@mui/material/Box';
import { visuallyHidden } from '@mui/utils';
import dynamic from 'next/dynamic';
import { placeInWords } from '@/core/counting/placeInWords';
import type { School } from '@/core/counting/schools';
import { LIMBS } from '@/core/groove/limbs';
import { Page } from '@/ui/Page';
import { Strip } from '@/ui/strip/Strip';
import { EditBar } from './EditBar';
import { HeadLine } from './HeadLine';
import { BenchActions } from './BenchActions';
import { BenchNotices, savingInWords } from './BenchNotices';
import { SayIt } from './SayIt';
import { SidePanel } from './SidePanel';
import { StavePanel } from './StavePanel';
import { useBench, type BenchProps } from './useBench';

// What is brought apart has a boundary of its own (`loading`): without it the page would not answer before it is there.
const BeatArithmetic = dynamic(() => import('./BeatArithmetic').then((module) => module.BeatArithmetic), {
  loading: () => null,
});

const KeyList = dynamic(() => import('./KeyList').then((module) => module.KeyList), { ssr: false });
const RecordDialog = dynamic(() => import('./RecordDialog').then((module) => module.RecordDialog), { ssr: false });
const TransformDialog = dynamic(() => import('./TransformDialog').then((module) => module.TransformDialog), {
  ssr: false,
});

/** The teacher's desk: place strokes by pointer, keys or words, see and hear at once what came of it. */
export function Bench({ id, level, school, settings, opened, saveNumber }: BenchProps) {
  const bench = useBench({ id, level, school, opened, saveNumber });
  const {
    groove,
    cursor,
    later,
    laterCursor,
    settled,
    onStave,
    canUndo,
    canRedo,
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
  } = bench;
  const { does } = editing;

  return (
    <Page
      title={groove.title}
      note={
        <Box component="span" role="status">
          {savingInWords(saving)}
        </Box>
      }
      actions={
        <BenchActions
          id={id}
          count={count}
          hearing={hearing}
          swung={Boolean(later.swing)}
          selected={Boolean(selection)}
          bars={later.bars.length}
          desk={desk}
        />
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
          <BenchNotices saving={saving} choose={choose} editing={editing} hearing={hearing} school={school} />
          <Box>
            <EditBar
              canUndo={canUndo}
              canRedo={canRedo}
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
                preview={said.preview}
                selection={selection}
                onPointer={onPointer}
                handle={strip}
              />
            </Box>
          </Box>
          <Box id="bench-cursor" aria-live="polite" sx={visuallyHidden}>
            {`${cursor.limb}, ${placeInWords(groove, cursor.bar, cursor.at, school)}, ${under ? `${under.height} ${under.ornament ?? ''} on ${under.surface}` : 'empty'}`}
          </Box>
          <SayIt text={text} answer={said.answer} onText={setText} onRemedy={desk.remedy} onPlace={desk.placeSaid} />
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
      <BenchDialogs bench={bench} school={school} />
    </Page>
  );
}

/** What is opened over the bench: its keys, what is played in, what is made of the groove. */
function BenchDialogs({ bench, school }: { bench: ReturnType<typeof useBench>; school: School }) {
  const { groove, cursor, selection, hearing, editing, helping, setHelping } = bench;
  const { recording, setRecording, transforming, setTransforming } = bench;
  const { answer } = editing.does;
  return (
    <>
      {helping && <KeyList onClose={() => setHelping(false)} />}
      {recording && (
        <RecordDialog
          groove={groove}
          bar={cursor.bar}
          school={school}
          onClose={() => setRecording(false)}
          onTake={(next, say) => {
            setRecording(false);
            answer({ groove: next, say });
          }}
        />
      )}
      {transforming && (
        <TransformDialog
          groove={groove}
          cursor={cursor}
          selection={selection}
          school={school}
          hearing={hearing}
          onClose={() => setTransforming(false)}
          onTake={(next, say) => {
            setTransforming(false);
            answer({ groove: next, say });
          }}
        />
      )}
    </>
  );
}
