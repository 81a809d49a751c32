import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Typography from '@mui/material/Typography';
import { useEffect, useRef, useState } from 'react';
import type { School } from '@/core/count/schools';
import { readGroove } from '@/core/documents/groove';
import { limbsIn } from '@/core/groove/kit';
import { LEVELS, type Level } from '@/core/limits';
import { Pick } from '@/ui/Pick';
import { Strip } from '@/ui/strip/Strip';
import { tempoInWords } from '@/ui/words/figures';
import { factsOf, grooveInWords } from '@/ui/words/grooves';
import { plural } from '@/ui/words/text';
import { keepGroovesAction } from './actions';
import type { FileRead } from './grooveFiles.worker';
import { readFiles } from './readFiles';

interface ImportGroovesProps {
  school: School;
  /** Files that were dropped on the shelf. */
  dropped: readonly File[];
  onClose: () => void;
}

/** Bars of a groove that are shown before it is kept. */
const SHOWN_BARS = 2;

/** Grooves from files: each is shown with what was understood and what was left out, before anything is kept. */
export function ImportGrooves({ school, dropped, onClose }: ImportGroovesProps) {
  const picker = useRef<HTMLInputElement>(null);
  const [read, setRead] = useState<FileRead[]>([]);
  const [isReading, setReading] = useState(false);
  const [refused, setRefused] = useState<ReadonlySet<number>>(new Set());
  const [level, setLevel] = useState<Level>('first year');
  const [say, setSay] = useState<string>();
  const [isKeeping, setKeeping] = useState(false);

  const take = async (files: readonly File[]) => {
    setReading(true);
    await readFiles(files, (more) => setRead((before) => [...before, ...more]));
    setReading(false);
  };
  const seen = useRef<readonly File[]>([]);
  useEffect(() => {
    if (!dropped.length || seen.current === dropped) return;
    seen.current = dropped;
    void take(dropped);
  }, [dropped]);

  const wanted = read.flatMap((one, index) => ('groove' in one && !refused.has(index) ? [one.groove] : []));
  const keep = async () => {
    setKeeping(true);
    const wrong = await keepGroovesAction({ grooves: wanted, level }).catch(
      () => 'The server did not answer. Try again.',
    );
    setKeeping(false);
    setSay(wrong);
    if (!wrong) onClose();
  };
  const turn = (index: number) =>
    setRefused((before) => {
      const after = new Set(before);
      if (!after.delete(index)) after.add(index);
      return after;
    });
  return (
    <Box
      component="section"
      aria-label="Read grooves from files"
      sx={{ display: 'grid', gap: 2, mb: 3, maxWidth: 1080 }}
    >
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'center' }}>
        <input
          ref={picker}
          type="file"
          multiple
          hidden
          aria-label="Files with grooves"
          accept=".json,.musicxml,.xml,.mxl,.mid,.midi,.txt,.tab,.zip"
          onChange={({ target }) => {
            void take([...(target.files ?? [])]);
            target.value = '';
          }}
        />
        <Button variant="outlined" onClick={() => picker.current?.click()} loading={isReading}>
          Choose files
        </Button>
        <Typography variant="body2" color="textSecondary" sx={{ flex: 1 }}>
          MusicXML, MIDI, plain text, Mochila’s own JSON, or several in a zip; or drop them here. Nothing is kept yet.
        </Typography>
      </Box>
      {read.map((one, index) => (
        <FileShown key={index} read={one} school={school} isWanted={!refused.has(index)} onTurn={() => turn(index)} />
      ))}
      {say && <Alert severity="error">{say}</Alert>}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'center' }}>
        {wanted.length > 0 && (
          <>
            <Pick label="Level" value={level} options={LEVELS} onPick={setLevel} sx={{ width: 150 }} />
            <Button variant="contained" loading={isKeeping} onClick={() => void keep()}>
              Keep {plural(wanted.length, 'groove')}
            </Button>
          </>
        )}
        <Button onClick={onClose}>Close</Button>
      </Box>
    </Box>
  );
}

interface FileShownProps {
  read: FileRead;
  school: School;
  isWanted: boolean;
  onTurn: () => void;
}

/** A file: the groove that was understood, or why there is none. */
function FileShown({ read, school, isWanted, onTurn }: FileShownProps) {
  const groove = 'groove' in read ? readGroove(read.groove) : undefined;
  if (!('groove' in read) || !groove?.ok)
    return (
      <Alert severity="warning">
        <strong>{read.name}</strong>: {'say' in read ? read.say : 'it cannot be read.'}
      </Alert>
    );
  const { value } = groove;
  const { left } = read;
  const glance = { ...value, bars: value.bars.slice(0, SHOWN_BARS) };
  return (
    <Box component="article" aria-label={value.title} sx={{ borderTop: 1, borderColor: 'divider', pt: 1.5 }}>
      <FormControlLabel
        control={<Checkbox checked={isWanted} onChange={onTurn} />}
        label={
          <span>
            <strong>{value.title}</strong> {grooveInWords(factsOf(value))} · {tempoInWords(value.tempo)} bpm, from{' '}
            {read.name}
          </span>
        }
      />
      <Box sx={{ opacity: isWanted ? 1 : 0.4 }}>
        <Strip groove={glance} school={school} size="glance" task={limbsIn(value)} />
      </Box>
      <Typography variant="body2" color={left.length ? 'textPrimary' : 'textSecondary'} sx={{ mt: 0.5 }}>
        {value.bars.length > SHOWN_BARS && `The first ${SHOWN_BARS} of ${value.bars.length} bars. `}
        {left.length ? `Left out: ${left.join('; ')}.` : 'All of it was understood.'}
      </Typography>
    </Box>
  );
}
