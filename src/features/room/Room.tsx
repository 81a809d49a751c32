'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useCallback, useEffect, useMemo, useState } from 'react';
import type { School } from '@/core/count/schools';
import type { SpeedLimits } from '@/core/limits';
import { isSameExercise, type ExerciseBars } from '@/core/form/exercises';
import type { WrittenDrill } from '@/core/documents/writtenDrill';
import type { Groove } from '@/core/groove/groove';
import { type Limb } from '@/core/groove/limbs';
import { limbsIn } from '@/core/groove/kit';
import { loudnessAt, rungsOf } from '@/core/plan/ladder';
import { type Climb } from '@/core/documents/climb';
import { schedule } from '@/core/schedule/schedule';
import type { Level } from '@/core/limits';
import { CLICK_PLANS, type ClickPlanName } from '@/core/time/clickPlan';
import type { Ms } from '@/core/time/units';
import { Page } from '@/ui/Page';
import { drillInWords, grooveInWords } from '@/ui/words';
import { speedWord } from './care';
import { DrillPanel } from './DrillPanel';
import { JudgedTake } from './JudgedTake';
import { useKeys } from './keys';
import { LimbSwitches } from './LimbSwitches';
import { Notes, Notices } from './Notes';
import { Pads } from './Pads';
import { plannedRun } from './performance';
import { PlayedStrip } from './PlayedStrip';
import { SaveSound } from './SaveSound';
import { changedWay, firstSettings, WAYS, type RoomSettings, type Way } from './settings';
import { SetUp } from './SetUp';
import { Stage } from './Stage';
import { Transport } from './Transport';
import { TripletLayers } from './TripletLayers';
import { useAttempt, type Judged } from './useAttempt';
import { useAwake } from './useAwake';
import { useBuildUp } from './useBuildUp';
import { useLadder } from './useLadder';
import { useMusic } from './useMusic';
import { chosenOf, useProgramme, type Practised } from './useProgramme';
import { useRest } from './useRest';
import { useRoomKeys } from './useRoomKeys';
import { useStage } from './useStage';
import { useWaiting } from './useWaiting';
import { WayChoice } from './WayChoice';
import { SLOWEST_CLICK, Ways } from './Ways';

export interface RoomProps {
  playerId: string;
  level: Level;
  school: School;
  grooveId: string;
  /** Already turned round for the player's kit. */
  groove: Groove;
  /** Strokes a second, as the teacher set them for the workshop. */
  limits: SpeedLimits;
  /** Of a groove that plays a drill. */
  drill?: WrittenDrill;
  assignment?: { id: string; tempo: number; click: ClickPlanName; reason: string };
  /** Where the player stands on this groove's ladder. */
  climb: Climb;
  /** What the address asks for: a verdict's practice. */
  asked: Partial<Pick<RoomSettings, 'bpm' | 'click' | 'task'>>;
}

/** Between two takes of a ladder: time to read what the last came to and to lift the sticks. */
const BREATH_MS: Ms = 1800;

/** For calls nobody has heard before. */
const anySeed = () => Math.floor(Math.random() * 2 ** 31);

