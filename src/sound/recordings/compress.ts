import { WavWriter } from '../../core/format/wav';
import type { SoundKind } from '../../core/limits';
import type { Ms } from '../../core/time/units';
import { lengthOf, type TakeSound } from './takeSound';

/** The rate at which sound is compressed: Opus knows no higher one. */
const RATE = 48_000;
/** At so many bits a second drums come back as they were (measured: strokes where they were to half a millisecond). */
const BITS_A_SECOND = 96_000;
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
  if ('AudioEncoder' in globalThis) {
    // Brought when it is wanted: few takes are kept as sound.
    const { AudioSample, AudioSampleSource, BufferTarget, Output, Quality, WebMOutputFormat, canEncodeAudio } =
      await import('mediabunny');
    if (await canEncodeAudio('opus', { numberOfChannels: 1, sampleRate: RATE })) {
      const samples = await atRate(sound, RATE);
      const target = new BufferTarget();
      const output = new Output({ format: new WebMOutputFormat(), target });
      const source = new AudioSampleSource({ codec: 'opus', quality: new Quality({ bitrate: BITS_A_SECOND }) });
      output.addAudioTrack(source);
      await output.start();
      for (let from = 0; from < samples.length; from += SECONDS * RATE) {
        const data = samples.slice(from, from + SECONDS * RATE);
        const init = { data, format: 'f32', numberOfChannels: 1, sampleRate: RATE, timestamp: from / RATE } as const;
        const sample = new AudioSample(init);
        await source.add(sample);
        sample.close();
      }
      await output.finalize();
      if (target.buffer) return { kind: 'audio/webm', bytes: target.buffer };
    }
  }
  const samples = await atRate(sound, PLAIN_RATE);
  const wav = new WavWriter(samples.length, PLAIN_RATE);
  wav.add(samples);
  return { kind: 'audio/wav', bytes: wav.bytes };
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
