/**
 * What the recorder tells, to whoever holds the other end of its port: what was recorded from a frame of the audio
 * clock on.
 */
export interface Recorded {
  frame: number;
  samples: Float32Array;
}

// The worklet's global scope, which TypeScript's DOM library leaves out.
declare const currentFrame: number;
declare class AudioWorkletProcessor {
  readonly port: MessagePort;
}
declare function registerProcessor(name: string, processor: new () => AudioWorkletProcessor): void;

/** Some ten milliseconds: less is many messages, more is late. */
const BLOCK = 512;

/** Passes on what a microphone hears, its channels made one, each block with the frame it begins on. */
class Recorder extends AudioWorkletProcessor {
  private block = new Float32Array(BLOCK);
  private filled = 0;
  private from = 0;
  private to: MessagePort | undefined;

  constructor() {
    super();
    this.port.onmessage = ({ data }: MessageEvent<MessagePort>) => {
      this.to = data;
    };
  }

  process([channels = []]: Float32Array[][]): boolean {
    const [first] = channels;
    // An input that is idle comes empty: whoever listens sees the gap by the frames.
    if (!first || !this.to) return true;
    if (this.filled && this.from + this.filled !== currentFrame) this.pass();
    if (!this.filled) this.from = currentFrame;
    for (let index = 0; index < first.length; index++) {
      let sum = 0;
      for (const channel of channels) sum += channel[index]!;
      this.block[this.filled + index] = sum / channels.length;
    }
    this.filled += first.length;
    if (this.filled + first.length > BLOCK) this.pass();
    return true;
  }

  private pass(): void {
    const samples = this.block.slice(0, this.filled);
    const recorded: Recorded = { frame: this.from, samples };
    this.to!.postMessage(recorded, [samples.buffer]);
    this.filled = 0;
  }
}

registerProcessor('recorder', Recorder);
