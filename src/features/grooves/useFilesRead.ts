import { useState } from 'react';
import type { Answers } from '@/core/format/imported/grooveRead';
import { readApart, readFiles, type FileGiven } from './readFiles';

/** A file as it was read last, by what was answered; `say` is why an answer was taken back. */
interface FileAnswered extends FileGiven {
  answers: Answers[];
  say: Partial<Record<number, string>>;
}

/** Files that are read one after another, each once more when what it leaves open is answered otherwise. */
export function useFilesRead() {
  const [given, setGiven] = useState<FileAnswered[]>([]);
  const [isReading, setReading] = useState(false);

  const take = async (files: readonly File[]) => {
    setReading(true);
    await readFiles(files, (one) => setGiven((before) => [...before, { ...one, answers: [], say: {} }]));
    setReading(false);
  };

  /**
   * Answers a question of the file `inside` one that was given. An answer by which it could not be read is not kept.
   */
  const answer = async (index: number, inside: number, id: string, choice: string) => {
    const { file, reads, answers } = given[index]!;
    const asked = reads.map((_, each) =>
      each === inside ? { ...answers[each], [id]: choice } : (answers[each] ?? {}),
    );
    setReading(true);
    const again = await readApart(file, asked);
    setReading(false);
    const now = again[inside];
    const wrong = now && 'say' in now ? now.say : undefined;
    const next = wrong ? { say: { [inside]: wrong } } : { reads: again, answers: asked, say: {} };
    setGiven((before) => before.map((one, each) => (each === index ? { ...one, ...next } : one)));
  };

  return { given, isReading, take, answer };
}
