import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { anyPlan, meterOf, oneLine, together } from '../testing/arbitrary';
import { formOf, inTurn, type Plan } from '../form/form';
import { cellsOfDivisions } from '../grid/cells';
import { barLength, barStarts } from '../grid/meter';
import type { Groove } from '../groove/groove';
import { CLICK_PLANS } from '../time/clickPlan';
import { CALL_WORD_MS, schedule } from './schedule';
import { slotPlaces } from './slotPlaces';
import { GRACE_MS } from './strokes';
import type { Schedule, TimedStroke } from './timed';
import { beatOf } from '../groove/beat';
import { add, compare, equal, exact, format, sub, toNumber } from '../time/fraction';
import { runs } from '../testing/runs';

const strokesOf = (plan: Plan) =>
  schedule(formOf(plan)).sounds.filter((sound): sound is TimedStroke => sound.kind === 'stroke');
const planOf = (groove: Plan['groove'], more: Partial<Plan> = {}): Plan => ({
  groove,
  bpm: groove.tempo,
  click: { kind: 'silent' },
  countIn: 0,
  rounds: 1,
  ...more,
});

describe('any plan', () => {
  test('is sorted by time, and every stroke of every round is there', () => {
    fc.assert(
      fc.property(anyPlan(), (plan) => {
        const { sounds } = schedule(formOf(plan));
        for (let index = 1; index < sounds.length; index++)
          expect(sounds[index]!.ms).toBeGreaterThanOrEqual(sounds[index - 1]!.ms);
        const written = plan.groove.bars.reduce((total, bar) => total + bar.strokes.length, 0);
        expect(strokesOf(plan).filter(({ role }) => role === 'main')).toHaveLength(written * plan.rounds);
      }),
      runs(60),
    );
  });

  test('is exact: each place is its bar plus where it is written, each time that place at the tempo', () => {
    fc.assert(
      fc.property(anyPlan({ ornaments: false }), (plan) => {
        const bars = Array.from({ length: plan.rounds }, () => plan.groove.bars).flat();
        const starts = barStarts(bars.map((bar) => barLength(bar.meter)));
        const beat = beatOf(plan.groove);
        const bpm = plan.bpm;
        for (const { at, written, barInRun, ms } of strokesOf(plan)) {
          expect(equal(at, add(starts[barInRun]!, written))).toBe(true);
          // In whole numbers: at = n/d whole notes lasts n·60000·beat.d / (d·beat.n·bpm) ms.
          const exactly =
            (BigInt(at.n) * 60_000n * BigInt(beat.d) * 10n ** 9n) / (BigInt(at.d) * BigInt(beat.n) * BigInt(bpm));
          expect(Math.abs(ms - Number(exactly) / 1e9)).toBeLessThan(1e-6);
        }
      }),
      runs(60),
    );
  });

  test('twice the tempo, half the time, for every sound', () => {
    fc.assert(
      fc.property(anyPlan({ ornaments: false }), fc.constantFrom(0.5, 2, 3), (plan, factor) => {
        const plain = schedule(formOf(plan)).sounds;
        const scaled = schedule(formOf({ ...plan, bpm: plan.bpm * factor })).sounds;
        scaled.forEach((sound, index) => expect(sound.ms).toBeCloseTo(plain[index]!.ms / factor, 6));
      }),
      runs(40),
    );
  });

  test('swing of 1:1 changes nothing', () => {
    fc.assert(
      fc.property(anyPlan(), fc.constantFrom('8th' as const, '16th' as const), (plan, value) => {
        expect(schedule(formOf({ ...plan, swing: { value, ratio: '1' } })).sounds).toEqual(
          schedule(formOf({ ...plan, swing: 'straight' })).sounds,
        );
      }),
      runs(40),
    );
  });

  test('swing keeps the order of a limb and never crosses a bar line', () => {
    fc.assert(
      fc.property(anyPlan({ ornaments: false }), fc.constantFrom('3/2', '2', '3', 'tempo-aware'), (plan, ratio) => {
        const starts = barStarts(
          Array.from({ length: plan.rounds }, () => plan.groove.bars)
            .flat()
            .map((bar) => barLength(bar.meter)),
        );
        for (const { at, barInRun } of strokesOf({ ...plan, swing: { value: '8th', ratio } })) {
          expect(compare(at, starts[barInRun]!)).toBeGreaterThanOrEqual(0);
          expect(compare(at, starts[barInRun + 1]!)).toBeLessThan(0);
        }
      }),
      runs(40),
    );
  });

  test('dropping limbs leaves the others where they are', () => {
    fc.assert(
      fc.property(anyPlan({ ornaments: false }), (plan) => {
        const feet = strokesOf({ ...plan, limbs: ['right foot', 'left foot'] });
        expect(feet).toEqual(strokesOf(plan).filter(({ limb }) => limb.endsWith('foot')));
      }),
      runs(30),
    );
  });
});

