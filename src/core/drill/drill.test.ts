import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { readGroove, writeGroove } from '../documents/groove';
import { type Groove } from '../groove/groove';
import { LIMBS } from '../groove/limbs';
import { barsFrom, spanOnsets as laidOut, strokesOf, type RateSpan } from '../groove/place';
import { STARTERS } from '../testing/starters';
import { meterOf, oneLine, together } from '../testing/arbitrary';
import { equal, exact, format, less, sum, toNumber } from '../time/fraction';
import { barLength } from '../grid/meter';
import { cases } from '../testing/vectors';
import { binomial, bits, combination, isFirstTurning } from './choose';
import { evenly, makeDrill } from './drill';
import type { Family } from './family';
import { readOstinato } from './ostinato';
import { FAMILIES, familyNamed } from './registry';
import { readyRule, renewed, usualRule } from './rule';
import { type Rule } from '../documents/rule';
import { PATHS, SHELF } from './shelf';

const rule = (family: string, params: Record<string, unknown> = {}, more: object = {}): Rule =>
  usualRule(familyNamed(family)!, { params, most: 1000, order: 'as generated', ...more });
function made(family: string, params: Record<string, unknown> = {}, more: object = {}) {
  const drill = makeDrill(rule(family, params, more));
  if (!drill.ok) throw new Error(drill.problems.map(({ say }) => say).join());
  return drill.value;
}
const says = (...given: Parameters<typeof made>) => made(...given).exercises.map(({ say }) => say);
const struck = (groove: Groove, limb: string) =>
  groove.bars.flatMap((bar) => bar.strokes.filter((one) => one.limb === limb));

