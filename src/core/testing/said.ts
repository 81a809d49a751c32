import { expect } from 'vitest';
import { sayOn } from '../phrase/say';
import { SCHOOLS } from '../counting/schools';
import { cellsOfDivisions, type Cell } from '../grid/cells';
import type { Reading } from '../grid/meter';
import type { Groove, Stroke } from '../groove/groove';
import { LIMBS, type Limb } from '../groove/limbs';
import { compare, exact, format } from '../time/fraction';
import { meterOf } from './arbitrary';

/** The school that phrases are said in where no other is named. */
export const [school] = SCHOOLS;

export interface At {
  limb: Limb;
  surface: Stroke['surface'];
  bar: number;
  at: string;
  height: Stroke['height'];
  ornament?: Stroke['ornament'];
}

/** A groove of bars of one grid, with strokes on it. */
export function grooveOf(
  meter: string,
  grid: number | number[] | Cell[],
  { bars = 1, strokes = [], reading = 'numbers' }: { bars?: number; strokes?: At[]; reading?: Reading } = {},
): Groove {
  return {
    version: 1,
    title: 'Said',
    reading,
    tempo: 60,
    bars: Array.from({ length: bars }, (_, index) => ({
      meter: meterOf(meter),
      cells: cellsOfDivisions(meterOf(meter), reading, grid),
      strokes: inOrder(
        strokes
          .filter(({ bar }) => bar === index + 1)
          .map(({ bar: _bar, at, ...stroke }) => ({ ...stroke, at: exact(at) })),
      ),
    })),
  };
}
const inOrder = (strokes: Stroke[]) =>
  strokes.toSorted((a, b) => compare(a.at, b.at) || LIMBS.indexOf(a.limb) - LIMBS.indexOf(b.limb));

const short: Record<Limb, string> = { 'right hand': 'RH', 'left hand': 'LH', 'right foot': 'RF', 'left foot': 'LF' };
const HEIGHT = { tap: '', accent: '!', ghost: '·' } as const;
/** Every stroke as one word: "RF kick 1/4!". */
export const wordsOf = (groove: Groove): string[] =>
  groove.bars.flatMap(({ strokes }, bar) =>
    strokes.map(
      ({ limb, surface, at, height, ornament }) =>
        `${bar ? `${bar + 1}: ` : ''}${short[limb]} ${surface} ${format(at)}${HEIGHT[height]}${ornament ? `~${ornament}` : ''}`,
    ),
  );

/** What stands after a phrase on an empty bar of 16ths, or why it is refused. */
export function after(text: string, groove: Groove = grooveOf('4/4', 4), limb: Limb = 'right hand'): string[] | string {
  const answer = sayOn(groove, text, { school, limb });
  if (!answer.ok) return `${answer.problems[0]!.where}: ${answer.problems[0]!.say}`;
  expectSaidBack(groove, text, limb);
  return wordsOf(answer.groove);
}

/** What is said back is read to the same groove again. */
export function expectSaidBack(groove: Groove, text: string, limb: Limb, of = school) {
  const answer = sayOn(groove, text, { school: of, limb });
  if (!answer.ok) return;
  const again = sayOn(groove, answer.said, { school: of, limb });
  expect(again.ok ? wordsOf(again.groove) : again.problems, `${text} → ${answer.said}`).toEqual(wordsOf(answer.groove));
}