test('the a of 1 at 60 sounds after three quarters of a second', () => {
  expect(strokesOf(planOf(oneLine('...t .... .... ....'))).map(({ ms, at }) => [ms, format(at)])).toEqual([
    [750, '3/16'],
  ]);
});

test('a count-in is one bar of clicks on every count before the first bar, whatever the plan', () => {
  const { sounds, startMs, bars } = schedule(
    formOf(planOf(oneLine('t...'), { countIn: 1, click: { kind: 'on', counts: [1] } })),
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
  expect(format(strokesOf(planOf(even, { swing: { value: '8th', ratio: '2' } }))[0]!.at)).toBe('5/12');
  const triplet = oneLine('... .t. ... ...');
  expect(format(strokesOf(planOf(triplet, { swing: { value: '8th', ratio: '2' } }))[0]!.at)).toBe('1/3');
});

test('a click on every slot swings with the groove, one on the counts does not', () => {
  const swung = oneLine('t. .. .. ..');
  const places = (click: Plan['click']) =>
    schedule(formOf(planOf(swung, { click, swing: { value: '8th', ratio: '2' } })))
      .sounds.filter(({ kind }) => kind === 'click')
      .map(({ at }) => format(at));
  expect(places({ kind: 'slots' })).toEqual(['0', '1/6', '1/4', '5/12', '1/2', '2/3', '3/4', '11/12']);
  expect(places({ kind: 'every', counts: '1', from: '0' })).toEqual(['0', '1/4', '1/2', '3/4']);
});

test('a flam sounds its grace on the other hand just before, a drag two, a double twice in its slot', () => {
  const with_ = (ornament: 'flam' | 'drag' | 'double') => {
    const groove = oneLine('.... t... .... ....');
    groove.bars[0]!.strokes[0]!.ornament = ornament;
    return strokesOf(planOf(groove)).map(({ limb, role, ms }) => [limb, role, ms]);
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
  expect(strokesOf(planOf(groove, { lean: { 'right foot': 20 } })).map(({ limb, ms }) => [limb, ms])).toEqual([
    ['right hand', 0],
    ['right foot', 20],
  ]);
});

test('a tempo change on a bar line moves only what follows it', () => {
  const groove = oneLine('t. .. .. ..');
  expect(strokesOf(planOf(groove, { rounds: 4, changes: [{ fromBar: 2, bpm: 120 }] })).map(({ ms }) => ms)).toEqual([
    0, 4000, 8000, 10_000,
  ]);
});

test('the slots a strip draws are where the strokes sound', () => {
  const groove = oneLine('tt tt tt tt');
  const swing = { value: '8th', ratio: '2' } as const;
  const drawn = slotPlaces(groove, 0, swing, 60).map(toNumber);
  const sounded = strokesOf(planOf(groove, { swing })).map(
    ({ at }) => toNumber(sub(at, exact('0'))) / toNumber(barLength(meterOf('4/4'))),
  );
  expect(drawn).toEqual(sounded);
});

test('beat and tempo may change from bar to bar', () => {
  const quarters = oneLine('t. t. t. t.');
  const pulses: Groove = {
    ...quarters,
    reading: 'pulse',
    bars: [{ meter: meterOf('12/8'), cells: cellsOfDivisions(meterOf('12/8'), 'pulse', 3), strokes: [] }],
  };
  const form = inTurn([formOf(planOf(quarters)), formOf(planOf(pulses))]);
  const { bars, endMs } = schedule(form);
  expect(bars.map(({ side, startMs }) => [side, startMs])).toEqual([
    [0, 0],
    [1, 4000],
  ]);
  // Four dotted quarters at 60 last as long as four quarters at 60.
  expect(endMs).toBe(8000);
});

describe('in turn', () => {
  const groove = oneLine('tttttttt', 'right hand', 120);
  const form = (change: Partial<Plan> = {}) =>
    formOf(planOf(groove, { click: { kind: 'every', counts: '1', from: '0' }, rounds: 2, ...change }));
  const strokes = (timed: Schedule) =>
    timed.sounds.filter(({ kind }) => kind === 'stroke').map(({ ms }) => Math.round(ms));

  test('straight, then swung, on the bar line and without a gap; counted in once', () => {
    const timed = schedule(inTurn([form({ countIn: 1 }), form({ swing: { value: '8th', ratio: '2' }, countIn: 1 })]));
    expect([timed.startMs, timed.endMs]).toEqual([-2000, 8000]);
    expect(timed.bars.map(({ side, barInRun, startMs }) => [side, barInRun, startMs])).toEqual([
      [0, -1, -2000],
      [0, 0, 0],
      [0, 1, 2000],
      [1, 2, 4000],
      [1, 3, 6000],
    ]);
    expect(strokes(timed).filter((ms) => ms >= 3500 && ms < 5000)).toEqual([3500, 3750, 4000, 4333, 4500, 4833]);
  });

  test('each brings its own tempo, and its click begins anew', () => {
    const slower = schedule(inTurn([form({ rounds: 1 }), form({ rounds: 1, bpm: 60 })]));
    expect(slower.countsMs).toEqual([0, 500, 1000, 1500, 2000, 3000, 4000, 5000]);
    const gaps: Plan['click'] = { kind: 'gaps', of: CLICK_PLANS.counts, on: 1, off: 1 };
    const clicked = schedule(inTurn([form({ click: gaps, rounds: 3 }), form({ click: gaps })])).sounds;
    expect([...new Set(clicked.filter(({ kind }) => kind === 'click').map(({ barInRun }) => barInRun))]).toEqual([
      0, 2, 3,
    ]);
  });

  test('any plans: each sounds as it does alone, from where the one before it ends', () => {
    fc.assert(
      fc.property(fc.array(anyPlan(), { minLength: 1, maxLength: 3 }), (some) => {
        const plans = some.map((plan) => ({ ...plan, countIn: 0 }));
        const timed = schedule(inTurn(plans.map(formOf)));
        let end = 0;
        for (const [side, plan] of plans.entries()) {
          const alone = schedule(formOf(plan));
          const bars = timed.bars.filter((bar) => bar.side === side);
          expect(bars).toHaveLength(alone.bars.length);
          for (const [place, bar] of bars.entries())
            expect(bar.startMs).toBeCloseTo(alone.bars[place]!.startMs + end, 6);
          end += alone.endMs;
        }
        expect(timed.endMs).toBeCloseTo(end, 6);
        expect(timed.sounds).toHaveLength(
          plans.reduce((total, plan) => total + schedule(formOf(plan)).sounds.length, 0),
        );
      }),
      runs(30),
    );
  });
});

test('a lean of the groove is heard, a grace with its stroke, and a lean that is set takes its place', () => {
  const flammed = { ...oneLine('t...'), lean: { 'right hand': 20 } };
  flammed.bars[0]!.strokes[0] = { ...flammed.bars[0]!.strokes[0]!, ornament: 'flam' };
  const times = (change: Partial<Plan>) => strokesOf(planOf(flammed, change)).map(({ ms }) => ms);
  expect(times({})).toEqual([-8, 20]);
  expect(times({ lean: { 'right hand': -10 } })).toEqual([-38, -10]);
  expect(times({ lean: {} })).toEqual([-28, 0]);
});

test('a call is spoken from the bar line before, word after word; where a bar is too short it is only shown', () => {
  const groove = { ...oneLine('t...'), bars: [oneLine('t...').bars[0]!, oneLine('.t..').bars[0]!] };
  const passages = [
    { from: 0, bars: 1, times: 1, call: ['count', '1'] },
    { from: 1, bars: 1, times: 4 },
    { from: 0, bars: 1, times: 1, call: ['the', 'e', 'of', '1'] },
  ];
  const words = (bpm: number) => {
    const { sounds, unspoken } = schedule(formOf(planOf(groove, { passages, bpm, countIn: 1 })));
    return {
      said: sounds.flatMap((one) => (one.kind === 'word' ? [[one.say, Math.round(one.ms), one.barInRun]] : [])),
      unspoken,
    };
  };
  expect(words(80)).toEqual({
    said: [
      ['count', -3000, -1],
      ['1', -3000 + CALL_WORD_MS, -1],
      ...['the', 'e', 'of', '1'].map((word, index) => [word, 12_000 + index * CALL_WORD_MS, 4]),
    ],
    unspoken: 0,
  });
  expect(words(320)).toMatchObject({ unspoken: 4 }); // A bar of 750 ms: two words fit, four do not.
});
