import type { Ms } from '../../core/time/units';
import type { TakeSound } from './takeSound';

/** The rate at which kept sound is read again. */
const RATE = 48_000;

/** The kept sound of a take, from the server. Throws with words for the person. */
export async function keptSound(takeId: string, zeroMs: Ms): Promise<TakeSound> {
  const answer = await fetch(`/api/recordings/${takeId}`).catch(() => undefined);
  if (!answer) throw new Error('The server cannot be reached. Try again when it can.');
  if (answer.status === 404) throw new Error('The recording is not kept any more.');
  if (!answer.ok) throw new Error('The server did not give the recording. Load the page again.');
  try {
    const buffer = await new OfflineAudioContext(1, 1, RATE).decodeAudioData(await answer.arrayBuffer());
    return { samples: buffer.getChannelData(0), sampleRate: buffer.sampleRate, zeroMs };
  } catch {
    throw new Error('This browser cannot play the recording. A current one can: it was compressed as Opus.');
  }
}
