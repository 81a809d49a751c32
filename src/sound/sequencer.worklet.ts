import { Mixer, type Cue } from './mixer';

/** What the page may ask of the sequencer. Frames are those of the audio clock. */
export type SequencerMessage =
  | { type: 'voice'; name: string; samples: Float32Array; lead?: number }
  | { type: 'cue'; cues: Cue[]; fromFrame?: number }
  | { type: 'strike'; voice: string }
  | { type: 'stop' };

// The worklet's global scope, which TypeScript's DOM library leaves out.
declare const currentFrame: number;
declare class AudioWorkletProcessor {
  readonly port: MessagePort;
}
declare function registerProcessor(name: string, processor: new () => AudioWorkletProcessor): void;

/** Plays posted cues on the audio thread, where a busy page cannot delay them. */
class Sequencer extends AudioWorkletProcessor {
  private readonly mixer = new Mixer();

  constructor() {
    super();
    this.port.onmessage = ({ data }: MessageEvent<SequencerMessage>) => {
      if (data.type === 'voice') this.mixer.addVoice(data.name, data.samples, data.lead);
      else if (data.type === 'cue') this.mixer.cue(data.cues, data.fromFrame);
      else if (data.type === 'strike') this.mixer.strike(data.voice);
      else this.mixer.stop();
    };
  }

  process(_inputs: Float32Array[][], outputs: Float32Array[][]): boolean {
    const [first, ...others] = outputs[0]!;
    this.mixer.render(first!, currentFrame);
    for (const channel of others) channel.set(first!);
    return true;
  }
}

registerProcessor('sequencer', Sequencer);
