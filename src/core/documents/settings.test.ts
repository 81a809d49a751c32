import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { sayOn } from '../phrase/say';
import { SCHOOLS, syllable } from '../counting/schools';
import { cellsOfDivisions, slotsOfBar } from '../grid/cells';
import {
  ownSchoolShape,
  readSettings,
  schoolIn,
  schoolNamesIn,
  settingsShape,
  syllablesAsTyped,
  syllablesFrom,
  USUAL_SETTINGS,
} from './settings';
import { equal } from '../time/fraction';
import { meterOf, oneLine } from '../testing/arbitrary';
import { runs } from '../testing/runs';

const own = { name: 'Ours', syllables: { 2: ['po'], 3: ['ta', 'ti'], 4: ['ka', 'po', 'ki'] } };
const problems = (school: unknown) =>
  ownSchoolShape.safeParse(school).error?.issues.map(({ path, message }) => `${path.join('.')}: ${message}`) ?? [];

describe('a school of one’s own', () => {
  test('as many words as slots, no word that means something else, no name that is taken', () => {
    expect(problems(own)).toEqual([]);
    expect(problems({ ...own, syllables: { 4: ['ka', 'po'] } })[0]).toContain('3 words wanted');
    expect(problems({ ...own, syllables: { 2: ['loud'] } })[0]).toContain('“loud” is a word of its own');
    expect(problems({ ...own, syllables: { 2: ['7'] } })[0]).toContain('“7”');
    expect(problems({ ...own, name: SCHOOLS[0].name })[0]).toContain('ships with Mochila');
    expect(problems({ ...own, syllables: { 4: ['', 'po', ''], 5: [] } })).toEqual([]);
  });

  test('is typed and shown as a line a division', () => {
    expect(syllablesFrom('  Ka _ ki ')).toEqual(['ka', '', 'ki']);
    expect(syllablesAsTyped({ name: '', syllables: { 4: ['ka', '', 'ki'] } }, 4)).toBe('ka _ ki');
    expect(syllablesAsTyped(own, 5)).toBe('');
  });

  test('whatever syllables it has, every label said is read back to its own slot', () => {
    const word = fc
      .stringMatching(/^[b-df-hj-np-tv-z][aeiou]{1,2}$/)
      .filter((one) => problems({ name: 'Any', syllables: { 2: [one] } }).length === 0);
    fc.assert(
      fc.property(fc.uniqueArray(word, { minLength: 3, maxLength: 3 }), (said) => {
        const school = { name: 'Any', syllables: { 4: said } };
        const meter = meterOf('4/4');
        const cells = cellsOfDivisions(meter, 'numbers', 4);
        for (const slot of slotsOfBar(meter, 'numbers', cells).filter(({ part }) => part > 0)) {
          const empty = { ...oneLine('....'), bars: [{ meter, cells, strokes: [] }] };
          const said = `${syllable(school, 4, slot.part)} of ${slot.count}`;
          const answer = sayOn(empty, said, { school, limb: 'right hand' });
          const strokes = answer.ok ? answer.groove.bars[0]!.strokes : [];
          expect(strokes.length === 1 && equal(strokes[0]!.at, slot.at), said).toBe(true);
        }
      }),
      runs(40),
    );
  });
});

describe('a workshop’s settings', () => {
  test('are the usual ones until they are set', () => {
    expect(readSettings({ version: 1 })).toEqual({ settings: USUAL_SETTINGS, problems: [] });
    expect(readSettings({ version: 1, timeZone: 'Europe/Zurich' }).settings.timeZone).toBe('Europe/Zurich');
    expect(USUAL_SETTINGS.limits.hand).toEqual([5, 8, 10]);
    expect(USUAL_SETTINGS.feels.length).toBeGreaterThan(6);
  });

  test('what cannot be read is said, and takes nothing else away', () => {
    const kept = { version: 1, schools: [own], feels: [] };
    for (const damage of [{ colour: 'blue' }, { limits: { hand: [9, 1, 1], foot: [1, 2, 3] } }, { version: 9 }]) {
      const { settings, problems: said } = readSettings({ ...kept, ...damage });
      expect(settings).toEqual({ ...USUAL_SETTINGS, schools: [own], feels: [] });
      expect(said).toHaveLength(1);
    }
    expect(readSettings(null)).toMatchObject({ settings: USUAL_SETTINGS, problems: [{ code: 'no-version' }] });
    expect(readSettings({ version: 1, timeZone: 'Atlantis/Harbour' }).problems[0]!.say).toMatch(/no such time zone/i);
  });

  test('one’s own school is found by its name, beside those that ship', () => {
    const settings = { ...USUAL_SETTINGS, schools: [own] };
    expect(schoolIn(settings, 'Ours')).toBe(own);
    expect(schoolIn(settings, 'takadimi').name).toBe('takadimi');
    expect(schoolIn(settings, 'gone since').name).toBe(SCHOOLS[0].name);
    expect(schoolNamesIn(settings).at(-1)).toBe('Ours');
  });

  test('limits rise, and stay below what anybody can', () => {
    const limits = (hand: number[]) =>
      settingsShape.safeParse({ version: 1, limits: { hand, foot: [3, 5, 7] } }).success;
    expect([
      limits([5, 8, 10]),
      limits([5, 5, 10]),
      limits([0, 8, 10]),
      limits([5, 8, 31]),
      limits([5, 8, NaN]),
    ]).toEqual([true, false, false, false, false]);
  });
});

test('what passes at a level is from all that can be heard to eight times that', () => {
  const settings = (factor: unknown) =>
    settingsShape.safeParse({ version: 1, tolerances: { ...USUAL_SETTINGS.tolerances, concert: factor } });
  expect(settings(1).success).toBe(true);
  expect(settings(8).success).toBe(true);
  for (const wrong of [0.99, 8.01, NaN, '2', undefined])
    expect(settings(wrong).error?.issues[0]?.path).toEqual(['tolerances', 'concert']);
  expect(readSettings({ version: 1, tolerances: { concert: 2 }, dates: 'de' })).toMatchObject({
    settings: { tolerances: USUAL_SETTINGS.tolerances, dates: 'de', weekStart: 'Monday' },
    problems: [{ path: ['tolerances', 'first year'] }, {}, {}],
  });
});
