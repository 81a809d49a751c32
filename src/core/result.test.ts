import { describe, expect, test } from 'vitest';
import { z } from 'zod';
import { problemsOf, sentence, wrongWith } from './result';

describe('what a shape finds wrong is said in people’s words', () => {
  const shape = z.strictObject({
    name: z.string('Give it a name.').min(1, 'Give it a name.'),
    bars: z.array(z.number()).max(2),
    feel: z.enum(['straight', 'swung']),
    loud: z.boolean(),
    more: z.record(z.string(), z.string()),
    one: z.union([z.string(), z.number()]),
  });
  const right = { name: 'Ferry', bars: [1], feel: 'swung', loud: true, more: {}, one: 1 };
  const said = (change: object) => {
    const read = shape.safeParse({ ...right, ...change });
    return read.success ? [] : problemsOf(read.error).map(sentence);
  };

  test.each([
    [{}, []],
    [{ name: '' }, ['name: Give it a name.']],
    [{ bars: 7 }, ['bars: It has to be a list.']],
    [{ bars: undefined }, ['bars: It is missing.']],
    [{ bars: [1, 'x'] }, ['bars 2: It has to be a number.']],
    [{ bars: [1, 2, 3] }, ['bars: It is too long or too high.']],
    [{ feel: 'lazy' }, ['feel: It is none of what can stand here.']],
    [{ loud: 3 }, ['loud: It has to be yes or no.']],
    [{ more: 3 }, ['more: It has to be a record.']],
    [{ one: [] }, ['one: It is none of what can stand here.']],
    [{ x: 1 }, ['“x” is not known here.']],
    [{ x: 1, y: 2 }, ['“x”, “y” are not known here.']],
  ])('%j', (change, sentences) => expect(said(change)).toEqual(sentences));

  test('the first of them by itself', () => {
    expect(wrongWith(shape, right)).toBeUndefined();
    expect(wrongWith(shape, { ...right, loud: 'no' })).toBe('It has to be yes or no.');
  });
});
