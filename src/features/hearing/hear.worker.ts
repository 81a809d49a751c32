import { expose } from 'comlink';
import type { Take } from '@/core/documents/take';
import {
  aboutRecording,
  couldBeHeard,
  findStrokes,
  learnKit,
  type AboutRecording,
  type HeardStroke,
  type Kit,
} from '@/core/hearing/index';
import type { Expected } from '@/core/hearing/look';
import { outlineOf } from '@/core/hearing/outline';
import { madeSetting } from '@/core/recording/madeSetting';
import { calibrationOf } from '@/core/recording/recording';
import { soundOfTake } from '@/core/recording/takeAsSound';
import type { Ms } from '@/core/time/units';

/** What was heard in a recording, and its outline: see `outlineOf`. */
export interface Heard {
  strokes: HeardStroke[];
  about: AboutRecording;
  lengthMs: Ms;
  outline: Float32Array;
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
    about: aboutRecording(samples, sampleRate),
    lengthMs: (1000 * samples.length) / sampleRate,
    outline: outlineOf(samples, sampleRate),
  };
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
    could: couldBeHeard(samples, sampleRate, kit, expected),
  };
}

/** A take of the simulated kit as a recording, heard; the kit was heard surface by surface before. */
function hearTake(take: Take, seed: number, onShare: (share: number) => void): Heard {
  const surfaces = [...new Set(take.groove.bars.flatMap(({ strokes }) => strokes.map(({ surface }) => surface)))];
  const setting = madeSetting(seed, surfaces, KIT_RATE);
  const kit = learnKit(
    surfaces.map((surface) => ({ surface, samples: calibrationOf(surface, setting), sampleRate: KIT_RATE })),
  );
  return hear(soundOfTake(take, setting).samples, KIT_RATE, onShare, kit);
}

const worker = { hear, hearAgain, hearTake };
export type HearWorker = typeof worker;

expose(worker);
