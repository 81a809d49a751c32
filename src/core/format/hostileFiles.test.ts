import { describe, expect, test } from 'vitest';
import { SCHOOLS } from '../counting/schools';
import { readGroove } from '../documents/groove';
import { randomFrom } from '../random';
import { sentence } from '../result';
import { grooveFile } from './grooveFile';
import { GROOVE_FILE_NAMES, GROOVE_FILES } from './grooveFileKinds';
import { MOST_FILE_BYTES, readGrooveFile } from './grooveFileIn';

/** Files as strangers send them: damaged, huge, hostile, half right. Each is answered by a groove or by a sentence. */

const groove = (() => {
  const read = readGroove({
    version: 1,
    title: 'Ferry rope',
    reading: 'numbers',
    tempo: 96,
    bars: [
      {
        meter: { beats: 4, unit: 4 },
        cells: Array.from({ length: 4 }, () => ({ counts: 1, parts: 4 })),
        strokes: [
          ...['0', '1/4', '1/2', '3/4'].map((at) => ({ limb: 'right hand', surface: 'closed hat', at, height: 'tap' })),
          ...['1/4', '3/4'].map((at) => ({ limb: 'left hand', surface: 'snare', at, height: 'accent' })),
          { limb: 'right foot', surface: 'kick', at: '0', height: 'tap' },
          { limb: 'left hand', surface: 'snare', at: '7/16', height: 'ghost' },
        ],
      },
    ],
  });
  if (!read.ok) throw new Error(read.problems[0]!.say);
  return read.value;
})();

const bytesOf = (text: string): Uint8Array => new TextEncoder().encode(text);
/** Those that are read, too. */
const READ = GROOVE_FILE_NAMES.filter((file) => file !== 'lilypond' && file !== 'mxl');
const good = READ.map((file) => {
  const written = grooveFile(groove, file, SCHOOLS[0]);
  return { name: `rope.${GROOVE_FILES[file].ending}`, bytes: typeof written === 'string' ? bytesOf(written) : written };
});
const xml = new TextDecoder().decode(good[1]!.bytes);

const chunk = (kind: string, body: readonly number[]) => [
  ...bytesOf(kind),
  ...[24, 16, 8, 0].map((shift) => (body.length >> shift) & 255),
  ...body,
];
const midi = (tracks: number, division: number, ...bodies: number[][]) =>
  Uint8Array.from([
    ...chunk('MThd', [0, 1, (tracks >> 8) & 255, tracks & 255, (division >> 8) & 255, division & 255]),
    ...bodies.flatMap((body) => chunk('MTrk', body)),
  ]);
const END = [0, 0xff, 0x2f, 0];

