import type { Hit } from '@/core/documents/take';
import type { Ms } from '@/core/time/units';
import type { Input, OnStrike } from './input';

/** The stand-in for a kit: it strikes what was worked out for it, each stroke as it falls due. */
export class SimulatedKit implements Input {
  readonly name = 'simulated kit';
  private onStrike: OnStrike | undefined;
  private next = 0;
  private strokes: readonly Hit[] = [];

  open(onStrike: OnStrike): void {
    this.onStrike = onStrike;
  }

  close(): void {
    this.onStrike = undefined;
  }

  /** What it is to strike, in order. What it has struck already stays struck, however the list is drawn anew. */
  load(strokes: readonly Hit[]): void {
    this.strokes = strokes;
  }

  /** From the beginning again. */
  rewind(): void {
    this.next = 0;
  }

  ask(runMs: Ms): void {
    while (this.next < this.strokes.length && this.strokes[this.next]!.ms <= runMs) {
      const { limb, ms, loudness } = this.strokes[this.next++]!;
      this.onStrike?.({ input: this.name, limb, at: { runMs: ms }, loudness });
    }
  }
}
