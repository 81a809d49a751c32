import { describe, expect, test } from 'vitest';
import { readGroove, writeGroove } from '@/core/documents/groove';
import { STARTER_GROOVES } from '@/server/demo/grooves';
import { ZERO } from '@/core/time/fraction';
import { oneLine, together } from '@/core/testing/arbitrary';
import { TRANSFORMS, usualChoices, type Choices } from './transforms';

const cursor = { bar: 0, limb: 'right hand' as const, at: ZERO };
const groove = together(oneLine('tttttttt', 'right hand', 80), oneLine('..A...A.', 'left hand'));
const made = (name: string, change: Partial<Choices> = {}) => {
  const answer = TRANSFORMS.find((one) => one.name.startsWith(name))!.make(
    groove,
    { ...usualChoices(cursor), ...change },
    cursor,
  );
  if (!('ok' in answer)) return answer.say;
  return answer.ok ? answer.value.say : `no: ${answer.problems[0]!.say}`;
};

test.each(TRANSFORMS.map((one) => [one.name, one] as const))(
  '%s gives every groove of the shelf a valid one with a sentence, or says what is in its way',
  (_, one) => {
    let worked = 0;
    for (const { groove: each } of STARTER_GROOVES) {
      const answer = one.make(each, usualChoices(cursor), cursor);
      if ('ok' in answer && !answer.ok) {
        const [problem] = answer.problems;
        expect(problem!.say.length * problem!.remedy.length).toBeGreaterThan(0);
        continue;
      }
      worked++;
      const given = 'ok' in answer ? answer.value : answer;
      expect(given.say).toMatch(/\.$/);
      const read = readGroove(JSON.parse(JSON.stringify(writeGroove(given.groove))));
      if (!read.ok) throw new Error(`${each.title}: ${read.problems[0]!.say}`);
    }
    expect(worked).toBeGreaterThan(0);
  },
);

describe('what is chosen', () => {
  test('moves by slots or note values, some limbs or none', () => {
    expect(made('Move', { limbs: ['left hand'], step: '8th', times: 2 })).toBe(
      'The left hand now comes 1 count later, wrapped round the groove.',
    );
    expect(made('Move', { way: 'earlier' })).toContain('1/2 count earlier');
    expect(made('Move', { limbs: [] })).toBe('no: No limb is chosen.');
  });

  test('re-rates all, or so many and then the rest', () => {
    expect(made('Re-rate', { value: '16th' })).toContain('8 × 16th');
    expect(made('Re-rate', { value: 'quarter', first: '2', then: '8th' })).toContain('2 × quarter, 6 × 8th');
    expect(made('Re-rate', { first: 'many' })).toContain('whole number');
  });

  test('accents on the notes that are named', () => {
    expect(made('Accents', { of: 4, on: '1, 4' })).toBe('The right hand accents 2 in 4.');
    expect(made('Accents', { of: 3, on: '4' })).toBe('no: There is no note 4 in 3.');
    expect(made('Accents', { of: 3, on: 'x' })).toBe('no: There is no note x in 3.');
    expect(made('Accents', { on: '' })).toContain('no: A pattern without an accent');
  });
});
