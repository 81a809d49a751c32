import type { ChartFeel, ChartForm, Dynamic, FreeKind, Jump, Marks, Sign } from '../../documents/chart';
import { formatMeter, parseMeter, type Meter } from '../../grid/meter';
import { ok, fail, type Result } from '../../result';
import { loudnessAfter, opens, USUAL_LOUDNESS } from './loudness';
import { unroll, type Hit, type PlayedBar } from './unroll';
import { isBar, timesInName, writtenOf, type Written, type WrittenBar } from './written';

/** A bar of a chart as it is engraved, or several bars of rest as one. */
export interface EngravedBar {
  /** Which written bar it is, the first of them from 0, and how many it stands for. */
  written: number;
  bars: number;
  /** Where it stands: its section and its number there, as problems and changes name it. */
  section: string;
  number: number;
  meter: Meter;
  /** The meter is shown: of the first bar, and where it changes. */
  isMeterShown: boolean;
  /** The name of a section that begins here. */
  heading?: string;
  isRepeatBegun: boolean;
  /** How often what ends here is played; 1 where nothing is repeated. */
  times: number;
  /** Of an ending: the times it is for, and whether its bracket begins and ends here. */
  ending?: { label: string; isFirst: boolean; isLast: boolean };
  signs: readonly Sign[];
  jump?: Jump;
  tempo?: Marks['tempo'];
  change?: Marks['change'];
  feel?: ChartFeel;
  hits: readonly Hit[];
  isRest: boolean;
  /** So many bars before it are repeated, and this is the first bar that says so. */
  same?: { bars: number; isFirst: boolean };
  free?: FreeKind;
  /** The kind of free bars is said here. */
  isFreeSaid: boolean;
  dynamic?: Dynamic;
  /** Louder or softer, over so many bars from here on. */
  swell?: { to: Dynamic; bars: number; isLouder: boolean };
  /** The count that is held. */
  held?: string;
  say?: string;
  isLast: boolean;
}

interface Around {
  heading?: string;
  isRepeatBegun: boolean;
  times: number;
  ending?: EngravedBar['ending'];
}

/**
 * The bars of a chart in the order they are written, each with what is engraved over it; what cannot be played is
 * told as by `unroll`.
 */
export function engraved(form: ChartForm): Result<EngravedBar[]> {
  const written = writtenOf(form);
  if ('problem' in written) return fail(written.problem);
  const unrolled = unroll(form);
  if (!unrolled.ok) return unrolled;
  const first = new Map<number, PlayedBar>();
  for (const one of unrolled.value) if (!first.has(one.written)) first.set(one.written, one);
  const around = new Map(aroundIn(written.top));
  let meter: Meter | undefined;
  let loudness = USUAL_LOUDNESS;
  const bars: EngravedBar[] = [];
  const openOf = { same: opening(written.bars, 'same'), free: opening(written.bars, 'free') };
  for (const [index, bar] of written.bars.entries()) {
    const played = first.get(index);
    // A bar that is never come to keeps what is written over it.
    const own = played?.meter ?? meterOf(bar.marks) ?? meter ?? meterOf(form)!;
    const isMeterShown = !meter || formatMeter(meter) !== formatMeter(own);
    meter = own;
    const { marks } = bar;
    const beside = around.get(bar)!;
    const before = bars.at(-1);
    const isRest = played?.isRest ?? false;
    if (before?.isRest && isRest && isPlain(bar, beside, isMeterShown, played) && !endsSomething(before)) {
      before.bars++;
      before.times = beside.times;
      before.ending = before.ending && { ...before.ending, isLast: beside.ending?.isLast ?? false };
      continue;
    }
    const same = openOf.same(index);
    const free = openOf.free(index);
    const { dynamic, swell, fermata } = marks;
    bars.push({
      written: index,
      bars: 1,
      section: bar.section,
      number: bar.number,
      meter: own,
      isMeterShown,
      ...beside,
      signs: marks.signs ?? [],
      ...(marks.jump && { jump: marks.jump }),
      ...((marks.tempo ?? (index === 0 ? form.tempo : undefined)) && { tempo: marks.tempo ?? form.tempo }),
      ...(marks.change && { change: marks.change }),
      ...((marks.feel ?? (index === 0 ? form.feel : undefined)) && { feel: marks.feel ?? form.feel }),
      hits: played?.hits ?? [],
      isRest,
      ...(same && { same: { bars: same.marks.same!, isFirst: same === bar } }),
      ...(free && { free: free.marks.free!.as }),
      isFreeSaid: free === bar,
      ...(dynamic && { dynamic }),
      ...(swell && { swell: { ...swell, isLouder: opens(dynamic ?? loudness, swell.to) } }),
      ...(fermata && { held: fermata.on }),
      ...(marks.say && { say: marks.say }),
      isLast: false,
    });
    loudness = loudnessAfter(loudness, marks);
  }
  bars.at(-1)!.isLast = true;
  return ok(bars);
}

