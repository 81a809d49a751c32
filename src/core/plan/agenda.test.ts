import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { WEEK_STARTS } from '../documents/settings';
import {
  agendaOf,
  daysOf,
  daysSpan,
  daysToMonday,
  instantOf,
  onClock,
  weekOf,
  type DatedLesson,
  type LessonTime,
} from './agenda';

const tuesday: LessonTime = {
  id: 't',
  rule: 'FREQ=WEEKLY;INTERVAL=1',
  startsOn: '2026-10-13',
  at: '16:00',
  minutes: 45,
};
const span = (from: string, to: string) => ({ from: new Date(from), to: new Date(to) });

test('a time comes round on its weekday, every so many weeks, from its first day to its last', () => {
  expect(daysOf(tuesday, '2026-10-01', '2026-10-31')).toEqual(['2026-10-13', '2026-10-20', '2026-10-27']);
  const second = { ...tuesday, rule: 'FREQ=WEEKLY;INTERVAL=2', endsOn: '2026-11-10' };
  expect(daysOf(second, '2026-10-14', '2026-12-31')).toEqual(['2026-10-27', '2026-11-10']);
  expect(daysOf(second, '2026-11-11', '2026-12-31')).toEqual([]);
});

describe.each([
  ['Europe/Zurich', '2026-10-20T14:00:00Z', '2026-10-27T15:00:00Z'],
  ['America/New_York', '2026-10-20T20:00:00Z', '2026-11-03T21:00:00Z'],
])('in %s', (timeZone, before, after) => {
  test('a lesson at 16:00 stays at 16:00 when the clock is changed', () => {
    const all = agendaOf(
      { times: [tuesday], lessons: [], holidays: [] },
      span('2026-10-01T00:00Z', '2026-11-30T00:00Z'),
      timeZone,
    );
    const starts = all.map(({ startsAt }) => startsAt.toISOString());
    expect(starts).toContain(new Date(before).toISOString());
    expect(starts).toContain(new Date(after).toISOString());
    expect(all.map(({ startsAt }) => onClock(startsAt, timeZone).at)).toEqual(all.map(() => '16:00'));
  });

  test('a day and time are the instant they are written as, and back', () => {
    fc.assert(
      fc.property(
        fc.date({ min: new Date('2020-01-01'), max: new Date('2040-01-01'), noInvalidDate: true }),
        fc.integer({ min: 4 * 60, max: 23 * 60 }),
        (date, minute) => {
          const day = date.toISOString().slice(0, 10);
          const at = `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;
          expect(onClock(instantOf(day, at, timeZone), timeZone)).toEqual({ day, at });
        },
      ),
    );
  });

  test('a day lasts from midnight to midnight of the clock, also where it has 25 hours', () => {
    const { from, to } = daysSpan(new Date(before), timeZone);
    expect([onClock(from, timeZone).at, onClock(to, timeZone).at]).toEqual(['00:00', '00:00']);
    const changed = daysSpan(
      instantOf(timeZone === 'Europe/Zurich' ? '2026-10-25' : '2026-11-01', '12:00', timeZone),
      timeZone,
    );
    expect(changed.to.getTime() - changed.from.getTime()).toBe(25 * 3_600_000);
  });
});

describe('what is planned stands in the place of its time', () => {
  const at = (startsAt: string, more: Partial<DatedLesson> = {}): DatedLesson => ({
    id: startsAt,
    startsAt: new Date(startsAt),
    minutes: 45,
    ...more,
  });
  const agenda = (lessons: DatedLesson[], holidays = [] as Parameters<typeof agendaOf>[0]['holidays']) =>
    agendaOf(
      { times: [tuesday], lessons, holidays },
      span('2026-11-02T00:00Z', '2026-11-16T00:00Z'),
      'Europe/Zurich',
    ).map(({ startsAt, lesson, holiday }) => [
      startsAt.toISOString().slice(5, 16),
      lesson ? 'lesson' : (holiday ?? 'time'),
    ]);

  test('moved within the span, out of it, and by itself', () => {
    expect(agenda([])).toEqual([
      ['11-03T15:00', 'time'],
      ['11-10T15:00', 'time'],
    ]);
    expect(agenda([at('2026-11-05T09:00Z', { timeId: 't', ofDay: '2026-11-03' })])).toEqual([
      ['11-05T09:00', 'lesson'],
      ['11-10T15:00', 'time'],
    ]);
    expect(agenda([at('2026-12-05T09:00Z', { timeId: 't', ofDay: '2026-11-03' })])).toEqual([['11-10T15:00', 'time']]);
    expect(agenda([at('2026-11-04T09:00Z')])).toEqual([
      ['11-03T15:00', 'time'],
      ['11-04T09:00', 'lesson'],
      ['11-10T15:00', 'time'],
    ]);
  });

  test('a holiday says its name on its days; what was set by hand takes place', () => {
    const autumn = [{ name: 'Regatta', from: '2026-11-09', to: '2026-11-13' }];
    expect(agenda([], autumn)).toEqual([
      ['11-03T15:00', 'time'],
      ['11-10T15:00', 'Regatta'],
    ]);
    expect(agenda([at('2026-11-10T15:00Z', { timeId: 't', ofDay: '2026-11-10' })], autumn).at(-1)).toEqual([
      '11-10T15:00',
      'lesson',
    ]);
  });
});

test('a week begins on the day it is to begin on, over the ends of months and years', () => {
  expect(weekOf('2026-11-26', 'Monday')).toBe('2026-11-23');
  expect(weekOf('2026-11-23', 'Monday')).toBe('2026-11-23');
  expect(weekOf('2026-11-22', 'Monday')).toBe('2026-11-16');
  expect(weekOf('2026-11-22', 'Sunday')).toBe('2026-11-22');
  expect(weekOf('2026-11-21', 'Sunday')).toBe('2026-11-15');
  expect(weekOf('2026-11-21', 'Saturday')).toBe('2026-11-21');
  expect(weekOf('2027-01-01', 'Saturday', -1)).toBe('2026-12-19');
  expect(weekOf('2027-01-01', 'Monday', 1)).toBe('2027-01-04');
  fc.assert(
    fc.property(
      fc.date({ min: new Date('2000-01-01'), max: new Date('2099-12-31'), noInvalidDate: true }),
      fc.constantFrom(...WEEK_STARTS),
      (date, start) => {
        const day = date.toISOString().slice(0, 10);
        const first = weekOf(day, start);
        expect(first <= day && day < weekOf(first, start, 1)).toBe(true);
        // The database counts it the same: moved on, a week begins on its Monday.
        expect((new Date(`${first}T12:00Z`).getUTCDay() + daysToMonday(start)) % 7).toBe(1);
      },
    ),
  );
});
