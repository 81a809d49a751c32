import { TZDate } from '@date-fns/tz';
import { addDays, addMinutes } from 'date-fns';
import * as rrule from 'rrule';
import type { WeekStart } from '../documents/settings';

// Bundlers take the package's modules; Node sees it as CommonJS, with its names under `default`.
const { RRule } = (rrule as { default?: typeof rrule }).default ?? rrule;

/** A time that comes round, by the clock of the workshop. */
export interface LessonTime {
  id: string;
  /** An RRULE of RFC 5545, weekly. */
  rule: string;
  /** The first day and the last, as "2026-11-24"; without an end, for good. */
  startsOn: string;
  endsOn?: string;
  /** "16:00". */
  at: string;
  minutes: number;
}

/** A lesson that was planned, moved, skipped or held: in place of its time on a day, or by itself. */
export interface DatedLesson {
  id: string;
  timeId?: string;
  ofDay?: string;
  startsAt: Date;
  minutes: number;
}

export interface Holiday {
  name: string;
  from: string;
  to: string;
}

/** A lesson as it stands in the order of a day. */
export interface Entry<T extends LessonTime, L extends DatedLesson> {
  startsAt: Date;
  endsAt: Date;
  /** The time it comes of, and on which of its days. */
  time?: T;
  ofDay?: string;
  /** What is kept of it already. */
  lesson?: L;
  /** Why it does not take place. */
  holiday?: string;
}

/** The days that lie `daysFrom` now, as a span of time by the workshop's clock. */
export function daysSpan(now: Date, timeZone: string, days = 1): { from: Date; to: Date } {
  const today = new TZDate(now, timeZone);
  const from = new TZDate(today.getFullYear(), today.getMonth(), today.getDate(), timeZone);
  return { from: new Date(from.getTime()), to: new Date(addDays(from, days).getTime()) };
}

/**
 * A day and a time of day on the workshop's clock, as an instant. A time the clock leaves out in spring is an hour
 * later.
 */
export function instantOf(day: string, at: string, timeZone: string): Date {
  const [year, month, date] = day.split('-').map(Number) as [number, number, number];
  const [hour, minute] = at.split(':').map(Number) as [number, number];
  return new Date(new TZDate(year, month - 1, date, hour, minute, timeZone).getTime());
}

const two = (value: number) => String(value).padStart(2, '0');

/** The day of an instant on the workshop's clock, "2026-11-24", and the time, "16:00". */
export function onClock(instant: Date, timeZone: string): { day: string; at: string } {
  const local = new TZDate(instant, timeZone);
  return {
    day: `${local.getFullYear()}-${two(local.getMonth() + 1)}-${two(local.getDate())}`,
    at: `${two(local.getHours())}:${two(local.getMinutes())}`,
  };
}

/** A day as the rule counts it: its midnight in UTC, so that no clock is in the way. */
const asUtc = (day: string) => new Date(`${day}T00:00:00Z`);
const dayOf = (utc: Date) => utc.toISOString().slice(0, 10);

const DAY_MS = 86_400_000;
/** How many days after a Monday a week ends and the next begins: a week from Sunday begins six days after it. */
const AFTER_MONDAY: Record<WeekStart, number> = { Monday: 0, Sunday: 6, Saturday: 5 };

/** The first day of the week that a day lies in, "2026-11-23"; or so many weeks on. */
export function weekOf(day: string, start: WeekStart, weeks = 0): string {
  const date = asUtc(day);
  const sinceMonday = (date.getUTCDay() + 6) % 7;
  const since = (sinceMonday - AFTER_MONDAY[start] + 7) % 7;
  return dayOf(new Date(date.getTime() + (7 * weeks - since) * DAY_MS));
}

/**
 * Days by which a day is moved on so that its week, as it is counted here, is the week from Monday that it falls
 * into.
 */
export const daysToMonday = (start: WeekStart): number => (7 - AFTER_MONDAY[start]) % 7;

/** The days a time comes round on, from the first day to the last, both included. */
export function daysOf({ rule, startsOn, endsOn }: LessonTime, from: string, to: string): string[] {
  const last = endsOn && endsOn < to ? endsOn : to;
  if (last < from) return [];
  const options = { ...RRule.parseString(rule), dtstart: asUtc(startsOn) };
  return new RRule(options).between(asUtc(from), asUtc(last), true).map(dayOf);
}

/**
 * The lessons of a span of time in their order: those of times that come round, but for the days on which they were
 * moved, skipped or held (those stand where they are now), and those that were set by themselves. A time stays at its
 * hour of the workshop's clock over every change of it.
 */
export function agendaOf<T extends LessonTime, L extends DatedLesson>(
  { times, lessons, holidays }: { times: readonly T[]; lessons: readonly L[]; holidays: readonly Holiday[] },
  { from, to }: { from: Date; to: Date },
  timeZone: string,
): Entry<T, L>[] {
  const kept = new Set(lessons.flatMap(({ timeId, ofDay }) => (timeId && ofDay ? [`${timeId} ${ofDay}`] : [])));
  const [first, last] = [onClock(from, timeZone).day, onClock(to, timeZone).day];
  const byTime = times.flatMap((time) =>
    daysOf(time, first, last)
      .filter((day) => !kept.has(`${time.id} ${day}`))
      .map((day): Entry<T, L> => {
        const startsAt = instantOf(day, time.at, timeZone);
        const holiday = holidays.find((one) => one.from <= day && day <= one.to)?.name;
        return { startsAt, endsAt: addMinutes(startsAt, time.minutes), time, ofDay: day, ...(holiday && { holiday }) };
      }),
  );
  const byThemselves = lessons.map((lesson): Entry<T, L> => {
    const time = times.find(({ id }) => id === lesson.timeId);
    return {
      startsAt: lesson.startsAt,
      endsAt: addMinutes(lesson.startsAt, lesson.minutes),
      lesson,
      ...(time && { time }),
      ...(lesson.ofDay && { ofDay: lesson.ofDay }),
    };
  });
  return [...byTime, ...byThemselves]
    .filter(({ startsAt }) => startsAt >= from && startsAt < to)
    .toSorted((a, b) => a.startsAt.getTime() - b.startsAt.getTime());
}
