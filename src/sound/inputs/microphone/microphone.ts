import { proxy, transfer, wrap, type Remote } from 'comlink';
import type { Delay, KitJson, SurfaceAccuracy } from '@/core/documents/ears';
import type { Take } from '@/core/documents/take';
import type { Surface } from '@/core/groove/limbs';
import type { HeardStroke } from '@/core/hearing/index';
import type { Expected } from '@/core/hearing/kit/scoreSurfaces';
import type { Ms } from '@/core/time/units';
import { audioOutput } from '../../output';
import type { Clicks, ListenWorker, RecordedTake } from './listen.worker';

/** Built beside the application; see scripts/lib/built.mjs. */
const RECORDER = '/worklets/recorder.js';

/** A loudspeaker and a microphone add about so much where nothing was measured and the browser says nothing. */
const USUAL_DELAY: Ms = 40;
/** At so many samples a second and fewer, hats and ghosts are out of its reach. */
const NARROW_RATE = 16_000;
/** Behind the last stroke its sound is still waited for. */
const TAIL_MS: Ms = 250;

export interface Listening {
  /** From when on, in milliseconds of the audio clock: from now when left out, at most two seconds ago. */
  fromMs?: Ms;
  /** Nothing of it is to be heard again. */
  isEndless?: boolean;
  kit?: KitJson;
  /** What is written, and what the loudspeaker plays, in milliseconds of the audio clock. */
  expected?: readonly Expected[];
  clicks?: Clicks;
  /** With its time on the audio clock, as it was recorded. */
  onStroke: (stroke: HeardStroke & { audioMs: Ms }) => void;
  onLevel?: (peak: number) => void;
  /** It was unplugged, or taken away by the browser. */
  onLost?: () => void;
}

/** What went wrong with a microphone, in words for the person. */
class MicrophoneTrouble extends Error {}

/** Why a browser gives no microphone, by the name of its error. */
const REFUSED: Record<string, string> = {
  NotAllowedError:
    'The browser may not use the microphone. Allow it for this page (the sign beside the address), then try again.',
  NotFoundError: 'No microphone was found. Connect one, or choose keys or pads under “What listens”.',
  NotReadableError: 'The microphone is in use by another program. Close that, then try again.',
  OverconstrainedError: 'The microphone that was chosen is not there. Connect it, or get heard with another.',
};
/** Only pages that came by https, or from this computer, are given a microphone. */
export const NOT_SECURE =
  'A browser gives the microphone only to pages that came by https, or from this computer. The README says how to have it here.';

/** One microphone, unprocessed, recorded on the clock of what sounds, and heard apart from the page. */
export class Microphone {
  private listening: { fromFrame: number; onLost?: () => void } | undefined;

  private constructor(
    private readonly context: AudioContext,
    private readonly stream: MediaStream,
    private readonly nodes: AudioNode[],
    private readonly worker: Worker,
    private readonly remote: Remote<ListenWorker>,
  ) {
    for (const track of stream.getAudioTracks()) track.addEventListener('ended', () => this.listening?.onLost?.());
  }

  /** Opens it; call it from a touch or key press. Throws a `MicrophoneTrouble`. */
  static async open(deviceId?: string): Promise<Microphone> {
    if (!globalThis.isSecureContext || !navigator.mediaDevices) throw new MicrophoneTrouble(NOT_SECURE);
    const context = await audioOutput();
    const stream = await streamOf(deviceId);
    try {
      await context.audioWorklet.addModule(RECORDER);
      const source = new MediaStreamAudioSourceNode(context, { mediaStream: stream });
      const recorder = new AudioWorkletNode(context, 'recorder', { numberOfOutputs: 0 });
      source.connect(recorder);
      const worker = new Worker(new URL('./listen.worker.ts', import.meta.url));
      const remote = wrap<ListenWorker>(worker);
      const { port1, port2 } = new MessageChannel();
      recorder.port.postMessage(port1, [port1]);
      await remote.connect(transfer(port2, [port2]));
      return new Microphone(context, stream, [source, recorder], worker, remote);
    } catch (error) {
      for (const track of stream.getTracks()) track.stop();
      throw error;
    }
  }

  /** The time of the audio clock, in milliseconds. */
  get nowMs(): Ms {
    return this.context.currentTime * 1000;
  }

  /** Whether it hears only what a telephone does, as headsets by radio do while their microphone is on. */
  get isNarrow(): boolean {
    const { sampleRate } = this.stream.getAudioTracks()[0]?.getSettings() ?? {};
    return sampleRate !== undefined && sampleRate <= NARROW_RATE;
  }

