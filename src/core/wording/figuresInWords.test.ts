import { describe, expect, test } from 'vitest';
import { FIGURE_KINDS, type FigureKind } from '../documents/takeFigures';
import { figureInWords } from './figuresInWords';

/** Every figure of a take as it is read. */
describe('figures', () => {
  const of: Partial<Record<FigureKind, string[]>> = {
    rate: ['2', '3.5'],
    'rate spread': ['4', '1'],
    switch: ['2>3', '4>6'],
    swing: ['8th', '16th'],
    together: ['left hand+right foot'],
    phrase: ['4'],
    height: ['left hand ghost'],
  };
  test.each(FIGURE_KINDS)('%s', (kind) => {
    const lines = (of[kind] ?? ['left hand']).flatMap((one) =>
      [
        { value: 12.34, low: 9.2, high: 15.5, n: 24, meant: 2 },
        { value: -0.42, low: -0.8, high: -0.02, n: 24 },
        { value: 0.25, low: null, high: null, n: 1 },
        { value: null, low: null, high: null, n: 0 },
      ].map((estimate) => Object.values(figureInWords({ kind, of: one, ...estimate })).join(' | ')),
    );
    expect(lines.join('\n')).toMatchSnapshot();
    expect(lines.join('\n')).not.toMatch(/undefined|NaN|−0(\.0)?\b(?!\.)/);
  });
});