describe('counted on paper', () => {
  test('placement: 16 places in 4/4 16ths, each said', () => {
    const drill = made('placement');
    expect(drill.total).toBe(16);
    expect(drill.exercises.map(({ say }) => say).slice(0, 5)).toEqual([
      'count 1',
      'the e of 1',
      'the & of 1',
      'the a of 1',
      'count 2',
    ]);
    for (const { groove } of drill.exercises)
      expect([struck(groove, 'right foot').length, struck(groove, 'right hand').length]).toEqual([1, 8]);
  });

  test('between: 8 places free under hat 8ths: 1, 4, 4, 8, 28, 255; the backbeat is kept', () => {
    const of = (where: string, ostinato = 'hat 8ths') => made('between', { where }, { ostinato }).total;
    expect(['all of them', 'single places', 'pairs of places', 'every combination'].map((where) => of(where))).toEqual([
      1, 8, 28, 255,
    ]);
    const odd = made('between', { where: 'only in odd counts' }).exercises[0]!;
    expect(struck(odd.groove, 'right foot').map(({ at }) => format(at))).toEqual(['1/16', '3/16', '9/16', '11/16']);
    expect(struck(odd.groove, 'left hand')).toMatchObject([
      { height: 'accent', at: { n: 1, d: 4 } },
      { height: 'accent', at: { n: 3, d: 4 } },
    ]);
  });

  test('pairs: one for each slot; accents on the backbeat, ghosts elsewhere', () => {
    const drill = made('pairs');
    expect(drill.total).toBe(16);
    expect(struck(drill.exercises[3]!.groove, 'left hand')).toMatchObject([{ height: 'ghost' }, { height: 'accent' }]);
    expect(struck(drill.exercises[0]!.groove, 'left hand')).toMatchObject([{ height: 'ghost' }, { height: 'ghost' }]);
    expect(struck(drill.exercises[15]!.groove, 'left hand')).toHaveLength(2);
  });

  test('accents: k in n are n over k; walking as many as strokes; the line never breaks', () => {
    expect(made('accents', { accents: 2, among: 4 }).total).toBe(6);
    expect(made('accents', { accents: 3, among: 8 }).total).toBe(56);
    expect(made('accents', { among: 5, walking: true }).total).toBe(5);
    const [first] = made('accents', { accents: 1, among: 3 }).exercises;
    expect(first!.groove.bars).toHaveLength(3);
    expect(strokesOf(first!.groove)).toHaveLength(48);
    expect(says('accents', { accents: 2, among: 4 })).toEqual(
      ['1 2', '1 3', '1 4', '2 3', '2 4', '3 4'].map((places) => `2 in 4: ${places}`),
    );
  });

  test('rates: up, down, up and down, to and fro; only what fills the bars', () => {
    expect(says('rates', { from: 'quarter', to: '8th triplet', way: 'up' })).toEqual([
      'quarters',
      'quarter triplets',
      '8ths',
      '8th triplets',
    ]);
    expect(made('rates', { from: 'quarter', to: '16th', way: 'up and down' }).total).toBe(9);
    expect(says('rates', { from: '8th', to: '8th triplet', way: 'to and fro' })).toEqual(['8ths', '8th triplets']);
    expect(
      makeDrill(rule('rates', { from: 'half', to: 'quarter', way: 'up', bars: 1 }, { meter: '3/4' })),
    ).toMatchObject({ ok: false });
  });

  test('rolls: twice the strokes in the same time', () => {
    for (const { groove, say } of made('rolls', {}, { parts: 4 }).exercises) {
      const beats = Number(say[0]);
      const all = strokesOf(groove);
      const singles = all.filter(({ at }) => less(at, { n: beats, d: 4 }));
      expect([singles.length, all.length - singles.length]).toEqual([4 * beats, 8 * beats]);
    }
  });

  test('overlay: 3, 5 and 7 over 16 slots meet again after 3, 5 and 7 bars', () => {
    expect(made('overlay').exercises.map(({ groove }) => groove.bars.length)).toEqual([3, 5, 7]);
    expect(made('overlay', { lengths: [3] }, { meter: '3/4' }).exercises[0]!.groove.bars).toHaveLength(1);
  });

  test('displacement: home after as many moves as slots', () => {
    expect(made('displacement').total).toBe(16);
    expect(made('displacement', { by: 'half a beat' }).total).toBe(8);
  });

  test.each(cases<{ meter: string; bars: number; onsets: string[]; shift: string; moved: string[] }>('displacements'))(
    'displacement: the exact places of the vectors, by $shift',
    ({ meter, bars, onsets, shift, moved }) => {
      // The grid that the shift is a number of slots of.
      const parts = exact(shift).d % 3 === 0 ? 3 : 4;
      const strokes = onsets.map((at) => ({
        limb: 'left hand' as const,
        surface: 'snare' as const,
        at: exact(at),
        height: 'tap' as const,
      }));
      const laid = barsFrom(
        strokes,
        Array.from({ length: bars }, () => ({ meter: meterOf(meter) })),
        'numbers',
      )!;
      const drill = made(
        'displacement',
        { figure: writeGroove({ ...oneLine('tttt'), bars: laid }) },
        { ostinato: '', meter, parts },
      );
      const moves = toNumber(exact(shift)) * 4 * parts;
      expect(strokesOf(drill.exercises[moves]!.groove).map(({ at }) => format(at))).toEqual(moved);
    },
  );

  test('re-rate: the order of strokes stays, the phrase says where it ends', () => {
    const figure = writeGroove(oneLine('t.t.ttt.'));
    const drill = made('re-rate', { figure, values: ['quarter', '16th'], mixed: false });
    expect(drill.exercises.map(({ say }) => say)).toEqual([
      '5 × quarter, ends 3 counts before the bar line',
      '5 × 16th, ends 2 3/4 counts before the bar line',
    ]);
    expect(drill.exercises.map(({ groove }) => groove.bars.length)).toEqual([2, 1]);
    // Of the six halves only those whose switch leaves every note on a grid.
    expect(made('re-rate', { figure }).total).toBe(3 + 4);
  });

  test.each(cases<{ plan: RateSpan[]; onsets: string[]; endsAt: string; barsOf44ToFill: number }>('rerates'))(
    're-rate: the exact places of the vectors, %#',
    ({ plan, onsets, barsOf44ToFill }) => {
      const { value } = plan[0]!;
      const notes = plan.length === 1 ? plan[0]!.notes : 0;
      // Only plans of one value are what this family writes; the others are held by the transform it uses.
      if (!notes) return expect(laidOut(plan).onsets.map(format)).toEqual(onsets);
      const bars = Math.ceil(notes / 8);
      const figure = writeGroove({
        ...oneLine('t'.repeat(8)),
        bars: Array.from(
          { length: bars },
          (_, bar) => oneLine('tttttttt'.slice(0, Math.min(8, notes - 8 * bar)).padEnd(8, '.')).bars[0]!,
        ),
      });
      const [only] = made('re-rate', { figure, values: [value], mixed: false }).exercises;
      expect(strokesOf(only!.groove).map(({ at }) => format(at))).toEqual(onsets);
      expect(only!.groove.bars).toHaveLength(barsOf44ToFill);
    },
  );

  test('the others: triplets against straight, flams from both hands, stickings home on 1, 12/8, odd meters', () => {
    expect(says('straight to triplet')).toEqual([
      'shuffle, first two beats',
      'full triplets, first two beats',
      'shuffle, all',
      'full triplets, all',
    ]);
    const full = made('straight to triplet').exercises[3]!.groove;
    expect([full.bars[0]!.strokes.length, full.bars[1]!.strokes.length]).toEqual([8, 12]);
    const flams = made('flams and drags');
    expect(flams.total).toBe(2 + 14);
    expect(strokesOf(flams.exercises[1]!.groove).map(({ limb }) => limb[0])).toEqual(['r', 'l', 'r', 'l', 'r', 'l']);
    expect(made('sticking').exercises.map(({ groove }) => groove.bars.length)).toEqual([1, 1, 1, 3, 1, 3, 1, 1, 1, 3]);
    // Counted, not made.
    expect(readyRule(rule('compound', { what: 'every kick on the hats' }))).toMatchObject({
      ok: true,
      value: { total: 4095 },
    });
    expect(made('odd meters').exercises.map(({ say }) => say)).toContain('15/16 as 4+4+4+3');
    expect(says('build-up', { figure: writeGroove(STARTERS[0]!) })).toEqual([
      'right foot',
      'right foot, left hand',
      'right foot, left hand, right hand',
    ]);
    expect(made('build-up', { figure: writeGroove(STARTERS[0]!), way: 'pairs, then all' }).total).toBe(4);
  });
});

