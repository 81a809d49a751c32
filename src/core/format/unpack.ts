import { unzipSync, type Unzipped } from 'fflate';
import { GROOVE_ENDINGS, MOST_FILE_BYTES } from './grooveFileIn';

/** A file as it is read: its name without folders, and what it holds. */
export interface GivenFile {
  name: string;
  bytes: Uint8Array;
}

/** Files that are read at once, packed or not, and the bytes of all of them together. */
export const MOST_FILES = 60;
export const MOST_UNPACKED = 20_000_000;

const ending = (name: string): string => /\.[a-z0-9]+$/i.exec(name)?.[0].toLowerCase() ?? '';
/** Folders in a name lead nowhere: nothing is written by it. */
const plain = (name: string): string => name.split(/[/\\]/).at(-1) ?? name;

/**
 * What is in a packed file, as far as it can be read: of a compressed score its score, of an archive its grooves.
 * Files that say they are larger than may be are not unpacked, and no more is unpacked of one than it said.
 */
function unpacked(bytes: Uint8Array, isWanted: (name: string) => boolean): Unzipped {
  let files = 0;
  let all = 0;
  return unzipSync(bytes, {
    filter: ({ name, originalSize }) => {
      if (!isWanted(name) || originalSize > MOST_FILE_BYTES) return false;
      files++;
      all += originalSize;
      return files <= MOST_FILES && all <= MOST_UNPACKED;
    },
  });
}

const isGroove = (name: string): boolean =>
  (GROOVE_ENDINGS as readonly string[]).includes(ending(name)) && !/(?:^|\/)(?:META-INF|__MACOSX)\//.test(name);

/** The files to be read in one that was given; a sentence where it is packed and cannot be opened. */
export function filesIn({ name, bytes }: GivenFile): GivenFile[] | { say: string } {
  const kind = ending(name);
  if (kind !== '.zip' && kind !== '.mxl') return [{ name: plain(name), bytes }];
  if (bytes.length > MOST_UNPACKED) return { say: 'It is larger than 20 MB: pack fewer files.' };
  let found: Unzipped;
  try {
    found = unpacked(bytes, isGroove);
  } catch {
    return { say: 'It is damaged, or no archive. Pack it once more.' };
  }
  const files = Object.entries(found).map(([inside, content]) => ({ name: plain(inside), bytes: content }));
  if (!files.length) return { say: `Nothing in it ends in ${GROOVE_ENDINGS.join(', ')}, or it is too large.` };
  if (kind === '.zip') return files;
  // A compressed score is one score; the largest, where a program packed more.
  const score = files
    .filter((file) => ['.xml', '.musicxml'].includes(ending(file.name)))
    .toSorted((a, b) => b.bytes.length - a.bytes.length)[0];
  return score ? [{ name: `${plain(name).slice(0, -4)}.musicxml`, bytes: score.bytes }] : { say: 'No score is in it.' };
}
