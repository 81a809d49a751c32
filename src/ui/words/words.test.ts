import { feelOf } from '@/core/groove/beat';
import { STARTERS } from '@/core/testing/starters';
import { DATE_NAMES } from './dateNames';
import { dateInWords, dayInWords, dayNamed, shortDayInWords, weekdayNamed } from './dates';
import { addDays, format, type Locale } from 'date-fns';
import { da, de, enGB, es, fr, it, nb, nl, pl, pt, sv } from 'date-fns/locale';
import { expect, test } from 'vitest';
import { oneLine } from '@/core/testing/arbitrary';
import { factsOf, feelInWords, feelOfFacts, grooveInWords } from './grooves';
import { plural } from './text';
import { driftInWords, inMs, lateOrEarly, lengthInWords, tempoInWords } from './figures';

test('figures are said the way a teacher would', () => {
  expect([lateOrEarly(12.4), lateOrEarly(-3), lateOrEarly(0.2), lateOrEarly(null)]).toEqual([
    '12 ms late',
    '3 ms early',
    'on the dot',
    '–',
  ]);
  expect([inMs(7.6), inMs(null)]).toEqual(['8 ms', '–']);
  expect([driftInWords(0.42), driftInWords(-1.26), driftInWords(0.04), driftInWords(null)]).toEqual([
    '0.4 % fast',
    '1.3 % slow',
    'steady',
    '–',
  ]);
  expect([tempoInWords(76), tempoInWords(97.5), tempoInWords(66.6666)]).toEqual(['76', '97.5', '66.67']);
  expect([lengthInWords(84_000), lengthInWords(5400)]).toEqual(['1:24', '0:05']);
  expect([plural(1, 'bar'), plural(3, 'bar')]).toEqual(['1 bar', '3 bars']);
});

test('a groove in a line: meter, feel, bars', () => {
  const groove = oneLine('tttt');
  expect(grooveInWords(factsOf(groove))).toBe('4/4 · straight');
  expect(
    grooveInWords(
      factsOf({ ...groove, swing: { value: '8th', ratio: '3/2' }, bars: [groove.bars[0]!, groove.bars[0]!] }),
    ),
  ).toBe('4/4 · swung 8ths 3:2 · 2 bars');
  expect([feelInWords({ value: '16th', ratio: '2' }), feelInWords({ value: '8th', ratio: 'tempo-aware' })]).toEqual([
    'swung 16ths 2:1',
    'swung 8ths by tempo',
  ]);
});

test('the feel said of a row is the feel of its notes', () => {
  for (const groove of STARTERS) expect(feelOfFacts(factsOf(groove))).toBe(feelOf(groove));
});

test('a day is said by the clock of the workshop, not by that of the reader', () => {
  const late = new Date('2026-01-31T23:30:00Z');
  const at = (timeZone: string) => ({ timeZone, dates: 'en' }) as const;
  expect(dayInWords(late, at('Etc/UTC'))).toBe('Sat 31 Jan, 23:30');
  expect(dayInWords(late, at('Europe/Zurich'))).toBe('Sun 1 Feb, 00:30');
  expect(shortDayInWords(late.getTime(), at('America/Toronto'))).toBe('31 Jan');
  // The hour that summer time takes away is not lost: a minute on is a minute on.
  expect(dayInWords(new Date('2026-03-29T01:30:00Z'), at('Europe/Zurich'))).toBe('Sun 29 Mar, 03:30');
});

test('days and months are named as the library of dates names them', () => {
  // Finnish days stand alone here, where the library bends them for a sentence.
  const libraries = { en: enGB, da, de, es, fr, it, nb, nl, pl, pt, sv };
  for (const [dates, locale] of Object.entries(libraries) as [keyof typeof libraries, Locale][])
    for (let day = 0; day < 366; day += 5) {
      const date = addDays(new Date(2026, 0, 1, 12), day);
      const kept = format(date, 'yyyy-MM-dd');
      const { dot } = DATE_NAMES[dates];
      expect(dateInWords(kept, { dates })).toBe(format(date, dot ? 'EEE d. MMM' : 'EEE d MMM', { locale }));
      expect(weekdayNamed(kept, { dates })).toBe(format(date, 'EEEE', { locale }));
    }
  expect(dateInWords('2026-11-24', { dates: 'fi' })).toBe('ti 24. marras');
  expect(dayInWords(new Date('2026-11-24T16:04:00Z'), { timeZone: 'Europe/Zurich', dates: 'de' })).toBe(
    'Di. 24. Nov., 17:04',
  );
  const now = new Date('2026-11-26T12:00:00Z');
  expect(dayNamed(new Date('2026-11-24T12:00:00Z'), now, { timeZone: 'Etc/UTC', dates: 'fr' })).toBe('mardi');
  expect(dayNamed(new Date('2026-11-04T12:00:00Z'), now, { timeZone: 'Etc/UTC', dates: 'fr' })).toBe('4 nov.');
});
