import type { Ms } from '../../time/units';

/** The outline of a recording holds the least and the greatest sample of each so many milliseconds. */
const OUTLINE_MS: Ms = 2;

/** The least and the greatest sample of each `OUTLINE_MS` of a recording, in turns. */
export function outlineOf(samples: Float32Array, sampleRate: number): Float32Array {
  const step = (OUTLINE_MS * sampleRate) / 1000;
  const columns = Math.ceil(samples.length / step);
  const outline = new Float32Array(2 * columns);
  for (let column = 0; column < columns; column++) {
    let [least, greatest] = [0, 0];
    for (let index = Math.floor(column * step); index < Math.min(samples.length, (column + 1) * step); index++) {
      least = Math.min(least, samples[index]!);
      greatest = Math.max(greatest, samples[index]!);
    }
    outline.set([least, greatest], 2 * column);
  }
  return outline;
}

/**
 * A stretch of an outline as one closed SVG path, `width` by `height`: along the greatest samples there, and back along
 * the least. The loudest of the whole recording reaches four points from the edge.
 */
export function outlinePath(
  outline: Float32Array,
  { fromMs, lengthMs, width, height }: { fromMs: Ms; lengthMs: Ms; width: number; height: number },
): string {
  const loudest = outline.reduce((most, value) => Math.max(most, Math.abs(value)), 1e-6);
  const y = (value: number) => (height / 2 - (value * (height / 2 - 4)) / loudest).toFixed(1);
  const first = Math.floor(fromMs / OUTLINE_MS);
  const count = Math.ceil(lengthMs / OUTLINE_MS);
  const per = Math.max(1, Math.ceil(count / width));
  const tops: string[] = [];
  const feet: string[] = [];
  for (let at = 0; at < count; at += per) {
    let [least, greatest] = [0, 0];
    for (let index = first + at; index < first + at + per; index++) {
      least = Math.min(least, outline[2 * index] ?? 0);
      greatest = Math.max(greatest, outline[2 * index + 1] ?? 0);
    }
    const x = ((width * at) / count).toFixed(1);
    tops.push(`${x} ${y(greatest)}`);
    feet.push(`${x} ${y(least)}`);
  }
  return `M${tops.join('L')}L${feet.reverse().join('L')}Z`;
}
