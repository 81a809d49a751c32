/** How many strokes a second are matched, from 100 to 50,000; the cost must grow about in line with them. */
import { normal, randomFrom } from '../src/core/random';
import { matchLine } from '../src/core/judging/align/match';
import { medianMs, printTable } from './table';

const perStroke: number[] = [];
const rows = [100, 1000, 10_000, 50_000].map((strokes) => {
  const random = randomFrom(strokes);
  const expected = Array.from({ length: strokes }, (_, index) => index * 125);
  const hits = expected
    .flatMap((due) => (random() < 0.03 ? [] : [due / 1.004 + 12 * normal(random)]))
    .sort((a, b) => a - b);
  const ms = medianMs(() => matchLine(expected, hits), 15);
  perStroke.push(ms / strokes);
  return [strokes, ms, (1000 * strokes) / ms, (1000 * ms) / strokes];
});
printTable(
  'matching: one limb, 0.4 % fast, spread 12 ms, 3 % missed',
  ['strokes', 'ms', 'strokes/s', 'µs a stroke'],
  rows,
);
console.log(
  `\nA stroke of 50,000 costs ${(perStroke.at(-1)! / perStroke[1]!).toFixed(2)} times what one of 1,000 does (1 = linear).`,
);
