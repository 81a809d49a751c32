import { describe, expect, test } from 'vitest';
import { dayDoneInWords, goalInWords, goingInWords, setInWords } from './homework';

const set = {
  subject: null,
  tempo: 76,
  click: 'counts',
  minutes: 15,
  bar_from: null,
  bar_to: null,
  ladder_start: null,
  ladder_step: null,
  pass_takes: null,
  passed: false,
  clean: 0,
  takes: 0,
  days: 0,
  today_ms: 0,
  week_ms: 0,
  last_tempo: null,
  first_sd_ms: null,
  last_sd_ms: null,
};

test.each([
  [{}, 'at 76, click on counts, 15 minutes a day'],
  [{ bar_from: 0, bar_to: 3 }, 'bars 1 to 4, at 76, click on counts, 15 minutes a day'],
  [{ bar_from: 1, bar_to: 1 }, 'bar 2, at 76, click on counts, 15 minutes a day'],
  [{ ladder_start: 60, ladder_step: 4 }, 'from 60 to 76 in steps of 4, click on counts, 15 minutes a day'],
  [{ subject: 'flam' as const, minutes: 1 }, '1 minute a day'],
])('%o is set %s', (more, words) => expect(setInWords({ ...set, ...more })).toBe(words));

test.each([
  [{}, 'Not played yet.'],
  [{ subject: 'flam' as const }, 'Not listened to yet.'],
  [{ takes: 1, days: 1, week_ms: 30_000, last_tempo: 70 }, '1 of 7 days, under a minute this week, last at 70.'],
  [
    { takes: 9, days: 3, week_ms: 42 * 60_000 + 59_000, last_tempo: 72.5, pass_takes: 3, clean: 2 },
    '3 of 7 days, 42 min this week, last at 72.5. 2 of 3 clean takes at the goal.',
  ],
  [
    { subject: 'flam' as const, takes: 2, days: 2, pass_takes: 1, clean: 1, passed: true },
    '2 of 7 days, 2 sittings. Passed: 1 clean sitting.',
  ],
])('%o goes: %s', (more, words) => expect(goingInWords({ ...set, ...more })).toBe(words));

test('where no rule was set nothing is said of passing', () => expect(goalInWords(set)).toBe(''));

describe('a day that is done says a fact', () => {
  const done = { ...set, today_ms: 15 * 60_000, takes: 6, first_sd_ms: 22.4, last_sd_ms: 17.6 };
  test('in figures, or in plain words where it is one', () => {
    expect(dayDoneInWords(done, 'figures')).toBe(
      '15 min done today. The spread went from 22 to 18 ms since the first take.',
    );
    expect(dayDoneInWords({ ...done, last_sd_ms: 22 }, 'figures')).toBe(
      '15 min done today. The spread is 22 ms, as at the first take.',
    );
    expect(dayDoneInWords(done, 'plain words')).toBe(
      '15 min done today. The strokes lie closer to the click than at the first take.',
    );
    expect(dayDoneInWords({ ...done, last_sd_ms: 30 }, 'plain words')).toBe('15 min done today.');
    expect(dayDoneInWords({ ...done, takes: 1 }, 'figures')).toBe('15 min done today.');
  });
});
