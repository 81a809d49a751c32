import type { Delay, SurfaceAccuracy } from '@/core/documents/ears';

/** "Adds 38 ± 4 ms, which is taken off." */
export function delayInWords(delay: Delay | undefined): string {
  if (!delay) return 'What it adds to the time of a stroke was not measured.';
  const spread = delay.spreadMs >= 0.5 ? ` ± ${Math.round(delay.spreadMs)}` : '';
  return `Adds ${Math.round(delay.ms)}${spread} ms, which is taken off.`;
}

/** "snare: 6 of 6", "ride: 4 of 6, else taken for crash" */
export const toldInWords = ({ surface, right, of, takenFor }: SurfaceAccuracy): string =>
  `${surface}: ${right} of ${of}${takenFor && right < of ? `, else taken for ${takenFor}` : ''}`;
