/**
 * Half an hour of 7/8 with triplets and a change of tempo, rendered as it is played: every sound must start on the
 * frame `schedule` says. Voices of one sample show where each starts; the time is taken with the real ones.
 */
import { beatOf } from '../src/core/groove/beat';
import type { Groove } from '../src/core/groove/groove';
import { cellsOfDivisions, slotsOfBar } from '../src/core/grid/cells';
import { LIMBS } from '../src/core/groove/limbs';
import { formOf } from '../src/core/form/form';
import { schedule } from '../src/core/schedule/schedule';
import { blocksOf, type Rendering } from '../src/sound/rendering';
import { voiceOf } from '../src/sound/voiceNames';
import { printTable } from './table';

const meter = { beats: 7, unit: 8 as const, grouping: [2, 2, 3] };
const cells = cellsOfDivisions(meter, 'numbers', 3);
const groove: Groove = {
  version: 1,
  title: 'Sevens in triplets',
  reading: 'numbers',
  tempo: 176,
  bars: [
    {
      meter,
      cells,
      strokes: slotsOfBar(meter, 'numbers', cells).map(({ at }, index) => ({
        limb: LIMBS[index % 4]!,
        surface: 'snare' as const,
        at,
        height: 'tap' as const,
      })),
    },
  ],
};
const beat = beatOf(groove);
const change = 400;
const at = { n: 7 * change, d: 8 };
const rounds = 760;
const timed = schedule(
  formOf({
    groove,
    bpm: 176,
    changes: [{ fromBar: change, bpm: 173 }],
    click: { kind: 'slots' },
    countIn: 1,
    rounds,
  }),
);
const sounds = timed.sounds.map((sound) => ({ ms: sound.ms, voice: voiceOf(sound) }));

/** The frame of a place, unrounded: whole notes over the beat, at 176 a minute and after the change at 173. */
function frameOf(place: { n: number; d: number }, rate: number): number {
  const frames = (notes: number, bpm: number) => (notes * beat.d * 60 * rate) / (beat.n * bpm);
  const notes = place.n / place.d;
  const turn = at.n / at.d;
  return notes <= turn ? frames(notes, 176) : frames(turn, 176) + frames(notes - turn, 173);
}

const rows = [44_100, 48_000].map((rate) => {
  const rendering: Rendering = { sounds, startMs: timed.startMs, endMs: timed.endMs, rate };
  // Straight from the place in whole notes, by another way than the milliseconds that are played.
  const due = [
    ...new Set(timed.sounds.map((sound) => frameOf(sound.at, rate) - frameOf({ n: -7, d: 8 }, rate)).map(Math.round)),
  ].sort((a, b) => a - b);
  let frame = 0;
  let found = 0;
  let worst = 0;
  for (const block of blocksOf(rendering, () => ({ samples: new Float32Array([0.001]), lead: 0 }))) {
    for (let index = 0; index < block.length; index++)
      if (block[index] !== 0) worst = Math.max(worst, Math.abs(frame + index - due[found++]!));
    frame += block.length;
  }
  const began = performance.now();
  let blocks = 0;
  for (const block of blocksOf(rendering)) blocks += block.length;
  const seconds = (performance.now() - began) / 1000;
  return [rate.toLocaleString('en'), blocks / rate / 60, due.length, found, worst, blocks / rate / seconds];
});
printTable(
  'rendering: 7/8 in triplets on four limbs, a click on every slot, 176 then 173',
  ['frames a second', 'minutes', 'starts due', 'starts found', 'worst error in frames', 'times as fast as it sounds'],
  rows,
);
