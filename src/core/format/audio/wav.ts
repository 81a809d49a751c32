/** Bytes of one sample: 16-bit whole numbers, which every player reads. */
const SAMPLE_BYTES = 2;
/** Bytes of a file before its first sample. */
export const WAV_HEADER = 44;
/** What fits a WAV file, whose lengths are 32-bit numbers. */
export const MOST_WAV_FRAMES = Math.floor((2 ** 32 - 1 - WAV_HEADER) / SAMPLE_BYTES);

/** A WAV file, one channel, that is filled block by block. Samples are −1 to 1; what is outside is held at the edge. */
export class WavWriter {
  private readonly view: DataView<ArrayBuffer>;
  private frame = 0;

  /** Room for `frames` samples at `rate` a second. Throws a RangeError where a WAV file cannot hold them. */
  constructor(
    readonly frames: number,
    readonly rate: number,
  ) {
    if (!Number.isInteger(frames) || frames < 0 || frames > MOST_WAV_FRAMES)
      throw new RangeError(`A WAV file cannot hold ${frames} samples`);
    this.view = new DataView(new ArrayBuffer(WAV_HEADER + frames * SAMPLE_BYTES));
    const text = (at: number, letters: string) =>
      [...letters].forEach((letter, index) => this.view.setUint8(at + index, letter.charCodeAt(0)));
    text(0, 'RIFF');
    this.view.setUint32(4, this.view.byteLength - 8, true);
    text(8, 'WAVEfmt ');
    this.view.setUint32(16, 16, true);
    this.view.setUint16(20, 1, true);
    this.view.setUint16(22, 1, true);
    this.view.setUint32(24, rate, true);
    this.view.setUint32(28, rate * SAMPLE_BYTES, true);
    this.view.setUint16(32, SAMPLE_BYTES, true);
    this.view.setUint16(34, 8 * SAMPLE_BYTES, true);
    text(36, 'data');
    this.view.setUint32(40, frames * SAMPLE_BYTES, true);
  }

  /** Adds samples behind those that are there; what is past the end is left out. */
  add(samples: Float32Array): void {
    for (const sample of samples) {
      if (this.frame >= this.frames) return;
      this.view.setInt16(
        WAV_HEADER + SAMPLE_BYTES * this.frame++,
        Math.round(Math.max(-1, Math.min(1, sample)) * 32_767),
        true,
      );
    }
  }

  /** The file; what was not filled is silent. */
  get bytes(): ArrayBuffer {
    return this.view.buffer;
  }
}

/** The samples of a WAV file of one channel in 16 bits, −1 to 1. Throws a RangeError for any other. */
export function readWav(bytes: ArrayBuffer): { rate: number; samples: Float32Array<ArrayBuffer> } {
  const view = new DataView(bytes);
  const name = (at: number) =>
    String.fromCharCode(...Array.from({ length: 4 }, (_, index) => view.getUint8(at + index)));
  let rate = 0;
  for (let at = 12; at + 8 <= view.byteLength;) {
    const length = view.getUint32(at + 4, true);
    if (name(at) === 'fmt ') {
      if (
        view.getUint16(at + 8, true) !== 1 ||
        view.getUint16(at + 10, true) !== 1 ||
        view.getUint16(at + 22, true) !== 16
      )
        break;
      rate = view.getUint32(at + 12, true);
    }
    if (name(at) === 'data' && rate) {
      const frames = Math.min(length, view.byteLength - at - 8) >> 1;
      return {
        rate,
        samples: Float32Array.from({ length: frames }, (_, index) => view.getInt16(at + 8 + 2 * index, true) / 32_768),
      };
    }
    // Chunks begin on even bytes.
    at += 8 + length + (length % 2);
  }
  throw new RangeError('This is no WAV file of one channel in 16 bits');
}
