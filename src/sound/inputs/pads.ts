import type { Limb } from '@/core/groove/limbs';
import type { Ms } from '@/core/time/units';
import type { Input, OnStrike } from './input';

/** Pads on the screen: whoever draws them tells when one is touched. */
export class Pads implements Input {
  readonly name = 'pads';
  private onStrike: OnStrike | undefined;

  open(onStrike: OnStrike): void {
    this.onStrike = onStrike;
  }

  close(): void {
    this.onStrike = undefined;
  }

  /** A pad was touched, at a time of the page's clock. */
  touch(limb: Limb, pageMs: Ms): void {
    this.onStrike?.({ input: this.name, limb, at: { pageMs } });
  }
}
