import { z } from 'zod';
import { SURFACES } from '../groove/limbs';
import type { Result } from '../result';
import { readVersioned } from './reader';
import { INPUTS } from './take';

const EARS_VERSION = 1;

/** What can listen while somebody plays. */
export const LISTENERS = ['keys', 'pads', 'MIDI', 'microphone'] as const satisfies readonly (typeof INPUTS)[number][];
export type Listener = (typeof LISTENERS)[number];

/** What an input adds to the time of a stroke, and how sure that is, in milliseconds. */
const delayShape = z.strictObject({ ms: z.number().min(-1000).max(1000), spreadMs: z.number().min(0).max(1000) });
export type Delay = z.infer<typeof delayShape>;

/** Powers in tenths of a decibel: a kit takes half the room that way, and loses nothing that is heard. */
const powers = (length: number) => z.array(z.number().int().min(-4000).max(2000)).length(length);
const learntShape = z.strictObject({
  surface: z.enum(SURFACES),
  softestDb: z.number(),
  loudestDb: z.number(),
  templates: z
    .array(z.strictObject({ ring: powers(12 * 20), hopwise: powers(109 * 20) }))
    .min(1)
    .max(2),
});
/** A kit that was listened to, see `hearing/kit`: `hearing/kitJson` reads and writes it. */
const kitShape = z.strictObject({ version: z.literal(1), surfaces: z.array(learntShape).max(SURFACES.length) });
export type KitJson = z.infer<typeof kitShape>;

/** How often a surface was taken for itself, of the strokes that were tried, and for what else most. */
const toldShape = z.strictObject({
  surface: z.enum(SURFACES),
  right: z.number().int().min(0).max(100),
  of: z.number().int().min(0).max(100),
  takenFor: z.enum(SURFACES).optional(),
});
export type SurfaceAccuracy = z.infer<typeof toldShape>;

const velocity = z.number().int().min(1).max(127);
const midiShape = z.strictObject({
  /** What each note number is struck on, beside what is common. */
  notes: z.record(z.string().regex(/^(\d|[1-9]\d|1[01]\d|12[0-7])$/), z.enum(SURFACES)),
  /** Velocities of a soft, a usual and a loud stroke. */
  strokes: z.tuple([velocity, velocity, velocity]).optional(),
});
export type MidiEars = z.infer<typeof midiShape>;

const microphoneShape = z.strictObject({
  /** The browser's name for the device; another is taken where it is gone. */
  deviceId: z.string().max(200).optional(),
  deviceName: z.string().max(200),
  /** Where the click sounds: from a loudspeaker it comes back into the microphone. */
  click: z.enum(['loudspeaker', 'headphones']),
  kit: kitShape.optional(),
  told: z.array(toldShape).max(SURFACES.length),
  heardOn: z.iso.date(),
});
export type MicrophoneEars = z.infer<typeof microphoneShape>;

const earsShape = z.strictObject({
  version: z.literal(EARS_VERSION),
  /** Nothing listens when empty: what is played is kept as not heard. */
  listens: z.array(z.enum(LISTENERS)).max(LISTENERS.length),
  /** Whether four even strokes begin a take, so that no hand has to leave the sticks. */
  startsByFour: z.boolean().optional(),
  /** Of each input, once it was measured. */
  delays: z.partialRecord(z.enum(LISTENERS), delayShape),
  midi: midiShape.optional(),
  microphone: microphoneShape.optional(),
});

/** What listens on one device, and what was learnt there by getting heard. */
export type Ears = z.infer<typeof earsShape>;

/** Where nothing was chosen yet. */
export const FIRST_EARS: Ears = { version: EARS_VERSION, listens: ['keys', 'pads'], delays: {} };

export const readEars = (json: unknown): Result<Ears> =>
  readVersioned(json, { name: 'set of ears', version: EARS_VERSION, shape: earsShape });
