import type { MidiEars } from '@/core/documents/ears';
import type { Limb, Surface } from '@/core/groove/limbs';
import type { Ms } from '@/core/time/units';
import type { Input, OnStrike } from '../input';
import { loudnessOfVelocity, surfaceOfNote } from '@/core/format/midi/drumNotes';
import { midiMessage } from './message';

export interface MidiOptions {
  ears?: MidiEars;
  /** Who struck a surface. */
  who: (surface: Surface) => Limb | undefined;
  /** Something is to be said: no kit is connected, one came or went, one floods. */
  onSay?: (say: string) => void;
  /** Every note as it came, for learning. */
  onNote?: (note: number, velocity: number, surface: Surface | undefined, device: string) => void;
}

export const MIDI_WORDS = {
  none: 'This browser has no MIDI. Use one that has, or choose keys, pads or the microphone under “What listens”.',
  refused: 'The browser may not use MIDI. Allow it for this page (the sign beside the address), then try again.',
  empty: 'No MIDI kit is connected. Connect one by USB and switch it on: it is taken up by itself.',
  flood: 'The MIDI kit sends more than anybody can play, so it is not listened to. Look at its trigger settings.',
} as const;

/** Two strokes of one note nearer than this are one that bounced in the trigger. */
const BOUNCE: Ms = 8;
/** Nobody strikes more often in a second. */
const FLOOD = 200;

/** Drum kits that speak MIDI: all that are connected, and those that are connected later. */
export class Midi implements Input {
  readonly name = 'MIDI';
  private access: MIDIAccess | undefined;
  private onStrike: OnStrike | undefined;
  private pedal: number | undefined;
  private readonly last = new Map<number, Ms>();
  private recent: Ms[] = [];
  private isFlooded = false;

  constructor(private readonly options: MidiOptions) {}

  async open(onStrike: OnStrike): Promise<void> {
    this.onStrike = onStrike;
    if (!navigator.requestMIDIAccess) throw new Error(MIDI_WORDS.none);
    let access: MIDIAccess;
    try {
      access = await navigator.requestMIDIAccess();
    } catch {
      throw new Error(MIDI_WORDS.refused);
    }
    // Closed while the person was asked.
    if (!this.onStrike) return;
    this.access = access;
    access.onstatechange = () => this.connect(true);
    this.connect(false);
  }

  close(): void {
    this.onStrike = undefined;
    if (!this.access) return;
    this.access.onstatechange = null;
    for (const input of this.access.inputs.values()) input.onmidimessage = null;
    this.access = undefined;
  }

  private connect(isChanged: boolean): void {
    const inputs = [...(this.access?.inputs.values() ?? [])].filter(({ state }) => state !== 'disconnected');
    for (const input of inputs)
      input.onmidimessage = ({ data, timeStamp }) => this.heard(data, timeStamp, input.name ?? 'MIDI kit');
    if (!inputs.length) this.options.onSay?.(MIDI_WORDS.empty);
    else if (isChanged)
      this.options.onSay?.(`Listening to ${inputs.map(({ name }) => name ?? 'a MIDI kit').join(', ')}.`);
  }

  private heard(bytes: Uint8Array | null, pageMs: Ms, device: string): void {
    const message = midiMessage(bytes);
    if (!message) return;
    if (message.kind === 'pedal') {
      this.pedal = message.position;
      return;
    }
    if (this.floods(pageMs)) return;
    const { note, velocity } = message;
    const before = this.last.get(note);
    this.last.set(note, pageMs);
    if (before !== undefined && pageMs - before < BOUNCE) return;
    const { ears, who, onNote } = this.options;
    const surface = surfaceOfNote(note, ears, this.pedal);
    onNote?.(note, velocity, surface, device);
    const limb = surface && who(surface);
    this.onStrike?.({
      input: this.name,
      ...(surface && { surface }),
      ...(limb && { limb }),
      at: { pageMs },
      loudness: loudnessOfVelocity(velocity, ears?.strokes),
    });
  }

  private floods(pageMs: Ms): boolean {
    this.recent = [...this.recent.filter((ms) => pageMs - ms < 1000), pageMs].slice(-FLOOD - 1);
    const floods = this.recent.length > FLOOD;
    if (floods && !this.isFlooded) this.options.onSay?.(MIDI_WORDS.flood);
    this.isFlooded = floods;
    return floods;
  }
}
