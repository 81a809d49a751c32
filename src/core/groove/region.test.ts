import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { anyGroove, oneLine, together } from '../testing/arbitrary';
import { exact, format } from '../time/fraction';
import { readGroove, writeGroove } from '../documents/groove';
import { type Groove } from './groove';
import { slotsOfBar } from '../grid/cells';
import { LIMBS } from './limbs';
import { strokesOf } from './place';
import { changeIn, clearRegion, copyRegion, pasteAt, regionBetween } from './region';

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
    { numRuns: 60 },
  );
});
