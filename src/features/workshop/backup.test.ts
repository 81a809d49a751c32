import { expect, test } from 'vitest';
import { backupOverdue, rowsInWords } from './backup';

test('a backup is asked for when the last one is as old as is wanted, and where there is none', () => {
  const now = new Date('2026-11-26T12:00:00Z');
  const daysAgo = (days: number) => new Date(now.getTime() - days * 86_400_000);
  expect(backupOverdue(daysAgo(6.9), 7, now)).toBeUndefined();
  expect(backupOverdue(daysAgo(7), 7, now)).toBe('The last backup is 7 days old.');
  expect(backupOverdue(daysAgo(1), 1, now)).toBe('The last backup is 1 day old.');
  expect(backupOverdue(null, 7, now)).toBe('No backup has been made yet.');
  expect(backupOverdue(null, 0, now)).toBeUndefined();
});

test('what a backup holds is said by what people know, and nothing of what is not there', () => {
  expect(rowsInWords({ workshop: 1, person: 8, groove: 1, drill: 0, take: 112, take_place: 2082 })).toBe(
    '8 people, 1 groove and 112 takes',
  );
});
