import type { Bpm, Ms } from '@/core/time/units';

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
export const tempoInWords = (bpm: Bpm): string => String(Math.round(bpm * 100) / 100);

/** "1:24" minutes and seconds. */
export function lengthInWords(ms: Ms): string {
  const seconds = Math.round(ms / 1000);
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
}
