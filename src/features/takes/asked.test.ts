import { describe, expect, test } from 'vitest';
import { isNarrowed, logAskedOf, queryOf } from './asked';
import { spanOf } from './span';

const ID = '00000000-0000-4000-8000-000000000001';

describe('what is asked of the log', () => {
  test('stands in the address, and what is no such thing is not asked', () => {
    const asked = logAskedOf({
      student: ID,
      item: ' ferry ',
      from: '2026-11-01',
      to: 'x',
      input: 'keys',
      before: 'now',
    });
    expect(asked).toEqual({
      student: ID,
      item: 'ferry',
      from: '2026-11-01',
      to: undefined,
      input: 'keys',
      before: undefined,
      name: '',
    });
    expect(queryOf(asked)).toBe(`student=${ID}&item=ferry&from=2026-11-01&input=keys`);
    expect(logAskedOf({ student: "'; drop", input: 'telepathy' })).toMatchObject({
      student: undefined,
      input: undefined,
    });
    expect([isNarrowed(asked), isNarrowed(logAskedOf({ student: ID }))]).toEqual([true, false]);
  });

  test('days are those of the workshop’s clock, both of them in it, also over a change of it', () => {
    const span = (from: string, to: string, zone: string, before?: string) =>
      spanOf({ ...logAskedOf({ from, to, before }) }, zone);
    expect(span('2026-10-25', '2026-10-25', 'Europe/Zurich')).toEqual({
      from: new Date('2026-10-24T22:00Z'),
      before: new Date('2026-10-25T23:00Z'),
    });
    expect(span('2026-11-01', '2026-11-01', 'America/New_York')).toEqual({
      from: new Date('2026-11-01T04:00Z'),
      before: new Date('2026-11-02T05:00Z'),
    });
    expect(spanOf(logAskedOf({}), 'Etc/UTC')).toEqual({});
    // A page of older takes ends where it was turned.
    expect(span('2026-11-01', '2026-11-30', 'Etc/UTC', '2026-11-10T10:00:00.000Z').before).toEqual(
      new Date('2026-11-10T10:00Z'),
    );
  });
});