describe('made from a groove', () => {
  const three = {
    ...together(oneLine('AtAtAtAt'), oneLine('..A...A.', 'left hand'), oneLine('A..tA...', 'right foot')),
    title: 'Ramp',
  };
  const figure = writeGroove(three);
  const at = (groove: Groove, limb: string) => struck(groove, limb).map((one) => format(one.at));

  test('displaced by the limbs that are to move; the others stay', () => {
    const drill = made('displacement', { figure, moves: ['right foot'], by: 'half a beat' }, { ostinato: '' });
    expect(drill.total).toBe(8);
    expect(at(drill.exercises[1]!.groove, 'right foot')).toEqual(['1/8', '1/2', '5/8']);
    expect(at(drill.exercises[1]!.groove, 'left hand')).toEqual(['1/4', '3/4']);
    expect(makeDrill(rule('displacement', { figure, moves: ['left foot'] }))).toMatchObject({
      ok: false,
      problems: [{ path: ['params', 'moves'] }],
    });
  });

  test('accented: k of n strokes of the hand, all of it home again, the feet as they were', () => {
    const drill = made('accents', { figure, sticking: 'right hand', accents: 1, among: 3 });
    expect(drill.total).toBe(3);
    const { groove } = drill.exercises[0]!;
    // 8 strokes and 3: home after 3 bars.
    expect(groove.bars).toHaveLength(3);
    expect(
      struck(groove, 'right hand')
        .map(({ height }) => height[0])
        .join(''),
    ).toBe('attattattattattattattatt');
    expect(
      struck(groove, 'right foot')
        .map(({ height }) => height[0])
        .join(''),
    ).toBe('ataataata');
  });

  test('its hardest bar alone, then into it and out of it, with the reasons', () => {
    const plain = oneLine('t.t.t.t.').bars[0]!;
    const hard = oneLine('.ttt.ttt').bars[0]!;
    const drill = made('hardest bar', { figure: writeGroove({ ...three, bars: [plain, plain, hard] }) });
    expect(drill.exercises.map(({ say, groove }) => [say, groove.bars.length])).toEqual([
      ['bar 3 alone', 1],
      ['bar 3 into it', 2],
      ['bar 3 out of it', 2],
      ['bar 3 in its place', 3],
    ]);
    expect(drill.trains).toBe(
      'Bar 3 is the hardest: 4 strokes between the counts, 3 in a row on the right hand. Alone, then into it and out of it.',
    );
    // Where meters change, the bar alone is what is left.
    const changing = { ...three, bars: [{ ...plain, meter: meterOf('4/4') }, STARTERS[3]!.bars[0]!] };
    expect(says('hardest bar', { figure: writeGroove(changing) })).toEqual(['bar 1 alone']);
  });

  test.each(['displacement', 're-rate', 'build-up', 'accents'])(
    '%s: longer than its bars, or of changing meter, is said with what would work',
    (family) => {
      const wrong = (one: Groove) => {
        const drill = makeDrill(rule(family, { figure: writeGroove(one) }));
        return drill.ok ? undefined : drill.problems[0];
      };
      const long = {
        ...oneLine('tttt'),
        title: 'Long',
        bars: [
          {
            meter: meterOf('5/4'),
            cells: [{ counts: 1, parts: 1 }, ...Array.from({ length: 4 }, () => ({ counts: 1, parts: 1 }))],
            strokes: [],
          },
        ],
      };
      expect(wrong(long)).toMatchObject({
        path: ['params', 'figure'],
        say: '“Long” is in 5/4, longer than a bar of 4/4.',
        remedy: 'Set the meter to 5/4.',
      });
      expect(wrong({ ...long, bars: [...long.bars, ...three.bars] })).toMatchObject({
        say: '“Long” changes its meter.',
      });
    },
  );

  test('and over one: chosen limbs of one of its bars go on under the exercises', () => {
    const over = { groove: figure, bar: 0, limbs: ['right hand', 'left hand'] };
    const drill = made('placement', {}, { over, parts: 2 });
    expect(drill.total).toBe(8);
    for (const { groove } of drill.exercises)
      expect([at(groove, 'right hand').length, at(groove, 'left hand'), at(groove, 'right foot').length]).toEqual([
        8,
        ['1/4', '3/4'],
        1,
      ]);
    // Heights stay as they are written.
    expect(struck(drill.exercises[0]!.groove, 'left hand')[0]!.height).toBe('accent');
    expect(makeDrill(rule('placement', {}, { over, meter: '3/4' }))).toMatchObject({
      ok: false,
      problems: [
        {
          path: ['over'],
          say: '“Ramp” is in 4/4, the drill in 3/4.',
          remedy: 'Set the meter to 4/4, or choose another groove.',
        },
      ],
    });
    expect(makeDrill(rule('placement', {}, { over: { ...over, bar: 7 } }))).toMatchObject({
      ok: false,
      problems: [{ path: ['over'], remedy: 'Choose a bar from 1 to 1.' }],
    });
    expect(makeDrill(rule('placement', {}, { over: { ...over, groove: { version: 1 } } }))).toMatchObject({
      ok: false,
      problems: [{ path: ['over'] }],
    });
  });
});

