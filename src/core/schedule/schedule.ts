import type { School } from '../counting/schools';
import type { Form } from '../form/form';
import { countsOf } from '../grid/meter';
import type { ClickPlan } from '../time/clickPlan';
import { add, less, ZERO, type WholeNotes } from '../time/fraction';
import type { Ms } from '../time/units';
import { clicks, type ClickedBar } from './clicks';
import { countedIn } from './countIn';
import { layerNotes } from './layers';
import { strokesStruck, type StruckPlace } from './strokes';
import type { Schedule, TimedBar, TimedSound } from './timed';
import { timelineOf, type Timeline } from './timeline';
import { NUMBER_MS, spokenCount, type CountedWord } from './words';

/**
 * From word to word of a call. Plain speech has four to six syllables a second; the numbers at its end have up to
 * three.
 */
export const CALL_WORD_MS: Ms = 180;

/** The count as it is spoken: in whose syllables, and where, as a click plan says it. */
export interface SpokenCount {
  school: School;
  plan: ClickPlan;
}

/** How a run is counted in, and the count spoken over it. */
const ON_COUNTS: ClickPlan = { kind: 'every', counts: '1', from: '0' };

/**
 * The one place that says when each stroke and click sounds. Player, notation, files and judgement all
 * ask here. Places stay exact fractions; `ms` is worked out from them last.
 */
export function schedule(form: Form, { count }: { count?: SpokenCount } = {}): Schedule {
  const line = timelineOf(form);
  const said = count && wordsOf(form, line, count);
  const called = callsOf(form, line);
  const sounds = [
    ...clicksOf(form, line),
    ...(said?.sounds ?? []),
    ...called.sounds,
    ...layerNotes(form.bars, line.starts).map((note): TimedSound => ({
      kind: 'layer',
      ...note,
      ms: line.toMs(note.at),
    })),
    ...strokesOf(form, line),
  ].sort((a, b) => a.ms - b.ms);
  const bars = barsOf(form, line);
  const countsMs = form.bars.flatMap(({ bar, reading }, index) =>
    countsOf(bar.meter, reading).map(({ at }) => line.toMs(add(line.starts[index]!, at))),
  );
  return {
    sounds,
    bars,
    countsMs,
    unspoken: (said?.unspoken ?? 0) + called.unspoken,
    startMs: bars[0]!.startMs,
    endMs: bars.at(-1)!.endMs,
  };
}

const clicked = ({ bars }: Form): ClickedBar[] =>
  bars.map(({ bar: { meter, endOf, cells }, reading }) => ({ meter, endOf, cells, reading }));

/** Of what lies in bars counted in, what comes before they break off. */
const before = <T extends { bar: number; written: WholeNotes }>(all: readonly T[], form: Form): T[] => {
  const counted = countedIn(form);
  return all.filter(({ bar, written }) => less(written, counted[bar]!.length));
};

function clicksOf(form: Form, { countInStarts, place, toMs }: Timeline): TimedSound[] {
  const inward = before(clicks(ON_COUNTS, countedIn(form)), form).map(({ bar, written, voice }): TimedSound => {
    const at = add(countInStarts[bar]!, written);
    return { kind: 'click', at, ms: toMs(at), barInRun: bar - form.countIn, voice };
  });
  const all = clicked(form);
  const along = stretchesOf(form).flatMap(({ plan, from, to }) =>
    clicks(plan, all.slice(from, to)).map(({ bar, written, voice }): TimedSound => {
      const at = place(from + bar, written);
      return { kind: 'click', at, ms: toMs(at), barInRun: from + bar, voice };
    }),
  );
  return [...inward, ...along];
}

/** The stretches of bars over which one click plan runs from its beginning. */
function stretchesOf({ bars }: Form): { plan: ClickPlan; from: number; to: number }[] {
  const stretches: { plan: ClickPlan; from: number; to: number }[] = [];
  for (const [index, { click, clickFrom }] of bars.entries()) {
    const last = stretches.at(-1);
    if (last && last.from === clickFrom) last.to = index + 1;
    else stretches.push({ plan: click, from: index, to: index + 1 });
  }
  return stretches;
}

function wordsOf(form: Form, { countInStarts, place, toMs }: Timeline, { school, plan }: SpokenCount) {
  const inPlace = (bar: number, written: WholeNotes) => add(countInStarts[bar]!, written);
  const asSound =
    (at: (bar: number, written: WholeNotes) => WholeNotes, earlier: number) =>
    ({ bar, written, say }: CountedWord): TimedSound => ({
      kind: 'word',
      at: at(bar, written),
      ms: toMs(at(bar, written)),
      barInRun: bar - earlier,
      say,
    });
  const inward = spokenCount(ON_COUNTS, countedIn(form), school, (bar, written) => toMs(inPlace(bar, written)));
  const along = spokenCount(plan, clicked(form), school, (bar, written) => toMs(place(bar, written)));
  return {
    sounds: [...before(inward.words, form).map(asSound(inPlace, form.countIn)), ...along.words.map(asSound(place, 0))],
    unspoken: along.unspoken,
  };
}

/** Calls, each said from the bar line before the bar that it calls; left out where there is no time for its words. */
function callsOf(
  { bars }: Form,
  { starts, countInStarts, toMs }: Timeline,
): { sounds: TimedSound[]; unspoken: number } {
  const sounds: TimedSound[] = [];
  let unspoken = 0;
  for (const [index, { call }] of bars.entries()) {
    const at = index > 0 ? starts[index - 1] : countInStarts.at(-1);
    if (!call || !at) continue;
    const fromMs = toMs(at);
    if (fromMs + (call.length - 1) * CALL_WORD_MS + NUMBER_MS > toMs(starts[index]!)) unspoken += call.length;
    else
      for (const [word, say] of call.entries())
        sounds.push({ kind: 'word', at, ms: fromMs + word * CALL_WORD_MS, barInRun: index - 1, say });
  }
  return { sounds, unspoken };
}

function strokesOf({ bars }: Form, { place, toMs }: Timeline): TimedSound[] {
  const struck = new Map<unknown, StruckPlace[]>();
  return bars.flatMap((one, barInRun) => {
    const places = struck.get(one.bar) ?? strokesStruck(one);
    struck.set(one.bar, places);
    return places.map((stroke): TimedSound => {
      const at = place(barInRun, stroke.at);
      const { limb, surface, height, role, ornament, written } = stroke;
      const ms = toMs(at) + stroke.earlierMs + (one.lean?.[stroke.leansWith] ?? 0);
      const { bar, round } = one.origin;
      return { kind: 'stroke', at, ms, barInRun, limb, surface, height, role, ornament, round, bar, written };
    });
  });
}

function barsOf({ bars, countIn }: Form, { starts, countInStarts, toMs }: Timeline): TimedBar[] {
  const counted = countedIn({ bars, countIn });
  const inward = countInStarts.map((start, index): TimedBar => ({
    ...bars[0]!.origin,
    round: -1,
    barInRun: index - countIn,
    counts: counted[index]!.counts,
    startMs: toMs(start),
    endMs: toMs(countInStarts[index + 1] ?? ZERO),
  }));
  const along = bars.map(({ origin }, index): TimedBar => ({
    ...origin,
    barInRun: index,
    startMs: toMs(starts[index]!),
    endMs: toMs(starts[index + 1]!),
  }));
  return [...inward, ...along];
}
