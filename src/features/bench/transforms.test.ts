import { describe, expect, test } from 'vitest';
import { readGroove, writeGroove } from '@/core/documents/groove';
import { STARTER_GROOVES } from '@/server/demo/grooves';
import type { Limb } from '@/core/groove/limbs';
import { strokesOf } from '@/core/groove/place';
import type { Region } from '@/core/groove/region';
import { exact, format, ZERO } from '@/core/time/fraction';
import { oneLine, together } from '@/core/testing/arbitrary';
import { transformed, TRANSFORMS, usualChoices, type Choices } from './transforms';

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
    expect(made('Re-rate', { plan: '16ths' })).toContain('8 × 16th');
    expect(made('Re-rate', { plan: '2 quarters, 3 8th triplets, the rest in 8ths' })).toContain(
      '2 × quarter, 3 × 8th triplet, 3 × 8th',
    );
    expect(made('Re-rate', { plan: 'many' })).toBe('no: “many” is no number of notes and no note value.');
  });

  test('accents on the notes that are named', () => {
    expect(made('Accents', { of: 4, on: '1, 4' })).toBe('The right hand accents 2 in 4.');
    expect(made('Accents', { of: 3, on: '4' })).toBe('no: There is no note 4 in 3.');
    expect(made('Accents', { of: 3, on: 'x' })).toBe('no: There is no note x in 3.');
    expect(made('Accents', { on: '' })).toContain('no: A pattern without an accent');
  });
});

describe('of a selection', () => {
  const half: Region = { from: ZERO, to: exact('1/2'), limbs: ['right hand'] };
  const only = (name: string, change: Partial<Choices> = {}, region = half) => {
    const kind = TRANSFORMS.find((one) => one.name.startsWith(name))!;
    return transformed(kind, groove, { ...usualChoices(cursor), ...change }, cursor, region);
  };
  const line = (answer: ReturnType<typeof only>, limb: Limb = 'right hand') => {
    if (!answer.ok) return answer.problems[0]!.code;
    return strokesOf(answer.value.groove)
      .filter((one) => one.limb === limb)
      .map(({ at, height, surface }) =>
        [format(at), height === 'accent' ? '>' : '', surface === 'ride' ? '*' : ''].join(''),
      )
      .join(' ');
  };
  const rest = '1/2 5/8 3/4 7/8';

  test('what comes after it, and other lanes, stay', () => {
    expect(line(only('8ths as full'))).toBe(`0 1/12 1/6 1/4 1/3 5/12 ${rest}`);
    expect(line(only('Triplets first', { counts: 1 }))).toBe(`0 1/12 1/6 1/4 5/12 ${rest}`);
    expect(line(only('Move', { way: 'later', step: '8th' }))).toBe(`0 1/8 1/4 3/8 ${rest}`);
    expect(line(only('Move', { step: '16th' }))).toBe(`1/16 3/16 5/16 7/16 ${rest}`);
    expect(line(only('Accents', { of: 2, on: '2' }))).toBe(`0 1/8> 1/4 3/8> ${rest}`);
    expect(line(only('Move a limb', { surface: 'ride' }))).toBe(`0* 1/8* 1/4* 3/8* ${rest}`);
    expect(line(only('Change the hands'), 'left hand')).toBe('0 1/8 1/4 3/8 3/4>');
    expect(line(only('8ths as a', {}, { ...half, limbs: ['left hand'] }))).toBe(`0 1/8 1/4 3/8 ${rest}`);
  });

  test('other notes must find room in it', () => {
    expect(line(only('Re-rate', { plan: '16ths' }))).toBe(`0 1/16 1/8 3/16 ${rest}`);
    expect(line(only('Re-rate', { plan: 'quarters' }))).toBe('no-room');
  });

  test('what works on the whole only, does so', () => {
    expect(line(only('Double-time'))).toBe(line(only('Double-time', {}, { ...half, to: exact('1') })));
  });
});
