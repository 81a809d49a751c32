/**
 * Makes `src/core/hearing/kit/weights.json` anew: `node --import tsx bench/heard/train.ts`. It records grooves on kits that
 * are learnt from, looks at every candidate as hearing does, and trains the three functions that decide. Some ten
 * minutes; the same numbers come out every time.
 */
import { writeFileSync } from 'node:fs';
import path from 'node:path';
import { FilterBank, HOP, type Powers } from '../../src/core/hearing/dsp/bands';
import { candidatesIn, listened, type Candidate } from '../../src/core/hearing/detect/candidates';
import type { NoiseFloor } from '../../src/core/hearing/dsp/noiseFloor';
import { LEAST_WITH_KIT, LEAST_WRITTEN, nearWritten } from '../../src/core/hearing/take/hearing';
import { learnKit, narrowFloor, type Kit } from '../../src/core/hearing/kit/kit';
import type { Expected, SurfaceScore } from '../../src/core/hearing/kit/scoreSurfaces';
import { confidence } from '../../src/core/hearing/dsp/network';
import { inHops } from '../../src/core/hearing/dsp/resample';
import { Looker } from '../../src/core/hearing/kit/surfaces';
import { withWritten } from '../../src/core/hearing/kit/written';
import type { TrueStroke } from '../../src/core/testing/recordedTakes';
import { learning, recordedGroove } from './corpus';
import { trained, type Example } from './training';

const KITS = Number(process.env.KITS ?? 66);
const SECONDS = 11;
const NOISES_DB = [40, 25, 15];
/** So much of what is written is not played, so that it is not learnt to be heard for being written. */
const LEFT_OUT = 0.35;
/** How far players scatter, in milliseconds, by turns. */
const SCATTERS = [3.5, 3.5, 8, 14];
/** Where a stroke is written that was not played, a mistake costs as much as so many others. */
const MADE_UP = 6;
const UNITS = 16;
const ROUNDS = 60;
/** At the first look a surface goes on to the second where it is this likely: see `isPlausible`. */
const PLAUSIBLE = 0.05;
const SAME_MS = 15;
const ABOUT_MS = 90;

interface Listened {
  powers: Powers;
  floor: NoiseFloor;
  kit: Kit;
  candidates: Candidate[];
  strokes: TrueStroke[];
  /** What is written, off by as much as a whole take may still be after it was laid on it. */
  written: Expected[];
}

function listenedTo(seed: number, noiseDb: number): Listened {
  const take = recordedGroove(
    learning(seed, noiseDb),
    seed,
    SECONDS,
    SCATTERS[(seed + noiseDb) % SCATTERS.length],
    LEFT_OUT,
  );
  const samples = inHops(take.samples);
  const powers = new FilterBank().feed(samples);
  const { novelty } = listened(powers);
  const near = nearWritten(take.expected, powers.hops);
  const off = (((seed * 7 + noiseDb) % 11) - 5) * 1.2;
  return {
    powers,
    floor: narrowFloor(powers),
    kit: learnKit(take.calibration),
    candidates: candidatesIn(samples, novelty, {
      least: (hop) => (near[hop] ? LEAST_WRITTEN['with kit'] : LEAST_WITH_KIT),
      isKit: true,
    }),
    strokes: take.strokes,
    written: take.expected.map((one) => ({ ...one, ms: one.ms + off })),
  };
}

interface Seen {
  look: SurfaceScore;
  candidate: Candidate;
  is: 0 | 1;
  written: Expected[];
}

/** Every look at every candidate, with whether the surface was struck; what was struck before is known. */
function looksIn(
  { powers, floor, kit, candidates, strokes, written }: Listened,
  isPlausible: (look: SurfaceScore) => boolean,
): Seen[] {
  const seen: Seen[] = [];
  const found = new Set<TrueStroke>();
  new Looker(powers, floor, kit, isPlausible).struckAt(candidates, (look, candidate) => {
    const ms = look.sample / HOP;
    const [stroke] = strokes
      .filter((one) => one.surface === look.surface && Math.abs(one.ms - ms) < SAME_MS && !found.has(one))
      .sort((a, b) => Math.abs(a.ms - ms) - Math.abs(b.ms - ms));
    if (stroke) found.add(stroke);
    const about = written.filter((one) => Math.abs(one.ms - ms) < ABOUT_MS);
    seen.push({ look, candidate, is: stroke ? 1 : 0, written: about });
    return stroke ? 1 : 0;
  });
  return seen;
}

const all: Listened[] = [];
for (let seed = 100; seed < 100 + KITS; seed++) {
  for (const noiseDb of NOISES_DB) all.push(listenedTo(seed, noiseDb));
  console.log(`kit ${seed - 99} of ${KITS}`);
}

const heardAlone = (seen: readonly Seen[]): Example[] =>
  seen.filter(({ candidate }) => candidate.rise >= LEAST_WITH_KIT).map(({ look, is }) => ({ facts: look.facts, is }));
const first = trained(heardAlone(all.flatMap((one) => looksIn(one, () => true))), UNITS, ROUNDS);
const again = all.flatMap((one) => looksIn(one, ({ facts }) => confidence(first, facts) >= PLAUSIBLE));
const blind = trained(heardAlone(again), UNITS, ROUNDS);
const informed = trained(
  again.map(({ look, is, written }): Example => {
    const isWritten = written.some(
      ({ surface, ms }) => surface === look.surface && Math.abs(ms - look.sample / HOP) < 20,
    );
    return { facts: withWritten(look, written), is, weight: isWritten && !is ? MADE_UP : 1 };
  }),
  UNITS,
  ROUNDS,
);
const file = path.join(import.meta.dirname, '../../src/core/hearing/kit/weights.json');
writeFileSync(file, JSON.stringify({ version: 1, first, blind, informed }));
console.log(`${again.length} looks, ${again.filter(({ is }) => is).length} of them strokes`);
