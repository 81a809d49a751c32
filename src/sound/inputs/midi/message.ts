/** What a message of a MIDI drum kit says, where it says anything of strokes. */
export type MidiMessage =
  | { kind: 'struck'; note: number; velocity: number }
  /** The pedal of the hat, 0 open to 127 closed. */
  | { kind: 'pedal'; position: number };

/** Status bytes, without their channel (MIDI 1.0): a note that sounds, and a controller that moves. */
const [NOTE_ON, CONTROL] = [0x90, 0xb0];
/** The foot controller, by which kits tell how far the hat is closed. */
const FOOT = 4;

/**
 * Reads one message. Undefined for what is no stroke: a note that ends, a hand that chokes a cymbal (key pressure),
 * clocks, and anything that is cut off.
 */
export function midiMessage(bytes: ArrayLike<number> | null): MidiMessage | undefined {
  if (!bytes || bytes.length < 3) return undefined;
  const [status, first, second] = [bytes[0]! & 0xf0, bytes[1]! & 0x7f, bytes[2]! & 0x7f];
  if (status === NOTE_ON && second > 0) return { kind: 'struck', note: first, velocity: second };
  if (status === CONTROL && first === FOOT) return { kind: 'pedal', position: second };
  return undefined;
}
