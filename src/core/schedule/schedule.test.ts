import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { anyRun, meterOf, oneLine, together } from '../testing/arbitrary';
import { GRACE_MS, schedule, slotPlaces, type Run, type TimedStroke } from './schedule';
import { beatOf } from '../groove/beat';
import { add, compare, equal, exact, format, sub, toNumber } from '../time/fraction';
import { barLength, barStarts } from '../grid/meter';
import { scaleTempo, steady, type TempoMap } from '../time/tempoMap';

const strokesOf = (run: Run) => schedule(run).sounds.filter((sound): sound is TimedStroke => sound.kind === 'stroke');
const runOf = (groove: Run['groove'], more: Partial<Run> = {}): Run => ({
  groove,
  tempo: steady(groove.tempo, beatOf(groove)),
  click: { kind: 'silent' },
  countIn: 0,
  rounds: 1,
  ...more,
});

describe('any run', () => {
  test('is sorted by time, and every stroke of every round is there', () => {
    fc.assert(
      fc.property(anyRun(), (run) => {
        const { sounds } = schedule(run);
        for (let index = 1; index < sounds.length; index++)
          expect(sounds[index]!.ms).toBeGreaterThanOrEqual(sounds[index - 1]!.ms);
        const written = run.groove.bars.reduce((total, bar) => total + bar.strokes.length, 0);
        expect(strokesOf(run).filter(({ role }) => role === 'main')).toHaveLength(written * run.rounds);
      }),
      { numRuns: 60 },
    );
  });

  test('is exact: each place is its bar plus where it is written, each time that place at the tempo', () => {
    fc.assert(
      fc.property(anyRun({ ornaments: false }), (run) => {
        const bars = Array.from({ length: run.rounds }, () => run.groove.bars).flat();
        const starts = barStarts(bars.map((bar) => barLength(bar.meter)));
        const beat = beatOf(run.groove);
        const bpm = run.tempo.changes[0].bpm;
        for (const { at, written, barInRun, ms } of strokesOf(run)) {
          expect(equal(at, add(starts[barInRun]!, written))).toBe(true);
          // In whole numbers: at = n/d whole notes lasts n·60000·beat.d / (d·beat.n·bpm) ms.
          const exactly =
            (BigInt(at.n) * 60_000n * BigInt(beat.d) * 10n ** 9n) / (BigInt(at.d) * BigInt(beat.n) * BigInt(bpm));
          expect(Math.abs(ms - Number(exactly) / 1e9)).toBeLessThan(1e-6);
        }
      }),
      { numRuns: 60 },
    );
  });

  test('twice the tempo, half the time, for every sound', () => {
    fc.assert(
      fc.property(anyRun({ ornaments: false }), fc.constantFrom(0.5, 2, 3), (run, factor) => {
        const plain = schedule(run).sounds;
        const scaled = schedule({ ...run, tempo: scaleTempo(run.tempo, factor) }).sounds;
        scaled.forEach((sound, index) => expect(sound.ms).toBeCloseTo(plain[index]!.ms / factor, 6));
      }),
      { numRuns: 40 },
    );
  });

  test('swing of 1:1 changes nothing', () => {
    fc.assert(
      fc.property(anyRun(), fc.constantFrom('8th' as const, '16th' as const), (run, value) => {
        expect(schedule({ ...run, swing: { value, ratio: '1' } }).sounds).toEqual(
          schedule({ ...run, swing: 'straight' }).sounds,
        );
      }),
      { numRuns: 40 },
    );
  });

  test('swing keeps the order of a limb and never crosses a bar line', () => {
    fc.assert(
      fc.property(anyRun({ ornaments: false }), fc.constantFrom('3/2', '2', '3', 'tempo-aware'), (run, ratio) => {
        const starts = barStarts(
          Array.from({ length: run.rounds }, () => run.groove.bars)
            .flat()
            .map((bar) => barLength(bar.meter)),
        );
        for (const { at, barInRun } of strokesOf({ ...run, swing: { value: '8th', ratio } })) {
          expect(compare(at, starts[barInRun]!)).toBeGreaterThanOrEqual(0);
          expect(compare(at, starts[barInRun + 1]!)).toBeLessThan(0);
        }
      }),
      { numRuns: 40 },
    );
  });

  test('dropping limbs leaves the others where they are', () => {
    fc.assert(
      fc.property(anyRun({ ornaments: false }), (run) => {
        const feet = strokesOf({ ...run, limbs: ['right foot', 'left foot'] });
        expect(feet).toEqual(strokesOf(run).filter(({ limb }) => limb.endsWith('foot')));
      }),
      { numRuns: 30 },
    );
  });
});

