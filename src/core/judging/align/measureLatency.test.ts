import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { measureLatency } from './measureLatency';

const clicks = Array.from({ length: 16 }, (_, index) => 600 * index);

describe('what a device adds, by playing along', () => {
  test('is the middle of how late the strokes are, whatever a few of them do', () => {
    const strokes = clicks.map((ms, index) => ms + 38 + [-4, 0, 3, 1][index % 4]!);
    strokes[3]! += 120;
    const delay = measureLatency(strokes, clicks);
    if (!delay.ok) throw new Error('It can be measured');
    expect(delay.value.ms).toBeGreaterThanOrEqual(38);
    expect(delay.value.ms).toBeLessThanOrEqual(39);
    expect(delay.value.spreadMs).toBeGreaterThan(0);
    expect(delay.value.spreadMs).toBeLessThan(4);
  });

  test('moves with the strokes, early or as late as a slow device', () => {
    fc.assert(
      fc.property(fc.integer({ min: -190, max: 390 }), (late) => {
        const delay = measureLatency(
          clicks.map((ms) => ms + late),
          clicks,
        );
        expect(delay).toEqual({ ok: true, value: { ms: late, spreadMs: 0 } });
      }),
    );
  });

  test('is not made up from too few strokes, or from uneven ones', () => {
    const few = measureLatency(clicks.slice(0, 7), clicks);
    expect(few).toMatchObject({ ok: false, problems: [{ code: 'too-few', numbers: { strokes: 7 } }] });
    const uneven = measureLatency(
      clicks.map((ms, index) => ms + (index % 2 ? 90 : -40)),
      clicks,
    );
    expect(uneven).toMatchObject({ ok: false, problems: [{ code: 'uneven' }] });
    expect(measureLatency([], clicks).ok).toBe(false);
  });
});
