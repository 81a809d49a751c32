import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useEffect, useRef, useState } from 'react';
import type { School } from '@/core/counting/schools';
import { LEVELS, type Level } from '@/core/limits';
import { Pick } from '@/ui/Pick';
import { plural } from '@/ui/words/text';
import { keepGroovesAction } from './actions';
import { FileShown } from './FileShown';
import { useFilesRead } from './useFilesRead';

interface ImportGroovesProps {
  school: School;
  /** Files that were dropped on the shelf. */
  dropped: readonly File[];
  onClose: () => void;
}

/** Grooves from files: each is shown with what was understood and what was left out, before anything is kept. */
export function ImportGrooves({ school, dropped, onClose }: ImportGroovesProps) {
  const picker = useRef<HTMLInputElement>(null);
  const { given, isReading, take, answer } = useFilesRead();
  const [refused, setRefused] = useState<ReadonlySet<string>>(new Set());
  const [level, setLevel] = useState<Level>('first year');
  const [say, setSay] = useState<string>();
  const [isKeeping, setKeeping] = useState(false);

  const seen = useRef<readonly File[]>([]);
  useEffect(() => {
    if (!dropped.length || seen.current === dropped) return;
    seen.current = dropped;
    void take(dropped);
  });

  const shown = given.flatMap(({ reads, say }, index) =>
    reads.map((read, inside) => ({ key: `${index} ${inside}`, index, inside, read, say: say[inside] })),
  );
  const wanted = shown.flatMap(({ read, key }) => ('groove' in read && !refused.has(key) ? [read.groove] : []));
  const keep = async () => {
    setKeeping(true);
    const wrong = await keepGroovesAction({ grooves: wanted, level }).catch(
      () => 'The server did not answer. Try again.',
    );
    setKeeping(false);
    setSay(wrong);
    if (!wrong) onClose();
  };
  const turn = (key: string) =>
    setRefused((before) => {
      const after = new Set(before);
      if (!after.delete(key)) after.add(key);
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
      {shown.map(({ key, index, inside, read, say: why }) => (
        <FileShown
          key={key}
          read={read}
          school={school}
          isWanted={!refused.has(key)}
          onTurn={() => turn(key)}
          say={why}
          isReading={isReading}
          onAnswer={(id, choice) => void answer(index, inside, id, choice)}
        />
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
