import { describe, expect, test } from 'vitest';
import { oneLine, together } from '../testing/arbitrary';
import { format } from '../time/fraction';
import { dropCell, dropValue } from './drop';
import { strokesOf } from './place';
import type { Answer } from './transformed';

const groove = together(oneLine('tttt'), oneLine('A.A.', 'right foot'));
const done = (answer: Answer) => {
  if (!answer.ok) throw new Error(answer.problems[0]!.say);
  return answer.value;
};
const feet = (answer: Answer) => strokesOf(done(answer).groove).filter(({ limb }) => limb === 'right foot');

describe('dropping a line on the strip', () => {
  test('a note value, in place of what the limb played; the grid follows', () => {
    const triplets = dropValue(groove, 'right foot', '8th triplet');
    expect(feet(triplets)).toHaveLength(12);
    expect(done(triplets).groove.bars[0]!.cells).toEqual(Array.from({ length: 4 }, () => ({ counts: 1, parts: 3 })));
    expect(strokesOf(done(triplets).groove)).toHaveLength(16);
    expect(feet(dropValue(groove, 'right foot', 'dotted quarter')).map(({ at }) => format(at))).toEqual([
      '0',
      '3/8',
      '3/4',
    ]);
  });

  test('what the other limbs’ counts cannot hold is said', () => {
    expect(dropValue(groove, 'right foot', 'quarter triplet')).toMatchObject({ ok: true });
    const sixteenths = together(oneLine('t.t. tttt tttt tttt'), oneLine('A... .... .... ....', 'right foot'));
    expect(dropValue(sixteenths, 'right foot', '8th triplet')).toMatchObject({ ok: false });
  });

  test('a cell of five 16ths is home on 1 after five bars, its first note an accent', () => {
    const cells = dropCell(groove, 'right foot', 5, '16th');
    expect(done(cells).groove.bars).toHaveLength(5);
    expect(feet(cells).filter(({ height }) => height === 'accent')).toHaveLength(16);
    expect(done(cells).say).toContain('home on 1 after 5 bars');
    const two = { ...groove, bars: [groove.bars[0]!, groove.bars[0]!] };
    expect(done(dropCell(two, 'right foot', 3, '8th')).groove.bars).toHaveLength(4);
    expect(dropCell(groove, 'right foot', 4, '8th triplet')).toMatchObject({ ok: true });
  });
});
