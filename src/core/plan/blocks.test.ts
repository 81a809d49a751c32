import fc from 'fast-check';
import { expect, test } from 'vitest';
import { blocksOf, type TakeInBlock } from './blocks';

const MINUTE = 60_000;
const take = (minute: number, more: Partial<TakeInBlock> = {}): TakeInBlock => ({
  player_id: 'p',
  groove_id: 'g',
  at: minute * MINUTE,
  playedMs: 2 * MINUTE,
  tempo: 80,
  isClean: false,
  counts: true,
  ...more,
});
const blocks = (...takes: TakeInBlock[]) => blocksOf(takes, (one) => one);

test('takes of one thing by one person are a block, with how long it sounded and between which tempos', () => {
  const all = blocks(take(10, { tempo: 88, isClean: true }), take(5, { tempo: 84 }), take(0));
  expect(all).toHaveLength(1);
  expect(all[0]).toMatchObject({ from: 0 });
  expect(all[0]!.practised).toEqual({ soundingMs: 6 * MINUTE, slowest: 80, quickest: 88, clean: 1 });
});

test('what does not count stands in the block, and in none of its figures', () => {
  const kit = { tempo: 120, isClean: true, counts: false };
  const [block] = blocks(take(10, kit), take(5), take(0, kit));
  expect(block).toMatchObject({ from: 0, practised: { soundingMs: 2 * MINUTE, slowest: 80, quickest: 80, clean: 0 } });
  expect(block!.takes).toHaveLength(3);
  expect(blocks(take(0, kit))[0]!.practised).toBeUndefined();
});

test('another thing, another person or a pause of more than an hour begins another', () => {
  expect(blocks(take(9), take(6, { groove_id: 'h' }), take(3))).toHaveLength(3);
  expect(blocks(take(9), take(6, { player_id: 'q' }))).toHaveLength(2);
  // The pause is from the end of one to the beginning of the next.
  expect(blocks(take(62), take(0))).toHaveLength(1);
  expect(blocks(take(62.01), take(0))).toHaveLength(2);
});

test('no take is lost or put elsewhere', () => {
  const any = fc.record({
    gap: fc.integer({ min: 1, max: 100 }),
    player_id: fc.constantFrom('p', 'q'),
    groove_id: fc.constantFrom('g', 'h'),
  });
  fc.assert(
    fc.property(fc.array(any, { maxLength: 30 }), (steps) => {
      let at = 100_000;
      const takes = steps.map(({ gap, ...more }) => take((at -= gap), more));
      expect(blocks(...takes).flatMap((block) => block.takes)).toEqual(takes);
    }),
  );
});
