'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMemo, type ReactNode } from 'react';
import { SCHOOLS } from '@/core/counting/schools';
import { TAKE_VERSION, formOfTake, type Take } from '@/core/documents/take';
import { wholeOf } from '@/core/form/form';
import type { Groove } from '@/core/groove/groove';
import { LIMBS } from '@/core/groove/limbs';
import { limbsIn } from '@/core/groove/kit';
import { problem } from '@/core/result';
import { schedule } from '@/core/schedule/schedule';
import { judge } from '@/core/judging/verdict/judge';
import { kitPlaying } from '@/core/simulate/kitFaults';
import { simulateKit, type Playing } from '@/core/simulate/simulatedKit';
import { CLICK_PLANS } from '@/core/time/clickPlan';
import { DEFAULT_KEYS } from '@/ui/pads/keys';
import { LimbPads } from '@/ui/pads/LimbPads';
import { STARTER_GROOVES } from '@/server/demo/grooves';
import { EmptyState } from '@/ui/EmptyState';
import { Page } from '@/ui/Page';
import Stave from '@/ui/stave/Stave';
import { Strip } from '@/ui/strip/Strip';
import { TakeTable } from '@/ui/take/TakeTable';
import { TakeReport } from '@/ui/take/TakeReport';
import { Unreadable } from '@/ui/Unreadable';

const SCHOOL = SCHOOLS[0];
const LONG =
  'Ferry crossing with seven lanterns, the long way round by the reed beds and the old ice house, second half';
const nothing = () => {};
const named = (title: string): Groove => STARTER_GROOVES.find(({ groove }) => groove.title === title)!.groove;

/** Two rounds of a groove as the simulated kit plays it. */
function takeOf(groove: Groove, playing: Playing): Take {
  const take: Take = {
    version: TAKE_VERSION,
    groove,
    passages: wholeOf(groove),
    bpm: groove.tempo,
    click: CLICK_PLANS.counts,
    countIn: 1,
    rounds: 4,
    task: limbsIn(groove),
    input: 'keys',
    struckBy: 'player',
    playedMs: 0,
    hits: [],
  };
  const form = formOfTake(take);
  const timed = schedule(form);
  return { ...take, playedMs: Math.round(timed.endMs), hits: simulateKit({ form, timed }, take.task, playing, 7) };
}

/** Strip, stave, pictures of takes, pads, empty lists, errors and long names, light and dark. */
export function Gallery() {
  return (
    <Box component="main">
      {(['light', 'dark'] as const).map((scheme) => (
        <Box key={scheme} className={scheme} sx={{ bgcolor: 'background.default', color: 'text.primary' }}>
          <Page title={`Gallery, ${scheme}`} note="In development only">
            <Box sx={{ display: 'grid', gap: 5, maxWidth: 1180 }}>
              <Parts />
            </Box>
          </Page>
        </Box>
      ))}
    </Box>
  );
}

function Part({ name, children }: { name: string; children: ReactNode }) {
  return (
    <Box component="section" sx={{ display: 'grid', gap: 1.5, minWidth: 0 }}>
      <Typography variant="h2">{name}</Typography>
      {children}
    </Box>
  );
}

function Parts() {
  const even = named('Ferry ramp');
  const swung = STARTER_GROOVES.find(({ groove }) => groove.swing)!.groove;
  const odd = STARTER_GROOVES.find(({ groove }) => groove.bars[0]!.meter.beats === 7)!.groove;
  return (
    <>
      {[even, swung, odd].map((groove) => (
        <Part key={groove.title} name={`Strip and stave: ${groove.title}`}>
          <Strip groove={groove} school={SCHOOL} size="desk" />
          <Stave groove={groove} school={SCHOOL} />
        </Part>
      ))}
      <Part name="Strip, small, one limb in the task">
        <Box sx={{ maxWidth: 390 }}>
          <Strip groove={even} school={SCHOOL} size="glance" task={['right hand']} />
        </Box>
      </Part>
      <Played name="A take: nothing to fix" groove={even} playing={kitPlaying('steady')} />
      <Played name="A take: the off-beats" groove={even} playing={kitPlaying('uneven')} />
      <Played name="A take with a long name" groove={{ ...odd, title: LONG }} playing={kitPlaying('late')} />
      <Part name="Pads: at rest, waited for, wrong">
        {[{}, { awaited: ['right hand'] as const }, { wrong: ['left foot'] as const }].map((more, index) => (
          <LimbPads
            key={index}
            limbs={LIMBS}
            task={['right hand', 'left hand', 'right foot']}
            keys={DEFAULT_KEYS}
            playing={false}
            onStrike={nothing}
            onChangeKey={nothing}
            {...more}
          />
        ))}
      </Part>
      <Part name="Nothing there, and what cannot be read">
        <EmptyState title="No takes yet" action={<Button variant="contained">Choose a groove</Button>}>
          Play a groove in the room. When you stop, the take is judged and stands here with its figures.
        </EmptyState>
        <Unreadable what={LONG} problem={problem('newer-version', 'It is of version 9.', 'Update Mochila.')} />
      </Part>
    </>
  );
}

function Played({ name, groove, playing }: { name: string; groove: Groove; playing: Playing }) {
  const take = useMemo(() => takeOf(groove, playing), [groove, playing]);
  const judgement = useMemo(() => judge(take, 'second year'), [take]);
  const { figures } = judgement;
  const row = {
    id: name,
    player: 'Wilhelmina Aldersey-Featherstonehaugh of the Northern Landing',
    title: groove.title,
    played_at: new Date('2026-11-20T17:00:00Z'),
    tempo: take.bpm,
    struck_by: 'player' as const,
    set_aside_why: null,
    notes: 0,
    has_sound: false,
    matched: figures.matched,
    missed: figures.missed,
    extra: figures.extra,
    mean_error_ms: figures.meanErrorMs,
    sd_error_ms: figures.sdErrorMs,
    tempo_drift_percent: figures.tempoDriftPercent,
    verdict: judgement.verdict,
    is_judged: true,
  };
  return (
    <Part name={name}>
      <TakeReport
        take={take}
        judgement={judgement}
        school={SCHOOL}
        report="figures"
        action={<Button variant="outlined">Practise this</Button>}
      />
      <TakeTable
        takes={[row, { ...row, id: `${name} anew`, verdict: undefined, is_judged: false }]}
        reader={{ school: SCHOOL, clock: { timeZone: 'Europe/Zurich', dates: 'en' }, report: 'figures' }}
        withPlayer
      />
    </Part>
  );
}
