import type { Readable } from 'node:stream';

/** The longest line: a recording of 10 MB is written with two characters a byte. */
const MOST_LINE = 64_000_000;
/** All of a file as it is unpacked, in characters. */
const MOST_CHARACTERS = 16_000_000_000;

/** That a file asks for more than is read. */
export class TooMuch extends Error {}

/** The lines of a text, without ever holding more than one of them. */
export async function* linesIn(text: Readable): AsyncGenerator<string> {
  text.setEncoding('utf8');
  let open: string[] = [];
  let length = 0;
  let all = 0;
  for await (const chunk of text as AsyncIterable<string>) {
    all += chunk.length;
    const [first, ...more] = chunk.split('\n');
    open.push(first!);
    length += first!.length;
    if (length > MOST_LINE || all > MOST_CHARACTERS) throw new TooMuch();
    for (const next of more) {
      yield open.join('');
      open = [next];
      length = next.length;
    }
  }
  if (length) yield open.join('');
}