/** Where a groove is practised: the strip, the count, the pads, and the take when it is done. */
export function Room({
  playerId,
  level,
  school,
  grooveId,
  groove,
  limits,
  drill,
  assignment,
  climb,
  asked,
}: RoomProps) {
  const limbs = useMemo(() => limbsIn(groove), [groove]);
  const [settings, setSettings] = useState<RoomSettings>(() => ({
    ...firstSettings(groove, assignment, drill),
    ...asked,
  }));
  const { way, task, heard } = settings;
  const [keys, changeKey] = useKeys();
  const [settingUp, setSettingUp] = useState(false);
  const climbing = useLadder(grooveId, climb);
  const playalong = useMusic(groove.tempo);
  const practised = useMemo((): Practised => ({ groove, parts: drill?.parts }), [groove, drill]);
  const [seed, setSeed] = useState(anySeed);
  const { programme, asPractised, sides, against } = useProgramme(
    practised,
    school,
    settings,
    climbing,
    playalong,
    seed,
  );
  const { bpm } = asPractised;
  const waiting = useWaiting(programme.groove, task);
  const { now: waitsAt, start: startWaiting, stop: stopWaiting, strike: strikeWaiting } = waiting;
  const { strip, ring, layers, count, side, turned, onStage, onMoment } = useStage({
    groove: programme.groove,
    school,
    bpm,
    swing: settings.swing,
    parts: programme.parts,
    against,
    waitsAt,
  });

  const { begin: beginBuildUp, bringIn, onRound } = useBuildUp(limbs, settings, setSettings);
  // A ladder goes on by itself from take to take until it is stopped, the goal is reached, or nobody is heard.
  const [climbs, setClimbs] = useState(false);
  const onEnded = (ended: Judged | undefined) => {
    if (climbs && (!ended?.whole || climbing.count(ended.judgement.verdict.about === 'clean').move === 'arrived'))
      setClimbs(false);
  };
  const attempt = useAttempt({
    playerId,
    level,
    grooveId,
    assignmentId: assignment?.id,
    programme,
    onMoment,
    onRound: way === 'build-up' ? onRound : undefined,
    onEnded,
  });
  const { status, judged, start, stop, strike, follow, again, setLevel, listen } = attempt;
  const playing = status === 'playing' || waitsAt !== undefined || climbs;
  useAwake(playing);
  const [rest, rested] = useRest(status === 'playing');
  // On a ladder the word comes before the climb, for the first rung from here on that is too fast.
  const tooFast = useMemo(() => {
    const { ladder, standing } = climbing.climb;
    const tempos = way === 'ladder' ? rungsOf(ladder).slice(standing.rung) : [bpm];
    return tempos.map((tempo) => speedWord(groove, tempo, task, limits)).find(Boolean);
  }, [way, climbing.climb, groove, bpm, task, limits]);
  const unspoken = useMemo(
    () =>
      asPractised.count || programme.calls
        ? schedule(plannedRun(programme, { ...asPractised, length: { rounds: 1 } })).unspoken
        : 0,
    [programme, asPractised],
  );
  // While playing all rounds share one line: what was struck last lies on top.
  const live = useMemo(
    () => (attempt.beads.length ? attempt.beads.map((bead) => ({ ...bead, round: 0 })) : undefined),
    [attempt.beads],
  );

  const change = useCallback(
    (wanted: Partial<RoomSettings>) => {
      setSettings((before) => ({ ...before, ...wanted }));
      follow(wanted);
    },
    [follow],
  );
  const practiseAs = (next: Way) => {
    again();
    setSettings((before) => changedWay(before, next, limbs));
  };

  const { ready, settings: musical } = playalong;
  const cannotPlay = (way === 'to music' && !ready) || (way === 'back to back' && !sides.ok);
  const begin = useCallback(() => {
    beginBuildUp();
    const { ladder, standing } = climbing.climb;
    if (cannotPlay) return;
    setClimbs(way === 'ladder');
    if (way === 'wait for me') {
      again();
      listen();
      startWaiting();
    } else {
      const begun = changedWay(asPractised, way, limbs);
      if (way === 'build-up') setSettings(begun);
      const next = settings.caller.same ? seed : anySeed();
      setSeed(next);
      void start(begun, {
        ...(way === 'called' && chosenOf(practised, begun, school, next)),
        backing:
          way === 'to music'
            ? { buffer: ready!, firstBeatMs: musical!.firstBeatMs / (musical!.speed / 100) }
            : undefined,
        loudness: way === 'ladder' && ladder.loudnesses ? loudnessAt(ladder, standing) : undefined,
      });
    }
  }, [
    way,
    limbs,
    cannotPlay,
    ready,
    musical,
    start,
    asPractised,
    climbing.climb,
    again,
    listen,
    startWaiting,
    practised,
    school,
    seed,
    settings.caller.same,
    beginBuildUp,
  ]);
  const toggle = useCallback(() => {
    setClimbs(false);
    if (waitsAt) stopWaiting();
    else if (status === 'playing') void stop();
    else if (!climbs && status !== 'starting') begin();
  }, [climbs, waitsAt, stopWaiting, status, stop, begin]);
  useEffect(() => {
    if (!climbs || status !== 'judged') return;
    const timer = setTimeout(begin, BREATH_MS);
    return () => clearTimeout(timer);
  }, [climbs, status, begin]);

  const struckBy = useCallback(
    (limb: Limb, pageMs: Ms) => {
      strike(limb, pageMs);
      strikeWaiting(limb);
    },
    [strike, strikeWaiting],
  );
  useRoomKeys({
    keys,
    limbs,
    onToggle: toggle,
    onStrike: settings.player === 'keys' || waitsAt ? struckBy : undefined,
  });

  const practise = () => {
    const { bpm: slower, click, limbs: fewer } = judged!.judgement.verdict.practise;
    practiseAs('through');
    setSettings((before) => ({ ...before, bpm: slower, click: CLICK_PLANS[click], task: fewer }));
  };
  const practisePart = (part: ExerciseBars) => {
    again();
    const only = drill!.parts.findIndex((one) => isSameExercise(one, part));
    setSettings((before) => ({ ...changedWay(before, 'through', limbs), range: [only], length: { rounds: 8 } }));
  };
  const withClick = () => {
    stopWaiting();
    const slow: RoomSettings = { ...settings, way: 'through', bpm: SLOWEST_CLICK, click: CLICK_PLANS.counts };
    setSettings(slow);
    void start(slow);
  };
  const showsTake = judged && !climbs;

  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', minHeight: { xs: 'calc(100dvh - 48px)', sm: '100dvh' } }}>
      <Box sx={{ flex: 1 }}>
        <Page
          title={groove.title}
          note={drill ? drillInWords(drill) : grooveInWords(groove)}
          actions={
            <>
              {!playing && <SaveSound programme={programme} settings={asPractised} />}
              <Button variant="outlined" onClick={() => setSettingUp(true)} sx={{ minHeight: 44 }}>
                Set up
              </Button>
            </>
          }
        >
          <Box sx={{ display: 'grid', gap: 1.5, mt: -1 }}>
            {!playing && (
              <WayChoice way={way} ways={drill?.rule.caller ? ['called', ...WAYS] : WAYS} onChange={practiseAs} />
            )}
            <Notices
              say={attempt.say}
              rest={rest && !playing}
              tooFast={playing || judged ? undefined : tooFast}
              onRested={rested}
            />
            <Ways
              settings={settings}
              playing={playing}
              climbing={climbing}
              sides={sides}
              playalong={playalong}
              waitsAt={waitsAt}
              onChange={(wanted) =>
                setSettings((before) =>
                  playing ? { ...before, ...wanted } : changedWay({ ...before, ...wanted }, way, limbs),
                )
              }
              onMoved={(tempo) => follow({ bpm: tempo })}
              onNextLimb={() => bringIn(follow)}
              onWithClick={withClick}
            />
            {drill && !playing && !showsTake && (
              <DrillPanel
                groove={groove}
                parts={drill.parts}
                school={school}
                settings={settings}
                onChange={(wanted) => setSettings((before) => ({ ...before, ...wanted }))}
              />
            )}
            {showsTake ? (
              <JudgedTake
                judged={judged}
                school={school}
                onPractise={practise}
                onAgain={again}
                onPart={drill && practisePart}
              />
            ) : (
              <Stage
                strip={
                  <PlayedStrip
                    programme={programme}
                    onStage={onStage}
                    playing={playing}
                    school={school}
                    bpm={bpm}
                    swing={turned ?? settings.swing}
                    task={task}
                    beads={waitsAt ? undefined : live}
                    strip={strip}
                  />
                }
                count={count}
                side={side}
                layers={
                  settings.layers && <TripletLayers plan={settings.layers} groove={programme.groove} handle={layers} />
                }
                pads={
                  <Pads
                    limbs={limbs}
                    task={task}
                    keys={keys}
                    struck={attempt.struck}
                    playing={playing}
                    awaited={waitsAt && limbs.filter((limb) => waitsAt.left[limb])}
                    wrong={waitsAt?.wrong}
                    onStrike={struckBy}
                    onChangeKey={changeKey}
                    switches={(limb) => (
                      <LimbSwitches
                        limb={limb}
                        inTask={task.includes(limb)}
                        isHeard={heard.includes(limb)}
                        last={task.length === 1}
                        fixed={waitsAt !== undefined}
                        onTask={(on) =>
                          change({ task: limbs.filter((one) => (one === limb ? on : task.includes(one))) })
                        }
                        onHeard={(on) =>
                          change({ heard: limbs.filter((one) => (one === limb ? on : heard.includes(one))) })
                        }
                      />
                    )}
                  />
                }
                notes={
                  <Notes
                    unspoken={unspoken}
                    called={Boolean(programme.calls)}
                    reason={playing ? undefined : assignment?.reason}
                    care={!playing && !tooFast}
                  />
                }
              />
            )}
          </Box>
        </Page>
      </Box>
      <Transport
        settings={settings}
        groove={groove}
        bpm={bpm}
        tempoFixed={way === 'ladder' || way === 'to music'}
        timeless={way === 'wait for me'}
        lengthSet={way !== 'ladder' && way !== 'to music' && way !== 'wait for me' && way !== 'called'}
        ring={ring}
        playing={playing}
        busy={status === 'starting' && !climbs}
        cannotPlay={cannotPlay}
        onChange={change}
        onLevel={setLevel}
        onToggle={toggle}
      />
      {settingUp && (
        <SetUp
          settings={settings}
          groove={groove}
          limbs={limbs}
          school={school}
          playing={playing}
          swingFixed={Boolean(against?.swings)}
          unspoken={unspoken}
          onChange={change}
          onClose={() => setSettingUp(false)}
        />
      )}
    </Box>
  );
}
