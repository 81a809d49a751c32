'use client';

import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useRef, useState } from 'react';
import { sentence, type Result } from '@/core/result';

interface ReadFileProps<T> {
  /** What is asked for, for readers of screens: "File with a drill". */
  label: string;
  accept: string;
  mostBytes: number;
  tooLarge: string;
  read: (text: string) => Result<T>;
  onRead: (value: T) => void;
}

/**
 * Something from a file, to be looked at where it is made; nothing is kept by it. What is wrong with the file is
 * said.
 */
export function ReadFile<T>({ label, accept, mostBytes, tooLarge, read, onRead }: ReadFileProps<T>) {
  const picker = useRef<HTMLInputElement>(null);
  const [say, setSay] = useState<string>();
  const take = async (file: File) => {
    if (file.size > mostBytes) return setSay(tooLarge);
    const answer = read(await file.text());
    setSay(answer.ok ? undefined : sentence(answer.problems[0]!));
    if (answer.ok) onRead(answer.value);
  };
  return (
    <>
      <input
        ref={picker}
        type="file"
        hidden
        aria-label={label}
        accept={accept}
        onChange={({ target }) => {
          const [file] = target.files ?? [];
          if (file) void take(file);
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
