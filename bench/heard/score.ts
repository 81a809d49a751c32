/** How well what was heard agrees with what is truly there. */
import type { HeardStroke } from '../../src/core/hearing/index';
import type { TrueStroke } from '../../src/core/testing/recordedTakes';

/** Pairs of true strokes and what was heard of them, one to one, the nearest first. */
export function paired<T extends { ms: number; surface: string }>(
  strokes: readonly T[],
  heard: readonly HeardStroke[],
  within: number,
  bySurface: boolean,
): Map<T, HeardStroke> {
  const all = strokes.flatMap((stroke) =>
    heard
      .filter((one) => Math.abs(one.ms - stroke.ms) <= within && (!bySurface || one.surface === stroke.surface))
      .map((one) => ({ stroke, one, off: Math.abs(one.ms - stroke.ms) })),
  );
  const pairs = new Map<T, HeardStroke>();
  const used = new Set<HeardStroke>();
  for (const { stroke, one } of all.sort((a, b) => a.off - b.off)) {
    if (pairs.has(stroke) || used.has(one)) continue;
    pairs.set(stroke, one);
    used.add(one);
  }
  return pairs;
}

/** Limbs that strike within so much of each other are one onset: nobody hears two. */
const ONE_ONSET = 10;

/** Strokes that are near each other as one, the first; a flam's grace stays one of its own. */
export function onsetsOf(strokes: readonly TrueStroke[]): TrueStroke[] {
  const kept: TrueStroke[] = [];
  for (const stroke of strokes.toSorted((a, b) => a.ms - b.ms)) {
    const last = kept.at(-1);
    if (!last || stroke.ms - last.ms > ONE_ONSET || stroke.surface === last.surface) kept.push(stroke);
    else if (stroke.isAudible && !last.isAudible) kept[kept.length - 1] = stroke;
  }
  return kept;
}
export function heardOnsets(heard: readonly HeardStroke[]): HeardStroke[] {
  const kept: HeardStroke[] = [];
  for (const one of heard.toSorted((a, b) => a.ms - b.ms)) {
    const last = kept.at(-1);
    if (!last || one.ms - last.ms > ONE_ONSET || one.surface === last.surface) kept.push(one);
  }
  return kept;
}

/** Counts by name, and shares of them. */
export class Tally {
  private readonly counts = new Map<string, [number, number]>();
  private readonly values = new Map<string, number[]>();

  /** One more of `of`, which is so or is not. */
  one(of: string, isSo: boolean): void {
    const [so, all] = this.counts.get(of) ?? [0, 0];
    this.counts.set(of, [so + Number(isSo), all + 1]);
  }

  share(of: string): number {
    const [so, all] = this.counts.get(of) ?? [0, 0];
    return so / all;
  }

  add(of: string, value: number): void {
    this.values.set(of, [...(this.values.get(of) ?? []), value]);
  }

  /** The value under which the share of all lies. */
  at(of: string, share: number): number {
    const sorted = (this.values.get(of) ?? []).toSorted((a, b) => a - b);
    return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? NaN;
  }

  /** The values of each name that begins so. */
  groups(beginning: string): number[][] {
    return [...this.values].filter(([of]) => of.startsWith(beginning)).map(([, values]) => values);
  }

  /** Pairs, and what is too many or too few on either side: their share is the F-measure. */
  match(of: string, pairs: number, truly: number, heard: number): void {
    const [so, all] = this.counts.get(of) ?? [0, 0];
    this.counts.set(of, [so + 2 * pairs, all + truly + heard]);
  }
}
