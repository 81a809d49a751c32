import fc from 'fast-check';
import { parseMidi } from 'midi-file';
import { describe, expect, test } from 'vitest';
import { formOf, type Plan } from '../../form/form';
import { SURFACES } from '../../groove/limbs';
import { schedule } from '../../schedule/schedule';
import { beatOf } from '../../groove/beat';
import { frac } from '../../time/fraction';
import { valueMs } from '../../time/tempoMap';
import { anyGroove } from '../../testing/arbitrary';
import { STARTERS } from '../../testing/starters';
import { noteWritten, surfaceWritten } from './drumNotes';
import { midiStrokes } from './midiFile';
import { midiOf, TICKS_A_QUARTER } from './midiOut';
import { runs } from '../../testing/runs';

const plan = (groove: Plan['groove'], more: Partial<Plan> = {}): Plan => ({
  groove,
  rounds: 2,
  bpm: groove.tempo,
  click: { kind: 'silent' },
  countIn: 0,
  ...more,
});
const strokesOf = (one: Plan) =>
  schedule(formOf(one)).sounds.flatMap((sound) =>
    sound.kind === 'stroke' ? [{ ms: sound.ms, surface: sound.surface }] : [],
  );
/** What is moved by milliseconds is rounded to a tick; and a quarter to a whole number of microseconds. */
const tickMs = (one: Plan) => valueMs(frac(1, 4), { bpm: one.bpm, beat: beatOf(one.groove) }) / TICKS_A_QUARTER;

test('every surface is a note that is read as itself', () => {
  for (const surface of SURFACES) expect(surfaceWritten(noteWritten(surface))).toBe(surface);
  expect(new Set(SURFACES.map(noteWritten)).size).toBe(SURFACES.length);
});

test('whatever the groove, its strokes are read back where they sound, on what they are struck, as loud', () => {
  fc.assert(
    fc.property(anyGroove(), (groove) => {
      const one = plan(groove, { lean: {} });
      const due = strokesOf(one);
      const read = midiStrokes(midiOf(one));
      if (!due.length) return expect(read.ok).toBe(false);
      if (!read.ok) throw new Error(read.problems[0]!.say);
      // A grace before the first bar sounds with it: a file begins at its beginning.
      for (const surface of SURFACES) {
        const timesOf = (all: readonly { ms: number; surface?: string }[]) =>
          all.flatMap((each) => (each.surface === surface ? Math.max(0, each.ms) : [])).toSorted((a, b) => a - b);
        const [was, is] = [timesOf(due), timesOf(read.value)];
        expect(is).toHaveLength(was.length);
        is.forEach((ms, index) => expect(Math.abs(ms - was[index]!)).toBeLessThan(tickMs(one) + 0.1));
      }
    }),
    runs(60),
  );
});

describe('what else stands in it', () => {
  const seven = STARTERS.find(({ title }) => title === 'Seven planks') ?? STARTERS[0]!;

  test('its title, tempo and meter, a marker for each time through, clicks with the count-in on a track of their own', () => {
    const { header, tracks } = parseMidi(
      midiOf(plan({ ...seven, title: 'Überfahrt' }, { countIn: 1, click: { kind: 'every', counts: '1', from: '0' } })),
    );
    expect(header).toMatchObject({ format: 1, numTracks: 3, ticksPerBeat: TICKS_A_QUARTER });
    const [guide, drums, click] = tracks;
    expect(Buffer.from(guide!.find(({ type }) => type === 'trackName')!.text as string, 'latin1').toString()).toBe(
      'Überfahrt',
    );
    const { meter } = seven.bars[0]!;
    expect(guide!.find(({ type }) => type === 'timeSignature')).toMatchObject({
      numerator: meter.beats,
      denominator: meter.unit,
    });
    expect(guide!.filter(({ type }) => type === 'marker').map(({ text }) => text)).toEqual(['1', '2']);
    const bar = (TICKS_A_QUARTER * 4 * meter.beats) / meter.unit;
    let tick = 0;
    const first = drums!
      .map((event) => ({ ...event, tick: (tick += event.deltaTime) }))
      .find(({ type }) => type === 'noteOn')!;
    expect(first.tick).toBeGreaterThanOrEqual(bar);
    expect(click!.filter(({ type }) => type === 'noteOn')).toHaveLength(3 * meter.beats);
    expect(new Set(drums!.flatMap(({ channel }) => channel ?? []))).toEqual(new Set([9]));
  });

  test('places are on their ticks, down to a 256th and a septuplet of a 16th', () => {
    for (const parts of [64, 4 * 5, 4 * 7, 4 * 6]) expect(TICKS_A_QUARTER % parts).toBe(0);
  });
});
