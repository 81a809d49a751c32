import type { Hit } from '@/core/documents/take';
import { noteOfSurface, surfaceOfNote, loudnessOfVelocity, velocityOfLoudness } from '@/core/format/midi/drumNotes';
import type { Limb, Surface } from '@/core/groove/limbs';
import type { Ms } from '@/core/time/units';
import type { Input, OnStrike } from '../input';
import { midiMessage } from '../midi/message';

/** A stroke of the simulated kit, and what it strikes. */
export interface KitStroke extends Hit {
  surface?: Surface;
}

/** By which its strokes are told: as they are, or as a MIDI kit tells them, with what that cannot tell left out. */
export interface KitOptions {
  isMidi: boolean;
  /** Who strikes a surface, where it is told by that. */
  who: (surface: Surface) => Limb | undefined;
}

/** Note on, on the channel of drums. */
const STRUCK = 0x99;

/** The stand-in for a kit: it strikes what was worked out for it, each stroke as it falls due. */
export class SimulatedKit implements Input {
  readonly name = 'simulated kit';
  private onStrike: OnStrike | undefined;
  private next = 0;
  private strokes: readonly KitStroke[] = [];

  constructor(private readonly options: KitOptions = { isMidi: false, who: () => undefined }) {}

  open(onStrike: OnStrike): void {
    this.onStrike = onStrike;
  }

  close(): void {
    this.onStrike = undefined;
  }

  /** What it is to strike, in order. What it has struck already stays struck, however the list is drawn anew. */
  load(strokes: readonly KitStroke[]): void {
    this.strokes = strokes;
  }

  /** From the beginning again. */
  rewind(): void {
    this.next = 0;
  }

  ask(runMs: Ms): void {
    while (this.next < this.strokes.length && this.strokes[this.next]!.ms <= runMs) {
      const stroke = this.strokes[this.next++]!;
      const { limb, loudness } = (this.options.isMidi && this.byMidi(stroke)) || stroke;
      this.onStrike?.({ input: this.name, limb, at: { runMs: stroke.ms }, loudness });
    }
  }

  /** A stroke as it comes out of a cable: three bytes, read again. Nothing where no note is on that surface. */
  private byMidi({ surface, loudness }: KitStroke): Pick<Hit, 'limb' | 'loudness'> | undefined {
    const note = surface && noteOfSurface(surface);
    if (note === undefined) return undefined;
    const message = midiMessage([STRUCK, note, velocityOfLoudness(loudness ?? 1)]);
    if (message?.kind !== 'struck') return undefined;
    const struck = surfaceOfNote(message.note, undefined);
    const limb = struck && this.options.who(struck);
    return { ...(limb && { limb }), loudness: loudnessOfVelocity(message.velocity) };
  }
}
