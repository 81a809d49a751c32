'use client';

import Alert from '@mui/material/Alert';
import Accordion from '@mui/material/Accordion';
import AccordionDetails from '@mui/material/AccordionDetails';
import AccordionSummary from '@mui/material/AccordionSummary';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { memo, useState } from 'react';
import { tempoShape } from '@/core/documents/shapes';
import { type Groove } from '@/core/groove/groove';
import { dropCell, dropValue } from '@/core/groove/drop';
import type { Limb } from '@/core/groove/limbs';
import { keepLimbs } from '@/core/groove/lines';
import type { Answer } from '@/core/groove/transformed';
import type { Plan } from '@/core/form/form';
import { cycleOf } from '@/core/grid/cycle';
import { equal, frac } from '@/core/time/fraction';
import { countsInWords, countsOf } from '@/core/grid/meter';
import { modulatedBpm } from '@/core/time/modulation';
import { NOTE_VALUES, type NoteValue } from '@/core/time/noteValue';
import { plural } from '@/ui/words/text';
import { tempoInWords } from '@/ui/words/figures';
import { PlainMetronomes } from './PlainMetronomes';
import { ValueTable } from './ValueTable';
import { heardInTurn, heardPlan, type Loop } from './loop';

const VALUES = Object.keys(NOTE_VALUES) as NoteValue[];

interface BeatArithmeticProps {
  groove: Groove;
  /** The bar whose grid and meter are worked with. */
  bar: number;
  /** The limb a line is dropped on. */
  limb: Limb;
  onDrop: (answer: Answer) => void;
  onHear: (programme: Loop) => void;
  onStop: () => void;
  playing: boolean;
}

const ONE = frac(1);

/**
 * What a teacher works out by hand: note values at this tempo, when a cell comes round, this note = that note, the
 * plain metronome.
 */
export const BeatArithmetic = memo(function BeatArithmetic({
  groove,
  bar,
  limb,
  onDrop,
  onHear,
  onStop,
  playing,
}: BeatArithmeticProps) {
  const one = groove.bars[bar]!;
  const count = countsOf(one.meter, groove.reading)[0]!.length;
  const beat = VALUES.find((value) => equal(NOTE_VALUES[value], count)) ?? 'quarter';
  const [notes, setNotes] = useState(3);
  const [value, setValue] = useState<NoteValue>('8th');
  const [oldNote, setOldNote] = useState<NoteValue>('8th triplet');
  const [newNote, setNewNote] = useState<NoteValue>('16th');
  const cycle = cycleOf(notes, value, one.meter);
  const [problem, setProblem] = useState<string>();
  const changed = modulatedBpm({ bpm: groove.tempo, oldBeat: beat, oldNote, newNote, newBeat: beat });
  /** Hears a line alone against the counts. */
  const hearLine = (answer: Answer, change: Partial<Plan> = {}) => {
    setProblem(answer.ok ? undefined : `${answer.problems[0]!.say} ${answer.problems[0]!.remedy}`);
    if (answer.ok) onHear(heardInTurn([heardPlan(keepLimbs(answer.value.groove, [limb]).groove, change)]));
  };
  const hearChange = () => {
    const before = dropValue(groove, limb, oldNote);
    const after = dropValue(groove, limb, newNote);
    const wrong = [before, after].find((one) => !one.ok);
    setProblem(wrong && !wrong.ok ? `${wrong.problems[0]!.say} ${wrong.problems[0]!.remedy}` : undefined);
    if (before.ok && after.ok)
      onHear(
        heardInTurn([
          heardPlan(keepLimbs(before.value.groove, [limb]).groove, { rounds: 2 }),
          heardPlan(keepLimbs(after.value.groove, [limb]).groove, { rounds: 2, bpm: changed }),
        ]),
      );
  };

  return (
    <Accordion
      disableGutters
      variant="outlined"
      slotProps={{ heading: { component: 'h2' }, transition: { unmountOnExit: true } }}
      sx={{ bgcolor: 'background.paper' }}
    >
      <AccordionSummary aria-controls="beat-arithmetic" id="beat-arithmetic-head">
        <Typography component="span" variant="h3">
          Beat arithmetic at {tempoInWords(groove.tempo)}
        </Typography>
      </AccordionSummary>
      <AccordionDetails sx={{ display: 'grid', gap: 3 }}>
        {playing && (
          <Box>
            <Button variant="outlined" onClick={onStop}>
              Stop
            </Button>
          </Box>
        )}
        {problem && (
          <Alert severity="warning" onClose={() => setProblem(undefined)}>
            {problem}
          </Alert>
        )}
        <ValueTable
          groove={groove}
          beat={beat}
          limb={limb}
          onHear={(each) => hearLine(dropValue(groove, limb, each))}
          onDrop={(each) => onDrop(dropValue(groove, limb, each))}
        />
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'center' }}>
          <Choice
            label="A cell of"
            value={String(notes)}
            options={['2', '3', '4', '5', '6', '7', '9', '11']}
            onChange={(text) => setNotes(Number(text))}
          />
          <Choice label="notes, each a" value={value} options={VALUES} onChange={setValue} />
          <Typography role="status">
            is {countsInWords(cycle.cellInCounts, ONE)} long; it meets a count again after{' '}
            {plural(cycle.backOnACount.counts, 'count')} ({plural(cycle.backOnACount.cells, 'cell')}), and 1 after{' '}
            {plural(cycle.backOnOne.bars, 'bar')} ({plural(cycle.backOnOne.cells, 'cell')}).
          </Typography>
          <Box>
            <Button
              size="small"
              aria-label="Hear the cells"
              onClick={() => hearLine(dropCell(groove, limb, notes, value))}
            >
              Hear
            </Button>
            <Button
              size="small"
              aria-label="Drop the cells on the strip"
              onClick={() => onDrop(dropCell(groove, limb, notes, value))}
            >
              Drop on the strip
            </Button>
          </Box>
        </Box>
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'center' }}>
          <Choice label="This note" value={oldNote} options={VALUES} onChange={setOldNote} />
          <Choice label="= that note" value={newNote} options={VALUES} onChange={setNewNote} />
          <Typography role="status">
            The {beat} then goes at <strong>{tempoInWords(changed)}</strong> a minute.
          </Typography>
          <Box>
            <Button size="small" aria-label="Hear the change of tempo" onClick={hearChange}>
              Hear
            </Button>
            <Button
              size="small"
              aria-label="Set the groove to the new tempo"
              onClick={() =>
                onDrop({
                  ok: true,
                  value: {
                    groove: { ...groove, tempo: changed },
                    say: `${oldNote} = ${newNote}: the tempo is ${tempoInWords(changed)} now.`,
                  },
                })
              }
              disabled={!tempoShape.safeParse(changed).success}
            >
              Set it
            </Button>
          </Box>
        </Box>
        <PlainMetronomes
          groove={groove}
          bar={bar}
          onHear={(click) => onHear(heardInTurn([heardPlan(groove, { click })]))}
        />
      </AccordionDetails>
    </Accordion>
  );
});

function Choice<T extends string>({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: T;
  options: readonly T[];
  onChange: (value: T) => void;
}) {
  return (
    <TextField
      select
      label={label}
      value={value}
      onChange={({ target }) => onChange(target.value as T)}
      sx={{ width: 'auto', minWidth: 120 }}
    >
      {options.map((option) => (
        <MenuItem key={option} value={option}>
          {option}
        </MenuItem>
      ))}
    </TextField>
  );
}