test('what an older generator wrote is made anew, without what was picked by number; what is newer is not read', () => {
  const now = rule('placement', { limb: 'left foot' }, { picked: [3] });
  expect(renewed(now)).toEqual({ rule: now, anew: false });
  expect(renewed({ ...now, generator: 1 })).toEqual({ rule: { ...now, picked: undefined }, anew: true });
  expect(readyRule({ ...now, generator: now.generator + 1 })).toMatchObject({
    ok: false,
    problems: [{ path: ['generator'], remedy: 'Update Mochila, then open it again.' }],
  });
});

describe('any rule of any family', () => {
  const anyRule = fc
    .record({
      family: fc.constantFrom(...FAMILIES),
      meter: fc.constantFrom('4/4', '3/4', '5/4', '6/8', '7/8', '12/8'),
      parts: fc.integer({ min: 1, max: 4 }),
      ostinato: fc.constantFrom('', 'hat 8ths', 'ride quarters, pedal quarters'),
      order: fc.constantFrom('easy to hard' as const, 'as generated' as const, 'shuffled' as const),
      seed: fc.nat(1000),
      most: fc.integer({ min: 1, max: 12 }),
      withoutTurnings: fc.boolean(),
    })
    .map(({ family, ...more }) => usualRule(family, more));

  test('makes bars that can be kept, that fill their meter, never more than asked; the same again for the same rule', () => {
    fc.assert(
      fc.property(anyRule, (one) => {
        const drill = makeDrill(one);
        if (!drill.ok) {
          for (const { path, say, remedy } of drill.problems)
            expect([path.length > 0, say !== '', remedy !== '']).toEqual([true, true, true]);
          return;
        }
        expect(drill.value.exercises.length).toBe(Math.min(one.most, drill.value.different));
        for (const { groove, difficulty } of drill.value.exercises) {
          expect(readGroove(JSON.parse(JSON.stringify(writeGroove(groove)))).ok).toBe(true);
          for (const bar of groove.bars) {
            const counts = bar.cells.reduce((total, cell) => total + cell.counts, 0);
            expect(
              equal(sum(Array.from({ length: counts }, () => ({ n: 1, d: bar.meter.unit }))), barLength(bar.meter)),
            ).toBe(true);
          }
          expect(difficulty.score).toBe(difficulty.reasons.reduce((total, { points }) => total + points, 0));
        }
        if (one.order === 'easy to hard') {
          const scores = drill.value.exercises.map(({ difficulty }) => difficulty.score);
          expect(scores).toEqual(scores.toSorted((a, b) => a - b));
        }
        expect(makeDrill(JSON.parse(JSON.stringify(one)))).toEqual(drill);
      }),
      { numRuns: 40 },
    );
  }, 60_000);

  test('stays inside its parameters: the limb that was asked for, as many accents, no more bars than its rates fill', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...LIMBS),
        fc.constantFrom('placement', 'between', 'pairs'),
        fc.integer({ min: 1, max: 4 }),
        fc.integer({ min: 1, max: 4 }),
        (limb, family, high, parts) => {
          const moved = makeDrill(rule(family, { limb, backbeat: false }, { ostinato: '', parts }));
          if (moved.ok)
            for (const { groove } of moved.value.exercises)
              for (const one of strokesOf(groove)) expect(one.limb).toBe(limb);
          const line = makeDrill(rule('accents', { accents: high, among: 4, sticking: 'left hand' }, { parts }));
          if (!line.ok) throw new Error('none');
          for (const { groove } of line.value.exercises) {
            const strokes = strokesOf(groove);
            expect(strokes.filter(({ height }) => height === 'accent').length * 4).toBe(high * strokes.length);
            expect(new Set(strokes.map(({ limb: of }) => of))).toEqual(new Set(['left hand']));
          }
          const rates = makeDrill(rule('rates', { bars: high }));
          if (rates.ok) for (const { groove } of rates.value.exercises) expect(groove.bars).toHaveLength(high);
        },
      ),
      { numRuns: 40 },
    );
  });

  test('every family has usual values that make something in 4/4 16ths, and says what it trains', () => {
    expect(FAMILIES).toHaveLength(16);
    for (const family of FAMILIES as readonly Family[]) {
      const drill = makeDrill(usualRule(family));
      expect(drill.ok && drill.value.exercises.length > 0 && drill.value.trains.endsWith('.')).toBe(true);
    }
  });

  test('the index-th exercise is made without the others, however many there are', () => {
    const many = readyRule(rule('between', { where: 'every combination' }, { parts: 8, ostinato: 'hat quarters' }));
    expect(many).toMatchObject({
      ok: false,
      problems: [{ path: ['params', 'where'], say: '28 free places make too many combinations.' }],
    });
    const some = readyRule(rule('between', { where: 'every combination' }, { parts: 4, ostinato: '' }));
    expect(some).toMatchObject({ ok: true, value: { total: 65_535 } });
  });
});

