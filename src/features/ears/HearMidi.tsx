import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { MidiEars } from '@/core/documents/ears';
import { SURFACES, type Surface } from '@/core/groove/limbs';
import { loudnessOfVelocity } from '@/core/format/midi/drumNotes';
import { opening } from '@/ui/words/text';
import { PlayAlong } from './PlayAlong';
import { Step } from './Step';
import { useMeasured } from './useMeasured';
import { useMidiKit, type NoteStruck } from './useMidiKit';
import { usePlayAlong } from './usePlayAlong';

const NOTHING: MidiEars = { notes: {} };
const STROKES = ['soft', 'usual', 'loud'] as const;

/** What is waited for: a surface that is to be struck, or the next of three strokes. */
type Waiting = { surface: Surface } | { velocities: number[] };

/** A MIDI kit: which note is which surface, how hard is how loud, and what it adds. */
export function HearMidi() {
  const { ears, change, delay, measured } = useMeasured('MIDI');
  const along = usePlayAlong(measured);
  const [waiting, setWaiting] = useState<Waiting>();
  const midi = ears.midi ?? NOTHING;
  const struck = ({ note, velocity }: NoteStruck) => {
    if (!waiting) return;
    if ('surface' in waiting) {
      change({ midi: { ...midi, notes: { ...midi.notes, [note]: waiting.surface } } });
      return setWaiting(undefined);
    }
    const velocities = [...waiting.velocities, velocity];
    if (velocities.length < STROKES.length) return setWaiting({ velocities });
    const [soft, usual, loud] = velocities.sort((a, b) => a - b) as [number, number, number];
    change({ midi: { ...midi, strokes: [soft, usual, loud] } });
    setWaiting(undefined);
  };
  const { say, last } = useMidiKit(ears.midi, struck, along.strike);
  return (
    <>
      {say && <Alert severity="warning">{say}</Alert>}
      <Step title="Which note is which">
        <Typography color="textSecondary" sx={{ maxWidth: 620 }}>
          Strike your kit: what it hears stands here. Where that is wrong, choose the surface and strike it once.
        </Typography>
        <Typography role="status" sx={{ fontSize: 18 }}>
          {last ? struckInWords(last, midi) : 'Nothing struck yet.'}
        </Typography>
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
          {SURFACES.map((surface) => {
            const isWaiting = waiting !== undefined && 'surface' in waiting && waiting.surface === surface;
            return (
              <Button
                key={surface}
                variant={isWaiting ? 'contained' : 'outlined'}
                aria-pressed={isWaiting}
                onClick={() => setWaiting(isWaiting ? undefined : { surface })}
                sx={{ minHeight: 44 }}
              >
                {isWaiting ? `Strike the ${surface}` : surface}
              </Button>
            );
          })}
        </Box>
      </Step>
      <Step title="How hard is how loud">
        <Typography color="textSecondary" sx={{ maxWidth: 620 }}>
          {midi.strokes
            ? `Soft ${midi.strokes[0]}, usual ${midi.strokes[1]}, loud ${midi.strokes[2]} of 127.`
            : 'Three strokes on one surface set what is soft and what is loud; until then it is as kits usually are.'}
        </Typography>
        <Button
          variant="outlined"
          onClick={() => setWaiting(waiting && 'velocities' in waiting ? undefined : { velocities: [] })}
          sx={{ minHeight: 44 }}
        >
          {waiting && 'velocities' in waiting
            ? `Now a ${STROKES[waiting.velocities.length]} stroke`
            : 'Set by three strokes'}
        </Button>
      </Step>
      <Step title="How late it is">
        <PlayAlong along={along} what="one pad" delay={delay} />
      </Step>
    </>
  );
}

function struckInWords({ note, velocity, surface, device }: NoteStruck, { notes, strokes }: MidiEars): string {
  const loud = Math.round(100 * loudnessOfVelocity(velocity, strokes));
  const name = notes[note] ?? surface;
  return name
    ? `${opening(name)}, ${loud} % loud (note ${note} of ${device})`
    : `Note ${note} of ${device}: choose below what it is.`;
}
