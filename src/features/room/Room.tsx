'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useCallback, useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import type { School } from '@/core/count/schools';
import type { Limits } from '@/core/groove/checks';
import type { Groove } from '@/core/groove/document';
import { limbsIn, type Limb } from '@/core/groove/limbs';
import type { Level } from '@/core/take/figures';
import { CLICK_PLANS, type ClickPlanName } from '@/core/time/clickPlan';
import { countsOf } from '@/core/time/meter';
import type { VoiceName } from '@/sound/voices';
import { lanesOf } from '@/ui/strip/layout';
import { Strip, type StripHandle } from '@/ui/strip/Strip';
import { FIGURE_FONT } from '@/ui/theme';
import { Page } from '@/ui/Page';
import { TakeFigures } from '@/ui/take/TakeFigures';
import { TakePicture } from '@/ui/take/TakePicture';
import { VerdictNote } from '@/ui/take/VerdictNote';
import { grooveInWords } from '@/ui/words';
import { useKeys } from './keys';
import { emptyOutbox, onOutbox, outboxState } from './outbox';
import type { Moment } from './performance';
import { limbOfKey, Pads } from './Pads';
import { SaveSound } from './SaveSound';
import type { RoomSettings } from './settings';
import { Transport } from './Transport';
import { useAttempt } from './useAttempt';
import { useAwake } from './useAwake';
import { useRest } from './useRest';
import { speedWord } from './care';

export interface RoomProps {
  playerId: string;
  level: Level;
  school: School;
  grooveId: string;
  /** Already turned round for the player's kit. */
  groove: Groove;
  /** Strokes a second, as the teacher set them for the workshop. */
  limits: Limits;
  assignment?: { id: string; tempo: number; click: ClickPlanName; reason: string };
  /** What the address asks for: a verdict's practice. */
  asked: Partial<Pick<RoomSettings, 'bpm' | 'click' | 'task'>>;
}