describe('choosing and ordering', () => {
  test('of many as many are taken evenly by difficulty, the easiest and the hardest among them, and it says so', () => {
    const drill = made('between', { where: 'every combination' }, { most: 20, order: 'easy to hard' });
    expect(drill.said).toBe('255 exercises; 20 chosen evenly by difficulty.');
    const all = made('between', { where: 'every combination' }).exercises.map(({ difficulty }) => difficulty.score);
    const chosen = drill.exercises.map(({ difficulty }) => difficulty.score);
    expect([chosen[0], chosen.at(-1)]).toEqual([Math.min(...all), Math.max(...all)]);
  });

  test('shuffled by a seed: the same exercises in another order, the same for the same seed', () => {
    const order = (seed: number) =>
      made('placement', {}, { order: 'shuffled', seed }).exercises.map(({ index }) => index);
    expect(order(3)).toEqual(order(3));
    expect(order(3)).not.toEqual(order(4));
    expect(order(3).toSorted((a, b) => a - b)).toEqual(Array.from({ length: 16 }, (_, index) => index));
  });

  test('without turnings: 2 in 4 are two, not six; 255 are 35 necklaces', () => {
    expect(says('accents', { accents: 2, among: 4 }, { withoutTurnings: true })).toEqual([
      '2 in 4: 1 2',
      '2 in 4: 1 3',
    ]);
    // (1/8) Σ φ(d) 2^(8/d) = 36, less the empty one.
    expect(made('between', { where: 'every combination' }, { withoutTurnings: true })).toMatchObject({
      different: 35,
      said: '255 exercises, 35 of them different.',
    });
  });

  test('combinations are counted before they are made, each once', () => {
    const all = Array.from({ length: binomial(7, 3) }, (_, index) => combination(7, 3, index).join());
    expect(new Set(all).size).toBe(35);
    expect([all[0], all.at(-1)]).toEqual(['0,1,2', '4,5,6']);
    expect(binomial(16, 8)).toBe(12_870);
    expect(bits(5, 4)).toEqual([0, 2]);
    expect(evenly(10, 4)).toEqual([0, 3, 6, 9]);
    expect(evenly(3, 9)).toEqual([0, 1, 2]);
    expect(
      [
        [true, false, false],
        [false, true, false],
        [true, true, true],
      ].map(isFirstTurning),
    ).toEqual([true, false, true]);
  });

  test('what cannot be played at the goal is marked, not left out', () => {
    const drill = made('placement', {}, { goal: 300, parts: 4, ostinato: 'hat 16ths' });
    expect(drill.exercises).toHaveLength(16);
    expect(drill.exercises[0]!.findings[0]).toMatchObject({ kind: 'speed' });
  });
});

