'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { settingsLike, limbsUnder } from '@/core/drill/fromGroove';
import type { Rule } from '@/core/documents/rule';
import { readGroove, writeGroove } from '@/core/documents/groove';
import { type Groove } from '@/core/groove/groove';
import { LIMBS, type Limb } from '@/core/groove/limbs';
import { limbsIn } from '@/core/groove/kit';
import { isCompound, parseMeter } from '@/core/grid/meter';
import { FASTEST, SLOWEST } from '@/core/limits';
import type { Problem } from '@/core/result';
import { grooveOf } from './grooveOf';
import { GroovePick, type Pickable } from './GroovePick';
import { NumberSlider } from './NumberSlider';

interface GroundFieldsProps {
  rule: Rule;
  grooves: readonly Pickable[];
  problems: readonly Problem[];
  onChange: (change: Partial<Rule>) => void;
}

const hasPulses = (text: string) => {
  const meter = parseMeter(text);
  return meter.ok && isCompound(meter.value);
};

const MOST = [8, 16, 20, 32, 50, 100, 500, 1000];

/** What the exercises are made over: meter, grid, and what the other limbs keep doing; at which tempo, and how many. */
export function GroundFields({ rule, grooves, problems, onChange }: GroundFieldsProps) {
  const problemAt = (name: keyof Rule) => {
    const found = problems.find(({ path }) => path[0] === name);
    return (
      found && [found.where.startsWith('“') ? `${found.where}:` : '', found.say, found.remedy].filter(Boolean).join(' ')
    );
  };
  const shared = (name: keyof Rule) => ({ error: Boolean(problemAt(name)), helperText: problemAt(name) });
  const trained = LIMBS.find((limb) => limb === rule.params['limb']) ?? 'right foot';
  const goOver = (groove: Groove | undefined) =>
    onChange(
      groove
        ? {
            ...settingsLike(groove),
            over: { groove: writeGroove(groove), bar: 0, limbs: limbsUnder(groove, trained) },
          }
        : { over: undefined },
    );
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5, '& > .wide': { gridColumn: '1 / -1' } }}>
      <TextField
        label="Meter"
        value={rule.meter}
        onChange={({ target }) => onChange({ meter: target.value.slice(0, 20) })}
        {...shared('meter')}
      />
      <NumberSlider
        label="Parts of a count"
        value={rule.parts}
        least={1}
        most={8}
        problem={problemAt('parts')}
        onChange={(parts) => onChange({ parts })}
      />
      {hasPulses(rule.meter) && (
        <TextField
          className="wide"
          label="Counted"
          select
          value={rule.reading}
          onChange={({ target }) =>
            onChange(
              target.value === 'pulse'
                ? { reading: 'pulse', parts: 3, goal: Math.max(SLOWEST, Math.round(rule.goal / 3)) }
                : { reading: 'numbers', parts: 1, goal: Math.min(FASTEST, rule.goal * 3) },
            )
          }
        >
          <MenuItem value="pulse">in pulses, three to each</MenuItem>
          <MenuItem value="numbers">in all numbers</MenuItem>
        </TextField>
      )}
      {rule.over ? (
        <OverGroove
          over={rule.over}
          grooves={grooves}
          problem={problemAt('over')}
          onGroove={goOver}
          onChange={(over) => onChange({ over })}
        />
      ) : (
        <>
          <TextField
            className="wide"
            label="The others keep"
            value={rule.ostinato}
            placeholder="nothing"
            onChange={({ target }) => onChange({ ostinato: target.value.slice(0, 200) })}
            {...shared('ostinato')}
          />
          {grooves.length > 0 && (
            <Button
              className="wide"
              size="small"
              onClick={() => void grooveOf(grooves[0]!.id).then(goOver)}
              sx={{ justifySelf: 'start', mt: -1 }}
            >
              Or what a groove has
            </Button>
          )}
        </>
      )}
      <TextField
        label={hasPulses(rule.meter) && rule.reading === 'pulse' ? 'Goal, pulses a minute' : 'Goal tempo'}
        type="number"
        value={Number.isNaN(rule.goal) ? '' : rule.goal}
        onChange={({ target }) => onChange({ goal: target.value === '' ? NaN : Number(target.value) })}
        {...shared('goal')}
      />
      <TextField
        label="At most"
        select
        value={rule.most}
        onChange={({ target }) => onChange({ most: Number(target.value) })}
        {...shared('most')}
      >
        {[...new Set([...MOST, rule.most])]
          .sort((a, b) => a - b)
          .map((most) => (
            <MenuItem key={most} value={most}>
              {most}
            </MenuItem>
          ))}
      </TextField>
    </Box>
  );
}

interface OverGrooveProps {
  over: NonNullable<Rule['over']>;
  grooves: readonly Pickable[];
  problem?: string;
  onGroove: (groove: Groove | undefined) => void;
  onChange: (over: NonNullable<Rule['over']>) => void;
}

/** Which groove goes on under the exercises, which of its bars and which limbs. */
function OverGroove({ over, grooves, problem, onGroove, onChange }: OverGrooveProps) {
  const read = readGroove(over.groove);
  const groove = read.ok ? read.value : undefined;
  return (
    <>
      <Box className="wide">
        <GroovePick
          label="The others keep, of"
          grooves={grooves}
          title={groove?.title}
          none="a groove"
          problem={problem}
          onPick={onGroove}
        />
      </Box>
      {groove && (
        <>
          <TextField
            className={groove.bars.length > 1 ? undefined : 'wide'}
            select
            label="Limbs"
            value={over.limbs}
            onChange={({ target }) => {
              const limbs = target.value as unknown as Limb[];
              // The last one stays: of nothing nothing can go on.
              if (limbs.length) onChange({ ...over, limbs: LIMBS.filter((limb) => limbs.includes(limb)) });
            }}
            slotProps={{ select: { multiple: true, renderValue: (chosen) => (chosen as Limb[]).join(', ') } }}
          >
            {limbsIn(groove).map((limb) => (
              <MenuItem key={limb} value={limb}>
                {limb}
              </MenuItem>
            ))}
          </TextField>
          {groove.bars.length > 1 && (
            <TextField
              select
              label="Bar"
              value={over.bar}
              onChange={({ target }) => onChange({ ...over, bar: Number(target.value) })}
            >
              {groove.bars.map((_, bar) => (
                <MenuItem key={bar} value={bar}>
                  {bar + 1}
                </MenuItem>
              ))}
            </TextField>
          )}
        </>
      )}
      <Button className="wide" size="small" onClick={() => onGroove(undefined)} sx={{ justifySelf: 'start', mt: -1 }}>
        Or in words
      </Button>
    </>
  );
}
