'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Chip from '@mui/material/Chip';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { labels } from '@/core/counting/labels';
import type { School } from '@/core/counting/schools';
import { RATES, type Rate } from '@/core/drill/families/rates';
import { familyNamed } from '@/core/drill/registry';
import { readyRule } from '@/core/drill/rule';
import { type Rule } from '@/core/documents/rule';
import { drillFor, type Weakness } from '@/core/plan/weakness';
import { LIMBS, type Limb } from '@/core/groove/limbs';
import { equal } from '@/core/time/fraction';
import { parseMeter } from '@/core/grid/meter';
import { Pick } from '@/ui/Pick';
import { opening, plural } from '@/ui/words/text';

interface FromWeaknessProps {
  school: School;
  onChoose: (rule: Rule) => void;
  onClose: () => void;
}

/** What can slip, in the order a teacher hears it. */
const KINDS = [
  'certain places',
  'what falls between the counts',
  'one limb, wherever it plays',
  'a switch between two rates',
  'evenness',
] as const;
type Kind = (typeof KINDS)[number];

/** Says what slips; the family and its parameters are chosen from that. */
export function FromWeakness({ school, onChoose, onClose }: FromWeaknessProps) {
  const [kind, setKind] = useState<Kind>('certain places');
  const [limb, setLimb] = useState<Limb>('right foot');
  const [parts, setParts] = useState(4);
  const [places, setPlaces] = useState<Weakness['places']>([]);
  const [from, setFrom] = useState<Rate>('8th');
  const [to, setTo] = useState<Rate>('8th triplet');
  const [tempo, setTempo] = useState(72);
  const slots = useMemo(() => {
    const meter = parseMeter('4/4');
    return meter.ok ? labels(meter.value, 'numbers', parts, school) : [];
  }, [parts, school]);
  const weakness: Weakness = {
    tempo,
    parts,
    ...(kind !== 'a switch between two rates' && kind !== 'evenness' && { limb }),
    ...(kind === 'certain places' && { places }),
    ...(kind === 'what falls between the counts' && { offBeats: true }),
    ...(kind === 'a switch between two rates' && { switches: [from, to] as const }),
    ...(kind === 'evenness' && { uneven: true }),
  };
  const rule = drillFor(weakness);
  const read = readyRule(rule);
  const asks = kind === 'certain places' && !places?.length ? 'Touch the places that slip.' : undefined;
  const isIn = (at: (typeof slots)[number]['at']) => places!.some((place) => equal(place, at));
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="from-weakness">
      <DialogTitle id="from-weakness">A drill for what slips</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 2, pt: '8px !important' }}>
        <Pick label="What slips" value={kind} options={KINDS} onPick={setKind} />
        {weakness.limb && <Pick label="Limb" value={limb} options={LIMBS} onPick={setLimb} />}
        {kind === 'certain places' && (
          <>
            <Pick
              label="Parts of a count"
              value={parts}
              options={[1, 2, 3, 4, 6]}
              onPick={(next) => {
                setParts(next);
                setPlaces([]);
              }}
            />
            <Box
              role="group"
              aria-label="Places that slip"
              sx={{
                display: 'grid',
                gridTemplateColumns: `repeat(${parts * (parts > 4 ? 2 : 4)}, minmax(0, 1fr))`,
                gap: 0.5,
              }}
            >
              {slots.map(({ at, say, count }, index) => (
                <Chip
                  key={index}
                  label={say || '·'}
                  aria-label={`slot ${index + 1}${say && `: ${say}`}`}
                  aria-pressed={isIn(at)}
                  color={isIn(at) ? 'primary' : undefined}
                  variant={isIn(at) ? 'filled' : 'outlined'}
                  onClick={() => setPlaces(isIn(at) ? places!.filter((place) => !equal(place, at)) : [...places!, at])}
                  sx={{ height: 44, fontWeight: count ? 750 : 450, '& .MuiChip-label': { px: 0.25 } }}
                />
              ))}
            </Box>
          </>
        )}
        {kind === 'a switch between two rates' && (
          <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
            <Pick label="From" value={from} options={RATES} onPick={setFrom} />
            <Pick label="To" value={to} options={RATES} onPick={setTo} />
          </Box>
        )}
        <TextField
          label="Tempo"
          type="number"
          value={Number.isNaN(tempo) ? '' : tempo}
          onChange={({ target }) => setTempo(target.value === '' ? NaN : Number(target.value))}
        />
        <Typography role="status" color="textSecondary">
          {asks ??
            (read.ok
              ? `${opening(familyNamed(rule.family)!.wish)}: ${plural(rule.picked?.length ?? read.value.total, 'exercise')}.`
              : `${read.problems[0]!.say} ${read.problems[0]!.remedy}`)}
        </Typography>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave it</Button>
        <Button variant="contained" disabled={Boolean(asks) || !read.ok} onClick={() => onChoose(rule)}>
          Make it
        </Button>
      </DialogActions>
    </Dialog>
  );
}
