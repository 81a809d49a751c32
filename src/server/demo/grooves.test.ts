import { describe, expect, test } from 'vitest';
import { feelOf } from '@/core/groove/beat';
import { check } from '@/core/schedule/speeds';
import { readGroove, writeGroove } from '@/core/documents/groove';
import { metersInWords } from '@/core/groove/groove';
import { STARTER_GROOVES } from './grooves';
import { DEMO_STUDENTS } from './people';
import { grooveOf, type Written } from './shelf/writtenDown';

const all = STARTER_GROOVES.map(({ groove, ...rest }) => ({ ...rest, groove, title: groove.title }));

test.each(all.map((one) => [one.title, one] as const))(
  '%s is valid, can be played at its tempo, and is tagged',
  (_, { groove, tags }) => {
    const read = readGroove(writeGroove(groove));
    if (!read.ok) throw new Error(`${read.problems[0]!.where}: ${read.problems[0]!.say}`);
    expect(check(groove, groove.tempo)).toEqual([]);
    expect(tags.length).toBeGreaterThan(0);
    expect(groove.bars.some(({ strokes }) => strokes.length > 0)).toBe(true);
  },
);

describe('the shelf', () => {
  test('has thirty and more, each title once', () => {
    expect(all.length).toBeGreaterThanOrEqual(30);
    expect(new Set(all.map(({ title }) => title)).size).toBe(all.length);
  });

  test.each([
    'backbeat',
    '8ths',
    '16ths',
    'off-beat feet',
    'ghost notes',
    'island',
    'quarter pulse',
    'shuffle',
    'half-time shuffle',
    'jazz ride',
    'compound',
    'odd meter',
    'mixed divisions',
    'fill',
    'toms',
    'flams',
    'drags',
    'rolls',
  ])('has %s', (tag) => {
    expect(all.filter(({ tags }) => tags.includes(tag)).length).toBeGreaterThan(0);
  });

  test.each(['6/8', '12/8', '5/4', '5/8', '7/4', '7/8', '15/16'])('has %s', (meter) => {
    expect(all.some(({ groove }) => metersInWords(groove) === meter)).toBe(true);
  });

  test('has every feel on every level that a student may be at', () => {
    expect(new Set(all.map(({ groove }) => feelOf(groove)))).toEqual(new Set(['straight', 'swung', 'compound']));
    expect(new Set(all.map(({ level }) => level))).toEqual(new Set(['first year', 'second year', 'advanced']));
  });

  test('has whatever the demo’s students were set', () => {
    for (const { assignments } of DEMO_STUDENTS)
      for (const { groove } of assignments) expect(all.map(({ title }) => title)).toContain(groove);
  });
});

describe('writing one down', () => {
  const plain: Written = {
    title: 'Plain',
    level: 'first year',
    meter: '4/4',
    tempo: 60,
    parts: [2, 2, [3, 2]],
    tags: [],
    lines: [['right hand', 'snare', 'At g. F2b']],
  };

  test('letters are heights and ornaments, pairs are tuplets over several counts', () => {
    const [bar] = grooveOf(plain).bars;
    expect(bar!.cells).toEqual([
      { counts: 1, parts: 2 },
      { counts: 1, parts: 2 },
      { counts: 2, parts: 3 },
    ]);
    expect(bar!.strokes.map(({ height, ornament }) => `${height} ${ornament ?? '-'}`)).toEqual([
      'accent -',
      'tap -',
      'ghost -',
      'accent flam',
      'tap double',
      'tap buzz',
    ]);
  });

  test('a line that does not fit is a mistake of ours, said with its place', () => {
    expect(() => grooveOf({ ...plain, lines: [['left hand', 'snare', 't']] })).toThrow(
      'Plain, left hand, bar 1: 1 letters for 7 slots',
    );
    expect(() => grooveOf({ ...plain, meter: '4/5' })).toThrow('Plain');
  });
});
