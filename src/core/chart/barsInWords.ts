import { formatMeter } from '../grid/meter';
import { format, toNumber } from '../time/fraction';
import { lengthInWords } from '../time/lengthInWords';
import type { PlayedBar } from './unroll';
import { seconds, tempos } from './whole';

/** Bars that are played one after another through one section, with nothing that changes between them. */
interface Run {
  first: PlayedBar;
  last: PlayedBar;
  said: string[];
}

const timeOf = ({ section, time, times }: PlayedBar): string =>
  times > 1 ? `${section}, time ${time} of ${times}` : section;

/** What is said of a bar as it is played: what changes with it, what is caught in it, how it goes on. */
function saidOf(bar: PlayedBar, before: PlayedBar | undefined): string[] {
  const { meter, feel, hits, marks, held, free } = bar;
  const { dynamic, swell, say } = marks;
  return [
    before && formatMeter(before.meter) === formatMeter(meter) ? undefined : formatMeter(meter),
    before?.feel === feel ? undefined : feel,
    free === before?.free ? undefined : free,
    dynamic,
    swell && `growing to ${swell.to} over ${swell.bars}`,
    hits.length ? `hits: ${hits.map(({ name }) => name).join(', ')}` : undefined,
    held.n ? `held by ${format(held)}` : undefined,
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
  for (const [index, bar] of played.entries()) {
    const tempo = tempoAt.get(bar.number);
    const said = [...saidOf(bar, played[index - 1]), ...(tempo === undefined ? [] : [tempo])];
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
