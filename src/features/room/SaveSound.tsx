'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import LinearProgress from '@mui/material/LinearProgress';
import Switch from '@mui/material/Switch';
import Typography from '@mui/material/Typography';
import { useEffect, useRef, useState } from 'react';
import { beatOf } from '@/core/groove/beat';
import type { Groove } from '@/core/groove/document';
import { schedule } from '@/core/schedule';
import { planInWords } from '@/core/time/clickPlan';
import { steady } from '@/core/time/tempoMap';
import { framesOf, type Rendering } from '@/sound/rendering';
import { voiceOf } from '@/sound/voices';
import type { WavAnswer } from '@/sound/wav.worker';
import { lengthInWords, plural, tempoInWords } from '@/ui/words';
import type { RoomSettings } from './settings';

const RATE = 44_100;
/** Longer than this nobody wants on one file, and the browser has to hold it. */
const MOST_MINUTES = 60;

/** Saves what the room would play, the click with or without the groove, as a sound file. */
export function SaveSound({ groove, settings }: { groove: Groove; settings: RoomSettings }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button size="small" onClick={() => setOpen(true)}>
        Save as sound
      </Button>
      {open && <SaveDialog groove={groove} settings={settings} onClose={() => setOpen(false)} />}
    </>
  );
}

function SaveDialog({ groove, settings, onClose }: { groove: Groove; settings: RoomSettings; onClose: () => void }) {
  const [withGroove, setWithGroove] = useState(settings.hearGroove);
  const [share, setShare] = useState<number>();
  const [say, setSay] = useState<string>();
  const worker = useRef<Worker>(undefined);
  const cancel = () => {
    worker.current?.terminate();
    worker.current = undefined;
    setShare(undefined);
  };
  useEffect(() => () => worker.current?.terminate(), []);

  const { bpm, click, countIn, rounds } = settings;
  const timed = schedule({ groove, tempo: steady(bpm, beatOf(groove)), click, countIn, rounds });
  const sounds = timed.sounds.filter(({ kind }) => kind === 'click' || withGroove).map((sound) => ({ ms: sound.ms, voice: voiceOf(sound) }));
  const rendering: Rendering = { sounds, startMs: timed.startMs, endMs: timed.endMs, rate: RATE };
  const lengthMs = timed.endMs - timed.startMs;
  const tooLong = lengthMs > MOST_MINUTES * 60_000;

  const save = () => {
    setSay(undefined);
    setShare(0);
    const renderer = new Worker(new URL('../../sound/wav.worker.ts', import.meta.url));
    worker.current = renderer;
    renderer.onmessage = ({ data }: MessageEvent<WavAnswer>) => {
      if ('share' in data) return setShare(data.share);
      cancel();
      const address = URL.createObjectURL(new Blob([data.wav], { type: 'audio/wav' }));
      const link = document.createElement('a');
      link.href = address;
      link.download = `${groove.title.replace(/[^\p{L}\p{N} -]/gu, '')} ${tempoInWords(bpm)}.wav`;
      link.click();
      URL.revokeObjectURL(address);
      setSay('Saved where this browser keeps what it downloads.');
    };
    renderer.onerror = () => {
      cancel();
      setSay('The sound could not be worked out here. Fewer rounds make a smaller file; try that.');
    };
    renderer.postMessage(rendering);
  };

  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="save-sound">
      <DialogTitle id="save-sound">Save as sound</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 2 }}>
        <Typography>
          {groove.title} at {tempoInWords(bpm)}, {plural(rounds, 'round')}, click on {planInWords(click)}: {lengthInWords(lengthMs)} minutes,{' '}
          {((framesOf(rendering) * 2) / 1e6).toFixed(1)} MB (WAV).
        </Typography>
        <FormControlLabel
          control={<Switch checked={withGroove} onChange={(_, on) => setWithGroove(on)} disabled={share !== undefined} />}
          label="With the groove, not the click alone"
        />
        {tooLong && <Alert severity="warning">More than {MOST_MINUTES} minutes. Choose fewer rounds or a quicker tempo.</Alert>}
        {share !== undefined && <LinearProgress variant="determinate" value={100 * share} aria-label="How much of it is done" />}
        <Box role="status">{say}</Box>
      </DialogContent>
      <DialogActions>
        {share === undefined ? <Button onClick={onClose}>Close</Button> : <Button onClick={cancel}>Stop</Button>}
        <Button variant="contained" onClick={save} loading={share !== undefined} disabled={tooLong}>
          Save it
        </Button>
      </DialogActions>
    </Dialog>
  );
}
