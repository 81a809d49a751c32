'use client';

import Box from '@mui/material/Box';
import Drawer from '@mui/material/Drawer';
import IconButton from '@mui/material/IconButton';
import Slider from '@mui/material/Slider';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import type { Feel } from '@/core/form/form';
import { MOST_LEAN } from '@/core/limits';
import { isHand } from '@/core/groove/limbs';
import { CLICK_PLANS, planInWords, type ClickPlan, type ClickPlanName } from '@/core/time/clickPlan';
import { SWING_SCHOOLS, type Swing } from '@/core/time/swing';
import { isRecorded } from '@/sound/speech';
import { Pick } from '@/ui/Pick';
import { CloseRounded } from '@/ui/icons';
import { feelInWords } from '@/ui/words/grooves';
import { opening, plural } from '@/ui/words/text';
import { Switches } from './frame/RoomPads';
import type { RoomView } from './frame/RoomFrame';
import type { Frame } from './frame/useFrame';
import { useRoom } from './RoomContext';
import { COUNT_INS } from './settings';
import { Tempo } from './Tempo';
import { TransportChoices } from './Transport';
import { WhatListens } from './WhatListens';
import { KitChoice } from './WhoPlaysChoice';

interface SetUpProps {
  frame: Frame;
  /** The swing is not for the player to set: the way of practising sets it. */
  isSwingFixed: boolean;
  /** On a phone that plays, what else is one touch away. */
  withTransport?: RoomView;
  onClose: () => void;
}

/** Where the count can be spoken, from most to least. */
const SPOKEN: readonly ClickPlanName[] = [
  'every slot',
  '8ths',
  'counts',
  '2 and 4',
  '1 only',
  'every second bar',
  '2 bars on, 2 silent',
  'thin out and back',
];
const ONLY_IN: ClickPlan = { kind: 'silent' };

function swingKey(swing: Feel | undefined): string {
  if (swing === undefined) return 'own';
  return swing === 'straight' ? swing : `${swing.value} ${swing.ratio}`;
}

/** What the choice of the spoken count stands on, and what it means. */
function spokenKey(count: ClickPlan | undefined): string {
  if (count === undefined) return 'off';
  return count.kind === 'silent' ? 'in' : planInWords(count);
}
function spokenOf(key: string): ClickPlan | undefined {
  if (key === 'off') return undefined;
  return key === 'in' ? ONLY_IN : CLICK_PLANS[key as ClickPlanName];
}

/**
 * What is set less often: the spoken count, triplet layers, swing, lean, bars counted in. It may stand open while
 * playing.
 */
