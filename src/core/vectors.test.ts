import { describe, expect, test } from 'vitest';
import { labels } from './counting/labels';
import { schoolNamed } from './counting/schools';
import { motions } from './groove/motion';
import type { Height } from './groove/limbs';
import { figuresOf } from './judging/types/figures';
import { matchLine } from './judging/align/match';
import { type ClickPlan } from './time/clickPlan';
import { plainMetronome } from './schedule/metronome';
import { clicks } from './schedule/clicks';
import { add, div, exact, format, ZERO } from './time/fraction';
import { barLength, barStarts, countsOf, parseMeter, type Reading } from './grid/meter';
import { valueFigures, type NoteValue } from './time/noteValue';
import { offBeat, swungPlace } from './time/swing';
import { clock, steady } from './time/tempoMap';
import { cases } from './testing/vectors';

function meterOf(text: string) {
  const meter = parseMeter(text);
  if (!meter.ok) throw new Error(meter.problems[0]!.say);
  return meter.value;
}

const beatOf = (meter: string) => countsOf(meterOf(meter))[0]!.length;
const near = (value: number) => expect.closeTo(value, 3);

describe('counts', () => {
  interface Case {
    meter: string;
    reading: Reading;
    division: number;
    school: string;
    labels: { at: string; say: string }[];
  }
  test.each(cases<Case>('counts'))(
    '$meter $reading in $division, $school',
    ({ meter, reading, division, school, labels: expected }) => {
      const said = labels(meterOf(meter), reading, division, schoolNamed(school));
      expect(said.map(({ at, say }) => ({ at: format(at), say }))).toEqual(expected);
    },
  );
});

describe('values', () => {
  interface Case {
    value: NoteValue;
    beat: NoteValue;
    bpm: number;
    ofBeat: string;
    percentOfBeat: number;
    ms: number;
    perSecond: number;
  }
  test.each(cases<Case>('values'))('$value over $beat at $bpm', ({ value, beat, bpm, ...expected }) => {
    const figures = valueFigures(value, beat, bpm);
    expect({ ...figures, ofBeat: format(figures.ofBeat) }).toEqual({
      ofBeat: expected.ofBeat,
      percentOfBeat: near(expected.percentOfBeat),
      ms: near(expected.ms),
      perSecond: near(expected.perSecond),
    });
  });
});

describe('clicks', () => {
  interface Case {
    meter: string;
    bpm: number;
    countsPerClick: string;
    firstAtCount: string;
    bars: number;
    metronomeBpm: number;
    timesMs: number[];
  }
  test.each(cases<Case>('clicks'))('$meter at $bpm, every $countsPerClick counts from $firstAtCount', (one) => {
    const meter = meterOf(one.meter);
    const plan: ClickPlan = { kind: 'every', counts: one.countsPerClick, from: one.firstAtCount };
    const starts = barStarts(Array.from({ length: one.bars }, () => barLength(meter)));
    const cells = countsOf(meter).map(() => ({ counts: 1, parts: 1 }));
    const bars = starts.slice(0, -1).map(() => ({ meter, reading: 'numbers' as const, cells }));
    const toMs = clock(steady(one.bpm, beatOf(one.meter)));
    const times = clicks(plan, bars).map((click) => toMs(add(starts[click.bar]!, click.written)));
    expect(times).toEqual(one.timesMs.map(near));
    expect(plainMetronome(plan, bars[0]!, one.bpm)!.bpm).toBeCloseTo(one.metronomeBpm, 6);
  });
});

describe('swing', () => {
  interface Case {
    bpm: number;
    meter: string;
    swungValue: '8th' | '16th';
    ratio: string;
    percent: number;
    slots: { at: string; soundsAt: string; ms: number }[];
  }
  test.each(cases<Case>('swing'))(
    '$swungValue at $ratio, $bpm',
    ({ bpm, meter, swungValue, ratio, percent, slots }) => {
      const share = offBeat(exact(ratio));
      expect((100 * share.n) / share.d).toBeCloseTo(percent, 3);
      const toMs = clock(steady(bpm, beatOf(meter)));
      for (const { at, soundsAt, ms } of slots) {
        const place = swungPlace(exact(at), swungValue, exact(ratio), barLength(meterOf(meter)));
        expect(format(place)).toBe(soundsAt);
        expect(toMs(place)).toBeCloseTo(ms, 3);
      }
    },
  );
});

describe('motions', () => {
  test.each(cases<{ heights: Height[]; motions: string[] }>('motions'))(
    '$heights',
    ({ heights, motions: expected }) => {
      expect(motions(heights)).toEqual(expected);
    },
  );
});

describe('takes', () => {
  interface Case {
    bpm: number;
    value: string;
    expectedMs: number[];
    hitsMs: number[];
    out: Record<string, number>;
  }
  test.each(cases<Case>('takes'))('$value at $bpm', ({ expectedMs, hitsMs, out }) => {
    const { hitOf, extra } = matchLine(expectedMs, hitsMs);
    const placed = expectedMs.flatMap((dueMs, index) => {
      const hit = hitOf[index];
      return hit === undefined ? [] : [{ dueMs, errorMs: hitsMs[hit]! - dueMs }];
    });
    const figures = figuresOf(placed, expectedMs.length - placed.length, extra.length);
    expect(figures).toEqual(Object.fromEntries(Object.entries(out).map(([name, value]) => [name, near(value)])));
  });
});

test('a bar counted in swung 8ths still starts at 0', () => {
  expect(swungPlace(ZERO, '8th', exact('2'), div(exact('4'), exact('4')))).toEqual(ZERO);
});
