import type { WrittenDrill } from '@/core/documents/writtenDrill';
import { isCompound, meterInWords, parseMeter, type Reading } from '@/core/grid/meter';
import type { Feel } from '@/core/groove/beat';
import type { Groove } from '@/core/groove/groove';
import type { Swing } from '@/core/time/swing';
import { plural } from './text';

/** What is said of a groove in a line, without its notes. */
export interface GrooveFacts {
  meter: string;
  reading: Reading;
  swing: Swing | null;
  bars: number;
}

/** What is said of a drill in a line. */
export interface DrillFacts {
  drill_exercises: number | null;
  drill_repeats: number | null;
  drill_pace: number | null;
}

/** Of one that plays a chart: how many bars; and whether it is read at sight. */
export interface ChartRow {
  chart_bars: number | null;
  at_sight: boolean;
}

export const factsOf = (groove: Groove): GrooveFacts => ({
  meter: [...new Set(groove.bars.map(({ meter }) => meterInWords(meter)))].join(', '),
  reading: groove.reading,
  swing: groove.swing ?? null,
  bars: groove.bars.length,
});

export const drillFactsOf = ({ rule, exercises }: Pick<WrittenDrill, 'rule' | 'exercises'>): DrillFacts => ({
  drill_exercises: exercises.length,
  drill_repeats: rule.repeats,
  drill_pace: rule.caller?.pace ?? null,
});

export function feelInWords(swing: Swing | null | undefined): string {
  if (!swing) return 'straight';
  return `swung ${swing.value}s ${ratioInWords(swing.ratio)}`;
}

function ratioInWords(ratio: string): string {
  if (ratio === 'tempo-aware') return 'by tempo';
  return ratio.includes('/') ? ratio.replace('/', ':') : `${ratio}:1`;
}

/** How the beat is felt, as `feelOf` says of the notes themselves. */
export function feelOfFacts({ meter, swing }: GrooveFacts): Feel {
  if (swing) return 'swung';
  const areCompound = meter.split(', ').every((one) => {
    const read = parseMeter(one);
    return read.ok && isCompound(read.value);
  });
  return areCompound ? 'compound' : 'straight';
}

/** "4/4 · straight · 2 bars". */
export function grooveInWords({ meter, reading, swing, bars }: GrooveFacts): string {
  return [meter + (reading === 'pulse' ? ' in pulses' : ''), feelInWords(swing), bars > 1 && `${bars} bars`]
    .filter(Boolean)
    .join(' · ');
}

/** "12 exercises, each 4 times", "16 exercises, called at random every 2 bars". */
export function drillInWords({ drill_exercises, drill_repeats, drill_pace }: DrillFacts): string {
  const exercises = plural(drill_exercises ?? 0, 'exercise');
  if (drill_pace) return `${exercises}, called at random every ${drill_pace === 1 ? 'bar' : plural(drill_pace, 'bar')}`;
  return drill_repeats && drill_repeats > 1 ? `${exercises}, each ${drill_repeats} times` : exercises;
}

/** A groove, drill or chart of a list in a line. */
export function rowInWords(row: GrooveFacts & DrillFacts & ChartRow): string {
  if (row.at_sight) return `read at sight, in ${row.meter}`;
  if (row.chart_bars !== null) return `a chart of ${plural(row.chart_bars, 'bar')}`;
  return row.drill_exercises === null ? grooveInWords(row) : drillInWords(row);
}