describe('what makes nothing is said at its field', () => {
  const wrong = (...given: Parameters<typeof rule>) => {
    const drill = makeDrill(rule(...given));
    return drill.ok ? undefined : `${drill.problems[0]!.path.join('.')}: ${drill.problems[0]!.say}`;
  };
  test.each([
    [
      wrong('between', {}, { ostinato: 'hat 16ths' }),
      'params.where: The ostinato strikes on every slot, so nothing is free.',
    ],
    [wrong('accents', { accents: 9, among: 4 }), 'params.accents: 9 accents do not fit among 4 strokes.'],
    [wrong('overlay', { keeps: 'left hand' }), 'params.keeps: One limb cannot play the figure and keep the count.'],
    [
      wrong('overlay', { lengths: [5] }, { parts: 1 }),
      'params.lengths: A figure of 5 slots is longer than its bar of 4.',
    ],
    [wrong('placement', {}, { ostinato: 'hat sometimes' }), 'ostinato: “sometimes” is no limb, surface or note value.'],
    [wrong('placement', {}, { meter: '4/5' }), 'meter: cannot stand below the line.'],
    [wrong('rolls', {}, { parts: 8 }), 'parts: Doubles at twice 8 a count cannot be counted.'],
    [wrong('placement', { limb: 'tail' }), expect.stringMatching(/^params.limb: /) as unknown as string],
  ])('%#', (said, expected) => expect(said).toEqual(expected));

  test('an ostinato is read as it is said; two lines for one limb are not', () => {
    const read = readOstinato('ride quarters, left foot triplets', meterOf('4/4'));
    expect(read.ok && read.value.map(({ limb }) => limb).filter((limb) => limb === 'left foot')).toHaveLength(12);
    expect(readOstinato('hat 8ths, ride quarters', meterOf('4/4'))).toMatchObject({
      ok: false,
      problems: [{ say: 'The right hand plays already.' }],
    });
    expect(readOstinato('hat', meterOf('4/4')).ok).toBe(false);
    expect(readOstinato('', meterOf('4/4'))).toEqual({ ok: true, value: [] });
  });
});

test('picked by hand: these exercises in this order, and no others', () => {
  const drill = made('placement', {}, { picked: [3, 0, 9] });
  expect(drill.exercises.map(({ index }) => index)).toEqual([3, 0, 9]);
  expect(drill.said).toBe('16 exercises; 3 picked by hand.');
  expect(makeDrill(rule('placement', {}, { picked: [16] }))).toMatchObject({
    ok: false,
    problems: [{ path: ['picked'] }],
  });
});

test('the shelf has at least 40 drills in five paths, each with its own name, each making what can be played at its tempo', () => {
  expect(SHELF.length).toBeGreaterThanOrEqual(40);
  expect(new Set(SHELF.map(({ name }) => name)).size).toBe(SHELF.length);
  for (const path of PATHS) expect(SHELF.filter((one) => one.path === path).length).toBeGreaterThanOrEqual(8);
  for (const { name, family, change } of SHELF) {
    const drill = makeDrill(usualRule(familyNamed(family)!, change));
    expect([name, drill.ok && drill.value.exercises.length > 0]).toEqual([name, true]);
    if (drill.ok)
      expect([name, drill.value.exercises.flatMap(({ findings }) => findings).map(({ say }) => say)]).toEqual([
        name,
        [],
      ]);
  }
});
