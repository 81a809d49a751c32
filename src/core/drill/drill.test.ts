import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { readGroove, writeGroove } from '../documents/groove';
import { LIMBS } from '../groove/limbs';
import { LEVELS } from '../limits';
import { strokesOf } from '../groove/place';
import { meterOf, oneLine } from '../testing/arbitrary';
import { format } from '../time/fraction';
import { countsOf } from '../grid/meter';
import { binomial, bits, combination, isFirstTurning } from './choose';
import { evenly, makeDrill, oneExercise } from './drill';
import { readOstinato } from './said';
import { FAMILIES, familyNamed } from './registry';
import { readyRule, renewed, usualRule } from './rule';
import { PATHS, SHELF } from './shelf';
import { made, rule, says } from '../testing/drills';
import { runs } from '../testing/runs';

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
            expect(counts).toBe(countsOf(bar.meter, groove.reading).length);
          }
          expect(difficulty.score).toBe(difficulty.reasons.reduce((total, { points }) => total + points, 0));
        }
        if (one.order === 'easy to hard') {
          const scores = drill.value.exercises.map(({ difficulty }) => difficulty.score);
          expect(scores).toEqual(scores.toSorted((a, b) => a - b));
        }
        expect(makeDrill(JSON.parse(JSON.stringify(one)))).toEqual(drill);
      }),
      runs(40),
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
          const line = makeDrill(
            rule('accents', { accents: high, among: 4, sticking: 'left hand' }, { parts, ostinato: '' }),
          );
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
      runs(40),
    );
  });

  test('every family has usual values that make something in 4/4 16ths, and says what it trains', () => {
    expect(FAMILIES).toHaveLength(17);
    for (const family of FAMILIES) {
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
  const figure = (strokes: string) => writeGroove(oneLine(strokes));
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
    [
      wrong('placement', {}, { ostinato: 'hat sometimes' }),
      expect.stringMatching(/^ostinato: This word is not understood/) as unknown as string,
    ],
    [wrong('placement', {}, { meter: '4/5' }), 'meter: cannot stand below the line.'],
    [wrong('rolls', {}, { parts: 8 }), 'parts: Doubles at twice 8 a count cannot be counted.'],
    [wrong('re-rate', { figure: figure('........') }), 'params.figure: “Line” plays nothing.'],
    [wrong('hardest bar', { figure: figure('........') }), 'params.figure: “Line” plays nothing.'],
    [wrong('chosen list', { phrases: ['1', 'zz', ''] }), 'params.phrases: “zz”: This word is not understood here.'],
    [wrong('chosen list', { phrases: ['', ''] }), 'params.phrases: There is no exercise.'],
    [
      wrong('accents', { figure: figure('t.......'), sticking: 'left hand' }),
      'params.sticking: The left hand plays nothing in “Line”.',
    ],
    [
      wrong('accents', { figure: figure('ttttttt.'), among: 31 }),
      'params.among: 31 strokes come home on 1 only after 31 bars.',
    ],
    [wrong('pairs', {}, { meter: '1/4', parts: 1, ostinato: '' }), 'parts: One slot a bar has no neighbour.'],
    [
      wrong('flams and drags', { what: ['flams on half-note triplets'] }, { meter: '3/4' }),
      'params.what: These notes do not fill this meter.',
    ],
    [
      wrong('build-up', { figure: figure('t.......') }),
      'params.figure: One limb alone has nothing to be built up from.',
    ],
    [wrong('placement', { limb: 'tail' }), expect.stringMatching(/^params.limb: /) as unknown as string],
  ])('%#', (said, expected) => expect(said).toEqual(expected));

  test('an ostinato is read as Say it reads; where two lines want one limb, the later has it', () => {
    const read = readOstinato('ride quarters, left foot triplets', meterOf('4/4'));
    expect(read.ok && read.value.map(({ limb }) => limb).filter((limb) => limb === 'left foot')).toHaveLength(12);
    const both = readOstinato('hat 8ths, ride quarters', meterOf('4/4'));
    expect(both.ok && both.value.map(({ surface }) => surface).slice(0, 3)).toEqual(['ride', 'closed hat', 'ride']);
    const feet = readOstinato('kick on 1 and the & of 3; hat foot on 2 and 4', meterOf('4/4'));
    expect(feet.ok && feet.value.map(({ at }) => format(at))).toEqual(['0', '1/4', '5/8', '3/4']);
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

test('one exercise of a rule is made without the others, with its swing; one that is not of the rule is not', () => {
  const swing = { value: '8th', ratio: '2' };
  const one = (wanted?: number, more: object = {}) => oneExercise(rule('placement', {}, { swing, ...more }), wanted);
  expect(one(5)).toMatchObject({ ok: true, value: { title: 'placement 6', swing } });
  expect(one(undefined, { picked: [3, 1] })).toMatchObject({ value: { title: 'placement 4' } });
  expect(one()).toMatchObject({ value: { title: 'placement 1' } });
  expect(one(15).ok).toBe(true);
  expect(one(16)).toMatchObject({ ok: false, problems: [{ path: ['picked'] }] });
  expect(oneExercise({ ...rule('placement'), family: 'oars' })).toMatchObject({ ok: false });
});

test('how much is done rises to 1, as often as it is worth saying', () => {
  const shares: number[] = [];
  const all = rule('between', { where: 'every combination' }, { parts: 6, ostinato: 'hat quarters', most: 120 });
  expect(makeDrill(all, { onShare: (share) => shares.push(share) }).ok).toBe(true);
  expect(shares.toSorted((a, b) => a - b)).toEqual(shares);
  expect([shares[0], shares.at(-1), new Set(shares).size]).toEqual([0, 1, shares.length]);
  expect(shares.length).toBe(Math.ceil(5000 / 500) + Math.ceil(120 / 50) + 1);
});

test('the shelf has at least 40 drills in five paths, each with its own name, each making what can be played at its tempo', () => {
  expect(SHELF.length).toBeGreaterThanOrEqual(40);
  expect(new Set(SHELF.map(({ name }) => name)).size).toBe(SHELF.length);
  for (const path of PATHS) {
    const levels = SHELF.filter((one) => one.path === path).map(({ level }) => LEVELS.indexOf(level));
    expect(levels).toEqual(levels.toSorted((one, other) => one - other));
  }
  for (const path of PATHS) expect(SHELF.filter((one) => one.path === path).length).toBeGreaterThanOrEqual(8);
  for (const { name, family, change } of SHELF) {
    const drill = makeDrill(usualRule(familyNamed(family)!, change));
    expect([name, drill.ok && drill.value.exercises.length > 0]).toEqual([name, true]);
    if (!drill.ok) continue;
    // Its first bar stands on the shelf without the others being made.
    const { index, groove } = drill.value.exercises[0]!;
    expect(oneExercise(usualRule(familyNamed(family)!, change), index)).toEqual({ ok: true, value: groove });
    expect([name, drill.value.exercises.flatMap(({ findings }) => findings).map(({ say }) => say)]).toEqual([name, []]);
  }
});
