import { describe, expect, test } from 'vitest';
import { metersInWords } from '@/core/groove/groove';
import { STARTER_GROOVES } from '@/server/demo/grooves';
import type { GrooveRow } from '@/server/grooves';
import { factsOf } from '@/ui/words/grooves';
import { choicesIn, EVERYTHING, found, type Wanted } from './find';

const shelf: GrooveRow[] = STARTER_GROOVES.map(({ groove, level, tags }, index) => ({
  id: String(index),
  title: groove.title,
  ...factsOf(groove),
  // As the database keeps it: without the grouping.
  meter: metersInWords(groove),
  level,
  tempo: groove.tempo,
  tags,
  archived: groove.title === 'First oar',
  favourite: groove.title === 'Ferry ramp',
  saved_at: new Date(index * 1000),
  drill_exercises: null,
  drill_repeats: null,
  drill_pace: null,
  chart_bars: null,
  at_sight: false,
}));
const titles = (wanted: Partial<Wanted>) => found(shelf, { ...EVERYTHING, ...wanted }).map(({ title }) => title);

describe('finding', () => {
  test('every word counts, wherever it stands', () => {
    expect(titles({ words: 'shuffle half' })).toEqual(['Slow pulley']);
    expect(titles({ words: '7/ advanced' })).toEqual(['Seven bells']);
    expect(titles({ words: 'nothing like it' })).toEqual([]);
    expect(titles({ words: '  ' })).toHaveLength(shelf.length - 1);
  });

  test('filters hold together with the words', () => {
    expect(titles({ meter: '6/8', feel: 'compound' })).toEqual(['Counting oars', 'Six oars']);
    expect(titles({ tag: 'jazz ride', level: 'second year' })).toEqual(['Lamplight ride']);
    expect(titles({ favourites: true })).toEqual(['Ferry ramp']);
    expect(titles({ archived: true })).toEqual(['First oar']);
    expect(titles({ feel: 'swung', words: '16ths' })).toEqual(['Light rain on deck']);
  });

  test('sorts by level, title, tempo and last change', () => {
    expect(titles({ sort: 'title' })[0]).toBe('Backbeat at the boathouse');
    expect(titles({ sort: 'slowest first' })[0]).toBe('Six oars');
    expect(titles({ sort: 'changed last' })[0]).toBe(shelf.at(-1)!.title);
    expect(found(shelf, EVERYTHING)[0]!.level).toBe('first year');
  });

  test('offers what is there', () => {
    const { meters, tags } = choicesIn(shelf);
    expect(meters.slice(0, 3)).toEqual(['3/4', '4/4', '5/4']);
    expect(tags).toContain('ghost notes');
  });
});
