'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import Typography from '@mui/material/Typography';
import { useRef, useState } from 'react';
import type { School } from '@/core/counting/schools';
import type { Groove } from '@/core/groove/groove';
import { LIMBS } from '@/core/groove/limbs';
import { sentence } from '@/core/result';
import {
  decided,
  grooveFromPlaying,
  usualDecision,
  type Decision,
  type FromPlaying,
} from '@/core/transcribe/fromPlaying';
import { LimbPads } from '@/ui/pads/LimbPads';
import { Pick } from '@/ui/Pick';
import { Strip, type StripHandle } from '@/ui/strip/Strip';
import { FIGURE_FONT } from '@/ui/theme';
import { feelInWords } from '@/ui/words/grooves';
import { tempoInWords } from '@/ui/words/figures';
import { plural } from '@/ui/words/text';
import { PlayabilityWarnings } from './PlayabilityWarnings';
import { useRecording } from './useRecording';

interface RecordDialogProps {
  groove: Groove;
  /** The bar the cursor is in. */
  bar: number;
  school: School;
  onTake: (groove: Groove, say: string) => void;
  onClose: () => void;
}

const ROUNDS = [1, 2, 4, 8];

/**
 * Plays a groove in: to the click, by keys or pads, over all bars or one; what was heard is shown before it is taken.
 */
export function RecordDialog({ groove, bar, school, onTake, onClose }: RecordDialogProps) {
  const [rounds, setRounds] = useState(4);
  const [over, setOver] = useState<'all' | 'bar'>(groove.bars.length > 1 ? 'bar' : 'all');
  const [isHeard, setHeard] = useState(true);
  const [answer, setAnswer] = useState<ReturnType<typeof grooveFromPlaying>>();
  const [decisions, setDecisions] = useState<Decision[]>([]);
  const [takesFeel, setTakesFeel] = useState(false);
  const [count, strip] = [useRef<HTMLParagraphElement>(null), useRef<StripHandle>(null)];
  const part: Groove = over === 'all' ? groove : { ...groove, bars: [groove.bars[bar]!] };
  const isEmpty = groove.bars.every(({ strokes }) => !strokes.length);

  const recording = useRecording({
    groove: part,
    rounds,
    isHeard,
    school,
    count,
    strip,
    onEnded: (hits) => {
      const made = grooveFromPlaying({ groove: part, rounds, hits });
      setAnswer(made);
      setDecisions(made.ok ? made.value.doubts.map(usualDecision) : []);
      // Where nothing stood yet, it is the groove that was played.
      setTakesFeel(isEmpty);
    },
  });
  const { isRecording } = recording;
  const heard = answer?.ok ? answer.value : undefined;
  const result = heard && resultOf(heard, decisions, takesFeel);
  const shown = result?.ok ? result.value : part;
  const taken = result?.ok && (over === 'all' ? result.value : withBar(groove, bar, result.value));
  const anew = () => {
    setAnswer(undefined);
    void recording.start();
  };
  return (
    <Dialog open onClose={isRecording ? undefined : onClose} fullWidth maxWidth="md" aria-labelledby="record-title">
      <DialogTitle id="record-title">Play it in</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 2, alignContent: 'start' }}>
        {!heard && (
          <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center', pt: 1 }}>
            {groove.bars.length > 1 && (
              <Pick
                label="Over"
                value={over}
                options={[
                  ['bar', `bar ${bar + 1}, round and round`],
                  ['all', `all ${groove.bars.length} bars`],
                ]}
                disabled={isRecording}
                onPick={setOver}
                sx={{ width: 220 }}
              />
            )}
            <Pick
              label="How often"
              value={rounds}
              options={ROUNDS.map((many) => [many, many === 1 ? 'once' : `${many} times`] as const)}
              disabled={isRecording}
              onPick={setRounds}
              sx={{ width: 130 }}
            />
            {!isEmpty && (
              <FormControlLabel
                control={<Switch checked={isHeard} disabled={isRecording} onChange={(_, on) => setHeard(on)} />}
                label="Hear what stands there"
              />
            )}
            <Typography color="textSecondary">{tempoInWords(groove.tempo)} a minute, a bar counted in</Typography>
          </Box>
        )}
        {recording.say && <Alert severity="warning">{recording.say}</Alert>}
        <Box role="status">
          {answer && !answer.ok && !isRecording && <Alert severity="info">{sentence(answer.problems[0]!)}</Alert>}
          {heard && <Typography>{heardInWords(heard)}</Typography>}
        </Box>
        <Strip groove={shown} school={school} size="glance" handle={strip} />
        {heard ? (
          <>
            {heard.feel && (
              <FormControlLabel
                control={<Switch checked={takesFeel} onChange={(_, on) => setTakesFeel(on)} />}
                label={
                  heard.feel === 'straight'
                    ? 'You played it straight: take the swing off the groove'
                    : `You played it as ${feelInWords(heard.feel)}: let the groove swing so`
                }
              />
            )}
            <PlayabilityWarnings
              groove={shown}
              heard={heard}
              decisions={decisions}
              school={school}
              onDecide={(index, decision) => setDecisions(decisions.with(index, decision))}
            />
            {result && !result.ok && <Alert severity="warning">{sentence(result.problems[0]!)}</Alert>}
          </>
        ) : (
          <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 3, alignItems: 'center' }}>
            <LimbPads
              limbs={LIMBS}
              task={LIMBS}
              keys={recording.keys}
              struck={recording.struck}
              playing={isRecording}
              onStrike={recording.touch}
              onChangeKey={recording.changeKey}
            />
            <Typography
              ref={count}
              data-count
              component="p"
              sx={{ fontFamily: FIGURE_FONT, fontWeight: 750, fontSize: 56, lineHeight: 1, minWidth: 110 }}
            />
          </Box>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose} disabled={isRecording}>
          Leave it
        </Button>
        {heard && (
          <Button variant="outlined" onClick={anew}>
            Play it again
          </Button>
        )}
        {heard ? (
          <Button
            variant="contained"
            disabled={!taken}
            onClick={() => taken && onTake(taken, `${plural(heard.added, 'stroke')} played in.`)}
          >
            Take it
          </Button>
        ) : (
          <Button variant="contained" onClick={isRecording ? recording.stop : anew}>
            {isRecording ? 'Stop' : 'Record'}
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}

/** What was heard with what was asked answered. */
function resultOf(heard: FromPlaying, decisions: readonly Decision[], takesFeel: boolean) {
  const answered = decided(heard, decisions);
  if (!answered.ok) return answered;
  const { swing, ...straight } = answered.value.groove;
  const played = heard.feel === 'straight' ? undefined : heard.feel;
  const feel = heard.feel && takesFeel ? played : swing;
  return { ok: true as const, value: feel ? { ...straight, swing: feel } : straight };
}

/** A groove with one of its bars, and its feel, from another. */
function withBar({ swing: _, ...groove }: Groove, bar: number, { bars, swing }: Groove): Groove {
  return { ...groove, ...(swing && { swing }), bars: groove.bars.with(bar, bars[0]!) };
}

function heardInWords({ added, kept, doubts }: FromPlaying): string {
  const left = kept.map(({ count }) => `count ${count}`).join(', ');
  return [
    `${plural(added, 'stroke')} heard.`,
    left && `On ${left} something stands in another grid, which is left as it is.`,
    doubts.length > 0 && 'Of these it is not certain:',
  ]
    .filter(Boolean)
    .join(' ');
}
