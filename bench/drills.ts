/** All patterns of 16 slots counted, and 1,000 of them made and scored; every family at its usual values. */
import { makeDrill } from '../src/core/drill/drill';
import { readyRule, usualRule } from '../src/core/drill/rule';
import { FAMILIES, familyNamed } from '../src/core/drill/registry';
import { medianMs, printTable } from './table';

const every = usualRule(familyNamed('between')!, {
  params: { where: 'every combination' },
  ostinato: '',
  parts: 4,
  most: 1000,
});
const countMs = medianMs(() => void readyRule(every));
const makeMs = medianMs(() => void makeDrill(every), 3);
const drill = makeDrill(every);
if (!drill.ok) throw new Error('nothing made');
printTable(
  'drills: every pattern of 16 slots',
  ['patterns counted', 'ms to count', 'looked at', 'made and scored', 'ms to make', 'bars a second'],
  [
    [
      drill.value.total,
      countMs,
      5000,
      drill.value.exercises.length,
      makeMs,
      drill.value.exercises.length / (makeMs / 1000),
    ],
  ],
);

printTable(
  'drills: each family at its usual values, 4/4 16ths, at most 1,000',
  ['family', 'exercises', 'bars', 'ms', 'bars a second'],
  FAMILIES.map((family) => {
    const rule = usualRule(family, { most: 1000 });
    const made = makeDrill(rule);
    if (!made.ok) throw new Error(`${family.name} makes nothing`);
    const bars = made.value.exercises.reduce((total, { groove }) => total + groove.bars.length, 0);
    const ms = medianMs(() => void makeDrill(rule), 3);
    return [family.name, made.value.exercises.length, bars, ms, bars / (ms / 1000)];
  }),
);
