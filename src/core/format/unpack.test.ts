import { strToU8, zipSync } from 'fflate';
import { expect, test } from 'vitest';
import { MOST_FILE_BYTES } from './grooveFileIn';
import { filesIn, MOST_FILES } from './unpack';

const names = (found: ReturnType<typeof filesIn>) => ('say' in found ? found.say : found.map(({ name }) => name));
const packed = (files: Record<string, Uint8Array>, name = 'all.zip') => filesIn({ name, bytes: zipSync(files) });

test('what is not packed is itself; of an archive what grooves are read from, by plain names', () => {
  expect(names(filesIn({ name: 'a/b/rope.mid', bytes: new Uint8Array(3) }))).toEqual(['rope.mid']);
  const found = packed({
    'folder/rope.txt': strToU8('HH|x|'),
    '../../etc/passwd.txt': strToU8('x'),
    'C:\\windows\\ferry.mid': strToU8('x'),
    'readme.pdf': strToU8('x'),
    '__MACOSX/._rope.txt': strToU8('x'),
  });
  expect(names(found)).toEqual(['rope.txt', 'passwd.txt', 'ferry.mid']);
});

test('a compressed score is its score, whatever else is in it', () => {
  const found = packed(
    { 'META-INF/container.xml': strToU8('<container/>'), 'score.xml': strToU8('<score-partwise/>') },
    'Ferry.mxl',
  );
  expect(names(found)).toEqual(['Ferry.musicxml']);
  expect('say' in found ? '' : new TextDecoder().decode(found[0]!.bytes)).toBe('<score-partwise/>');
  expect(names(packed({ 'rope.mid': strToU8('x') }, 'none.mxl'))).toBe('No score is in it.');
});

test('a bomb is not unpacked, and no more of many than is read at once', () => {
  const bomb = new Uint8Array(MOST_FILE_BYTES + 1);
  expect(names(packed({ 'bomb.txt': bomb }))).toMatch(/too large/);
  expect(names(packed({ 'bomb.txt': bomb, 'rope.txt': strToU8('x') }))).toEqual(['rope.txt']);
  const many = Object.fromEntries(Array.from({ length: MOST_FILES + 20 }, (_, at) => [`${at}.txt`, strToU8('x')]));
  expect(names(packed(many))).toHaveLength(MOST_FILES);
  const large = Object.fromEntries(Array.from({ length: 8 }, (_, at) => [`${at}.txt`, new Uint8Array(4_000_000)]));
  expect(names(packed(large)).length).toBeLessThanOrEqual(5);
});

test('one that says it is smaller than it is gives no more than it said', () => {
  const bytes = zipSync({ 'rope.txt': new Uint8Array(3_000_000).fill(120) });
  const view = new DataView(bytes.buffer, bytes.byteOffset);
  // Of the directory at its end, where sizes are read.
  for (let at = 0; at < bytes.length - 4; at++)
    if (view.getUint32(at, true) === 0x02014b50) view.setUint32(at + 24, 10, true);
  const found = filesIn({ name: 'lies.zip', bytes });
  expect('say' in found || found[0]!.bytes.length <= 10).toBe(true);
});

test('what is no archive is said', () => {
  expect(names(filesIn({ name: 'x.zip', bytes: strToU8('no archive') }))).toMatch(/damaged/);
  const cut = zipSync({ 'rope.txt': strToU8('HH|x|'.repeat(100)) });
  expect(names(filesIn({ name: 'x.zip', bytes: cut.slice(0, cut.length - 30) }))).toMatch(/damaged|Nothing in it/);
});
