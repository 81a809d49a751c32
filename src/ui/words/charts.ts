import { lengthInWords } from '@/core/time/lengthInWords';
import type { WrittenChart } from '@/core/documents/writtenChart';
import { metersInWords } from '@/core/groove/groove';
import { plural } from './text';

/** "163 bars · 5:07 · 4/4, 6/8". */
export const chartFactsInWords = ({
  bars,
  seconds,
  groove,
}: Pick<WrittenChart, 'bars' | 'seconds' | 'groove'>): string =>
  [plural(bars, 'bar'), lengthInWords(seconds), metersInWords(groove)].join(' · ');
