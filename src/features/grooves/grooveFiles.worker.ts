import { readGrooveFile } from '@/core/format/grooveFileIn';
import { writeGroove, type GrooveJson } from '@/core/documents/groove';
import { sentence } from '@/core/result';
import { filesIn, type GivenFile } from './unpack';

/** What became of a file: its groove with what was left out, or why there is none. */
export type FileRead = { name: string } & ({ groove: GrooveJson; left: string[] } | { say: string });

/** Reads files apart from the page, so that whatever is in them it can be stopped. */
self.onmessage = ({ data }: MessageEvent<GivenFile>) => {
  const found = filesIn(data);
  const answers: FileRead[] =
    'say' in found
      ? [{ name: data.name, say: found.say }]
      : found.map(({ name, bytes }) => {
          const read = readGrooveFile(name, bytes);
          if (!read.ok) return { name, say: sentence(read.problems[0]!) };
          const { groove, left } = read.value;
          return { name, groove: writeGroove(groove), left };
        });
  self.postMessage(answers);
};
