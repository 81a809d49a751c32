import spoken from './spoken.json';
import { isSpoken, type VoiceName } from './voiceNames';
import { renderVoice } from './voices';

/** The samples of a voice, and how many frames into them it is felt to sound. */
export interface Sampled {
  samples: Float32Array<ArrayBuffer>;
  lead: number;
}

const RECORDING = '/speech/count.wav';
const WORDS: Record<string, { from: number; frames: number; onset: number } | undefined> = spoken.words;

/** Whether a number or syllable can be said aloud; a workshop's own school may have others. */
export const isRecorded = (word: string): boolean => Object.hasOwn(WORDS, word);

/** The recordings at a rate, fetched and decoded once each. */
const decoded = new Map<number, Promise<Float32Array<ArrayBuffer>>>();

function recordings(rate: number): Promise<Float32Array<ArrayBuffer>> {
  const known = decoded.get(rate);
  if (known) return known;
  const asked = (async () => {
    const answer = await fetch(RECORDING);
    if (!answer.ok) throw new Error('The spoken count could not be loaded. Reload the page.');
    return (await new OfflineAudioContext(1, 1, rate).decodeAudioData(await answer.arrayBuffer())).getChannelData(0);
  })();
  decoded.set(rate, asked);
  // What failed is asked for again the next time.
  asked.catch(() => decoded.delete(rate));
  return asked;
}

/** Every voice's samples at a rate: made, or cut from the recordings. A word without a recording is left out. */
export async function sampled(voices: Iterable<VoiceName>, rate: number): Promise<Map<VoiceName, Sampled>> {
  const all = new Map<VoiceName, Sampled>();
  for (const voice of voices) {
    if (!isSpoken(voice)) {
      all.set(voice, { samples: renderVoice(voice, rate), lead: 0 });
      continue;
    }
    const word = WORDS[voice.slice('say/'.length)];
    if (!word) continue;
    const at = (frames: number) => Math.round((frames / spoken.rate) * rate);
    all.set(voice, {
      samples: (await recordings(rate)).slice(at(word.from), at(word.from + word.frames)),
      lead: at(word.onset),
    });
  }
  return all;
}
