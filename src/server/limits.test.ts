import { expect, test } from 'vitest';
import { MOST_QUESTIONS, RUNGS, SUBJECTS } from '@/core/documents/listening';
import { INPUTS } from '@/core/documents/take';
import { LIMBS, SETUPS } from '@/core/groove/limbs';
import * as limits from '@/core/limits';
import { throwAwayDatabase } from './testing/throwAway';

const here = throwAwayDatabase('limits');

/** The numbers and the quoted words of a table's check of a column, as PostgreSQL writes it back. */
async function checked(table: string, column: string) {
  const { rows } = await here.owner.query<{ check: string }>(
    `select pg_get_constraintdef(c.oid) as check from pg_constraint c
     join pg_attribute a on a.attrelid = c.conrelid and a.attnum = any(c.conkey)
     where c.contype = 'c' and c.conrelid = $1::regclass and a.attname = $2`,
    [table, column],
  );
  const text = rows.map(({ check }) => check).join(' ');
  return {
    numbers: [...text.replaceAll(/'[^']*'/g, '').matchAll(/\d+/g)].map(([number]) => Number(number)),
    words: [...text.matchAll(/'([^']*)'/g)].map(([, word]) => word!),
  };
}

test.each([
  ['workshop', 'name', [1, limits.MOST_NAME]],
  ['workshop', 'place', [limits.MOST_PLACE]],
  ['person', 'name', [1, limits.MOST_NAME]],
  ['person', 'sign_in_name', [2, limits.MOST_SIGN_IN_NAME]],
  ['person', 'school', [1, limits.MOST_SCHOOL_NAME]],
  ['groove', 'title', [1, limits.MOST_TITLE]],
  ['groove', 'tempo', [limits.SLOWEST, limits.FASTEST]],
  ['groove', 'tags', [limits.MOST_TAGS, limits.MOST_TAG_CHARACTERS]],
  ['assignment', 'tempo', [limits.SLOWEST, limits.FASTEST]],
  ['assignment', 'click', [1, limits.MOST_CLICK_NAME]],
  ['assignment', 'minutes', [1, limits.MOST_MINUTES]],
  ['assignment', 'reason', [limits.MOST_REASON]],
  ['take', 'tempo', [limits.SLOWEST, limits.FASTEST]],
  ['take', 'tolerance_factor', [limits.STRICTEST, limits.MOST_TOLERANT]],
  ['take', 'click', [limits.MOST_CLICK_NAME]],
  ['recording', 'length_ms', [1, limits.LONGEST_KEPT_MS]],
  ['recording', 'sound', [1, limits.MOST_SOUND_BYTES]],
  ['ears', 'name', [1, limits.MOST_NAME]],
  ['ladder', 'tempo', [limits.SLOWEST, limits.FASTEST]],
  ['listening', 'asked', [1, MOST_QUESTIONS, 0]],
  ['listening', 'rung', [0, RUNGS - 1]],
  ['drill', 'name', [1, limits.MOST_NAME]],
  ['drill', 'family', [limits.MOST_FAMILY_NAME]],
  ['drill', 'tags', [limits.MOST_TAGS, limits.MOST_TAG_CHARACTERS]],
])('the check of %s.%s is the core’s', async (table, column, numbers) => {
  expect((await checked(table, column)).numbers).toEqual(numbers);
});

test.each([
  ['person', 'level', limits.LEVELS],
  ['person', 'setup', SETUPS],
  ['groove', 'level', limits.LEVELS],
  ['take', 'level', limits.LEVELS],
  ['take', 'input', [...INPUTS, 'simulated kit']],
  ['take_place', 'limb', LIMBS],
  ['listening', 'subject', SUBJECTS],
])('the words of %s.%s are the core’s', async (table, column, words) => {
  expect((await checked(table, column)).words.toSorted()).toEqual([...new Set(words)].toSorted());
});
