import { expect, test } from 'vitest';
import { modulatedBpm } from './modulation';
import { valuesInWords } from './noteValue';

test('several of a note value', () => {
  expect((['half', 'dotted half', 'half triplet', 'quarter', '32nd'] as const).map(valuesInWords)).toEqual([
    'halves',
    'dotted halves',
    'half triplets',
    'quarters',
    '32nds',
  ]);
});

test('this note = that note: the new tempo is exact', () => {
  const from = { bpm: 90, oldBeat: 'quarter', newBeat: 'quarter' } as const;
  expect(modulatedBpm({ ...from, oldNote: '8th triplet', newNote: '8th' })).toBe(135);
  expect(modulatedBpm({ ...from, oldNote: 'quarter', newNote: 'dotted quarter' })).toBe(135);
  expect(modulatedBpm({ ...from, oldNote: '16th', newNote: '16th', newBeat: '8th' })).toBe(180);
  expect(modulatedBpm({ ...from, oldBeat: 'dotted quarter', oldNote: '8th', newNote: '8th' })).toBe(135);
});
