import { readGroove } from '../documents/groove';
import { MOST_TITLE } from '../limits';
import { fail, ok, type Result } from '../result';
import { readDrumTab } from './text/drumTabIn';
import { UNTITLED, type Answers, type GrooveRead } from './imported/grooveRead';
import { readMidiGroove } from './midi/midiGroove';
import { readMusicXml } from './musicxml/musicXmlIn';

/** Endings of files that grooves are read from. */
export const GROOVE_ENDINGS = ['.json', '.musicxml', '.xml', '.mid', '.midi', '.txt', '.tab'] as const;

/** The largest file that is read, in bytes. */
export const MOST_FILE_BYTES = 5_000_000;

/**
 * A groove from a file, by the ending of its name; what of the file is not in it is said, and what it leaves open is
 * asked. One without a title is called like its file. Problems say what would work.
 */
export function readGrooveFile(name: string, bytes: Uint8Array, answers: Answers = {}): Result<GrooveRead> {
  const read = readByEnding(name, bytes, answers);
  const called = name
    .replace(/\.[a-z]+$/i, '')
    .slice(0, MOST_TITLE)
    .trim();
  if (!read.ok || read.value.groove.title !== UNTITLED || !called) return read;
  return ok({ ...read.value, groove: { ...read.value.groove, title: called } });
}

function readByEnding(name: string, bytes: Uint8Array, answers: Answers): Result<GrooveRead> {
  if (bytes.length > MOST_FILE_BYTES)
    return wrong('too-large', `${name} is larger than 5 MB.`, 'Save fewer bars in it.');
  const ending = /\.[a-z]+$/i.exec(name)?.[0].toLowerCase();
  switch (ending) {
    case '.mid':
    case '.midi':
      return readMidiGroove(bytes, answers);
    case '.musicxml':
    case '.xml':
      return withText(name, bytes, readMusicXml);
    case '.txt':
    case '.tab':
      return withText(name, bytes, readDrumTab);
    case '.json':
      return withText(name, bytes, (text) => {
        let document: unknown;
        try {
          document = JSON.parse(text);
        } catch {
          return wrong('no-json', `${name} is no JSON.`, 'Give a groove as Mochila writes it.');
        }
        const read = readGroove(document);
        return read.ok ? ok({ groove: read.value, left: [] }) : read;
      });
    default:
      return wrong(
        'unknown-ending',
        `Nothing is known of ${ending ?? 'a name without an ending'}.`,
        `Files end in ${GROOVE_ENDINGS.join(', ')}.`,
      );
  }
}

const wrong = (code: string, say: string, remedy: string) => fail({ code, path: [], where: '', say, remedy });

/** What the first two bytes of a text say of it. */
const ENCODINGS: Partial<Record<string, string>> = { '255 254': 'utf-16le', '254 255': 'utf-16be' };

/** Text as programs write it: UTF-8, or UTF-16 where its first bytes say so. */
function withText(name: string, bytes: Uint8Array, read: (text: string) => Result<GrooveRead>): Result<GrooveRead> {
  const encoding = ENCODINGS[`${bytes[0]} ${bytes[1]}`] ?? 'utf-8';
  try {
    return read(new TextDecoder(encoding, { fatal: true }).decode(bytes));
  } catch (error) {
    if (error instanceof TypeError)
      return wrong('no-text', `${name} is no text that can be read.`, 'Save it as UTF-8, then give it again.');
    throw error;
  }
}
