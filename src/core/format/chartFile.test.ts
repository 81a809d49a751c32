import { expect, test } from 'vitest';
import { readChartText } from '../chart/text/chartText';
import type { ChartForm } from '../documents/chart';
import { cases } from '../testing/vectors';
import { chartFile, CHART_FILE_NAMES, readChartFile } from './chartFile';

test.each(cases<{ id: string; form: ChartForm }>('charts'))('$id goes out and comes in the same', ({ form }) => {
  for (const file of CHART_FILE_NAMES) {
    const typed = readChartFile(chartFile(form, 'Ferry song', file));
    const back = typed.ok ? readChartText(typed.value) : undefined;
    // What cannot be typed, as a repeat of half a time, comes back as a problem in either kind.
    if (back?.ok) expect(back.value).toEqual(form);
    else expect(readChartText(chartFile(form, 'x', 'text')).ok).toBe(false);
  }
});

test('grooves stay where they are, and what is no chart is told', () => {
  const form: ChartForm = {
    tempo: { beat: 'quarter', bpm: '90' },
    meter: '4/4',
    feel: 'straight',
    sections: [{ name: 'A', parts: [{ name: 'B', bars: 2, groove: 'aaaaaaaa-0000-4000-8000-000000000001' }] }],
  };
  expect(chartFile(form, 'x', 'json')).not.toContain('groove');
  for (const wrong of ['{', '{"version":1}', '{"version":99}', 'A 8, wobble', ''])
    expect([wrong, readChartFile(wrong).ok]).toEqual([wrong, false]);
});
