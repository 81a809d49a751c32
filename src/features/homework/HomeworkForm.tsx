'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useActionState, useState } from 'react';
import type { ClickPlanName } from '@/core/time/clickPlan';
import { CLICK_PLAN_NAMES } from '@/core/time/clickPlan';
import type { Homework } from '@/server/assignments';
import { Field } from '@/ui/Field';
import { EMPTY_FORM, type FormState } from '@/ui/form';
import { changeAssignmentAction, setAssignmentAction } from './actions';
import { EAR } from './shapes';

/** A groove, a drill or a listening drill that can be set; `value` tells which. */
export interface HomeworkChoice {
  value: string;
  label: string;
  tempo: number;
  click: ClickPlanName;
}

/** A lesson by which something can be due. */
export interface DueChoice {
  value: string;
  label: string;
}

interface HomeworkFormProps {
  /** For whom it is set: one, or a group that comes together. */
  students?: readonly { id: string; name: string }[];
  choices?: readonly HomeworkChoice[];
  /** The one that stands there first. */
  chosen?: string;
  due: readonly DueChoice[];
  /** What is set already and is changed. */
  changed?: Homework;
}

const shown = (value: number | null | undefined) => (value === null || value === undefined ? '' : String(value));
const barsOf = ({ bar_from, bar_to }: Homework) => {
  if (bar_from === null || bar_to === null) return '';
  return bar_from === bar_to ? String(bar_from + 1) : `${bar_from + 1}-${bar_to + 1}`;
};

const decimal = { htmlInput: { inputMode: 'decimal' } } as const;
const whole = { htmlInput: { inputMode: 'numeric' } } as const;

/** Sets something to be practised, or changes how it is. */
export function HomeworkForm({ students = [], choices = [], chosen, due, changed }: HomeworkFormProps) {
  const first = choices.find(({ value }) => value === chosen) ?? choices[0];
  const [picked, setPicked] = useState(first?.value);
  const [hasMore, setHasMore] = useState(Boolean(changed));
  // Tempo and click begin with what is usual for what is picked.
  const one = choices.find(({ value }) => value === picked);
  const [state, action, busy] = useActionState(changed ? changeAssignmentAction : setAssignmentAction, EMPTY_FORM);
  const isByEar = changed ? changed.subject !== null : Boolean(picked?.startsWith(EAR));
  const whom = [
    ...(students.length > 1 ? [{ value: students.map(({ id }) => id).join(), label: 'all of them' }] : []),
    ...students.map(({ id, name }) => ({ value: id, label: name })),
  ];
  return (
    <Box
      component="form"
      action={action}
      noValidate
      sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(136px, 1fr))', gap: 2, maxWidth: 900 }}
    >
      {changed && <input type="hidden" name="assignment" value={changed.id} />}
      {whom.length === 1 && <input type="hidden" name="students" value={whom[0]!.value} />}
      {whom.length > 1 && (
        <Field
          state={state}
          name="students"
          label="For"
          defaultValue={whom[0]!.value}
          options={whom}
          sx={{ gridColumn: 'span 2' }}
        />
      )}
      {!changed && (
        <Field
          state={state}
          name="what"
          label="Groove, drill or listening"
          defaultValue={first?.value}
          onChange={({ target }) => setPicked(target.value)}
          options={choices}
          sx={{ gridColumn: 'span 2' }}
        />
      )}
      {isByEar ? (
        <>
          <input type="hidden" name="tempo" value="80" />
          <input type="hidden" name="click" value="counts" />
        </>
      ) : (
        <>
          <Field
            state={state}
            name="tempo"
            label="Tempo, bpm"
            defaultValue={shown(changed?.tempo ?? one?.tempo)}
            slotProps={decimal}
          />
          <Field
            state={state}
            name="click"
            label="Click on"
            defaultValue={changed?.click ?? one?.click ?? 'counts'}
            options={CLICK_PLAN_NAMES}
          />
        </>
      )}
      <Field
        state={state}
        name="minutes"
        label="Minutes a day"
        defaultValue={shown(changed?.minutes ?? 15)}
        slotProps={whole}
      />
      <Field
        state={state}
        name="due"
        label="By"
        defaultValue={changed?.due_at ? changed.due_at.toISOString() : (due[0]?.value ?? '')}
        options={[{ value: '', label: 'no lesson in particular' }, ...due]}
        slotProps={{ select: { displayEmpty: true } }}
        sx={{ gridColumn: 'span 2' }}
      />
      {hasMore && <MoreFields state={state} changed={changed} isByEar={isByEar} />}
      <Field
        state={state}
        name="reason"
        label="Why, or what to listen for"
        hint="May be left out."
        defaultValue={changed?.reason}
        multiline
        minRows={2}
        sx={{ gridColumn: '1 / -1' }}
      />
      <Box sx={{ gridColumn: '1 / -1', display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center' }}>
        <Button type="submit" variant="contained" loading={busy}>
          {changed ? 'Change it' : 'Set it'}
        </Button>
        {!hasMore && <Button onClick={() => setHasMore(true)}>Ladder, bars, when it is passed</Button>}
        {state.say && (
          <Alert severity="success" role="status" sx={{ py: 0 }}>
            {state.say}
          </Alert>
        )}
      </Box>
    </Box>
  );
}

/** The ladder, which bars, and when it is passed: asked for only where it is wanted. */
function MoreFields({ state, changed, isByEar }: { state: FormState; changed?: Homework; isByEar: boolean }) {
  return (
    <>
      {!isByEar && (
        <>
          <Field
            state={state}
            name="ladderStart"
            label="Ladder from, bpm"
            defaultValue={shown(changed?.ladder_start)}
            slotProps={decimal}
          />
          <Field
            state={state}
            name="ladderStep"
            label="In steps of"
            defaultValue={shown(changed?.ladder_step)}
            slotProps={decimal}
          />
          <Field
            state={state}
            name="bars"
            label="Bars only"
            hint="2 or 1-4; all when empty."
            defaultValue={changed ? barsOf(changed) : ''}
          />
        </>
      )}
      <Field
        state={state}
        name="passTakes"
        label={isByEar ? 'Passed after sittings' : 'Passed after clean takes'}
        hint={isByEar ? 'With four of five right.' : 'At the goal.'}
        defaultValue={shown(changed?.pass_takes)}
        slotProps={whole}
        sx={{ gridColumn: 'span 2' }}
      />
    </>
  );
}
