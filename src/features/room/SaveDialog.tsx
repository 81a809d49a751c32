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
import { proxy, wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { Limb } from '@/core/groove/limbs';
import { planInWords } from '@/core/time/clickPlan';
import { BITS_A_SECOND, canCompress, COMPRESSED_RATE, wavCompressed } from '@/sound/recordings/compress';
import type { Rendering } from '@/sound/rendering';
import { sampled } from '@/sound/speech';
import { isSpoken } from '@/sound/voiceNames';
import type { WavWorker } from '@/sound/wav.worker';
import { Pick } from '@/ui/Pick';
import { plural } from '@/ui/words/text';
import { lengthInWords, tempoInWords } from '@/ui/words/figures';
import { heardSchedule, planOf, voiced, type Piece } from './piece';
import type { RoomSettings } from './settings';

/** Longer than this nobody wants on one file, and the browser has to hold it. */
const MOST_MINUTES = 60;

/** What the file may be: as it is, or compressed where the browser can do that. */
const FILES = {
  wav: { words: 'WAV, as it is', type: 'audio/wav', rate: 44_100, bytesASecond: 2 * 44_100 },
  webm: { words: 'WebM, compressed', type: 'audio/webm', rate: COMPRESSED_RATE, bytesASecond: BITS_A_SECOND / 8 },
} as const;
type SoundFile = keyof typeof FILES;

interface SaveDialogProps {
  piece: Piece;
  settings: RoomSettings;
  onClose: () => void;
}

/** Asks what is to be in the file, works it out beside the page and hands it over. */
export function SaveDialog({ piece, settings, onClose }: SaveDialogProps) {
  const { groove } = piece;
  const [withGroove, setWithGroove] = useState(settings.heard.length > 0);
  const [file, setFile] = useState<SoundFile>('wav');
  const [compresses, setCompresses] = useState(false);
  useEffect(() => void canCompress().then(setCompresses), []);
  const [share, setShare] = useState<number>();
  const [say, setSay] = useState<string>();
  const worker = useRef<Worker>(undefined);
  const cancel = () => {
    worker.current?.terminate();
    worker.current = undefined;
    setShare(undefined);
  };
  useEffect(() => () => worker.current?.terminate(), []);

  const { bpm, click } = settings;
  const { rate, type, bytesASecond } = FILES[file];
  const plan = planOf(piece, settings);
  const timed = heardSchedule(piece, settings);
  // What is silenced in the room is silent here; where all is, the whole groove is meant.
  const isHeard = ({ limb }: { limb: Limb }) => withGroove && (!settings.heard.length || settings.heard.includes(limb));
  const sounds = voiced(timed.sounds, isHeard, piece.loudness);
  const rendering: Rendering = { sounds, startMs: timed.startMs, endMs: timed.endMs, rate };
  const lengthMs = timed.endMs - timed.startMs;
  const tooLong = lengthMs > MOST_MINUTES * 60_000;

  const save = () => {
    setSay(undefined);
    setShare(0);
    const renderer = new Worker(new URL('../../sound/wav.worker.ts', import.meta.url));
    worker.current = renderer;
    const isGoing = () => worker.current === renderer;
    // It may be told of late, when the file is there already.
    const onShare = (done: number) => isGoing() && setShare(done);
    // Words are recordings, which a worker cannot decode.
    void sampled(new Set(sounds.map(({ voice }) => voice).filter(isSpoken)), rate)
      .then((recorded) => wrap<WavWorker>(renderer).render({ ...rendering, recorded }, proxy(onShare)))
      // Stopped meanwhile, nothing is to be compressed any more.
      .then((wav) => (file === 'webm' && isGoing() ? wavCompressed(wav, onShare) : wav))
      .then(
        (bytes) => isGoing() && download(bytes),
        (error: Error) => {
          setSay(
            error.message || 'The sound could not be worked out here. Fewer rounds make a smaller file; try that.',
          );
        },
      )
      .finally(() => isGoing() && cancel());
  };
  const download = (bytes: ArrayBuffer) => {
    const address = URL.createObjectURL(new Blob([bytes], { type }));
    const link = document.createElement('a');
    link.href = address;
    link.download = `${groove.title.replace(/[^\p{L}\p{N} -]/gu, '')} ${tempoInWords(bpm)}.${file}`;
    link.click();
    URL.revokeObjectURL(address);
    setSay('Saved where this browser keeps what it downloads.');
  };

  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="save-sound">
      <DialogTitle id="save-sound">Save as sound</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 2 }}>
        <Typography>
          {groove.title} at {tempoInWords(bpm)}, {plural(plan.rounds, 'round')}, click on {planInWords(click)}:{' '}
          {lengthInWords(lengthMs)} minutes, about {((bytesASecond * lengthMs) / 1e9).toFixed(1)} MB.
        </Typography>
        <FormControlLabel
          control={
            <Switch checked={withGroove} onChange={(_, on) => setWithGroove(on)} disabled={share !== undefined} />
          }
          label="With the groove, not the click alone"
        />
        {compresses && (
          <Pick
            label="File"
            value={file}
            disabled={share !== undefined}
            options={(Object.keys(FILES) as SoundFile[]).map((one) => [one, FILES[one].words] as const)}
            onPick={setFile}
          />
        )}
        {tooLong && (
          <Alert severity="warning">More than {MOST_MINUTES} minutes. Choose fewer rounds or a quicker tempo.</Alert>
        )}
        {share !== undefined && (
          <LinearProgress variant="determinate" value={100 * share} aria-label="How much of it is done" />
        )}
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
