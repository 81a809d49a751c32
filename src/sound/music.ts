import type { Ms } from '../core/time/units';

/** The rate music is decoded at; the output converts it where its own differs. */
const RATE = 44_100;
/** What a browser can hold decoded at once: about half an hour of two channels. */
const MOST_BYTES = 300_000_000;
const MOST_MS: Ms = 30 * 60_000;

/** Music of the player's own, decoded in the browser. `hash` names its bytes. */
export interface Music {
  name: string;
  hash: string;
  buffer: AudioBuffer;
}

/** Reads a sound file. Throws with words for the person when it cannot be read. */
export async function readMusic(file: File): Promise<Music> {
  if (file.size > MOST_BYTES)
    throw new Error(
      `“${file.name}” is ${Math.round(file.size / 1e6)} MB. Choose a file below ${MOST_BYTES / 1e6} MB, or an MP3 of it.`,
    );
  if (!file.size) throw new Error(`“${file.name}” is empty. Choose a WAV, MP3, OGG or FLAC file.`);
  const bytes = await file.arrayBuffer();
  const digest = await crypto.subtle.digest('SHA-256', bytes);
  const hash = [...new Uint8Array(digest)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
  const buffer = await new OfflineAudioContext(2, 1, RATE).decodeAudioData(bytes).catch(() => {
    throw new Error(
      `“${file.name}” cannot be decoded: it is broken, protected, or no sound file. WAV, MP3, OGG and FLAC work.`,
    );
  });
  if (buffer.duration * 1000 > MOST_MS)
    throw new Error(`“${file.name}” is longer than half an hour. Cut out the piece you want to play to.`);
  return { name: file.name, hash, buffer };
}

interface Stretcher extends AudioWorkletNode {
  addBuffers: (channels: Float32Array[]) => Promise<number>;
  schedule: (change: { active: boolean; input: number; output: number; rate: number }) => Promise<void>;
  setUpdateInterval: (seconds: number, hear: (inputSeconds: number) => void) => Promise<void>;
}

/** Copied beside the application; see scripts/lib/worklet.mjs. */
const STRETCHER = '/worklets/stretch.js';

/**
 * The same music at a share of its speed and its own pitch, made whole beforehand so that it plays to the frame: what
 * was struck is within 5 ms of where it belongs (measured in Chromium on a row of clicks). `onShare` hears how much
 * is done.
 */
export async function slowed(
  buffer: AudioBuffer,
  speed: number,
  onShare: (share: number) => void,
): Promise<AudioBuffer> {
  if (speed === 1) return buffer;
  const { default: stretcher } = (await import(/* webpackIgnore: true */ /* turbopackIgnore: true */ STRETCHER)) as {
    default: (context: BaseAudioContext, options: AudioWorkletNodeOptions) => Promise<Stretcher>;
  };
  const channels = Array.from({ length: buffer.numberOfChannels }, (_, channel) =>
    buffer.getChannelData(channel).slice(),
  );
  const offline = new OfflineAudioContext(channels.length, Math.ceil(buffer.length / speed), buffer.sampleRate);
  const node = await stretcher(offline, { outputChannelCount: [channels.length] });
  await node.addBuffers(channels);
  await node.setUpdateInterval(2, (seconds) => onShare(Math.min(1, seconds / buffer.duration)));
  await node.schedule({ active: true, input: 0, output: 0, rate: speed });
  node.connect(offline.destination);
  return offline.startRendering();
}

/**
 * The loudest sample of each of so many stretches between two moments, 0 to 1: what a picture of the music is drawn
 * from.
 */
export function peaks(buffer: AudioBuffer, fromMs: Ms, toMs: Ms, count: number): number[] {
  const samples = buffer.getChannelData(0);
  const frame = (ms: Ms) => Math.round((ms / 1000) * buffer.sampleRate);
  const [from, length] = [frame(fromMs), (frame(toMs) - frame(fromMs)) / count];
  return Array.from({ length: count }, (_, index) => {
    let peak = 0;
    const end = Math.min(samples.length, Math.floor(from + (index + 1) * length));
    for (let at = Math.max(0, Math.floor(from + index * length)); at < end; at++)
      peak = Math.max(peak, Math.abs(samples[at]!));
    return peak;
  });
}
