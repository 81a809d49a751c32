import { renderWav, type Rendering } from './rendering';

/** What the worker answers: how far it is, or the file. */
export type WavAnswer = { share: number } | { wav: ArrayBuffer };

// The worker's own scope, which is another than the page's.
const scope = self as unknown as {
  onmessage: (event: MessageEvent<Rendering>) => void;
  postMessage: (answer: WavAnswer, transfer?: Transferable[]) => void;
};

scope.onmessage = ({ data }) => {
  const wav = renderWav(data, (share) => scope.postMessage({ share }));
  scope.postMessage({ wav }, [wav]);
};