test('the a of 1 at 60 sounds after three quarters of a second', () => {
  expect(strokesOf(runOf(oneLine('...t .... .... ....'))).map(({ ms, at }) => [ms, format(at)])).toEqual([
    [750, '3/16'],
  ]);
});

test('a count-in is one bar of clicks on every count before the first bar, whatever the plan', () => {
  const { sounds, startMs, bars } = schedule(
    runOf(oneLine('t...'), { countIn: 1, click: { kind: 'on', counts: [1] } }),
  );
  expect(startMs).toBe(-4000);
  expect(
    sounds.filter(({ kind }) => kind === 'click').map((sound) => [sound.ms, sound.kind === 'click' && sound.voice]),
  ).toEqual([
    [-4000, 'one'],
    [-3000, 'count'],
    [-2000, 'count'],
    [-1000, 'count'],
    [0, 'one'],
  ]);
  expect(bars[0]).toMatchObject({ barInRun: -1, round: -1 });
});

test('swung 8ths: the & of 2 falls on the third triplet partial, a written triplet stays', () => {
  const even = oneLine('.. .t .. ..');
  expect(format(strokesOf(runOf(even, { swing: { value: '8th', ratio: '2' } }))[0]!.at)).toBe('5/12');
  const triplet = oneLine('... .t. ... ...');
  expect(format(strokesOf(runOf(triplet, { swing: { value: '8th', ratio: '2' } }))[0]!.at)).toBe('1/3');
});

test('a click on every slot swings with the groove, one on the counts does not', () => {
  const swung = oneLine('t. .. .. ..');
  const places = (click: Run['click']) =>
    schedule(runOf(swung, { click, swing: { value: '8th', ratio: '2' } }))
      .sounds.filter(({ kind }) => kind === 'click')
      .map(({ at }) => format(at));
  expect(places({ kind: 'slots' })).toEqual(['0', '1/6', '1/4', '5/12', '1/2', '2/3', '3/4', '11/12']);
  expect(places({ kind: 'every', counts: '1', from: '0' })).toEqual(['0', '1/4', '1/2', '3/4']);
});

test('a flam sounds its grace on the other hand just before, a drag two, a double twice in its slot', () => {
  const with_ = (ornament: 'flam' | 'drag' | 'double') => {
    const groove = oneLine('.... t... .... ....');
    groove.bars[0]!.strokes[0]!.ornament = ornament;
    return strokesOf(runOf(groove)).map(({ limb, role, ms }) => [limb, role, ms]);
  };
  expect(with_('flam')).toEqual([
    ['left hand', 'grace', 1000 - GRACE_MS],
    ['right hand', 'main', 1000],
  ]);
  expect(with_('drag')).toEqual([
    ['left hand', 'grace', 1000 - 2 * GRACE_MS],
    ['left hand', 'grace', 1000 - GRACE_MS],
    ['right hand', 'main', 1000],
  ]);
  expect(with_('double')).toEqual([
    ['right hand', 'main', 1000],
    ['right hand', 'second', 1125],
  ]);
});

test('a limb that is laid behind sounds later by so much, the others do not', () => {
  const groove = together(oneLine('t...'), oneLine('t...', 'right foot'));
  expect(strokesOf(runOf(groove, { lean: { 'right foot': 20 } })).map(({ limb, ms }) => [limb, ms])).toEqual([
    ['right hand', 0],
    ['right foot', 20],
  ]);
});

test('a tempo change on a bar line moves only what follows it', () => {
  const groove = oneLine('t. .. .. ..');
  const tempo: TempoMap = {
    beat: exact('1/4'),
    changes: [
      { at: exact('0'), bpm: 60 },
      { at: exact('2'), bpm: 120 },
    ],
  };
  expect(strokesOf(runOf(groove, { rounds: 4, tempo })).map(({ ms }) => ms)).toEqual([0, 4000, 8000, 10_000]);
});

test('the slots a strip draws are where the strokes sound', () => {
  const groove = oneLine('tt tt tt tt');
  const swing = { value: '8th', ratio: '2' } as const;
  const drawn = slotPlaces(groove, 0, swing, steady(60, exact('1/4'))).map(toNumber);
  const sounded = strokesOf(runOf(groove, { swing })).map(
    ({ at }) => toNumber(sub(at, exact('0'))) / toNumber(barLength(meterOf('4/4'))),
  );
  expect(drawn).toEqual(sounded);
});
