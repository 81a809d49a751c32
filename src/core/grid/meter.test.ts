import { describe, expect, test } from 'vitest';
import { format } from '../time/fraction';
import { countsOf, formatMeter, isCompound, parseMeter } from './meter';
import { meterOf } from '../testing/arbitrary';

describe('meters', () => {
  test.each([
    ['4/4', 4],
    ['7/8 (2+2+3)', 7],
    [' 12 / 8 ', 12],
    ['15/16', 15],
    ['2/2', 2],
  ])('%s', (text, beats) => {
    expect(meterOf(text).beats).toBe(beats);
  });

  test.each([
    ['0/4', /1 to 32/],
    ['33/4', /1 to 32/],
    ['4/3', /2, 4, 8 or 16/],
    ['7/8 (2+2)', /add up to the number/],
    ['waltz', /like 4\/4/],
    ['7/8 (0+7)', /add up/],
  ])('%s is refused with what would work', (text, words) => {
    const read = parseMeter(text);
    expect(!read.ok && read.problems[0]!.remedy).toMatch(words);
  });

  test('compound meters are counted in numbers or in pulses, others in numbers either way', () => {
    expect(countsOf(meterOf('12/8'), 'pulse').map(({ at }) => format(at))).toEqual(['0', '3/8', '3/4', '9/8']);
    expect(countsOf(meterOf('12/8'), 'numbers')).toHaveLength(12);
    expect(countsOf(meterOf('7/8'), 'pulse')).toHaveLength(7);
    expect([isCompound(meterOf('6/8')), isCompound(meterOf('3/8')), isCompound(meterOf('6/4'))]).toEqual([
      true,
      false,
      false,
    ]);
    expect(formatMeter(meterOf('7/8 (2+2+3)'))).toBe('7/8');
  });
});
