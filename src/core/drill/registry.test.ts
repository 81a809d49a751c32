import { describe, expect, test } from 'vitest';
import { z } from 'zod';
import { writeGroove } from '../documents/groove';
import type { Groove, Stroke } from '../groove/groove';
import { setOrnament } from '../groove/edit';
import { oneLine, together } from '../testing/arbitrary';
import { rule } from '../testing/drills';
import { exact, format } from '../time/fraction';
import { CHOOSING_VERSION } from './difficulty';
import { makeDrill } from './drill';
import type { Family } from './family';
import { FAMILIES } from './registry';
import { generatorOf } from './rule';

/**
 * What every family writes, pinned stroke by stroke, with each choice it offers. Exercises that were picked or set by
 * their number are others when this changes: raise the family's version, which is part of each name here.
 */

const SHORT = { 'right hand': 'R', 'left hand': 'L', 'right foot': 'K', 'left foot': 'P' } as const;
const HEIGHT = { ghost: '·', tap: '', accent: '>' } as const;
const inShort = ({ at, limb, surface, height, ornament }: Stroke) =>
  `${format(at)}${SHORT[limb]}${HEIGHT[height]}${surface === 'snare' ? '' : ` ${surface}`}${ornament ? ` ${ornament}` : ''}`;
const barsInShort = ({ bars }: Groove) =>
  bars
    .map(({ meter, cells, strokes }) =>
      [
        `${meter.beats}/${meter.unit}`,
        cells.map(({ counts, parts }) => (counts > 1 ? `${parts}:${counts}` : parts)).join(' '),
        strokes.map(inShort).join(', '),
      ].join(' | '),
    )
    .join('\n    ');

/** A drill as text: each exercise with its bars, its difficulty and what stands in its way; or why there is none. */
function written(json: unknown): string {
  const drill = makeDrill(json);
  if (!drill.ok)
    return drill.problems
      .map(({ code, path, where, say, remedy }) => [code, path.join('.'), where, say, remedy].join(' | '))
      .join('\n');
  const { trains, total, different, said, exercises } = drill.value;
  return [
    `${trains} | ${total} | ${different} | ${said}`,
    ...exercises.flatMap(({ index, say, difficulty, fromBefore, groove, findings }) => [
      `${index}. ${say} | ${difficulty.score}: ${difficulty.reasons.map((reason) => `${reason.say} (${reason.points})`).join(', ')} | ${fromBefore}`,
      `    ${barsInShort(groove)}`,
      ...new Set(findings.map(({ kind, say }) => `    ! ${kind}: ${say}`)),
    ]),
  ].join('\n');
}

interface Choice {
  enum?: unknown[];
  type?: string;
  items?: { enum?: unknown[]; anyOf?: { const: unknown }[] };
  minimum?: number;
  maximum?: number;
}

/** Every choice of each parameter, one parameter at a time. */
function choices({ shape }: Family): Record<string, unknown>[] {
  const { properties } = z.toJSONSchema(shape, { io: 'input', unrepresentable: 'any' }) as {
    properties: Record<string, Choice>;
  };
  return Object.entries(properties).flatMap(([name, { enum: one, type, items, minimum, maximum }]) => {
    const several = items?.enum ?? items?.anyOf?.map((each) => each.const);
    const values = [
      ...(one ?? several?.map((each) => [each]) ?? []),
      ...(type === 'boolean' ? [false, true] : []),
      ...(type === 'integer' ? [minimum, Math.min(3, maximum!), Math.min(6, maximum!)] : []),
    ];
    return values.map((value) => ({ [name]: value }));
  });
}

const FIGURE = writeGroove(
  setOrnament(
    together(oneLine('A.tg.tA.', 'right hand'), oneLine('..A...A.', 'left hand'), oneLine('A..tA...', 'right foot')),
    { bar: 0, limb: 'left hand', at: exact('1/4') },
    'flam',
  ),
);
const takesFigure = ({ shape }: Family) => 'figure' in (shape as unknown as z.ZodObject).shape;

describe.each(
  FAMILIES.map((family) => [`${family.name}, version ${family.version} and ${CHOOSING_VERSION}`, family] as const),
)('%s', (_, family) => {
  const few = { most: 4, order: 'as generated' };
  const figures = makeDrill(rule(family.name)).ok ? {} : { figure: FIGURE };

  test('as it is usually', () => {
    expect(rule(family.name).generator).toBe(generatorOf(family));
    expect(written(rule(family.name, figures, { ...few, most: 12, order: 'easy to hard' }))).toMatchSnapshot();
  });

  test.each(choices(family))('with %j', (params) => {
    expect(written(rule(family.name, { ...figures, ...params }, few))).toMatchSnapshot();
  });

  test.each([
    { meter: '3/4', parts: 3 },
    { meter: '6/8', parts: 2, ostinato: 'hat 8ths' },
    { meter: '12/8', parts: 1 },
    { meter: '5/4', parts: 4, ostinato: 'kick on 1 and 3, hat foot on 2' },
    { parts: 6, ostinato: 'ride quarters, hat foot on 2 and 4', goal: 160 },
    { parts: 2, ostinato: 'hat 8ths', withoutTurnings: true, order: 'shuffled', seed: 3 },
    { ostinato: '' },
  ])('over %j', (ground) => {
    expect(written(rule(family.name, figures, { ...few, most: 3, ...ground }))).toMatchSnapshot();
  });

  if (takesFigure(family))
    test('with a figure of its own, and without one', () => {
      expect(written(rule(family.name, { figure: FIGURE }, few))).toMatchSnapshot();
      expect(written(rule(family.name, {}, few))).toMatchSnapshot();
    });
});
