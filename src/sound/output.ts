/** Built beside the application; see scripts/lib/worklet.mjs. */
const SEQUENCER = '/worklets/sequencer.js';

/** One audio output for the whole page: browsers allow few, and each holds the device. */
let shared: Promise<AudioContext> | undefined;

/** The page's audio output; call it from a touch or key press, as browsers demand. Throws with words for the person. */
export function audioOutput(): Promise<AudioContext> {
  shared ??= opened().catch((error: unknown) => {
    shared = undefined;
    throw error;
  });
  return shared;
}

/** Gives up an output that does not answer any more, so that another is opened the next time. */
export function forgetOutput(context: AudioContext): void {
  shared = undefined;
  if (context.state !== 'closed') void context.close();
}

async function opened(): Promise<AudioContext> {
  let context: AudioContext;
  try {
    context = new AudioContext({ latencyHint: 'interactive' });
  } catch {
    throw new Error('This browser gives no sound output. Connect headphones or a loudspeaker and press play again.');
  }
  try {
    await context.audioWorklet.addModule(SEQUENCER);
    await context.resume();
  } catch {
    await context.close();
    throw new Error('The sound could not be started. Reload the page; if it stays so, use a current browser.');
  }
  return context;
}

/** Between the windows of one browser: whichever begins to sound last is the one that sounds. */
const windows = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel('mochila sound');

/** Says to the other windows that this one sounds now. */
export const soundHere = (): void => windows?.postMessage('sounds');

/** Calls back when another window begins to sound; gives the way to stop listening. */
export function onSoundElsewhere(listener: () => void): () => void {
  windows?.addEventListener('message', listener);
  return () => windows?.removeEventListener('message', listener);
}
