'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { placeInWords } from '@/core/count/placeInWords';
import type { School } from '@/core/count/schools';
import { beatOf } from '@/core/groove/beat';
import { check, motionLine, speeds } from '@/core/groove/checks';
import type { Groove } from '@/core/groove/document';
import { moveHeight, removeStroke, setOrnament, setSurface, type Place } from '@/core/groove/edit';
import { slotAt, slotsOfBar } from '@/core/groove/grid';
import { HEIGHTS, isHand, ORNAMENTS, SURFACES, type Height } from '@/core/groove/limbs';
import { div, equal, toNumber } from '@/core/time/fraction';
import { barLength } from '@/core/time/meter';
import { clock, steady } from '@/core/time/tempoMap';
import { opening } from '@/ui/words';
import { strokeUnder } from './history';

interface SidePanelProps {
  groove: Groove;
  cursor: Place;
  school: School;
  onEdit: (groove: Groove, more?: { height?: Height }) => void;
  onHelp: () => void;
}

/** The stroke under the cursor, whether the groove can be played, and what this slot is worth. */
export function SidePanel({ groove, cursor, school, onEdit, onHelp }: SidePanelProps) {
  const stroke = strokeUnder({ groove, cursor });
  const bar = groove.bars[cursor.bar]!;
  const toMs = clock(steady(groove.tempo, beatOf(groove)));
  const slot = slotAt(slotsOfBar(bar.meter, groove.reading, bar.cells), cursor.at);
  const motion =
    stroke && isHand(cursor.limb)
      ? motionLine(groove, cursor.limb).find(({ place }) => place.bar === cursor.bar && equal(place.at, cursor.at))?.motion
      : undefined;
  const findings = check(groove, groove.tempo);
  const where = placeInWords(groove, cursor.bar, cursor.at, school);

  const setHeight = (height: Height) => {
    let next = groove;
    for (let by = HEIGHTS.indexOf(height) - HEIGHTS.indexOf(stroke!.height); by !== 0; by -= Math.sign(by))
      next = moveHeight(next, cursor, Math.sign(by) as 1 | -1);
    onEdit(next, { height });
  };

  return (
    <Box
      component="aside"
      aria-label="Stroke and checks"
      sx={{ borderLeft: { lg: 1 }, borderColor: { lg: 'divider' }, pl: { lg: 2.5 }, display: 'grid', gap: 3, alignContent: 'start' }}
    >
      <Section title="Stroke">
        <Row name={opening(cursor.limb)} value={where} />
        {stroke ? (
          <Box sx={{ display: 'grid', gap: 1.5, mt: 1.5 }}>
            <Choice label="Surface" value={stroke.surface} options={SURFACES} onChange={(surface) => onEdit(setSurface(groove, cursor, surface))} />
            <Choice label="Height" value={stroke.height} options={HEIGHTS} onChange={setHeight} />
            <Choice
              label="Ornament"
              value={stroke.ornament ?? 'none'}
              options={['none', ...ORNAMENTS]}
              onChange={(ornament) => onEdit(setOrnament(groove, cursor, ornament === 'none' ? undefined : ornament))}
            />
          </Box>
        ) : (
          <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
            Nothing here. Enter or a click places a stroke.
          </Typography>
        )}
        <Row name="Starts at" value={`${Math.round(100 * toNumber(div(cursor.at, barLength(bar.meter))))} % of bar · ${Math.round(toMs(cursor.at))} ms`} />
        {slot && (
          <Row name="This slot lasts" value={`${Math.round(1000 * toNumber(div(slot.length, beatOf(groove)))) / 10} % · ${Math.round(toMs(slot.length))} ms`} />
        )}
        {motion && <Row name="Motion" value={`${motion}${motion === 'tap' ? '' : '-stroke'}`} />}
      </Section>
      <Section title="Can it be played?">
        {speeds(groove, groove.tempo).map(({ limb, perSecond, feel }) => (
          <Row key={limb} name={opening(limb)} value={`${perSecond.toFixed(1)} / s, ${feel}`} wrong={feel === 'beyond'} />
        ))}
        {findings.map(({ say, remedy, fix, place }, index) => (
          <Box key={index} sx={{ py: 1, borderBottom: 1, borderColor: 'divider', borderBottomStyle: 'dashed', fontSize: 14 }}>
            <Box sx={{ color: 'error.main', fontWeight: 600 }}>
              {opening(placeInWords(groove, place.bar, place.at, school))}: {say}
            </Box>
            <Box sx={{ color: 'text.secondary' }}>{remedy}</Box>
            {fix && (
              <Button
                size="small"
                onClick={() => onEdit(fix.take === 'ornament' ? setOrnament(groove, fix.place, undefined) : removeStroke(groove, fix.place))}
              >
                {fix.words}
              </Button>
            )}
          </Box>
        ))}
        {!findings.length && (
          <Typography variant="body2" sx={{ color: 'success.main', mt: 1 }}>
            Nothing in its way.
          </Typography>
        )}
      </Section>
      <Box>
        <Button size="small" onClick={onHelp}>
          All keys (?)
        </Button>
      </Box>
    </Box>
  );
}

function Section({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box component="section">
      <Typography variant="h3" component="h2" gutterBottom>
        {title}
      </Typography>
      {children}
    </Box>
  );
}

function Row({ name, value, wrong }: { name: string; value: string; wrong?: boolean }) {
  return (
    <Box
      sx={{
        display: 'flex',
        justifyContent: 'space-between',
        gap: 2,
        py: 0.9,
        borderBottom: 1,
        borderBottomStyle: 'dashed',
        borderColor: 'divider',
        fontSize: 14,
      }}
    >
      <span>{name}</span>
      <Box component="span" sx={{ fontWeight: 600, textAlign: 'right', color: wrong ? 'error.main' : undefined }}>
        {value}
      </Box>
    </Box>
  );
}

function Choice<T extends string>({ label, value, options, onChange }: { label: string; value: T; options: readonly T[]; onChange: (value: T) => void }) {
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
