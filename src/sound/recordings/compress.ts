import { WAV_HEADER, WavWriter } from '../../core/format/audio/wav';
import type { SoundKind } from '../../core/limits';
import type { Ms } from '../../core/time/units';
import { lengthOf, type TakeSound } from './takeSound';

/** The rate at which sound is compressed: Opus knows no higher one. */
export const COMPRESSED_RATE = 48_000;
/** At so many bits a second drums come back as they were (measured: strokes where they were to half a millisecond). */
export const BITS_A_SECOND = 96_000;
/** So much is handed to the compressor at a time. */
const SECONDS = 10;
/** The rate of what a browser cannot compress: five minutes of it are 10 MB, and a drum is still one. */
const PLAIN_RATE = 15_000;

interface Compressed {
  kind: SoundKind;
  bytes: ArrayBuffer;
}

/** A sound as it is kept. */
export const keptForm = async (sound: TakeSound): Promise<Compressed & { lengthMs: Ms; zeroMs: Ms }> => ({
  ...(await compressed(sound)),
  lengthMs: lengthOf(sound),
  zeroMs: sound.zeroMs,
});

/** Sound compressed by the browser; as it is, at a lower rate, where it cannot do that. */
async function compressed(sound: TakeSound): Promise<Compressed> {
  const bytes = (await canCompress()) ? await webmOf(await atRate(sound, COMPRESSED_RATE)) : undefined;
  if (bytes) return { kind: 'audio/webm', bytes };
  const samples = await atRate(sound, PLAIN_RATE);
  const wav = new WavWriter(samples.length, PLAIN_RATE);
  wav.add(samples);
  return { kind: 'audio/wav', bytes: wav.bytes };
}

/** Whether this browser compresses sound. */
export async function canCompress(): Promise<boolean> {
  if (!('AudioEncoder' in globalThis)) return false;
  // Brought when it is wanted: few takes are kept as sound.
  const { canEncodeAudio } = await import('mediabunny');
  return canEncodeAudio('opus', { numberOfChannels: 1, sampleRate: COMPRESSED_RATE });
}

/**
 * One channel of samples at `COMPRESSED_RATE` as a compressed file; `onShare` is told how much of it is done.
 * Undefined where none comes of it.
 */
async function webmOf(
  samples: Float32Array<ArrayBuffer> | Int16Array<ArrayBuffer>,
  onShare?: (share: number) => void,
): Promise<ArrayBuffer | undefined> {
  const { AudioSample, AudioSampleSource, BufferTarget, Output, Quality, WebMOutputFormat } =
    await import('mediabunny');
  const target = new BufferTarget();
  const output = new Output({ format: new WebMOutputFormat(), target });
  const source = new AudioSampleSource({ codec: 'opus', quality: new Quality({ bitrate: BITS_A_SECOND }) });
  output.addAudioTrack(source);
  await output.start();
  const format = samples instanceof Int16Array ? 's16' : 'f32';
  for (let from = 0; from < samples.length; from += SECONDS * COMPRESSED_RATE) {
    const data = samples.slice(from, from + SECONDS * COMPRESSED_RATE);
    const sample = new AudioSample({
      data,
      format,
      numberOfChannels: 1,
      sampleRate: COMPRESSED_RATE,
      timestamp: from / COMPRESSED_RATE,
    });
    await source.add(sample);
    sample.close();
    onShare?.(Math.min(1, (from + SECONDS * COMPRESSED_RATE) / samples.length));
  }
  await output.finalize();
  return target.buffer ?? undefined;
}

/**
 * A file of one channel that was worked out at `COMPRESSED_RATE`, compressed; throws where this browser cannot do it
 * after all.
 */
export async function wavCompressed(wav: ArrayBuffer, onShare: (share: number) => void): Promise<ArrayBuffer> {
  const bytes = await webmOf(new Int16Array(wav, WAV_HEADER), onShare);
  if (!bytes) throw new Error('This browser cannot compress it. Take it as WAV.');
  return bytes;
}

/** A sound's samples at another rate, resampled by the browser. */
async function atRate(sound: TakeSound, rate: number): Promise<Float32Array<ArrayBuffer>> {
  const { samples, sampleRate } = sound;
  if (sampleRate === rate) return new Float32Array(samples);
  const offline = new OfflineAudioContext(1, Math.max(1, Math.ceil((samples.length * rate) / sampleRate)), rate);
  const source = new AudioBufferSourceNode(offline, { buffer: bufferOf(sound) });
  source.connect(offline.destination);
  source.start();
  return (await offline.startRendering()).getChannelData(0);
}

/** A sound as the browser plays it. */
export function bufferOf({ samples, sampleRate }: Pick<TakeSound, 'samples' | 'sampleRate'>): AudioBuffer {
  const buffer = new AudioBuffer({ length: Math.max(1, samples.length), sampleRate });
  buffer.copyToChannel(new Float32Array(samples), 0);
  return buffer;
}