/** Made by hand: each is one way to be hostile. */
const BY_HAND: [what: string, name: string, bytes: Uint8Array][] = [
  [
    'entities within entities',
    'bomb.musicxml',
    bytesOf(
      `<?xml version="1.0"?><!DOCTYPE s [<!ENTITY a "${'x'.repeat(1000)}"><!ENTITY b "${'&a;'.repeat(1000)}"><!ENTITY c "${'&b;'.repeat(1000)}">]><score-partwise><part-list/>&c;</score-partwise>`,
    ),
  ],
  [
    'an entity from elsewhere',
    'away.musicxml',
    bytesOf(
      '<?xml version="1.0"?><!DOCTYPE s [<!ENTITY f SYSTEM "file:///etc/passwd">]><score-partwise>&f;</score-partwise>',
    ),
  ],
  [
    'a DTD from elsewhere',
    'dtd.xml',
    bytesOf(xml.replace(/<!DOCTYPE[^>]*>/, '<!DOCTYPE score-partwise SYSTEM "http://elsewhere.example/x.dtd">')),
  ],
  ['a deep tree', 'deep.xml', bytesOf(`${'<a>'.repeat(20_000)}${'</a>'.repeat(20_000)}`)],
  [
    'a deep tree in a score',
    'deep.musicxml',
    bytesOf(
      `<score-partwise><part-list/><part id="P1">${'<measure>'.repeat(3000)}${'</measure>'.repeat(3000)}</part></score-partwise>`,
    ),
  ],
  [
    'a hundred thousand measures',
    'long.musicxml',
    bytesOf(xml.replace(/(<measure[\s\S]*<\/measure>)/, '$1'.repeat(200))),
  ],
  [
    'a measure of endless length',
    'endless.musicxml',
    bytesOf(xml.replaceAll(/<duration>\d+<\/duration>/g, '<duration>999999999999</duration>')),
  ],
  [
    'divisions of nothing',
    'zero.musicxml',
    bytesOf(xml.replace(/<divisions>\d+<\/divisions>/, '<divisions>0</divisions>')),
  ],
  [
    'negative durations',
    'back.musicxml',
    bytesOf(xml.replaceAll(/<duration>(\d+)<\/duration>/g, '<duration>-$1</duration>')),
  ],
  ['a score of no parts', 'none.musicxml', bytesOf('<score-partwise/>')],
  ['a page of the web', 'page.xml', bytesOf('<!doctype html><html><body>Not found</body></html>')],
  ['nothing', 'empty.musicxml', new Uint8Array()],
  ['nothing in MIDI', 'empty.mid', new Uint8Array()],
  ['nothing in text', 'empty.txt', new Uint8Array()],
  ['nothing in JSON', 'empty.json', new Uint8Array()],
  ['more than is read', 'huge.mid', new Uint8Array(MOST_FILE_BYTES + 1)],
  ['as much as is read, of zeros', 'zeros.txt', new Uint8Array(MOST_FILE_BYTES)],
  ['a million tracks that are said', 'tracks.mid', midi(65_535, 480)],
  ['tracks that are not there', 'missing.mid', midi(9, 480, END)],
  ['many empty tracks', 'many.mid', midi(5000, 480, ...Array.from({ length: 5000 }, () => END))],
  ['a division of nothing', 'division.mid', midi(1, 0, [0, 0x99, 38, 90, ...END])],
  ['frames of film', 'frames.mid', midi(1, 0xe728, [0, 0x99, 38, 90, ...END])],
  [
    'a track longer than the file',
    'short.mid',
    Uint8Array.from([...midi(1, 480), ...bytesOf('MTrk'), 0xff, 0xff, 0xff, 0xff, 0, 0x99]),
  ],
  [
    'lengths that never end',
    'varint.mid',
    midi(1, 480, [0xff, 0xff, 0xff, 0xff, 0xff, 0xff, 0xff, 0x7f, 0x99, 38, 90, ...END]),
  ],
  [
    'a stroke after years',
    'years.mid',
    midi(1, 1, [0xff, 0xff, 0xff, 0x7f, 0x99, 38, 90, 0xff, 0xff, 0xff, 0x7f, 0x99, 38, 90, ...END]),
  ],
  ['a meter over nothing', 'meter.mid', midi(1, 480, [0, 0xff, 0x58, 4, 0, 200, 24, 8, 0, 0x99, 38, 90, ...END])],
  ['a tempo of nothing', 'tempo.mid', midi(1, 480, [0, 0xff, 0x51, 3, 0, 0, 0, 0, 0x99, 38, 90, ...END])],
  ['running status of nothing', 'running.mid', midi(1, 480, [0, 38, 90, 0, 38, 0, ...END])],
  [
    'a hundred thousand strokes at once',
    'crowd.mid',
    midi(1, 480, [...Array.from({ length: 100_000 }, () => [0, 0x99, 38, 90]).flat(), ...END]),
  ],
  ['another kind of chunk', 'riff.mid', bytesOf('RIFF....RMIDdata')],
  ['a sound by a wrong name', 'sound.mid', bytesOf(`RIFF\0\0\0\0WAVEfmt ${'\0'.repeat(100)}`)],
  ['one line of a million letters', 'line.txt', bytesOf(`HH|${'x'.repeat(1_000_000)}|`)],
  ['a hundred thousand lines', 'lines.txt', bytesOf('HH|x-x-|\n'.repeat(100_000))],
  ['bars of nothing', 'bars.txt', bytesOf(`HH|${'|'.repeat(10_000)}`)],
  ['letters that are no text', 'binary.txt', Uint8Array.from([0xc3, 0x28, 0xa0, 0xa1, 0xfe])],
  [
    'another encoding',
    'latin.musicxml',
    Uint8Array.from([...bytesOf('<score-partwise><work-title>'), 0xe9, ...bytesOf('</work-title></score-partwise>')]),
  ],
  ['half a letter of UTF-16', 'half.xml', Uint8Array.from([0xff, 0xfe, 0x3c])],
  [
    'a score in UTF-16',
    'wide.musicxml',
    Uint8Array.from([
      0xff,
      0xfe,
      ...[...xml].flatMap((letter) => [letter.charCodeAt(0) & 255, letter.charCodeAt(0) >> 8]),
    ]),
  ],
  ['JSON of many brackets', 'brackets.json', bytesOf('['.repeat(100_000))],
  ['JSON of another thing', 'other.json', bytesOf('{"version":1,"bars":"many"}')],
  ['JSON of a later version', 'later.json', bytesOf('{"version":99}')],
  ['JSON with a prototype', 'proto.json', bytesOf('{"__proto__":{"version":1},"constructor":1}')],
  [
    'JSON of a hundred thousand bars',
    'bars.json',
    bytesOf(
      JSON.stringify({
        version: 1,
        title: 'x',
        reading: 'numbers',
        tempo: 90,
        bars: Array.from({ length: 100_000 }, () => ({})),
      }),
    ),
  ],
  ['no ending', 'rope', good[0]!.bytes],
  ['an ending of a program', 'rope.exe', good[0]!.bytes],
  ['an ending that is none', '.musicxml.', good[1]!.bytes],
];