/** Where a groove is practised: the strip, the count, the pads, and the take when it is done. */
export function Room({ playerId, level, school, grooveId, groove, limits, assignment, asked }: RoomProps) {
  const limbs = useMemo(() => limbsIn(groove), [groove]);
  const [settings, setSettings] = useState<RoomSettings>({
    bpm: assignment?.tempo ?? groove.tempo,
    click: CLICK_PLANS[assignment?.click ?? 'counts'],
    rounds: 8,
    countIn: 1,
    player: 'keys',
    hearGroove: true,
    task: limbs,
    ...asked,
  });
  const [keys, changeKey] = useKeys();
  const strip = useRef<StripHandle>(null);
  const count = useRef<HTMLElement>(null);
  // Straight on the page, without asking React: the playhead on the strip and the count that is sounding.
  const onMoment = useCallback(
    (moment: Moment | undefined) => {
      strip.current?.playhead(moment && !moment.countingIn ? moment.bar : undefined, moment?.fraction ?? 0);
      if (count.current) count.current.textContent = moment ? countAt(groove, moment) : '';
    },
    [groove],
  );
  const voices = useMemo(
    () => Object.fromEntries(lanesOf(groove).map(({ limb, surface }) => [limb, `${surface}/tap`])) as Partial<Record<Limb, VoiceName>>,
    [groove],
  );
  const attempt = useAttempt({ playerId, level, grooveId, assignmentId: assignment?.id, groove, voices, onMoment });
  const { status, judged, start, stop, strike, follow, again, setLevel } = attempt;
  const playing = status === 'playing';
  useAwake(playing);
  const [rest, rested] = useRest(playing);
  const tooFast = useMemo(() => speedWord(groove, settings.bpm, settings.task, limits), [groove, settings.bpm, settings.task, limits]);
  // While playing all rounds share one line: what was struck last lies on top.
  const live = useMemo(() => (attempt.beads.length ? attempt.beads.map((bead) => ({ ...bead, round: 0 })) : undefined), [attempt.beads]);

  const change = useCallback(
    (wanted: Partial<RoomSettings>) => {
      setSettings((before) => ({ ...before, ...wanted }));
      follow(wanted);
    },
    [follow],
  );
  const toggle = useCallback(() => {
    if (playing) void stop();
    else if (status !== 'starting') void start(settings);
  }, [playing, status, settings, start, stop]);

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
      if (event.code === 'Space' && !(event.target instanceof HTMLButtonElement)) {
        event.preventDefault();
        // A list that was just chosen from would open again; Enter and the arrow keys open it.
        event.stopPropagation();
        if (!event.repeat) toggle();
        return;
      }
      const limb = limbOfKey(keys, event.code);
      if (!limb || !limbs.includes(limb)) return;
      event.preventDefault();
      if (!event.repeat && settings.player === 'keys') strike(limb, event.timeStamp);
    };
    window.addEventListener('keydown', onKey, true);
    return () => window.removeEventListener('keydown', onKey, true);
  }, [keys, limbs, settings.player, strike, toggle]);

  const practise = () => {
    const { bpm, click, limbs: task } = judged!.judgement.verdict.practise;
    change({ bpm, click: CLICK_PLANS[click], task });
    again();
  };

  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', minHeight: { xs: 'calc(100dvh - 48px)', sm: '100dvh' } }}>
      <Box sx={{ flex: 1 }}>
        <Page title={groove.title} note={grooveInWords(groove)} actions={!playing && <SaveSound groove={groove} settings={settings} />}>
          {attempt.say && (
            <Alert severity="info" role="status" sx={{ mb: 2 }}>
              {attempt.say}
            </Alert>
          )}
          {rest && !playing && (
            <Alert severity="info" role="status" sx={{ mb: 2 }} action={<Button onClick={rested}>I have rested</Button>}>
              25 minutes of playing: put the sticks down for five, let hands and ears rest, drink something.
            </Alert>
          )}
          {tooFast && !playing && !judged && (
            <Alert severity="warning" sx={{ mb: 1, maxWidth: 1000 }}>
              {tooFast}
            </Alert>
          )}
          {judged ? (
            <Box sx={{ display: 'grid', gap: 3, maxWidth: 1180 }}>
              <VerdictNote
                verdict={judged.judgement.verdict}
                action={
                  <>
                    <Button variant="contained" onClick={practise} sx={{ minHeight: 44 }}>
                      Practise this
                    </Button>
                    <Button variant="outlined" onClick={again} sx={{ minHeight: 44 }}>
                      The same again
                    </Button>
                    <KeptNote id={judged.id} />
                  </>
                }
              />
              <TakePicture take={judged.take} judgement={judged.judgement} school={school} />
              <TakeFigures judgement={judged.judgement} />
            </Box>
          ) : (
            <Box sx={{ display: 'grid', gap: 3 }}>
              <Strip groove={groove} school={school} bpm={settings.bpm} size="room" task={settings.task} beads={live} handle={strip} />
              <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 3 }}>
                <Pads limbs={limbs} task={settings.task} keys={keys} struck={attempt.struck} playing={playing} onStrike={strike} onChangeKey={changeKey} />
                <Box
                  ref={count}
                  aria-hidden
                  sx={{ fontFamily: FIGURE_FONT, fontWeight: 800, fontSize: 104, lineHeight: 0.9, minWidth: 140, textAlign: 'center', mx: 'auto' }}
                />
              </Box>
              {assignment && !playing && <Typography sx={{ maxWidth: 720, fontSize: '1.1rem', overflowWrap: 'anywhere' }}>{assignment.reason}</Typography>}
              {!playing && !tooFast && (
                <Typography variant="body2" color="textSecondary">
                  Space starts and stops. Warm up first, keep the level where talking is easy, rest every 25 minutes; stop when it hurts, and if it stays, see a
                  doctor.
                </Typography>
              )}
            </Box>
          )}
        </Page>
      </Box>
      <Transport
        settings={settings}
        groove={groove}
        limbs={limbs}
        playing={playing}
        busy={status === 'starting'}
        onChange={change}
        onLevel={setLevel}
        onToggle={
          judged
            ? () => {
                again();
                void start(settings);
              }
            : toggle
        }
      />
    </Box>
  );
}

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement || (target instanceof HTMLElement && target.closest('[role="listbox"]') !== null);

/** Whether the server has the take yet. */
function KeptNote({ id }: { id: string }) {
  const { kept, refused } = useSyncExternalStore(onOutbox, outboxState, () => emptyOutbox);
  const words = kept.has(id) ? 'Kept in the log' : refused.some((one) => one.id === id) ? 'Not kept' : 'Safe in this browser, being sent …';
  return (
    <Typography variant="body2" color="textSecondary" role="status">
      {words}
    </Typography>
  );
}

function countAt(groove: Groove, { bar, fraction }: Moment): string {
  const counts = countsOf(groove.bars[bar]!.meter, groove.reading);
  return String(counts[Math.min(counts.length - 1, Math.floor(fraction * counts.length))]!.number);
}
