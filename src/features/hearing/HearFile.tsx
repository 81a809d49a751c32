'use client';

import type { Tolerance } from '@/core/judging/types/figures';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import LinearProgress from '@mui/material/LinearProgress';
import Switch from '@mui/material/Switch';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { readGroove, type GrooveJson } from '@/core/documents/groove';
import { alignToGroove, tempoHeard } from '@/core/hearing/take/alignToGroove';
import { FASTEST, SLOWEST } from '@/core/limits';
import { useEars } from '@/sound/inputs/ears';
import { Page } from '@/ui/Page';
import { Pick } from '@/ui/Pick';
import type { Reader } from '@/ui/reader';
import { FileDrop } from './FileDrop';
import { HeardResult } from './HeardResult';
import { kitTake } from './kitTake';
import { TempoField } from './TempoField';
import { useHearing } from './useHearing';

interface HearFileProps {
  reader: Reader;
  playerId: string;
  tolerance: Tolerance;
  library: readonly { id: string; title: string }[];
  /** The groove that the address names. */
  chosen?: { id: string; groove: GrooveJson };
}

const NONE = 'none';

/** What Mochila hears in a file: every stroke, and on a groove where each of them fell; kept where one wants that. */
export function HearFile({ reader, playerId, tolerance, library, chosen }: HearFileProps) {
  const router = useRouter();
  const { hearing, hearFile, transcribeTake, hearAgain, sound, stop } = useHearing();
  const [ears] = useEars();
  const kit = ears.microphone?.kit;
  const [isOnKit, setOnKit] = useState(false);
  const groove = useMemo(() => {
    const read = chosen && readGroove(chosen.groove);
    return read?.ok ? read.value : undefined;
  }, [chosen]);
  // `taken` counts how often another was taken over than was typed.
  const [tempo, setTempo] = useState<{ of?: string; bpm: number; taken: number }>({ bpm: 90, taken: 0 });
  const bpm = tempo.of === chosen?.id ? tempo.bpm : (groove?.tempo ?? tempo.bpm);
  const heard = hearing.kind === 'heard' ? hearing.heard : undefined;
  const laid = useMemo(
    () => groove && heard && alignToGroove(groove, bpm, heard.strokes, heard.lengthMs),
    [groove, heard, bpm],
  );
  const other = useMemo(() => groove && heard && tempoHeard(groove, bpm, heard.strokes), [groove, heard, bpm]);
  return (
    <Page
      title="Hear a file"
      note="A recording or a MIDI file, heard stroke by stroke. Nothing of it is kept unless you say so."
      actions={
        <Button href="/takes" variant="outlined">
          Log
        </Button>
      }
    >
      <Box sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 3, maxWidth: 1100 }}>
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center' }}>
          <Pick
            label="Groove"
            value={chosen?.id ?? NONE}
            options={[[NONE, 'none'], ...library.map(({ id, title }) => [id, title] as const)]}
            onPick={(id) => router.replace(id !== NONE ? `/hear?groove=${id}` : '/hear', { scroll: false })}
            sx={{ width: 280 }}
          />
          {groove && (
            <>
              <TempoField
                key={`${chosen!.id} ${tempo.taken}`}
                bpm={bpm}
                least={SLOWEST}
                most={FASTEST}
                onChange={(set) => setTempo({ ...tempo, of: chosen!.id, bpm: set })}
              />
              <Typography color="textSecondary" sx={{ flex: '1 1 220px' }}>
                The tempo it was played at; where it begins is found.
              </Typography>
            </>
          )}
        </Box>
        <FileDrop onFile={(file) => void hearFile(file, isOnKit ? kit : undefined)}>
          {kit && (
            <FormControlLabel
              control={<Switch checked={isOnKit} onChange={({ target }) => setOnKit(target.checked)} />}
              label="Played on the kit that was learnt here"
            />
          )}
          {groove && (
            <Button
              variant="outlined"
              onClick={() => transcribeTake(kitTake(groove, bpm), 'the simulated kit’s take', 4)}
            >
              Let the simulated kit play it
            </Button>
          )}
        </FileDrop>
        {hearing.kind === 'at work' && (
          <Box role="status" sx={{ display: 'flex', gap: 2, alignItems: 'center' }}>
            <Box sx={{ flexGrow: 1 }}>
              <Typography gutterBottom>
                {hearing.share
                  ? `Hearing ${hearing.name}: ${Math.round(100 * hearing.share)} %`
                  : `Reading ${hearing.name}`}
              </Typography>
              <LinearProgress
                variant={hearing.share ? 'determinate' : 'indeterminate'}
                value={100 * hearing.share}
                aria-label="How much is heard"
              />
            </Box>
            <Button variant="outlined" onClick={stop}>
              Stop
            </Button>
          </Box>
        )}
        {hearing.kind === 'nothing' && (
          <Typography color="textSecondary" sx={{ maxWidth: 680 }}>
            A phone beside the pad is near enough; for a whole kit put one microphone in front of it, as high as the
            snare, and keep the loudest stroke under the red. Without a groove you see every stroke over the wave. With
            one you also see where each fell on the count.
          </Typography>
        )}
        {hearing.kind === 'refused' && <Alert severity="error">{hearing.say}</Alert>}
        {other !== undefined && (
          <Alert
            severity="info"
            action={
              <Button
                color="inherit"
                size="small"
                onClick={() => setTempo({ of: chosen!.id, bpm: other, taken: tempo.taken + 1 })}
              >
                Take {other}
              </Button>
            }
          >
            It does not fall on this groove at {bpm}: at {other} it does.
          </Alert>
        )}
        {hearing.kind === 'heard' && (
          <HeardResult
            key={`${hearing.name} ${hearing.heard.lengthMs} ${chosen?.id} ${bpm}`}
            name={hearing.name}
            heard={hearing.heard}
            laid={laid}
            from={hearing.from}
            hearAgain={hearAgain}
            sound={sound}
            reader={reader}
            playerId={playerId}
            grooveId={chosen?.id}
            tolerance={tolerance}
          />
        )}
      </Box>
    </Page>
  );
}
