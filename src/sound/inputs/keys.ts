import type { Limb } from '@/core/groove/limbs';
import type { Input, OnStrike } from './input';

export interface KeysOptions {
  /** The limb a key plays, by its place on the keyboard; undefined where it plays none. */
  limbOf: (code: string) => Limb | undefined;
  /** Whether a press is meant for something else: for a field that is typed in. */
  isElsewhere: (event: KeyboardEvent) => boolean;
}

/** The computer's own keys, one for each limb. A key that is held down strikes once. */
export class Keys implements Input {
  readonly name = 'keys';
  private listener: ((event: KeyboardEvent) => void) | undefined;

  constructor(private readonly options: KeysOptions) {}

  open(onStrike: OnStrike): void {
    this.close();
    this.listener = (event) => {
      if (event.ctrlKey || event.metaKey || event.altKey || this.options.isElsewhere(event)) return;
      const limb = this.options.limbOf(event.code);
      if (!limb) return;
      event.preventDefault();
      if (!event.repeat) onStrike({ input: this.name, limb, at: { pageMs: event.timeStamp } });
    };
    window.addEventListener('keydown', this.listener, true);
  }

  close(): void {
    if (this.listener) window.removeEventListener('keydown', this.listener, true);
    this.listener = undefined;
  }
}