export function SetUp({ frame, isSwingFixed, withTransport, onClose }: SetUpProps) {
  const { school, limbs, groove } = useRoom();
  const { settings, playing, unspoken, change: onChange } = frame;
  const { count, layers, swing, lean } = settings;
  const swings = [...new Set([groove.swing?.value ?? '8th', '8th', '16th'])].flatMap((value) =>
    Object.entries(SWING_SCHOOLS).map(([name, ratio]) => ({ name, swing: { value, ratio } as Swing })),
  );
  /** While it plays, the groove's own has to be said, since nothing said leaves what is. */
  const swingOf = (key: string): Feel | undefined => {
    if (key === 'own') return playing ? (groove.swing ?? 'straight') : undefined;
    return key === 'straight' ? key : swings.find((one) => swingKey(one.swing) === key)!.swing;
  };
  const silent = [...new Set(Object.values(school.syllables).flat())].filter((word) => word && !isRecorded(word));
  return (
    <Drawer
      anchor="right"
      open
      onClose={onClose}
      slotProps={{ paper: { role: 'dialog', 'aria-label': 'Set up', sx: { width: { xs: 1, sm: 400 } } } }}
    >
      <Box
        sx={{
          display: 'flex',
          alignItems: 'center',
          justifyContent: 'space-between',
          px: 2.5,
          py: 1.5,
          borderBottom: 1,
          borderColor: 'divider',
        }}
      >
        <Typography variant="h2">Set up</Typography>
        <IconButton onClick={onClose} aria-label="Close" sx={{ width: 44, height: 44 }}>
          <CloseRounded />
        </IconButton>
      </Box>
      <Box sx={{ display: 'grid', gap: 3, px: 2.5, py: 2.5 }}>
        {withTransport && <PhoneExtras view={withTransport} />}
        {!playing && (
          <Part title="What listens">
            <WhatListens />
          </Part>
        )}
        {settings.who !== 'me' && settings.who !== 'steady' && (
          <Part title="The simulated kit" hint="It shows a fault, so that it can be seen and heard.">
            <KitChoice settings={settings} disabled={playing} onChange={onChange} />
          </Part>
        )}
        <Part title="Count" hint={countHint(count, unspoken, silent)}>
          <Pick
            label="Spoken"
            value={spokenKey(count)}
            options={[
              ['off', 'not spoken'],
              ['in', 'only while counting in'],
              ...SPOKEN.map((name): [string, string] => [name, `on ${name}`]),
            ]}
            onPick={(name) => onChange({ count: spokenOf(name) })}
          />
          <Pick
            label="Count in"
            value={String(settings.countIn)}
            disabled={playing}
            options={COUNT_INS.map((bars) => [String(bars), bars ? plural(bars, 'bar') : 'none'])}
            onPick={(bars) => onChange({ countIn: Number(bars) })}
          />
        </Part>
        <Part
          title="Slow triplets"
          hint={
            layers
              ? `Every second note is kept${layers.to === 'half triplet' ? ', and every second again' : ''}. The helpers sound for ${plural(layers.bars, 'bar')}, quietly for ${layers.bars} more, then they are gone.`
              : 'Quicker triplets lead to slow ones, and fade out.'
          }
        >
          <Pick
            label="Layers"
            value={layers?.to ?? 'none'}
            options={[
              ['none', 'none'],
              ['quarter triplet', '8th triplets to quarter triplets'],
              ['half triplet', '8th triplets to half-note triplets'],
            ]}
            onPick={(to) =>
              onChange({
                layers: to === 'none' ? undefined : { to: to, bars: layers?.bars ?? 4 },
              })
            }
          />
          {layers && (
            <Pick
              label="Bars of each stage"
              value={String(layers.bars)}
              options={[1, 2, 4, 8].map((bars) => [String(bars), plural(bars, 'bar')])}
              onPick={(bars) => onChange({ layers: { ...layers, bars: Number(bars) } })}
            />
          )}
        </Part>
        <Part title="Swing" hint={isSwingFixed ? 'Straight and swung are set against each other now.' : undefined}>
          <Pick
            label="Played"
            value={swingKey(swing)}
            disabled={isSwingFixed}
            options={[
              ['own', `as written: ${feelInWords(groove.swing)}`],
              ['straight', 'straight'],
              ...swings.map(({ name, swing: one }): [string, string] => [
                swingKey(one),
                `${feelInWords(one)} (${name})`,
              ]),
            ]}
            onPick={(key) => onChange({ swing: swingOf(key) })}
          />
        </Part>
        <Part
          title="Where on the beat"
          hint="First the exact place, then the lean. It is heard, drawn and judged there. Set it before you play."
        >
          {limbs.map((limb) => {
            const ms = lean[limb] ?? 0;
            return (
              <Box key={limb}>
                <Box sx={{ display: 'flex', justifyContent: 'space-between' }}>
                  <Typography>{opening(limb)}</Typography>
                  <Typography color="textSecondary">
                    {ms === 0 ? 'on the beat' : `${Math.abs(ms)} ms ${ms > 0 ? 'behind' : 'ahead'}`}
                  </Typography>
                </Box>
                <Slider
                  aria-label={opening(limb)}
                  min={-MOST_LEAN}
                  max={MOST_LEAN}
                  step={1}
                  value={ms}
                  disabled={playing}
                  track={false}
                  marks={[{ value: 0 }]}
                  color={isHand(limb) ? 'primary' : 'secondary'}
                  onChange={(_, value) => onChange({ lean: { ...lean, [limb]: value } })}
                />
              </Box>
            );
          })}
        </Part>
      </Box>
    </Drawer>
  );
}

function countHint(count: ClickPlan | undefined, unspoken: number, silent: readonly string[]): string | undefined {
  if (!count) return 'Counting aloud is part of the task.';
  if (unspoken) return 'Too fast to say every syllable at this tempo: the inner ones drop out.';
  if (silent.length) return `No recording says ${silent.map((word) => `“${word}”`).join(', ')}: passed in silence.`;
  return undefined;
}

function Part({ title, hint, children }: { title: string; hint?: string; children: ReactNode }) {
  return (
    <Box role="group" aria-label={title} sx={{ display: 'grid', gap: 1.5 }}>
      <Typography variant="h3">{title}</Typography>
      {children}
      {hint && (
        <Typography variant="body2" color="textSecondary" role="status">
          {hint}
        </Typography>
      )}
    </Box>
  );
}

/** What is out of sight on a phone while it plays. */
function PhoneExtras({ view: { frame, tempo, panel } }: { view: RoomView }) {
  const { limbs } = useRoom();
  return (
    <>
      <Part title="Now">
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'center' }}>
          {tempo !== 'none' && (
            <Tempo bpm={frame.settings.bpm} fixed={tempo === 'shown'} onChange={(bpm) => frame.change({ bpm })} />
          )}
          <TransportChoices frame={frame} hasClick={tempo !== 'none'} hasLength={false} />
        </Box>
        {panel}
      </Part>
      <Part title="Limbs">
        {limbs.map((limb) => (
          <Box key={limb} sx={{ display: 'flex', alignItems: 'center', justifyContent: 'space-between' }}>
            <Typography>{opening(limb)}</Typography>
            <Switches frame={frame} limb={limb} />
          </Box>
        ))}
      </Part>
    </>
  );
}
