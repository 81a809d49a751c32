import { strFromU8, unzipSync } from 'fflate';
import { parseMidi } from 'midi-file';
import { expect, test } from 'vitest';
import { SCHOOLS } from '../counting/schools';
import { STARTERS } from '../testing/starters';
import { grooveFile, type MidiWishes } from './grooveFile';
import { musicXmlOf } from './musicxml/musicXml';

const [school] = SCHOOLS;
const swung = { ...STARTERS[0]!, swing: { value: '8th', ratio: '2' } as const };
/** Ticks at which notes begin on a track, and how many tracks there are. */
function midi(wishes: MidiWishes): { tracks: number; onsets: (track: number) => number[]; quarter: number } {
  const { header, tracks } = parseMidi(grooveFile(swung, 'midi', school, wishes) as Uint8Array);
  const onsets = (track: number) => {
    let tick = 0;
    return tracks[track]!.flatMap((event) => {
      tick += event.deltaTime;
      return event.type === 'noteOn' ? [tick] : [];
    });
  };
  return { tracks: tracks.length, onsets, quarter: header.ticksPerBeat! };
}

test('a packed score is an archive that says what it is first, and has the score as it is', () => {
  const packed = grooveFile(swung, 'mxl', school) as Uint8Array;
  // The name of what it is stands uncompressed where other programs look for it.
  expect(strFromU8(packed.subarray(30, 38))).toBe('mimetype');
  expect(strFromU8(packed.subarray(38, 38 + 34))).toBe('application/vnd.recordare.musicxml');
  const files = unzipSync(packed);
  expect(Object.keys(files)).toEqual(['mimetype', 'META-INF/container.xml', 'score.musicxml']);
  expect(strFromU8(files['META-INF/container.xml']!)).toContain('full-path="score.musicxml"');
  expect(strFromU8(files['score.musicxml']!)).toBe(musicXmlOf(swung));
  expect(grooveFile(swung, 'mxl', school)).toEqual(packed);
});

test('a MIDI file has a click and bars counted in where they are wished', () => {
  const plain = midi({});
  expect(plain.tracks).toBe(2);
  const clicked = midi({ click: 'counts', countIn: 1 });
  expect(clicked.tracks).toBe(3);
  const bar = 4 * plain.quarter;
  expect(clicked.onsets(1)).toEqual(plain.onsets(1).map((tick) => tick + bar));
  expect(clicked.onsets(2)).toEqual(Array.from({ length: 8 }, (_, count) => count * plain.quarter));
});

test('it is swung as it is played, or stands as it is written', () => {
  const offs = (wishes: MidiWishes) => {
    const { onsets, quarter } = midi(wishes);
    return new Set(onsets(1).map((tick) => (tick % quarter) / quarter));
  };
  expect(offs({})).toContain(2 / 3);
  expect(offs({ isAsWritten: true })).toContain(1 / 2);
  expect(offs({ isAsWritten: true })).not.toContain(2 / 3);
});
