import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import { useEffect } from 'react';
import { CLICK_PLANS } from '@/core/time/clickPlan';
import { Page } from '@/ui/Page';
import { drillFactsOf, drillInWords, factsOf, grooveInWords } from '@/ui/words/grooves';
import { chartFactsInWords } from '@/ui/words/charts';
import { sightInWords } from '@/ui/words/sight';
import { BarsChoice } from '../BarsChoice';
import { ChartPanel } from '../ChartPanel';
import { MinutesToday } from '../MinutesToday';
import { Notes, Notices } from '../Notes';
import { useRoom, type RoomFacts } from '../RoomContext';
import { SaveSound } from '../SaveSound';
import type { WayName } from '../settings';
import { Transport } from '../Transport';
import { goesRound } from '../usePiece';
import { WayChoice } from '../WayChoice';
import { Pads } from './RoomPads';
import type { RoomView } from './RoomFrame';
import { CountWord, PlayedLines } from './StageParts';

const DrillPanel = dynamic(() => import('../DrillPanel').then((module) => module.DrillPanel), { loading: () => null });
const hearingNote = () => import('../HearingNote').then((module) => module.HearingNote);
const HearingNote = dynamic(hearingNote, { ssr: false });
const judgedTake = () => import('../JudgedTake').then((module) => module.JudgedTake);
const JudgedTake = dynamic(judgedTake, { ssr: false });

/** The room between two takes: how to practise, what is played, and the last take when it is judged. */
export function AtRest({ frame, tempo, hasLength, isHidden, next, panel }: RoomView) {
  const {
    grooveId,
    groove,
    drill,
    chart,
    sight,
    school,
    report,
    assignment,
    limbs,
    state,
    dispatch,
    ways,
    practisedAs,
  } = useRoom();
  const { piece, settings, attempt, rest, rested, tooFast, isCalled, unspoken } = frame;
  const { judged, say, phase, heardShare } = state;
  // Brought once the room stands, so that it is there when the network is not.
  useEffect(() => void Promise.all([judgedTake(), hearingNote()]).catch(() => {}), []);
  const practiseAs = (name: WayName) => dispatch({ type: 'practise', settings: practisedAs(name) });
  const again = () => {
    next?.onNext();
    attempt.clear();
    dispatch({ type: 'again' });
  };
  const practise = () => {
    const { bpm, click, limbs: wanted } = judged!.judgement.verdict.practise;
    const through = practisedAs('through');
    const task = limbs.filter((limb) => wanted.includes(limb));
    dispatch({ type: 'practise', settings: { ...through, bpm, click: CLICK_PLANS[click], task } });
  };
  const practiseExercise = (exercise: number) => {
    const through = practisedAs('through');
    dispatch({ type: 'practise', settings: { ...through, range: [exercise], length: { rounds: 8 } } });
  };
  return (
    <Box
      sx={{
        display: 'flex',
        flexDirection: 'column',
        minHeight: { xs: 'calc(100dvh - 48px)', sm: 'calc(100dvh - var(--lesson-bar, 0px))' },
      }}
    >
      <Box sx={{ flex: 1 }}>
        <Page
          title={groove.title}
          note={noteOf({ groove, drill, chart, sight })}
          actions={
            <>
              <Box sx={{ alignSelf: 'center', mr: 1 }}>
                <MinutesToday />
              </Box>
              <Button href={`/handout/${grooveId}${assignment ? `?set=${assignment.id}` : ''}`} sx={{ minHeight: 44 }}>
                Handout
              </Button>
              {!sight && <SaveSound piece={piece} settings={settings} />}
              <Button variant="outlined" onClick={() => frame.setSettingUp(true)} sx={{ minHeight: 44 }}>
                Set up
              </Button>
            </>
          }
        >
          <Box sx={{ display: 'grid', gap: 1.5, mt: -1 }}>
            {ways.length > 1 && <WayChoice way={settings.way} ways={ways} onChange={practiseAs} />}
            <Notices say={say} rest={rest} tooFast={judged ? undefined : tooFast} onRested={rested} />
            {phase === 'hearing' && <HearingNote share={heardShare ?? 0} />}
            {panel}
            {drill && !judged && (
              <DrillPanel
                drill={drill}
                school={school}
                settings={state.settings}
                onChange={(change) => dispatch({ type: 'set', change })}
              />
            )}
            {chart && !sight && !judged && <ChartPanel chart={chart} />}
            {!drill && !chart && !judged && groove.bars.length > 1 && goesRound(settings.way) && (
              <BarsChoice
                count={groove.bars.length}
                bars={state.settings.bars}
                onChange={(bars) => dispatch({ type: 'set', change: { bars } })}
              />
            )}
            {judged ? (
              <JudgedTake
                judged={judged}
                school={school}
                report={report}
                onPractise={next ? undefined : practise}
                again={next?.say ?? 'The same again'}
                onAgain={again}
                onExercise={!next && (drill ?? chart) ? practiseExercise : undefined}
              />
            ) : (
              <>
                {!isHidden && <PlayedLines frame={frame} size="room" />}
                <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 3 }}>
                  <Pads frame={frame} />
                  <CountWord frame={frame} />
                </Box>
                <Notes unspoken={unspoken} called={isCalled} reason={assignment?.reason} care={!tooFast} />
              </>
            )}
          </Box>
        </Page>
      </Box>
      <Transport frame={frame} tempo={tempo} hasLength={hasLength} />
    </Box>
  );
}

/** What is played, in a line. */
function noteOf({ groove, drill, chart, sight }: Pick<RoomFacts, 'groove' | 'drill' | 'chart' | 'sight'>): string {
  if (sight) return sightInWords(sight.plan);
  if (chart) return chartFactsInWords(chart);
  return drill ? drillInWords(drillFactsOf(drill)) : grooveInWords(factsOf(groove));
}
