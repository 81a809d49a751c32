import { expect, test } from 'vitest';
import { soundFileKind } from './soundFile';
import { WavWriter } from './wav';

const bytes = (...parts: (string | number[])[]) =>
  Uint8Array.from(
    parts.flatMap((part) => (typeof part === 'string' ? [...part].map((letter) => letter.charCodeAt(0)) : part)),
  );
const zeros = (count: number) => new Array<number>(count).fill(0);

test('a WAV file says its rate, wherever its format stands', () => {
  expect(soundFileKind(new Uint8Array(new WavWriter(10, 22_050).bytes))).toEqual({ kind: 'WAV', sampleRate: 22_050 });
  const later = bytes(
    'RIFF',
    zeros(4),
    'WAVE',
    'JUNK',
    [3, 0, 0, 0],
    zeros(4),
    'fmt ',
    [16, 0, 0, 0],
    [1, 0, 1, 0],
    [0x80, 0xbb, 0, 0],
    zeros(8),
  );
  expect(soundFileKind(later)).toEqual({ kind: 'WAV', sampleRate: 48_000 });
});

test('FLAC, OGG with Vorbis and with Opus, MP3 of each version, M4A', () => {
  // 44,100 in 20 bits behind the first 18 bytes.
  expect(soundFileKind(bytes('fLaC', zeros(14), [0x0a, 0xc4, 0x42, 0xf0], zeros(10)))).toEqual({
    kind: 'FLAC',
    sampleRate: 44_100,
  });
  const ogg = (packet: string, more: number[]) => bytes('OggS', zeros(22), [1, 30], packet, more, zeros(20));
  expect(soundFileKind(ogg('\x01vorbis', [0, 0, 0, 0, 1, 0x44, 0xac, 0, 0]))).toEqual({
    kind: 'OGG',
    sampleRate: 44_100,
  });
  expect(soundFileKind(ogg('OpusHead', []))).toEqual({ kind: 'OGG', sampleRate: 48_000 });
  expect(soundFileKind(bytes([0xff, 0xfb, 0x90, 0]))).toEqual({ kind: 'MP3', sampleRate: 44_100 });
  expect(soundFileKind(bytes([0xff, 0xf3, 0x94, 0]))).toEqual({ kind: 'MP3', sampleRate: 24_000 });
  expect(soundFileKind(bytes('ID3', [3, 0, 0, 0, 0, 0, 5], zeros(5), [0xff, 0xe3, 0x98, 0]))).toEqual({
    kind: 'MP3',
    sampleRate: 8000,
  });
  expect(soundFileKind(bytes('ID3', [3, 0, 0, 0, 1, 0, 0]))).toEqual({ kind: 'MP3' });
  expect(soundFileKind(bytes(zeros(4), 'ftypM4A '))).toEqual({ kind: 'M4A' });
});

test('anything else is no sound file, and half a header does not throw', () => {
  expect(soundFileKind(bytes('<html><body>'))).toBeUndefined();
  expect(soundFileKind(new Uint8Array())).toBeUndefined();
  for (const whole of [
    bytes('RIFF', zeros(4), 'WAVEfmt '),
    bytes('fLaC', zeros(3)),
    bytes('OggS', zeros(30)),
    bytes([0xff]),
  ])
    for (let length = 0; length <= whole.length; length++)
      expect(() => soundFileKind(whole.slice(0, length))).not.toThrow();
});
