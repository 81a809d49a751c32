import { soundFileKind } from '../core/format/audio/soundFile';
import { fail, ok, problem, type Result } from '../core/result';

/** One channel of sound, at the rate of its file. */
export interface Recording {
  samples: Float32Array<ArrayBuffer>;
  sampleRate: number;
}

/** Longer recordings are not heard. */
const MOST_MINUTES = 20;
/** So many bytes a minute no recording of two channels at 96,000 samples of 32 bits has. */
const MOST_BYTES = MOST_MINUTES * 60 * 96_000 * 2 * 4;
/** Where a file does not say its rate, it is taken at this one. */
const USUAL_RATE = 48_000;
/** Rates that are heard. */
const [LEAST_RATE, MOST_RATE] = [8000, 96_000];

/**
 * Reads a sound file of any kind the browser knows, its channels made one. At the file's own rate, so that nothing but
 * our own filter comes between it and the time of a stroke.
 */
export async function decoded(file: File): Promise<Result<Recording>> {
  const refuse = (code: string, message: string, remedy: string) => fail(problem(code, message, remedy));
  if (file.size > MOST_BYTES)
    return refuse(
      'too-long',
      `“${file.name}” is larger than ${MOST_MINUTES} minutes of sound can be.`,
      'Cut it into shorter files.',
    );
  const bytes = await file.arrayBuffer();
  const kind = soundFileKind(new Uint8Array(bytes, 0, Math.min(bytes.byteLength, 1 << 20)));
  if (!kind)
    return refuse(
      'no-sound',
      `“${file.name}” is no sound file.`,
      'WAV, MP3, OGG, FLAC and, in most browsers, M4A can be heard.',
    );
  const rate = kind.sampleRate ?? USUAL_RATE;
  if (rate < LEAST_RATE || rate > MOST_RATE)
    return refuse(
      'rate',
      `“${file.name}” has ${rate} samples a second.`,
      `Save it with ${LEAST_RATE} to ${MOST_RATE}: 44,100 is usual.`,
    );
  let buffer: AudioBuffer;
  try {
    buffer = await new OfflineAudioContext(1, 1, rate).decodeAudioData(bytes);
  } catch {
    return refuse(
      'unreadable',
      `“${file.name}” begins like ${kind.kind} but cannot be read.`,
      'It may be cut off or damaged; save it once more, as WAV if you can.',
    );
  }
  if (buffer.duration > 60 * MOST_MINUTES)
    return refuse(
      'too-long',
      `“${file.name}” is ${Math.round(buffer.duration / 60)} minutes long.`,
      `Cut it to ${MOST_MINUTES} minutes at most.`,
    );
  return ok({ samples: oneChannel(buffer), sampleRate: buffer.sampleRate });
}

/** The mean of all channels; the louder one where they would cancel each other. */
function oneChannel(
  buffer: Pick<AudioBuffer, 'length' | 'numberOfChannels' | 'getChannelData'>,
): Float32Array<ArrayBuffer> {
  const channels = Array.from({ length: buffer.numberOfChannels }, (_, channel) => buffer.getChannelData(channel));
  const mean = new Float32Array(buffer.length);
  for (const channel of channels)
    for (let index = 0; index < mean.length; index++) mean[index]! += channel[index]! / channels.length;
  const power = (samples: Float32Array) => samples.reduce((sum, value) => sum + value * value, 0);
  const [loudest] = channels.toSorted((a, b) => power(b) - power(a));
  return loudest && power(mean) < 0.05 * power(loudest) ? loudest.slice() : mean;
}
