import { expose, transfer } from 'comlink';
import { renderWav, type Rendering } from './rendering';

/** Works out a sound file off the page's own thread; `onShare` hears how much is done. */
function render(rendering: Rendering, onShare: (share: number) => void): ArrayBuffer {
  const wav = renderWav(rendering, onShare);
  return transfer(wav, [wav]);
}

const worker = { render };
export type WavWorker = typeof worker;

expose(worker);
