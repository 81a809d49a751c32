import fc from 'fast-check';
import { expect, test } from 'vitest';
import { MOST_WAV_FRAMES, WavWriter } from './wav';

/** Reads what a player would. */
function read(bytes: ArrayBuffer) {
  const view = new DataView(bytes);
  const text = (at: number, length: number) => String.fromCharCode(...new Uint8Array(bytes, at, length));
  return {
    riff: text(0, 4) + text(8, 8) + text(36, 4),
    fileLeft: view.getUint32(4, true),
    format: [20, 22, 32, 34].map((at) => view.getUint16(at, true)),
    rate: view.getUint32(24, true),
    bytesASecond: view.getUint32(28, true),
    dataBytes: view.getUint32(40, true),
    samples: Array.from({ length: view.getUint32(40, true) / 2 }, (_, index) => view.getInt16(44 + 2 * index, true)),
  };
}

test('the header says what follows: one channel of 16 bits, so many bytes', () => {
  const writer = new WavWriter(3, 44_100);
  writer.add(new Float32Array([0, 1, -1]));
  expect(read(writer.bytes)).toEqual({
    riff: 'RIFFWAVEfmt data',
    fileLeft: 42,
    format: [1, 1, 2, 16],
    rate: 44_100,
    bytesASecond: 88_200,
    dataBytes: 6,
    samples: [0, 32_767, -32_767],
  });
});

test('blocks follow one another; what is too loud is held, what is too long is left out, what is missing is silent', () => {
  const writer = new WavWriter(5, 48_000);
  writer.add(new Float32Array([0.5, 2]));
  writer.add(new Float32Array([-3]));
  expect(read(writer.bytes).samples).toEqual([16_384, 32_767, -32_767, 0, 0]);
  writer.add(new Float32Array([0.25, 0.25, 0.25]));
  expect(read(writer.bytes).samples).toEqual([16_384, 32_767, -32_767, 8192, 8192]);
});

test('any samples come back to within a step', () => {
  fc.assert(
    fc.property(fc.array(fc.float({ min: -1, max: 1, noNaN: true }), { maxLength: 200 }), (samples) => {
      const writer = new WavWriter(samples.length, 44_100);
      writer.add(new Float32Array(samples));
      read(writer.bytes).samples.forEach((sample, index) =>
        expect(Math.abs(sample / 32_767 - samples[index]!)).toBeLessThanOrEqual(0.5 / 32_767 + 1e-9),
      );
    }),
  );
});

test('more than a WAV file can hold is refused', () => {
  expect(() => new WavWriter(MOST_WAV_FRAMES + 1, 44_100)).toThrow(RangeError);
  expect(() => new WavWriter(1.5, 44_100)).toThrow(RangeError);
});
