import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { peaks, readMusic, slowed } from './music';

/** A sound file of so many bytes; only what is asked of it is there. */
const file = (name: string, size: number, bytes = new Uint8Array([1, 2, 3])) =>
  ({ name, size, arrayBuffer: async () => bytes.buffer }) as unknown as File;
const buffer = (samples: number[], rate = 1000) =>
  ({
    sampleRate: rate,
    length: samples.length,
    numberOfChannels: 1,
    duration: samples.length / rate,
    getChannelData: () => Float32Array.from(samples),
  }) as unknown as AudioBuffer;

const decode = vi.fn<() => Promise<AudioBuffer>>();
beforeEach(() => {
  decode.mockReset().mockResolvedValue(buffer([0]));
  vi.stubGlobal(
    'OfflineAudioContext',
    class {
      decodeAudioData = decode;
    },
  );
});
afterEach(() => vi.unstubAllGlobals());

describe('a file of the player’s own', () => {
  test('is named by its bytes, whatever it is called', async () => {
    const one = await readMusic(file('one.wav', 3));
    // SHA-256 of the bytes 1, 2, 3.
    expect(one.hash).toBe('039058c6f2c0cb492c533b0a4d14ef77cc0f78abccced5287d84a1a2011cfb81');
    expect((await readMusic(file('other.wav', 3))).hash).toBe(one.hash);
    expect((await readMusic(file('one.wav', 3, new Uint8Array([1, 2, 4])))).hash).not.toBe(one.hash);
  });

  test('that is too big, empty, broken or too long says what would work', async () => {
    await expect(readMusic(file('big.wav', 400_000_000))).rejects.toThrow(
      '“big.wav” is 400 MB. Choose a file below 300 MB, or an MP3 of it.',
    );
    expect(decode).not.toHaveBeenCalled();
    await expect(readMusic(file('nothing.wav', 0))).rejects.toThrow('“nothing.wav” is empty.');
    decode.mockRejectedValue(new Error('EncodingError'));
    await expect(readMusic(file('noise.txt', 3))).rejects.toThrow('“noise.txt” cannot be decoded');
    decode.mockResolvedValue({ ...buffer([]), duration: 1801 });
    await expect(readMusic(file('long.ogg', 3))).rejects.toThrow('“long.ogg” is longer than half an hour.');
  });
});

test('at full speed nothing is made: it is the same music', async () => {
  const music = buffer([0, 1]);
  expect(await slowed(music, 1, () => {})).toBe(music);
});

describe('the picture of the music', () => {
  test('has the loudest sample of each stretch, up or down', () => {
    expect(peaks(buffer([0, 0.5, 0, -0.75, 0.25, 0, 0, 1]), 0, 8, 4)).toEqual([0.5, 0.75, 0.25, 1]);
  });

  test('is silent before the music begins and after it ends', () => {
    expect(peaks(buffer([1, 1, 1, 1]), -4, 8, 3)).toEqual([0, 1, 0]);
  });
});