/** Each good file cut off, with bytes turned over, doubled, and under the other names. */
const DAMAGED: typeof BY_HAND = good.flatMap(({ name, bytes }, kind) => [
  ...Array.from({ length: 18 }, (_, at): (typeof BY_HAND)[number] => [
    `cut off after ${at + 1} of 19 parts`,
    name,
    bytes.slice(0, Math.floor((bytes.length * (at + 1)) / 19)),
  ]),
  ...Array.from({ length: 18 }, (_, seed): (typeof BY_HAND)[number] => {
    const random = randomFrom(1000 * kind + seed);
    const changed = bytes.slice();
    for (let many = 0; many <= seed; many++) changed[Math.floor(random() * bytes.length)] = Math.floor(random() * 256);
    return [`with ${seed + 1} bytes turned over`, name, changed];
  }),
  ['written twice', name, Uint8Array.from([...bytes, ...bytes])],
  ...good.map((other): (typeof BY_HAND)[number] => ['by another’s name', other.name, bytes]),
]);

describe('files from strangers', () => {
  test('there are two hundred of them', () => {
    expect(BY_HAND.length + DAMAGED.length).toBeGreaterThanOrEqual(200);
  });

  test.each(BY_HAND)('%s (%s) is a groove or a sentence', (_, name, bytes) => answered(name, bytes));
  test.each(DAMAGED)('a good file %s (%s) is a groove or a sentence', (_, name, bytes) => answered(name, bytes));

  test('a good one is read', () => {
    for (const { name, bytes } of good) expect([name, readGrooveFile(name, bytes).ok]).toEqual([name, true]);
  });
});

function answered(name: string, bytes: Uint8Array): void {
  const answer = readGrooveFile(name, bytes);
  if (answer.ok) {
    expect(answer.value.groove.bars.length).toBeGreaterThan(0);
    return;
  }
  // Said in a sentence, whatever was in the file.
  const said = sentence(answer.problems[0]!);
  expect(said.length).toBeGreaterThan(12);
  expect(said.length).toBeLessThan(600);
}
