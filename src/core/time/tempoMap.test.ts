import { expect, test } from 'vitest';
import { exact, ZERO } from './fraction';
import { clock, tempoAt, type TempoMap } from './tempoMap';

test('a tempo map goes on from each change, and the first tempo holds before the first bar', () => {
  const beat = exact('1/4');
  const map: TempoMap = [
    { at: ZERO, bpm: 60, beat },
    { at: exact('1'), bpm: 120, beat },
    { at: exact('2'), bpm: 40, beat },
  ];
  const toMs = clock(map);
  expect(['-1', '0', '1/2', '1', '3/2', '2', '9/4'].map((at) => toMs(exact(at)))).toEqual([
    -4000, 0, 2000, 4000, 5000, 6000, 7500,
  ]);
  expect(['-1', '1', '5'].map((at) => tempoAt(map, exact(at)).bpm)).toEqual([60, 120, 40]);
});