const meterOf = ({ meter }: { meter?: string }): Meter | undefined => {
  const read = meter === undefined ? undefined : parseMeter(meter);
  return read?.ok ? read.value : undefined;
};

/** A rest that nothing stands over goes into the one before it. */
const isPlain = (
  { marks }: WrittenBar,
  beside: Around,
  isMeterShown: boolean,
  played: PlayedBar | undefined,
): boolean =>
  Object.keys(marks).length === 0 &&
  !isMeterShown &&
  !beside.heading &&
  !beside.isRepeatBegun &&
  !beside.ending?.isFirst &&
  !played?.hits.length;

const endsSomething = ({ times, jump, signs, hits, ending }: EngravedBar): boolean =>
  times > 1 ||
  jump !== undefined ||
  hits.length > 0 ||
  ending?.isLast === true ||
  signs.some((one) => one === 'to coda' || one === 'fine');

/** Finds the bar by whose mark a bar belongs to a run. */
function opening(bars: readonly WrittenBar[], run: 'same' | 'free') {
  return (index: number): WrittenBar | undefined => {
    const bar = bars[index]!;
    const opened = bar.beside.slice(0, bar.number).findLast(({ marks }) => marks[run] !== undefined);
    const many = run === 'same' ? opened?.marks.same : opened?.marks.free?.bars;
    return opened && bar.number < opened.number + (many ?? 0) ? opened : undefined;
  };
}

/** What the sections around a bar ask for at it: a heading, repeats, endings. */
function* aroundIn(section: Written, heading?: string): Generator<[WrittenBar, Around]> {
  const isRepeated = section.times > 1;
  const inner = [...barsWithin(section, heading)];
  for (const [index, [bar, around]] of inner.entries()) {
    const isEnd = section.endings.length === 0 && index === inner.length - 1;
    yield [
      bar,
      {
        ...around,
        isRepeatBegun: around.isRepeatBegun || (isRepeated && index === 0),
        times: isEnd && isRepeated ? section.times : around.times,
      },
    ];
  }
  for (const { for: times, bars } of section.endings)
    for (const [index, bar] of bars.entries()) {
      const isLast = index === bars.length - 1;
      yield [
        bar,
        {
          isRepeatBegun: false,
          times: isLast && !times.includes(section.times) ? Math.max(2, times.length + 1) : 1,
          ending: { label: `${timesInName(times).replaceAll('-', '–')}.`, isFirst: index === 0, isLast },
        },
      ];
    }
}

function* barsWithin(section: Written, heading?: string): Generator<[WrittenBar, Around]> {
  for (const [index, one] of section.body.entries()) {
    const name = [index === 0 ? heading : undefined, isBar(one) ? undefined : one.name].filter(Boolean).join(' · ');
    if (isBar(one)) yield [one, { ...(name && { heading: name }), isRepeatBegun: false, times: 1 }];
    else yield* aroundIn(one, name);
  }
}
