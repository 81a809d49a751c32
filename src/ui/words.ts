import { format } from 'date-fns';
import type { Groove } from '@/core/groove/groove';
import type { WrittenDrill } from '@/core/documents/writtenDrill';
import { metersInWords } from '@/core/groove/groove';
import type { Swing } from '@/core/time/swing';
import type { Ms } from '@/core/time/units';

/** "12 ms late", "on the dot", or a dash where there is no figure. */
export function lateOrEarly(ms: Ms | null): string {
  if (ms === null) return '–';
  const whole = Math.round(ms);
  return whole === 0 ? 'on the dot' : `${Math.abs(whole)} ms ${whole > 0 ? 'late' : 'early'}`;
}

export const inMs = (ms: Ms | null): string => (ms === null ? '–' : `${Math.round(ms)} ms`);

/** "0.4 % fast"; below a twentieth of a percent it is steady. */
export function driftInWords(percent: number | null): string {
  if (percent === null) return '–';
  return Math.abs(percent) < 0.05 ? 'steady' : `${Math.abs(percent).toFixed(1)} % ${percent > 0 ? 'fast' : 'slow'}`;
}

/** A tempo without needless decimals: 76, 97.5. */
export const tempoInWords = (bpm: number): string => String(Math.round(bpm * 100) / 100);

export function feelInWords(swing: Swing | undefined): string {
  if (!swing) return 'straight';
  return `swung ${swing.value}s ${swing.ratio === 'tempo-aware' ? 'by tempo' : swing.ratio.includes('/') ? swing.ratio.replace('/', ':') : `${swing.ratio}:1`}`;
}

/** "4/4, straight, 2 bars". */
export function grooveInWords(groove: Groove): string {
  const bars = groove.bars.length;
  return [
    metersInWords(groove) + (groove.reading === 'pulse' ? ' in pulses' : ''),
    feelInWords(groove.swing),
    bars > 1 && `${bars} bars`,
  ]
    .filter(Boolean)
    .join(' · ');
}

/** "12 exercises, each 4 times", "called from 16 places". */
export function drillInWords({ rule: { caller, repeats }, parts }: Pick<WrittenDrill, 'rule' | 'parts'>): string {
  if (caller)
    return `${plural(parts.length, 'exercise')}, called at random every ${caller.pace === 1 ? 'bar' : plural(caller.pace, 'bar')}`;
  return `${plural(parts.length, 'exercise')}${repeats > 1 ? `, each ${repeats} times` : ''}`;
}

export const dayInWords = (date: Date): string => format(date, 'EEE d MMM, HH:mm');

/** "1:24" minutes and seconds. */
export function lengthInWords(ms: Ms): string {
  const seconds = Math.round(ms / 1000);
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
}

export const plural = (count: number, one: string, many = `${one}s`): string => `${count} ${count === 1 ? one : many}`;

export const opening = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
