import type { Recorded } from '../../recorder.worklet';

/**
 * Where blocks lie on the audio clock: what begins before the first frame is cut off, and what the audio thread left
 * out is silence, so that nothing behind it comes early.
 */
export class Tape {
  private length = 0;
  /** Frames that were left out. */
  skipped = 0;

  constructor(
    readonly fromFrame: number,
    private readonly mostFrames: number,
  ) {}

  /** Takes a block and gives what is new by it: silence for what was left out, then the block. */
  add({ frame, samples }: Recorded): Float32Array {
    const before = this.length;
    const at = frame - this.fromFrame;
    const cut = Math.max(0, before - at);
    const end = Math.min(this.mostFrames, at + samples.length);
    if (end <= before) return new Float32Array();
    if (at > before) this.skipped += at - before;
    const more = new Float32Array(end - before);
    more.set(samples.subarray(cut, end - at), at + cut - before);
    this.length = end;
    return more;
  }
}
