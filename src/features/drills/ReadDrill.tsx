import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useRef, useState } from 'react';
import { readDrillFile, type NamedDrill } from '@/core/format/drillFile';
import { sentence } from '@/core/result';

/** The largest drill that is read, in bytes: one with a groove of many bars under it. */
const MOST_BYTES = 1_000_000;

/** A drill from a file, opened where it is made; nothing is kept by it. */
export function ReadDrill({ onRead }: { onRead: (drill: NamedDrill) => void }) {
  const picker = useRef<HTMLInputElement>(null);
  const [say, setSay] = useState<string>();
  const read = async (file: File) => {
    if (file.size > MOST_BYTES) return setSay('This file is larger than any drill.');
    const answer = readDrillFile(await file.text());
    setSay(answer.ok ? undefined : sentence(answer.problems[0]!));
    if (answer.ok) onRead(answer.value);
  };
  return (
    <>
      <input
        ref={picker}
        type="file"
        hidden
        aria-label="File with a drill"
        accept=".json"
        onChange={({ target }) => {
          const [file] = target.files ?? [];
          if (file) void read(file);
          target.value = '';
        }}
      />
      <Button onClick={() => picker.current?.click()}>Read from a file</Button>
      {say && (
        <Typography role="alert" color="error">
          {say}
        </Typography>
      )}
    </>
  );
}
