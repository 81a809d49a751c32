'use client';

import Accordion from '@mui/material/Accordion';
import AccordionDetails from '@mui/material/AccordionDetails';
import AccordionSummary from '@mui/material/AccordionSummary';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import FormHelperText from '@mui/material/FormHelperText';
import Switch from '@mui/material/Switch';
import Typography from '@mui/material/Typography';
import { MOST_CALLS, ORDERS, type Rule } from '@/core/documents/rule';
import { usualClimb } from '@/core/plan/ladder';
import type { Problem } from '@/core/result';
import { CLICK_PLAN_NAMES } from '@/core/time/clickPlan';
import type { Swing } from '@/core/time/swing';
import { Pick } from '@/ui/Pick';
import { ExpandMoreRounded } from '@/ui/icons';
import { feelInWords } from '@/ui/words/grooves';
import { plural } from '@/ui/words/text';
import { tempoInWords } from '@/ui/words/figures';
import { NumberSlider } from './NumberSlider';

interface PlayFieldsProps {
  rule: Rule;
  problems: readonly Problem[];
  onChange: (change: Partial<Rule>) => void;
}

const SWINGS: Record<string, Swing | undefined> = {
  straight: undefined,
  '8ths': { value: '8th', ratio: '2' },
  '16ths': { value: '16th', ratio: '2' },
};
const swingKey = (swing: Swing | undefined) =>
  Object.keys(SWINGS).find((key) => JSON.stringify(SWINGS[key]) === JSON.stringify(swing)) ?? 'own';

/** What is set less often, folded away: order, repeats and rest, click, feel, ladder, caller. */
export function PlayFields({ rule, problems, onChange }: PlayFieldsProps) {
  const { order, seed, repeats, rest, click, swing, ladder, caller } = rule;
  const own: (readonly [string, string])[] = swingKey(swing) === 'own' ? [['own', feelInWords(swing)]] : [];
  const feels = [...own, ...Object.entries(SWINGS).map(([key, one]) => [key, feelInWords(one)] as const)];
  const wrong = problems.find(({ path }) => path[0] === 'caller' || path[0] === 'ladder');
  return (
    <Accordion disableGutters elevation={0} sx={{ bgcolor: 'transparent', '&::before': { display: 'none' } }}>
      <AccordionSummary
        expandIcon={<ExpandMoreRounded />}
        sx={{ px: 0, minHeight: 44, '& .MuiAccordionSummary-content': { my: 0.5, display: 'block' } }}
      >
        <Typography variant="h3" component="h2">
          How it is played
        </Typography>
        <Typography variant="body2" color="textSecondary">
          {playedInWords(rule)}
        </Typography>
      </AccordionSummary>
      <AccordionDetails sx={{ px: 0, display: 'grid', gap: 1.5 }}>
        <Box sx={{ display: 'flex', gap: 1 }}>
          <Pick label="Order" value={order} options={ORDERS} onPick={(next) => onChange({ order: next })} />
          {order === 'shuffled' && (
            <Button onClick={() => onChange({ seed: seed + 1 })} sx={{ whiteSpace: 'nowrap', flex: 'none' }}>
              Shuffle again
            </Button>
          )}
        </Box>
        <FormControlLabel
          control={
            <Switch checked={rule.withoutTurnings} onChange={(_, withoutTurnings) => onChange({ withoutTurnings })} />
          }
          label="Leave out what is the same turned round"
        />
        <NumberSlider
          label="Each is played"
          said={plural(repeats, 'time')}
          value={repeats}
          least={1}
          most={8}
          onChange={(next) => onChange({ repeats: next })}
        />
        <NumberSlider
          label="Rest after each"
          said={rest ? plural(rest, 'bar') : 'none'}
          value={rest}
          least={0}
          most={4}
          onChange={(next) => onChange({ rest: next })}
        />
        <Pick label="Click on" value={click} options={CLICK_PLAN_NAMES} onPick={(next) => onChange({ click: next })} />
        <Pick
          label="Feel"
          value={swingKey(swing)}
          options={feels}
          onPick={(key) => key !== 'own' && onChange({ swing: SWINGS[key] })}
        />
        <FormControlLabel
          control={
            <Switch
              checked={Boolean(ladder)}
              onChange={(_, on) => onChange({ ladder: on ? usualClimb(rule.goal).ladder : undefined })}
            />
          }
          label="A ladder of its own"
        />
        {ladder && (
          <>
            <NumberSlider
              label="It begins at"
              said={tempoInWords(ladder.start)}
              value={ladder.start}
              least={20}
              most={Math.max(20, Math.round(rule.goal) || 300)}
              onChange={(start) => onChange({ ladder: { ...ladder, start } })}
            />
            <NumberSlider
              label="And climbs by"
              value={ladder.step}
              least={1}
              most={20}
              onChange={(step) => onChange({ ladder: { ...ladder, step } })}
            />
          </>
        )}
        <FormControlLabel
          control={
            <Switch
              checked={Boolean(caller)}
              onChange={(_, on) => onChange({ caller: on ? { pace: 2, calls: 16 } : undefined })}
            />
          }
          label="Called at random, a bar ahead"
        />
        {caller && (
          <>
            <NumberSlider
              label="A new one every"
              said={plural(caller.pace, 'bar')}
              value={caller.pace}
              least={1}
              most={8}
              onChange={(pace) => onChange({ caller: { ...caller, pace } })}
            />
            <NumberSlider
              label="Calls"
              value={caller.calls}
              least={1}
              most={MOST_CALLS}
              onChange={(calls) => onChange({ caller: { ...caller, calls } })}
            />
            <Typography variant="body2" color="textSecondary">
              Each is spoken and shown in the bar before it, in the room. Leave out below what is not to be called.
            </Typography>
          </>
        )}
        {wrong && (
          <FormHelperText error>
            {wrong.say} {wrong.remedy}
          </FormHelperText>
        )}
      </AccordionDetails>
    </Accordion>
  );
}

/** "easy to hard, each 4 times, click on counts": what is folded away, in a line. */
function playedInWords({ order, repeats, rest, click, swing, ladder, caller }: Rule): string {
  return [
    caller ? `called every ${caller.pace === 1 ? 'bar' : plural(caller.pace, 'bar')}` : order,
    repeats > 1 && !caller && `each ${repeats} times`,
    rest > 0 && !caller && `${plural(rest, 'bar')} rest`,
    `click on ${click}`,
    swing && feelInWords(swing),
    ladder && `from ${tempoInWords(ladder.start)} by ${tempoInWords(ladder.step)}`,
  ]
    .filter(Boolean)
    .join(', ');
}
