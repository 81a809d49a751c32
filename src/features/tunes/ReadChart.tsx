import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useRef, useState } from 'react';
import { readChartFile } from '@/core/format/chartFile';
import { sentence } from '@/core/result';

/** The largest chart that is read, in bytes: four times as much as can be typed. */
const MOST_BYTES = 400_000;

/** A chart from a file, to be looked at where it is typed; nothing is kept by it. */
export function ReadChart({ onRead }: { onRead: (typed: string) => void }) {
  const picker = useRef<HTMLInputElement>(null);
  const [say, setSay] = useState<string>();
  const read = async (file: File) => {
    if (file.size > MOST_BYTES) return setSay('This file is larger than any chart.');
    const answer = readChartFile(await file.text());
    setSay(answer.ok ? undefined : sentence(answer.problems[0]!));
    if (answer.ok) onRead(answer.value);
  };
  return (
    <>
      <input
        ref={picker}
        type="file"
        hidden
        aria-label="File with a chart"
        accept=".txt,.json"
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
