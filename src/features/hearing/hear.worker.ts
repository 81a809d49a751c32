import { expose, transfer } from 'comlink';
import type { KitJson } from '@/core/documents/ears';
import type { Take } from '@/core/documents/take';
import {
  recordingQuality,
  isAudible,
  findStrokes,
  type AboutRecording,
  type HeardStroke,
  type Kit,
} from '@/core/hearing/index';
import type { Expected } from '@/core/hearing/kit/scoreSurfaces';
import { kitOf } from '@/core/hearing/kit/kitJson';
import { syntheticKitModel } from '@/core/simulate/syntheticKitModel';
import { outlineOf } from '@/core/hearing/dsp/outline';
import type { KnownKit } from '@/core/hearing/take/limbForSurface';
import { LONGEST_KEPT_MS } from '@/core/limits';
import { soundOfTake } from '@/core/simulate/takeAsSound';
import type { Ms } from '@/core/time/units';

/** What was heard in a recording: of a sound file with what it is like and its outline (see `outlineOf`). */
export interface Heard {
  strokes: HeardStroke[];
  lengthMs: Ms;
  sound?: { about: AboutRecording; outline: Float32Array };
  /** What was known of the kit it was played on. */
  kit?: KnownKit;
  /** The levels say how loud each stroke was, as the drums themselves told it. */
  isTold?: boolean;
}

const KIT_RATE = 48_000;

let recording: { samples: Float32Array; sampleRate: number; kit?: Kit } = {
  samples: new Float32Array(),
  sampleRate: KIT_RATE,
};

/** Hears a recording, and keeps it to hear it again; `onShare` hears how much is done, 0 to 1. */
function hear(samples: Float32Array, sampleRate: number, onShare: (share: number) => void, kit?: Kit): Heard {
  recording = { samples, sampleRate, ...(kit && { kit }) };
  return {
    strokes: findStrokes(samples, sampleRate, { onShare, ...(kit && { kit }) }),
    lengthMs: (1000 * samples.length) / sampleRate,
    sound: { about: recordingQuality(samples, sampleRate), outline: outlineOf(samples, sampleRate) },
    ...(kit && { kit: { surfaces: kit.surfaces.map(({ surface, loudestDb }) => ({ surface, loudestDb })) } }),
  };
}

/** A sound file, heard; on a kit that was learnt where one is given. */
const hearFile = (
  samples: Float32Array,
  sampleRate: number,
  kit: KitJson | undefined,
  onShare: (share: number) => void,
) => hear(samples, sampleRate, onShare, kit?.surfaces.length ? kitOf(kit) : undefined);

/** The sound itself, where it is no longer than can be kept. */
function sound(): { samples: Float32Array; sampleRate: number } | undefined {
  const { samples, sampleRate } = recording;
  if ((1000 * samples.length) / sampleRate > LONGEST_KEPT_MS) return undefined;
  const copy = samples.slice();
  return transfer({ samples: copy, sampleRate }, [copy.buffer]);
}

/** What was heard with what is written known, and of each written stroke whether it could have been. */
export interface HeardAgain {
  strokes: HeardStroke[];
  could?: boolean[];
}

/** The same recording once more, listening harder where strokes are written. */
function hearAgain(expected: readonly Expected[]): HeardAgain {
  const { samples, sampleRate, kit } = recording;
  if (!kit) return { strokes: findStrokes(samples, sampleRate, { expected }) };
  return {
    strokes: findStrokes(samples, sampleRate, { expected, kit }),
    could: isAudible(samples, sampleRate, kit, expected),
  };
}

/** A take of the simulated kit as a recording, heard; the kit was heard surface by surface before. */
function transcribeTake(take: Take, seed: number, onShare: (share: number) => void): Heard {
  const { setting, kit } = syntheticKitModel(take.groove, seed, KIT_RATE);
  return hear(soundOfTake(take, setting).samples, KIT_RATE, onShare, kit);
}

const worker = { hearFile, hearAgain, transcribeTake, sound };
export type HearWorker = typeof worker;

expose(worker);
