import type { ChartForm, ChartSection, Marks } from '../../documents/chart';
import { equal, exact } from '../../time/fraction';
import { NOTE_VALUES } from '../../time/noteValue';

/** A length as a teacher says it, "a half note"; as a fraction of a whole note where no single note is as long. */
function lengthTyped(length: string): string {
  const named = Object.entries(NOTE_VALUES).find(([, value]) => equal(value, exact(length)));
  return named ? `${named[0].startsWith('8th') ? 'an' : 'a'} ${named[0]} note` : length;
}

/** What stands over a bar, each as it is typed. */
export function marksTyped(marks: Marks): string[] {
  const { meter, tempo, change, feel, signs = [], jump, every, rest, same, free } = marks;
  const { hits, dynamic, swell, fermata, say } = marks;
  return [
    meter,
    tempo && `${tempo.beat} at ${tempo.bpm}`,
    change && `${change.old} = ${change.new}`,
    feel,
    ...signs.map((sign) => (sign === 'fine' ? 'Fine' : sign)),
    rest !== undefined && `rest ${rest}`,
    same !== undefined && `same ${same}`,
    free && `${free.as} ${free.bars}`,
    hits?.length && `hits: ${hits.join(', ')}`,
    dynamic,
    swell && `swell to ${swell.to} over ${swell.bars}`,
    fermata && `hold ${fermata.on} by ${lengthTyped(fermata.more)}`,
    say && `say "${say}"`,
    jump && `${jump}${every ? ' every time' : ''}`,
  ].filter((one): one is string => Boolean(one));
}

/** Whether a piece belongs to the last bar where no bar is said: how one goes on from it. */
const isOfLast = (piece: string): boolean => /^(?:to coda|Fine|D\.[CS]\.)/.test(piece);

/** The marks of so many bars; which bar is said where it is not the one they belong to by themselves. */
const marksInWords = (at: Record<string, Marks> = {}, bars = 0): string[] =>
  Object.entries(at).flatMap(([bar, marks]) =>
    marksTyped(marks).map((one) => (Number(bar) === (isOfLast(one) ? bars : 1) ? one : `${one} in bar ${bar}`)),
  );

/** A name that would be read as something else, or cut, stands in quotation marks. */
const nameInWords = (name: string): string => (/^[\p{L}][\p{L}\p{N}'’-]*$/u.test(name) ? name : `"${name}"`);

function sectionInWords({ name, bars, parts, times, endings = [], at }: ChartSection): string {
  const hasSecond = endings.some((one) => one.for.some((time) => time > 1));
  return [
    parts ? `${nameInWords(name)} (${parts.map(sectionInWords).join('; ')})` : `${nameInWords(name)} ${bars!}`,
    // A second ending says how often by itself: that it is once has to be said.
    ...(times === undefined && !hasSecond ? [] : [`${times ?? 1} times`]),
    ...marksInWords(at, bars),
    ...endings.flatMap((ending) => [
      `ending ${ending.for.join(' and ')}: ${ending.bars}`,
      ...marksInWords(ending.at, ending.bars),
    ]),
  ].join(', ');
}

/** A chart as it would be typed: `readChartText` reads it to the same again. */
export function chartInWords({ tempo, meter, feel, pickup, repeatsAfterJump, sections }: ChartForm): string {
  const head = [meter, feel, `${tempo.beat} at ${tempo.bpm}`, pickup && 'pick-up', repeatsAfterJump && 'repeats again'];
  return [head.filter(Boolean).join(', '), ...sections.map(sectionInWords)].join(';\n');
}
