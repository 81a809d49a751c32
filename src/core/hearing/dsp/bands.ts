/** Every recording is heard at this rate; one at another is brought to it first (see `resample`). */
export const RATE = 48_000;
/** Samples of a hop: powers are told once a millisecond. */
export const HOP = RATE / 1000;

/**
 * Edges of the narrow bands in hertz. The lower eight are about a third of an octave to half, since a kick, a tom and
 * the body of a snare lie there side by side; the upper ones are as wide as a stick's attack needs to be quick.
 */
const NARROW = [
  30, 62, 90, 120, 150, 215, 300, 430, 600, 850, 1150, 1550, 2000, 2700, 3600, 4700, 6000, 7600, 9600, 12_200, 17_000,
] as const;
export const BANDS = NARROW.length - 1;
/** In hertz. */
export const BAND_WIDTHS = Array.from({ length: BANDS }, (_, band) => NARROW[band + 1]! - NARROW[band]!);
/** The five wide bands that strokes are found in: quicker than the narrow ones where those are slow. */
const WIDE = [0, 150, 600, 2000, 6000] as const;
export const WIDE_BANDS = WIDE.length;

/**
 * A second-order Butterworth filter, 12 dB an octave (bilinear transform; Zölzer, DAFX, 2011, ch. 2), and what it
 * remembers.
 */
interface Biquad {
  b0: number;
  b1: number;
  b2: number;
  a1: number;
  a2: number;
  x1: number;
  x2: number;
  y1: number;
  y2: number;
}

/** `q` is 1/√2 but in a cascade. */
function biquad(kind: 'above' | 'below', hz: number, rate: number, q = Math.SQRT1_2): Biquad {
  const k = Math.tan((Math.PI * hz) / rate);
  const norm = 1 / (1 + k / q + k * k);
  const b0 = kind === 'below' ? k * k * norm : norm;
  return {
    b0,
    b1: kind === 'below' ? 2 * b0 : -2 * b0,
    b2: b0,
    a1: 2 * (k * k - 1) * norm,
    a2: (1 - k / q + k * k) * norm,
    x1: 0,
    x2: 0,
    y1: 0,
    y2: 0,
  };
}

/** What is this small is no sound, and numbers near the least there are would make the machine slow. */
const settled = (value: number) => (Math.abs(value) < 1e-30 ? 0 : value);

/**
 * Runs `from` through two filters in turn, hop by hop; `heard` gets the mean square of each hop, and `to`, where it is
 * given, every `step`-th sample. Written as one loop, since this is where most of the time of hearing goes.
 */
function runBoth(
  { b0, b1, b2, a1, a2, ...first }: Biquad,
  second: Biquad,
  from: Float32Array,
  hop: number,
  heard: (hop: number, power: number) => void,
  to?: Float32Array,
  step = 1,
): [Biquad, Biquad] {
  const { b0: c0, b1: c1, b2: c2, a1: d1, a2: d2 } = second;
  let { x1, x2, y1, y2 } = first;
  let { x1: u1, x2: u2, y1: v1, y2: v2 } = second;
  for (let at = 0, start = 0; start < from.length; at++, start += hop) {
    let sum = 0;
    for (let index = start; index < start + hop; index++) {
      const x = from[index]!;
      const y = b0 * x + b1 * x1 + b2 * x2 - a2 * y2 - a1 * y1;
      const v = c0 * y + c1 * u1 + c2 * u2 - d2 * v2 - d1 * v1;
      [x2, x1, y2, y1] = [x1, x, y1, y];
      [u2, u1, v2, v1] = [u1, y, v1, v];
      sum += v * v;
      if (to && index % step === 0) to[index / step] = v;
    }
    heard(at, sum / hop);
  }
  return [
    { b0, b1, b2, a1, a2, x1, x2, y1: settled(y1), y2: settled(y2) },
    { ...second, x1: u1, x2: u2, y1: settled(v1), y2: settled(v2) },
  ];
}

/** One band: what it lets through, at which rate it is worked out, and where its power goes. */
interface Band {
  filters: [Biquad, Biquad];
  stage: number;
  heard: (hop: number, power: number) => void;
}

/** Low bands are worked out at a lower rate: by so much lower each stage, cut off at so many hertz before. */
const STAGES = [
  { by: 1, cutHz: 0, highest: Infinity },
  { by: 2, cutHz: 7000, highest: 4700 },
  { by: 4, cutHz: 3000, highest: 2000 },
  { by: 16, cutHz: 800, highest: 600 },
] as const;

/**
 * The power of what comes in, hop by hop, in narrow and in wide bands. It is fed block by block, each a whole number of
 * hops; what went before is remembered, so that blocks give what the whole would.
 */
export class FilterBank {
  private readonly bands: Band[];
  /** The two halves of a fourth-order filter, before each stage but the first. */
  private readonly thinning: [Biquad, Biquad][] = STAGES.slice(1).map(({ cutHz }, index) => {
    const rate = RATE / STAGES[index]!.by;
    return [biquad('below', cutHz, rate, 0.541), biquad('below', cutHz, rate, 1.307)];
  });
  private narrow = new Float32Array();
  private wide = new Float32Array();

  constructor() {
    const band = (low: number, high: number, heard: Band['heard']): Band => {
      const stage = STAGES.findLastIndex(({ highest }) => high <= highest);
      const rate = RATE / STAGES[stage]!.by;
      // Below the lowest band there is nothing but draughts.
      return { stage, heard, filters: [biquad('above', low || 20, rate), biquad('below', high, rate)] };
    };
    const narrow = Array.from({ length: BANDS }, (_, index) => {
      const low = NARROW[index]!;
      const group = WIDE.findLastIndex((edge) => edge <= low);
      return band(low, NARROW[index + 1]!, (hop, power) => {
        this.narrow[hop * BANDS + index] = power;
        if (low >= 2000) this.wide[hop * WIDE_BANDS + group]! += power;
      });
    });
    const wide = [0, 1, 2].map((group) =>
      band(WIDE[group]!, WIDE[group + 1]!, (hop, power) => {
        this.wide[hop * WIDE_BANDS + group] = power;
      }),
    );
    this.bands = [...narrow, ...wide];
  }

  /**
   * Mean square of each hop of `samples` in each band, one hop after the other. Throws a RangeError for a part of a
   * hop.
   */
  feed(samples: Float32Array): Powers {
    if (samples.length % HOP) throw new RangeError(`Blocks are of whole hops of ${HOP} samples`);
    const hops = samples.length / HOP;
    this.narrow = new Float32Array(hops * BANDS);
    this.wide = new Float32Array(hops * WIDE_BANDS);
    let source = samples;
    for (const [stage, { by }] of STAGES.entries()) {
      if (stage > 0) {
        const step = by / STAGES[stage - 1]!.by;
        const thinned = new Float32Array(source.length / step);
        this.thinning[stage - 1] = runBoth(
          ...this.thinning[stage - 1]!,
          source,
          source.length / Math.max(1, hops),
          () => {},
          thinned,
          step,
        );
        source = thinned;
      }
      for (const band of this.bands)
        if (band.stage === stage) band.filters = runBoth(...band.filters, source, HOP / by, band.heard);
    }
    return { hops, narrow: this.narrow, wide: this.wide };
  }
}

/** Mean squares by hop and band: of hop h in band b at h · BANDS + b, and at h · WIDE_BANDS + b. */
export interface Powers {
  hops: number;
  narrow: Float32Array;
  wide: Float32Array;
  /** Of that, what may be left of the click; laid out alike. */
  left?: { narrow: Float32Array; wide: Float32Array };
}
