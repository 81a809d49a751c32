import type { Dynamic, Marks } from '../documents/chart';
import { countsInWords, formatMeter } from '../grid/meter';
import { frac, toNumber } from '../time/fraction';
import { lengthInWords } from '../time/lengthInWords';
import { loudnessAfter, opens, USUAL_LOUDNESS } from '../chart/play/loudness';
import type { PlayedBar } from '../chart/play/unroll';
import { seconds, tempos } from '../chart/play/whole';

/** Bars that are played one after another through one section, with nothing that changes between them. */
interface Run {
  first: PlayedBar;
  last: PlayedBar;
  said: string[];
}

const timeOf = ({ section, time, times }: PlayedBar): string =>
  times > 1 ? `${section}, time ${time} of ${times}` : section;

/** "louder to ff over 2 bars". */
function swellInWords({ to, bars }: NonNullable<Marks['swell']>, from: Dynamic): string {
  return `${opens(from, to) ? 'louder' : 'softer'} to ${to} over ${bars} ${bars === 1 ? 'bar' : 'bars'}`;
}

/**
 * What is said of a bar as it is played, and how loud it was before it: what changes, what is caught, how it goes on.
 */
function saidOf(bar: PlayedBar, before: PlayedBar | undefined, loudness: Dynamic): string[] {
  const { meter, feel, hits, marks, held, free } = bar;
  const { dynamic, swell, say } = marks;
  return [
    before && formatMeter(before.meter) === formatMeter(meter) ? undefined : formatMeter(meter),
    before?.feel === feel ? undefined : feel,
    free === before?.free ? undefined : free,
    dynamic,
    swell && swellInWords(swell, dynamic ?? loudness),
    hits.length ? `hits: ${hits.map(({ name }) => name).join(', ')}` : undefined,
    held.n ? `held ${countsInWords(held, frac(1, meter.unit))} longer` : undefined,
    say && `“${say}”`,
  ].filter((one): one is string => Boolean(one));
}

/** A stretch of bars in words: their numbers, which section and time they come from, and what is new in them. */
interface StretchInWords {
  bars: string;
  from: string;
  said: string[];
}

/** A chart as it is played, stretch after stretch: what changes and what is caught. */
export function stretchesInWords(played: readonly PlayedBar[]): StretchInWords[] {
  const tempoAt = new Map(
    tempos(played).map(({ bar, beat, bpm }) => [bar, `${beat} ${Math.round(toNumber(bpm) * 100) / 100} a minute`]),
  );
  const runs: Run[] = [];
  let loudness = USUAL_LOUDNESS;
  for (const [index, bar] of played.entries()) {
    const tempo = tempoAt.get(bar.number);
    const said = [...saidOf(bar, played[index - 1], loudness), ...(tempo === undefined ? [] : [tempo])];
    loudness = loudnessAfter(loudness, bar.marks);
    const open = runs.at(-1);
    const isOn =
      open &&
      timeOf(open.last) === timeOf(bar) &&
      open.last.isRest === bar.isRest &&
      !said.length &&
      !open.last.hits.length;
    if (isOn) open.last = bar;
    else runs.push({ first: bar, last: bar, said: [...said, ...(bar.isRest ? ['rest'] : [])] });
  }
  return runs.map(({ first, last, said }) => ({
    bars: first === last ? String(first.number) : `${first.number}–${last.number}`,
    from: timeOf(first),
    said,
  }));
}

/** The same as lines, with how many bars there are and how long they last. */
export function barsInWords(played: readonly PlayedBar[]): string {
  const lines = stretchesInWords(played).map(
    ({ bars, from, said }) => `${bars.padEnd(9)}${[from, ...said].join('; ')}`,
  );
  return [...lines, `${played.length} bars, ${lengthInWords(seconds(played))}`].join('\n');
}
