import { formatMeter } from '../grid/meter';
import { format, toNumber } from '../time/fraction';
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

/** "5:07". */
function lengthInWords(all: number): string {
  const whole = Math.round(all);
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
}

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

/** A chart as it is played, a line for each stretch of bars: their numbers, where they come from, what changes and what is caught. */
export function barsInWords(played: readonly PlayedBar[]): string {
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
  const lines = runs.map(({ first, last, said }) => {
    const numbers = first === last ? String(first.number) : `${first.number}–${last.number}`;
    return `${numbers.padEnd(9)}${[timeOf(first), ...said].join('; ')}`;
  });
  return [...lines, `${played.length} bars, ${lengthInWords(seconds(played))}`].join('\n');
}
