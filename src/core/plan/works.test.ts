import { describe, expect, test } from 'vitest';
import type { Recall } from './review';
import { worksFor, type PassedWork, type SetWork, type ToPractise } from './works';

const recall = (dueOn: number, gap = 10, back = 0): Recall => ({
  passedOn: 50,
  lastOn: dueOn - gap,
  last: 'good',
  gap,
  dueOn,
  bpm: 90 - 4 * back,
  back,
  failed: 0,
});
const passed = (id: string, dueOn: number, more: Partial<PassedWork> = {}): PassedWork => ({
  grooveId: id,
  title: id,
  goal: 90,
  assignmentId: null,
  recall: recall(dueOn),
  ...more,
});
const set = (id: string, more: Partial<SetWork> = {}): SetWork => ({
  assignmentId: `a ${id}`,
  grooveId: id,
  subject: null,
  title: id,
  goal: 90,
  from: 60,
  minutes: 10,
  todayMs: 0,
  isPassed: false,
  dueIn: null,
  ...more,
});
const works = (more: Partial<ToPractise>) =>
  worksFor({ today: 100, homework: [], passed: [], paths: [], tunes: [], ...more });
const keys = (more: Partial<ToPractise>) => works(more).map(({ key }) => key);

describe('what could be practised', () => {
  test('homework, with the minutes that are left of today; done, or passed, it is not new', () => {
    expect(works({ homework: [set('g', { todayMs: 7.9 * 60_000 })] })[0]).toMatchObject({
      key: 'set a g',
      opens: { bpm: 60, assignment: 'a g' },
      why: { code: 'set', left: 3, dueIn: null },
      least: 3,
      most: 3,
    });
    expect(keys({ homework: [set('g', { todayMs: 600_000 })] })).toEqual(['warm g']);
    expect(keys({ homework: [set('g', { isPassed: true })] })).toEqual(['warm g']);
    expect(keys({ homework: [set('g')], passed: [passed('g', 120, { assignmentId: 'a g' })] })).not.toContain(
      'set a g',
    );
  });

  test('what is due sooner is wanted more', () => {
    const urgency = (dueIn: number | null) => works({ homework: [set('g', { dueIn })] })[0]!.urgency;
    expect([null, 40, 3, 0, -2].map(urgency)).toEqual([0, 1, 27, 30, 32]);
  });

  test('reviews from the day they are due, at the tempo they are asked, the longest due first', () => {
    const all = works({ passed: [passed('a', 100), passed('b', 101), passed('c', 90, { recall: recall(90, 5, 2) })] });
    expect(all.filter(({ kind }) => kind === 'review')).toMatchObject([
      { key: 'review c', opens: { bpm: 82 }, why: { since: 15, overdue: 10, back: 2 }, urgency: 10 },
      { key: 'review a', why: { since: 10, overdue: 0 }, urgency: 0 },
    ]);
  });

  test('the step of a path, unless it is set', () => {
    const path = { pathId: 'p', name: 'Pier', at: 1, of: 3, grooveId: 'g', title: 'g', goal: 70 };
    expect(works({ paths: [path] })[0]).toMatchObject({
      key: 'path p 1',
      why: { place: 2, of: 3 },
      opens: { bpm: 70 },
    });
    expect(keys({ paths: [path], homework: [set('g')] })).not.toContain('path p 1');
    expect(keys({ paths: [{ ...path, grooveId: null, title: null, goal: null }] })).toEqual([]);
  });

  test('warmed up with is what lasts longest, at two thirds; else what was set first', () => {
    const known = [passed('a', 110, { recall: recall(110, 10) }), passed('b', 130, { recall: recall(130, 40) })];
    const warm = (more: Partial<ToPractise>) => works(more).find(({ kind }) => kind === 'warm-up');
    expect(warm({ passed: known })).toMatchObject({ key: 'warm b', opens: { bpm: 60 }, why: { isKnown: true } });
    expect(warm({ homework: [set('new'), set('old')] })).toMatchObject({ key: 'warm old', why: { isKnown: false } });
    expect(warm({ homework: [set('slow', { goal: 24 })] })!.opens).toMatchObject({ bpm: 20 });
    expect(warm({ passed: [passed('due', 100)] })).toBeUndefined();
  });

  test('something to enjoy is a tune that fits, another each day; else what goes well', () => {
    const tune = (id: string, fits: 'now' | 'nearly') => ({
      id,
      title: id,
      tempo: 80,
      fits,
      grooveId: 'g',
      reached: 84,
    });
    const treat = (more: Partial<ToPractise>) => works(more).find(({ kind }) => kind === 'to enjoy')?.key;
    const tunes = [tune('t', 'now'), tune('u', 'now'), tune('v', 'nearly')];
    expect([treat({ tunes }), treat({ tunes, today: 101 }), treat({ tunes, today: 102 })]).toEqual([
      'tune t',
      'tune u',
      'tune t',
    ]);
    expect(treat({ tunes: [tune('v', 'nearly')] })).toBeUndefined();
    const known = [passed('a', 110, { recall: recall(110, 10) }), passed('b', 130, { recall: recall(130, 40) })];
    expect(treat({ passed: known })).toBe('treat a');
    expect(treat({ passed: known.slice(1) })).toBe('treat b');
  });

  test('listening that is set takes three to six minutes', () => {
    const ear = (minutes: number) => works({ homework: [set('e', { grooveId: null, subject: 'flam', minutes })] })[0];
    expect(ear(2)).toMatchObject({ kind: 'by ear', least: 3, most: 3, opens: { subject: 'flam' } });
    expect(ear(15)!.most).toBe(6);
  });
});
