'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { memo } from 'react';
import { placeInWords } from '@/core/counting/placeInWords';
import type { School } from '@/core/counting/schools';
import { beatOf } from '@/core/groove/beat';
import { motionLine } from '@/core/groove/motion';
import { type SpeedLimits } from '@/core/limits';
import type { Groove } from '@/core/groove/groove';
import { placeStroke, setOrnament, setSurface, type Place } from '@/core/groove/edit';
import { slotAt, slotsOfBar } from '@/core/grid/cells';
import { HEIGHTS, isHand, ORNAMENTS, SURFACES, type Height } from '@/core/groove/limbs';
import { div, equal, toNumber } from '@/core/time/fraction';
import { barLength } from '@/core/grid/meter';
import { clock, steady } from '@/core/time/tempoMap';
import { opening } from '@/ui/words/text';
import { Checks, type Fix } from './Checks';
import { strokeUnder } from './history';
import { LimbPanel } from './LimbPanel';
import { Row, Section } from './Section';
import type { Change } from './useEditing';

interface SidePanelProps {
  groove: Groove;
  cursor: Place;
  school: School;
  limits: SpeedLimits;
  /** The groove as it was when the hands last rested, for what is costly. */
  settled: Groove;
  onFix: (fix: Fix) => void;
  onEdit: (change: Change, more?: { height?: Height }) => void;
  onHelp: () => void;
}

/** The stroke under the cursor, whether the groove can be played, and what this slot is worth. */
export const SidePanel = memo(function SidePanel({
  groove,
  cursor,
  school,
  limits,
  settled,
  onFix,
  onEdit,
  onHelp,
}: SidePanelProps) {
  const stroke = strokeUnder({ groove, cursor });
  const bar = groove.bars[cursor.bar]!;
  const toMs = clock(steady(groove.tempo, beatOf(groove)));
  const slot = slotAt(slotsOfBar(bar.meter, groove.reading, bar.cells), cursor.at);
  const motion =
    stroke && isHand(cursor.limb)
      ? motionLine(groove, cursor.limb).find(({ place }) => place.bar === cursor.bar && equal(place.at, cursor.at))
          ?.motion
      : undefined;
  const where = placeInWords(groove, cursor.bar, cursor.at, school);

  const setHeight = (height: Height) => onEdit((now) => placeStroke(now, cursor, { height }), { height });

  return (
    <Box
      component="aside"
      aria-label="Stroke and checks"
      sx={{
        borderLeft: { lg: 1 },
        borderColor: { lg: 'divider' },
        pl: { lg: 2.5 },
        display: 'grid',
        gap: 3,
        alignContent: 'start',
      }}
    >
      <Section title="Stroke">
        <Row name={opening(cursor.limb)} value={where} />
        {stroke ? (
          <Box sx={{ display: 'grid', gap: 1.5, mt: 1.5 }}>
            <Choice
              label="Surface"
              value={stroke.surface}
              options={SURFACES}
              onChange={(surface) => onEdit((now) => setSurface(now, cursor, surface))}
            />
            <Choice label="Height" value={stroke.height} options={HEIGHTS} onChange={setHeight} />
            <Choice
              label="Ornament"
              value={stroke.ornament ?? 'none'}
              options={['none', ...ORNAMENTS]}
              onChange={(ornament) =>
                onEdit((now) => setOrnament(now, cursor, ornament === 'none' ? undefined : ornament))
              }
            />
          </Box>
        ) : (
          <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
            Nothing here. Enter or a click places a stroke.
          </Typography>
        )}
        <Row
          name="Starts at"
          value={`${Math.round(100 * toNumber(div(cursor.at, barLength(bar.meter))))} % of bar · ${Math.round(toMs(cursor.at))} ms`}
        />
        {slot && (
          <Row
            name="This slot lasts"
            value={`${Math.round(1000 * toNumber(div(slot.length, beatOf(groove)))) / 10} % · ${Math.round(toMs(slot.length))} ms`}
          />
        )}
        {motion && <Row name="Motion" value={`${motion}${motion === 'tap' ? '' : '-stroke'}`} />}
      </Section>
      <LimbPanel groove={groove} limb={cursor.limb} onEdit={onEdit} />
      <Section title="Can it be played?">
        <Checks groove={settled} limits={limits} school={school} onFix={onFix} />
      </Section>
      <Box>
        <Button size="small" onClick={onHelp}>
          All keys (?)
        </Button>
      </Box>
    </Box>
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
    <TextField select label={label} value={value} onChange={({ target }) => onChange(target.value as T)}>
      {options.map((option) => (
        <MenuItem key={option} value={option}>
          {option}
        </MenuItem>
      ))}
    </TextField>
  );
}
