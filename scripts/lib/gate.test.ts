import { expect, test, vi } from 'vitest';
// @ts-expect-error no types: it runs before packages are installed
import { Gate as AnyGate } from './gate.mjs';

interface GateLike {
  enter: () => Promise<(() => void) | undefined>;
}
const Gate = AnyGate as new (bounds: { atOnce: number; mostWaiting: number; patienceMs: number }) => GateLike;

test('so many are inside, the others wait in their order, and whoever finds too many waiting is turned away', async () => {
  const gate = new Gate({ atOnce: 2, mostWaiting: 2, patienceMs: 1000 });
  const [first, second] = [await gate.enter(), await gate.enter()];
  const seen: string[] = [];
  const third = gate.enter().then((leave) => (seen.push('third'), leave));
  const fourth = gate.enter().then((leave) => (seen.push('fourth'), leave));
  expect(await gate.enter()).toBeUndefined();
  expect(seen).toEqual([]);
  first!();
  // Leaving twice lets nobody in twice.
  first!();
  const leaveThird = await third;
  expect(seen).toEqual(['third']);
  second!();
  await fourth;
  expect(seen).toEqual(['third', 'fourth']);
  leaveThird!();
  expect(await gate.enter()).toBeTypeOf('function');
});

test('nobody waits longer than they may', async () => {
  vi.useFakeTimers();
  const gate = new Gate({ atOnce: 1, mostWaiting: 5, patienceMs: 1000 });
  const leave = await gate.enter();
  const waiting = gate.enter();
  await vi.advanceTimersByTimeAsync(999);
  const later = gate.enter();
  await vi.advanceTimersByTimeAsync(1);
  expect(await waiting).toBeUndefined();
  leave!();
  expect(await later).toBeTypeOf('function');
  vi.useRealTimers();
});
