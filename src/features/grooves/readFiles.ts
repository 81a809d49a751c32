import type { Answers } from '@/core/format/imported/grooveRead';
import type { FileRead } from './grooveFiles.worker';
import { MOST_FILES, MOST_UNPACKED } from '@/core/format/unpack';

/** A file that is not read after so long is left: something in it never ends. */
const LONGEST_MS = 8000;

/** A file that was given, and what became of it and of those that are packed in it. */
export interface FileGiven {
  file: File;
  reads: FileRead[];
}

/** Reads files one after another; each that cannot be read says why, and keeps none of the others from being read. */
export async function readFiles(files: readonly File[], onRead: (given: FileGiven) => void): Promise<void> {
  for (const file of files.slice(0, MOST_FILES)) onRead({ file, reads: await readApart(file) });
  if (files.length > MOST_FILES) {
    const name = `${files.length - MOST_FILES} more`;
    onRead({ file: new File([], name), reads: [{ name, say: `At most ${MOST_FILES} files are read at once.` }] });
  }
}

/** Reads a file, or what is packed in it, each by the answers that were given of it. */
export async function readApart(file: File, answers: readonly Answers[] = []): Promise<FileRead[]> {
  if (file.size > MOST_UNPACKED) return [{ name: file.name, say: 'It is larger than 20 MB.' }];
  const bytes = new Uint8Array(await file.arrayBuffer());
  const worker = new Worker(new URL('./grooveFiles.worker.ts', import.meta.url));
  try {
    return await new Promise<FileRead[]>((resolve) => {
      const leave = (say: string) => resolve([{ name: file.name, say }]);
      const timer = setTimeout(() => leave('Reading it takes too long, so it was left.'), LONGEST_MS);
      worker.onmessage = ({ data }: MessageEvent<FileRead[]>) => {
        clearTimeout(timer);
        resolve(data);
      };
      worker.onerror = () => {
        clearTimeout(timer);
        leave('It cannot be read: something in it is not as it should be.');
      };
      worker.postMessage({ name: file.name, bytes, answers }, [bytes.buffer]);
    });
  } finally {
    worker.terminate();
  }
}
