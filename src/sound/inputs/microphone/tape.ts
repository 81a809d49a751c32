import type { Recorded } from '../../recorder.worklet';

/** So many frames are made room for at once. */
const GROWTH = 30 * 48_000;

/**
 * A recording that grows block by block and stays on the audio clock: what begins before its first frame is cut off, and
 * what the audio thread left out is silence, so that nothing behind it comes early.
 */
export class Tape {
  private kept = new Float32Array(GROWTH);
  private length = 0;
  /** Frames that were left out. */
  skipped = 0;

  constructor(
    readonly fromFrame: number,
    private readonly mostFrames: number,
  ) {}

  /** Takes a block and gives what is new on the tape by it: silence for what was left out, then the block. */
  add({ frame, samples }: Recorded): Float32Array {
    const before = this.length;
    const at = frame - this.fromFrame;
    const cut = Math.max(0, before - at);
    const end = Math.min(this.mostFrames, at + samples.length);
    if (end <= before) return new Float32Array();
    this.makeRoom(end);
    if (at > before) this.skipped += at - before;
    this.kept.set(samples.subarray(cut, end - at), at + cut);
    this.length = end;
    return this.kept.slice(before, end);
  }

  get samples(): Float32Array {
    return this.kept.subarray(0, this.length);
  }

  private makeRoom(length: number): void {
    if (length <= this.kept.length) return;
    const more = new Float32Array(length + GROWTH);
    more.set(this.samples);
    this.kept = more;
  }
}
