import fc from 'fast-check';
import { expect, test } from 'vitest';
import { Tape } from './tape';

/** All that comes of some blocks. */
const joined = (tape: Tape, blocks: Parameters<Tape['add']>[0][]) => blocks.flatMap((block) => [...tape.add(block)]);
const samplesFrom = (frame: number, count: number) => Float32Array.from({ length: count }, (_, index) => frame + index);

test('what came before its first frame is cut off, and what was left out is silence', () => {
  const tape = new Tape(100, 1000);
  expect([...tape.add({ frame: 90, samples: samplesFrom(90, 5) })]).toEqual([]);
  expect([...tape.add({ frame: 95, samples: samplesFrom(95, 10) })]).toEqual([100, 101, 102, 103, 104]);
  // Three frames were skipped.
  expect([...tape.add({ frame: 108, samples: samplesFrom(108, 2) })]).toEqual([0, 0, 0, 108, 109]);
  expect(tape.skipped).toBe(3);
});

test('a block that comes twice is kept once, and no more is kept than is wished', () => {
  const tape = new Tape(0, 12);
  tape.add({ frame: 0, samples: samplesFrom(0, 8) });
  expect([...tape.add({ frame: 4, samples: samplesFrom(4, 6) })]).toEqual([8, 9]);
  expect([...tape.add({ frame: 10, samples: samplesFrom(10, 50) })]).toEqual([10, 11]);
  expect([...tape.add({ frame: 60, samples: samplesFrom(60, 5) })]).toEqual([]);
});

test('every sample stays on its frame, however the blocks are cut', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 50 }),
      fc.array(fc.record({ skip: fc.nat(5), count: fc.integer({ min: 1, max: 40 }) }), { maxLength: 20 }),
      (from, blocks) => {
        const tape = new Tape(from, 10_000);
        let frame = 0;
        const there = new Set<number>();
        const all = blocks.map(({ skip, count }) => {
          frame += skip;
          const block = { frame, samples: samplesFrom(frame, count) };
          for (let index = 0; index < count; index++) there.add(frame + index);
          frame += count;
          return block;
        });
        joined(tape, all).forEach((value, index) => expect(value).toBe(there.has(from + index) ? from + index : 0));
      },
    ),
  );
});
