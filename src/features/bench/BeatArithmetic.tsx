'use client';

import Accordion from '@mui/material/Accordion';
import AccordionDetails from '@mui/material/AccordionDetails';
import AccordionSummary from '@mui/material/AccordionSummary';
import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Groove } from '@/core/groove/document';
import { CLICK_PLAN_NAMES, CLICK_PLANS, plainMetronome } from '@/core/time/clickPlan';
import { cycleOf } from '@/core/time/cycle';
import { equal, format, ZERO } from '@/core/time/fraction';
import { countsOf } from '@/core/time/meter';
import { modulatedBpm } from '@/core/time/modulation';
import { NOTE_VALUES, valueFigures, type NoteValue } from '@/core/time/noteValue';
import { plural, tempoInWords } from '@/ui/words';

const VALUES = Object.keys(NOTE_VALUES) as NoteValue[];

/** What a teacher works out by hand: note values at this tempo, when a cell comes round, this note = that note, the plain metronome. */
export function BeatArithmetic({ groove, bar }: { groove: Groove; bar: number }) {
  const one = groove.bars[bar]!;
  const count = countsOf(one.meter, groove.reading)[0]!.length;
  const beat = VALUES.find((value) => equal(NOTE_VALUES[value], count)) ?? 'quarter';
  const [notes, setNotes] = useState(3);
  const [value, setValue] = useState<NoteValue>('8th');
  const [oldNote, setOldNote] = useState<NoteValue>('8th triplet');
  const [newNote, setNewNote] = useState<NoteValue>('16th');
  const cycle = cycleOf(notes, value, one.meter);
  const clicked = { start: ZERO, meter: one.meter, reading: groove.reading, cells: one.cells };

  return (
    <Accordion disableGutters variant="outlined" slotProps={{ heading: { component: 'h2' } }} sx={{ bgcolor: 'background.paper' }}>
      <AccordionSummary aria-controls="beat-arithmetic" id="beat-arithmetic-head">
        <Typography component="span" variant="h3">
          Beat arithmetic at {tempoInWords(groove.tempo)}
        </Typography>
      </AccordionSummary>
      <AccordionDetails id="beat-arithmetic" sx={{ display: 'grid', gap: 3 }}>
        <Box sx={{ overflowX: 'auto' }} tabIndex={0} role="region" aria-label="Note values">
          <Table size="small">
            <TableHead>
              <TableRow>
                <TableCell>Note value</TableCell>
                <TableCell align="right">of the count</TableCell>
                <TableCell align="right">%</TableCell>
                <TableCell align="right">ms</TableCell>
                <TableCell align="right">a second</TableCell>
              </TableRow>
            </TableHead>
            <TableBody>
              {VALUES.map((each) => {
                const { ofBeat, percentOfBeat, ms, perSecond } = valueFigures(each, beat, groove.tempo);
                return (
                  <TableRow key={each}>
                    <TableCell component="th" scope="row">
                      {each}
                    </TableCell>
                    <TableCell align="right">{format(ofBeat)}</TableCell>
                    <TableCell align="right">{percentOfBeat.toFixed(2).replace(/\.?0+$/, '')}</TableCell>
                    <TableCell align="right">{ms.toFixed(1)}</TableCell>
                    <TableCell align="right">{perSecond.toFixed(2)}</TableCell>
                  </TableRow>
                );
              })}
            </TableBody>
          </Table>
        </Box>
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'center' }}>
          <Choice label="A cell of" value={String(notes)} options={['2', '3', '4', '5', '6', '7', '9', '11']} onChange={(text) => setNotes(Number(text))} />
          <Choice label="notes, each a" value={value} options={VALUES} onChange={setValue} />
          <Typography role="status">
            is {format(cycle.cellInCounts)} counts long; it meets a count again after {plural(cycle.backOnACount.counts, 'count')} (
            {plural(cycle.backOnACount.cells, 'cell')}), and 1 after {plural(cycle.backOnOne.bars, 'bar')} ({plural(cycle.backOnOne.cells, 'cell')}).
          </Typography>
        </Box>
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'center' }}>
          <Choice label="This note" value={oldNote} options={VALUES} onChange={setOldNote} />
          <Choice label="= that note" value={newNote} options={VALUES} onChange={setNewNote} />
          <Typography role="status">
            The {beat} then goes at <strong>{tempoInWords(modulatedBpm({ bpm: groove.tempo, oldBeat: beat, oldNote, newNote, newBeat: beat }))}</strong> a
            minute.
          </Typography>
        </Box>
        <Box>
          <Typography variant="h3" gutterBottom>
            On a plain metronome
          </Typography>
          {CLICK_PLAN_NAMES.map((name) => {
            const set = plainMetronome(CLICK_PLANS[name], clicked, groove.tempo);
            return (
              <Typography key={name} variant="body2" sx={{ py: 0.5 }}>
                {name}:{' '}
                {set ? `${tempoInWords(set.bpm)}${set.outOfRange ? ', where most metronomes cannot be set' : ''}` : 'no plain metronome clicks this unevenly'}
              </Typography>
            );
          })}
        </Box>
      </AccordionDetails>
    </Accordion>
  );
}

function Choice<T extends string>({ label, value, options, onChange }: { label: string; value: T; options: readonly T[]; onChange: (value: T) => void }) {
  return (
    <TextField select label={label} value={value} onChange={({ target }) => onChange(target.value as T)} sx={{ width: 'auto', minWidth: 120 }}>
      {options.map((option) => (
        <MenuItem key={option} value={option}>
          {option}
        </MenuItem>
      ))}
    </TextField>
  );
}
