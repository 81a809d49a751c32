import type { Ms } from '@/core/time/units';

/** Nearer than this two strokes are one that bounced, or two limbs at once. */
const BOUNCE_MS: Ms = 60;
/** After such a rest a count is over: nobody counts slower than twice that fast. */
const OVER_MS: Ms = 900;

/** Counts strokes that follow one another, and says how many they were once none follows. */
export class StrokeCounter {
  private count = 0;
  private last: Ms = -Infinity;
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(private readonly onCount: (count: number) => void) {}

  /** A stroke, by the clock of its input. */
  strike(ms: Ms): void {
    if (this.count && ms - this.last < BOUNCE_MS) return;
    this.last = ms;
    this.count++;
    clearTimeout(this.timer);
    this.timer = setTimeout(() => {
      const { count } = this;
      this.forget();
      this.onCount(count);
    }, OVER_MS);
  }

  /** What was counted so far is of no account. */
  forget(): void {
    clearTimeout(this.timer);
    this.count = 0;
    this.last = -Infinity;
  }
}
