import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { anyGroove, oneLine, together } from '../testing/arbitrary';
import { exact, format } from '../time/fraction';
import { readGroove, writeGroove } from '../documents/groove';
import { type Groove } from './groove';
import { slotsOfBar } from '../grid/cells';
import { LIMBS } from './limbs';
import { strokesOf } from './place';
import { mirrorHands } from './lines';
import { changeIn, clearRegion, copyRegion, pasteAt, regionBetween, withinRegion } from './region';
import { runs } from '../testing/runs';

const groove = together(oneLine('At.t At.t At.t At.t'), oneLine('.... A... .... A..g', 'left hand'));
const two: Groove = { ...groove, bars: [groove.bars[0]!, { ...groove.bars[0]!, strokes: [] }] };
const at = (bar: number, place: string, limb: (typeof LIMBS)[number] = 'right hand') => ({
  bar,
  limb,
  at: exact(place),
});
const lane = (one: Groove, limb: (typeof LIMBS)[number]) =>
  strokesOf(one)
    .filter((stroke) => stroke.limb === limb)
    .map((stroke) => format(stroke.at));
const pasted = (...given: Parameters<typeof pasteAt>) => {
  const answer = pasteAt(...given);
  if (!answer.ok) throw new Error(answer.problems[0]!.say);
  return answer.value;
};

describe('a region', () => {
  test('holds both slots, whichever was first, and the lanes between', () => {
    const forth = regionBetween(two, at(0, '1/4'), at(0, '7/16', 'left hand'));
    expect([format(forth.from), format(forth.to), forth.limbs]).toEqual(['1/4', '1/2', ['right hand', 'left hand']]);
    expect(regionBetween(two, at(0, '7/16', 'left hand'), at(0, '1/4'))).toEqual(forth);
    expect(format(regionBetween(two, at(0, '15/16'), at(1, '0')).to)).toBe('17/16');
  });

  test('is copied, cut and changed; bars outside it stay the same objects', () => {
    const region = regionBetween(two, at(0, '1/4'), at(0, '7/16', 'left hand'));
    expect(
      copyRegion(two, region)
        .strokes.map((stroke) => `${stroke.limb} ${format(stroke.at)}`)
        .sort(),
    ).toEqual(['left hand 0', 'right hand 0', 'right hand 1/16', 'right hand 3/16']);
    const cut = clearRegion(two, region);
    expect(lane(cut, 'right hand')).toHaveLength(9);
    expect(cut.bars[1]).toBe(two.bars[1]);
    expect(changeIn(two, region, (stroke) => stroke)).toEqual(two);
  });
});

describe('pasting', () => {
  const clip = copyRegion(two, regionBetween(two, at(0, '0'), at(0, '15/16', 'left foot')));

  test('a whole bar behind itself is the bar twice', () => {
    const { groove: twice } = pasted(two, at(1, '0'), clip);
    expect(twice.bars[1]!.strokes).toHaveLength(twice.bars[0]!.strokes.length);
    expect(twice.bars[0]).toBe(two.bars[0]);
  });

  test('past the end adds bars, and says so', () => {
    const { groove: three, say } = pasted(two, at(1, '1/2'), clip);
    expect(three.bars).toHaveLength(3);
    expect(say).toBe('15 strokes pasted, a bar added for what reached past the end.');
  });

  test('one limb goes to the limb of the slot, in place of what is there, and divides the grid where it must', () => {
    const triplets = oneLine('ttt ttt ttt ttt');
    const one = copyRegion(triplets, regionBetween(triplets, at(0, '0'), at(0, '1/6')));
    const { groove: onFeet } = pasted(two, at(1, '1/2', 'right foot'), one);
    expect(lane(onFeet, 'right foot')).toEqual(['3/2', '19/12', '5/3']);
    expect(onFeet.bars[1]!.cells[2]).toEqual({ counts: 1, parts: 3 });
    expect(pasteAt(two, at(0, '0', 'right foot'), one)).toMatchObject({ ok: false });
    const over = pasted(two, at(0, '0', 'left hand'), copyRegion(two, regionBetween(two, at(0, '1/4'), at(0, '7/16'))));
    expect(lane(over.groove, 'left hand')).toEqual(['0', '1/16', '3/16', '1/4', '3/4', '15/16']);
  });
});

test('what comes of a transform within a region: outside it all stays, in order', () => {
  const region = regionBetween(two, at(0, '1/4'), at(0, '7/16', 'left hand'));
  const raised = {
    groove: {
      ...two,
      bars: two.bars.map((bar) => ({
        ...bar,
        strokes: bar.strokes.map((one) => ({ ...one, height: 'ghost' as const })),
      })),
    },
    say: 'Softer.',
  };
  const answer = withinRegion(two, region, raised);
  if (!answer.ok) throw new Error(answer.problems[0]!.say);
  expect(answer.value.say).toBe('Softer.');
  const heights = (one: Groove) => strokesOf(one).map((stroke) => `${format(stroke.at)} ${stroke.height}`);
  const expected = strokesOf(two).map((one) => {
    const isWithin = ['1/4', '5/16', '3/8', '7/16'].includes(format(one.at));
    return `${format(one.at)} ${isWithin ? 'ghost' : one.height}`;
  });
  expect(heights(answer.value.groove).toSorted()).toEqual(expected.toSorted());
  const places = answer.value.groove.bars[0]!.strokes.map((stroke) => stroke.at.n / stroke.at.d);
  expect(places).toEqual(places.toSorted((a, b) => a - b));
  // The bar that came out as it was is the same object; one whose hands changed lines is not.
  expect(answer.value.groove.bars[1]).toBe(two.bars[1]);
  const all = regionBetween(two, at(0, '0'), at(1, '15/16', 'left foot'));
  const mirrored = withinRegion(two, all, mirrorHands(two));
  expect(mirrored.ok && lane(mirrored.value.groove, 'left hand')).toEqual(lane(two, 'right hand'));
});

