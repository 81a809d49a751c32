import { readGrooveFile } from '@/core/format/grooveFileIn';
import type { Answers, Question } from '@/core/format/imported/grooveRead';
import { writeGroove, type GrooveJson } from '@/core/documents/groove';
import { sentence } from '@/core/result';
import { filesIn, type GivenFile } from '@/core/format/unpack';

/** What became of a file: its groove with what was left out and what it leaves open, or why there is none. */
export type FileRead = { name: string } & (
  { groove: GrooveJson; left: string[]; questions: Question[] } | { say: string }
);

/** Reads files apart from the page, so that whatever is in them it can be stopped. */
self.onmessage = ({ data }: MessageEvent<GivenFile & { answers: readonly Answers[] }>) => {
  const found = filesIn(data);
  const reads: FileRead[] =
    'say' in found
      ? [{ name: data.name, say: found.say }]
      : found.map(({ name, bytes }, index) => {
          const read = readGrooveFile(name, bytes, data.answers[index]);
          if (!read.ok) return { name, say: sentence(read.problems[0]!) };
          const { groove, left, questions = [] } = read.value;
          return { name, groove: writeGroove(groove), left, questions };
        });
  self.postMessage(reads);
};