  get deviceId(): string | undefined {
    return this.stream.getAudioTracks()[0]?.getSettings().deviceId;
  }
  get name(): string {
    return this.stream.getAudioTracks()[0]?.label || 'microphone';
  }

  /** What loudspeaker and microphone add by what the browser says of them, where nothing was measured. */
  get saidDelayMs(): Ms {
    // A setting of sound that the browser's types do not name.
    const settings: MediaTrackSettings & { latency?: number } = this.stream.getAudioTracks()[0]?.getSettings() ?? {};
    const { outputLatency, baseLatency } = this.context;
    const said = 1000 * ((outputLatency || baseLatency || 0) + (settings.latency ?? 0));
    return said > 0 && said < 500 ? said : USUAL_DELAY;
  }

  /** Listens from now on; what was recorded before is forgotten. */
  async begin(listening: Listening): Promise<void> {
    const { kit, expected, clicks, isEndless, onStroke, onLevel, onLost } = listening;
    const fromFrame = Math.round(((listening.fromMs ?? this.nowMs) * this.context.sampleRate) / 1000);
    const fromMs = (1000 * fromFrame) / this.context.sampleRate;
    this.listening = { fromFrame, ...(onLost && { onLost }) };
    await this.remote.begin(
      {
        sampleRate: this.context.sampleRate,
        fromFrame,
        ...(kit && { kit }),
        ...(isEndless && { isEndless }),
        ...(expected && { expected: expected.map((one) => ({ ...one, ms: one.ms - fromMs })) }),
        ...(clicks && { clicks: later(clicks, -fromMs) }),
      },
      proxy({
        onStrokes: (strokes: HeardStroke[]) => {
          for (const stroke of strokes) onStroke({ ...stroke, audioMs: stroke.ms + fromMs });
        },
        onLevel: (peak: number) => onLevel?.(peak),
      }),
    );
  }

  /** The take that was recorded since it began, heard as a whole. `firstBarMs` and `clicks` are on the audio clock. */
  async hear(
    take: Take,
    how: { firstBarMs: Ms; kit?: KitJson; clicks: Clicks; delayMs: Ms },
    onShare: (share: number) => void,
  ): Promise<RecordedTake> {
    const { sampleRate } = this.context;
    const fromMs = (1000 * this.listening!.fromFrame) / sampleRate;
    await new Promise((done) => setTimeout(done, TAIL_MS));
    this.listening = undefined;
    return this.remote.hear(
      take,
      {
        firstBarFrame: (how.firstBarMs * sampleRate) / 1000,
        ...(how.kit && { kit: how.kit }),
        clicks: later(how.clicks, -fromMs),
        delayMs: how.delayMs,
      },
      proxy(onShare),
    );
  }

  /** All that was recorded since it began. */
  recorded = (): Promise<Float32Array> => this.remote.recorded();

  /** What recordings of single surfaces teach, and what can be told by it. */
  learn = (
    recordings: { surface: Surface; samples: Float32Array }[],
  ): Promise<{ kit: KitJson; told: SurfaceAccuracy[] }> => this.remote.learn(recordings);

  /** How much later than sent the clicks came back since it began; undefined where they did not. */
  async clickDelay(clicks: Clicks): Promise<Delay | undefined> {
    const fromMs = (1000 * this.listening!.fromFrame) / this.context.sampleRate;
    return this.remote.clickDelay(later(clicks, -fromMs));
  }

  close(): void {
    this.listening = undefined;
    for (const track of this.stream.getTracks()) track.stop();
    for (const node of this.nodes) node.disconnect();
    this.worker.terminate();
  }
}

const later = (clicks: Clicks, ms: Ms): Clicks =>
  clicks.map(({ samples, atMs }) => ({ samples, atMs: atMs.map((at) => at + ms) }));

/** Asks for a microphone with nothing done to what it hears; for any where the one that was chosen is gone. */
async function streamOf(deviceId: string | undefined): Promise<MediaStream> {
  const raw = { echoCancellation: false, noiseSuppression: false, autoGainControl: false };
  try {
    return await navigator.mediaDevices.getUserMedia({
      audio: { ...raw, ...(deviceId && { deviceId: { ideal: deviceId } }) },
    });
  } catch (error) {
    throw new MicrophoneTrouble(
      REFUSED[(error as Error).name] ?? `The microphone could not be opened: ${(error as Error).message}`,
    );
  }
}