test('a bar is taken for unchanged by its strokes, all of them, and its grid', () => {
  const louder = changeIn(two, regionBetween(two, at(0, '0'), at(0, '0')), (stroke) => ({
    ...stroke,
    height: 'ghost',
  }));
  const clip = copyRegion(louder, regionBetween(two, at(0, '0'), at(0, '0')));
  const { groove: softer } = pasted(two, at(0, '0'), clip);
  expect(softer.bars[0]!.strokes[0]!.height).toBe('ghost');
  // Fewer strokes than before, each of them known.
  const none = { ...copyRegion(two, regionBetween(two, at(0, '0'), at(0, '0'))), strokes: [] };
  expect(pasted(two, at(0, '0'), none).groove.bars[0]!.strokes).toHaveLength(two.bars[0]!.strokes.length - 1);
  expect(pasted(two, at(0, '0'), none).say).toBe('0 strokes pasted.');
});

test('one limb pasted onto another takes what that one plays, or keeps its own; by itself it keeps what it played', () => {
  const line = copyRegion(two, regionBetween(two, at(0, '0'), at(0, '3/16')));
  const onto = (limb: (typeof LIMBS)[number]) =>
    pasted(two, at(1, '0', limb), line).groove.bars[1]!.strokes.map(({ limb, surface }) => `${limb} ${surface}`);
  expect(new Set(onto('left hand'))).toEqual(new Set(['left hand snare']));
  expect(new Set(onto('left foot'))).toEqual(new Set(['left foot closed hat']));
  const ride = changeIn(two, regionBetween(two, at(0, '1/16'), at(0, '1/16')), (one) => ({ ...one, surface: 'ride' }));
  const own = pasted(ride, at(1, '0'), copyRegion(ride, regionBetween(ride, at(0, '0'), at(0, '3/16'))));
  expect(own.groove.bars[1]!.strokes.map(({ surface }) => surface)).toEqual(['closed hat', 'ride', 'closed hat']);
  const both = copyRegion(two, regionBetween(two, at(0, '1/4'), at(0, '7/16', 'left hand')));
  const laid = pasted(two, at(1, '0', 'right hand'), both);
  expect([lane(laid.groove, 'left hand'), laid.say]).toEqual([[...lane(two, 'left hand'), '1'], '4 strokes pasted.']);
});

test('past the end so many bars are added as it takes, empty but for what is pasted, in order', () => {
  const clip = copyRegion(two, regionBetween(two, at(0, '0'), at(1, '15/16', 'left foot')));
  const { groove: four, say } = pasted({ ...two, bars: [two.bars[0]!] }, at(0, '1/2'), clip);
  expect(four.bars.map(({ strokes }) => strokes.length)).toEqual([
    two.bars[0]!.strokes.filter((one) => one.at.n * 2 < one.at.d).length +
      two.bars[0]!.strokes.filter((one) => one.at.n * 2 < one.at.d).length,
    two.bars[0]!.strokes.filter((one) => one.at.n * 2 >= one.at.d).length,
    0,
  ]);
  expect(say).toContain('2 bars added');
  const one = copyRegion(two, regionBetween(two, at(0, '0'), at(0, '0')));
  expect(pasted(two, at(1, '0'), one).say).toBe('1 stroke pasted.');
  for (const bar of four.bars) {
    const places = bar.strokes.map((stroke) => stroke.at.n / stroke.at.d);
    expect(places).toEqual(places.toSorted((a, b) => a - b));
  }
});

test('any region of any groove pasted where it came from changes nothing', () => {
  fc.assert(
    fc.property(
      anyGroove({ ornaments: false }),
      fc.nat(),
      fc.nat(),
      fc.constantFrom(...LIMBS),
      fc.constantFrom(...LIMBS),
      (any, a, b, one, other) => {
        const all = any.bars.flatMap((bar, index) =>
          slotsOfBar(bar.meter, any.reading, bar.cells).map((slot) => ({ bar: index, at: slot.at })),
        );
        const [from, to] = [a % all.length, b % all.length].sort((x, y) => x - y).map((index) => all[index]!);
        const region = regionBetween(any, { ...from!, limb: one }, { ...to!, limb: other });
        const back = pasted(any, { ...from!, limb: region.limbs[0]! }, copyRegion(any, region)).groove;
        expect(lane(back, one)).toEqual(lane(any, one));
        expect(readGroove(writeGroove(back)).ok).toBe(true);
        expect(strokesOf(back)).toHaveLength(strokesOf(any).length);
      },
    ),
    runs(60),
  );
});
