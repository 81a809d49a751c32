import type { Reading } from '../grid/meter';
import { countsOf } from '../grid/meter';
import type { Bar, Groove } from '../groove/groove';
import type { Limb } from '../groove/limbs';
import type { ClickPlan } from '../time/clickPlan';
import { exact, toNumber, type WholeNotes } from '../time/fraction';
import type { Swing } from '../time/swing';
import type { Bpm, Ms } from '../time/units';
import type { Layer, LayerPlan } from './layers';
import { layersIn } from './layers';

/** A swing in place of the groove's own; `straight` switches it off. */
export type Feel = Swing | 'straight';

/** Where a bar that is played comes from. */
export interface Origin {
  /** Index of the bar in the groove that is shown. */
  bar: number;
  /** How often this bar was played before. */
  round: number;
  /** How often the whole was gone through before. */
  pass: number;
  /** Of a drill: the index of its exercise; undefined in a rest and where nothing was called yet. */
  exercise?: number;
  /** Of what is set against each other: 0 the first side, 1 the second … */
  side?: number;
}

/** One bar as it is played: everything that decides what sounds in it, and when. */
export interface FormBar {
  bar: Bar;
  reading: Reading;
  /** So many beats a minute, and the note that is the beat. */
  tempo: { bpm: Bpm; beat: WholeNotes };
  /** What it is played with; straight when left out. */
  swing?: Swing;
  /** A limb laid behind (+) or pushed ahead (−). */
  lean?: Partial<Record<Limb, Ms>>;
  click: ClickPlan;
  /** The bar of the form in which this plan began: it counts its own bars from there. */
  clickFrom: number;
  /** The limbs that are to be played; all when left out. */
  task?: readonly Limb[];
  /** What is called in the bar before, word by word. */
  call?: readonly string[];
  /** A place of it, as it sounds, that is held so much longer. */
  hold?: { at: WholeNotes; more: WholeNotes };
  /** The player's own: nothing is asked for but what is written. */
  isFree?: boolean;
  /** Notes of triplet layers that sound in it. */
  layers?: readonly Layer[];
  origin: Origin;
}

/** What is played, from the first bar to the last. Rounds, drills, calls, sides and layers all come to this. */
export interface Form {
  bars: readonly FormBar[];
  /** Bars counted in, like the first, clicked on every count; before a pick-up the last is the bar that it ends. */
  countIn: number;
}

/** Bars of a groove that are played one after another, so often. */
export interface Passage {
  from: number;
  bars: number;
  times: number;
  exercise?: number;
  side?: number;
  /** Played with this in place of what is set. */
  swing?: Feel;
  /** What is called in the bar before it begins. */
  call?: string[];
  /** At a tempo of its own: `times` of its beats, `beat` whole notes long, while the plan's beat goes by once. */
  speed?: { times: string; beat: string };
  /** A place of each bar that is held so much longer, both in whole notes. */
  hold?: { at: string; more: string };
  /** The player's own: nothing is asked for but what is written. */
  isFree?: boolean;
}

/** What is set anew from a bar on; what is left out goes on as it was. */
export interface FormChange {
  fromBar: number;
  bpm?: Bpm;
  /** A plan begins its own bars where it is set. */
  click?: ClickPlan;
  swing?: Feel;
  task?: readonly Limb[];
}

/** A groove, how it is gone through, and what is set. */
export interface Plan {
  /** Already turned round for the player's kit. */
  groove: Groove;
  /** Once through the whole; the groove from beginning to end when left out. */
  passages?: readonly Passage[];
  /** How often the whole is played. */
  rounds: number;
  bpm: Bpm;
  /** In place of the groove's own. */
  swing?: Feel;
  lean?: Partial<Record<Limb, Ms>>;
  click: ClickPlan;
  countIn: number;
  task?: readonly Limb[];
  /** Only these limbs sound; all of them when left out. */
  limbs?: readonly Limb[];
  layers?: LayerPlan;
  /** In the order of their bars. */
  changes?: readonly FormChange[];
}

/** A groove from its first bar to its last. */
export const wholeOf = ({ bars }: Pick<Groove, 'bars'>): Passage[] => [{ from: 0, bars: bars.length, times: 1 }];

/** How many bars passages come to, once through. */
export const barsThrough = (passages: readonly Passage[]): number =>
  passages.reduce((total, { bars, times }) => total + bars * times, 0);

/** How many bars a plan goes through once. */
export const barsOnce = ({ groove, passages }: Pick<Plan, 'groove' | 'passages'>): number =>
  barsThrough(passages ?? wholeOf(groove));

/** The list of bars that a plan comes to. */
export function formOf(plan: Plan): Form {
  const { groove, passages = wholeOf(groove), changes = [] } = plan;
  const beat = countsOf(groove.bars[0]!.meter, groove.reading)[0]!.length;
  const bars = groove.bars.map((bar) => onlyLimbs(bar, plan.limbs));
  const lean = plan.lean ?? groove.lean;
  const form: FormBar[] = [];
  const rounds = groove.bars.map(() => 0);
  const now = { bpm: plan.bpm, click: plan.click, clickFrom: 0, swing: plan.swing, task: plan.task };
  let next = 0;
  for (let pass = 0; pass < plan.rounds; pass++) {
    for (const { bar, first, passage } of barsOf(passages)) {
      const at = form.length;
      for (; changes[next] && changes[next]!.fromBar <= at; next++) {
        const { bpm, click, swing, task } = changes[next]!;
        if (bpm !== undefined) now.bpm = bpm;
        if (swing) now.swing = swing;
        if (task) now.task = task;
        if (click) [now.click, now.clickFrom] = [click, at];
      }
      const swing = passage.swing ?? now.swing ?? groove.swing;
      const layers = plan.layers && layersIn(plan.layers, at);
      form.push({
        bar: bars[bar]!,
        reading: groove.reading,
        tempo: passage.speed ? tempoOf(passage.speed, now.bpm) : { bpm: now.bpm, beat },
        ...(swing && swing !== 'straight' && { swing }),
        ...(lean && { lean }),
        click: now.click,
        clickFrom: now.clickFrom,
        ...(now.task && { task: now.task }),
        ...(first && passage.call && { call: passage.call }),
        ...(passage.hold && { hold: { at: exact(passage.hold.at), more: exact(passage.hold.more) } }),
        ...(passage.isFree && { isFree: true }),
        ...(layers && { layers }),
        origin: {
          bar,
          round: rounds[bar]!++,
          pass,
          ...(passage.exercise !== undefined && { exercise: passage.exercise }),
          ...(passage.side !== undefined && { side: passage.side }),
        },
      });
    }
  }
  return { bars: form, countIn: plan.countIn && form[0]?.bar.endOf ? plan.countIn + 1 : plan.countIn };
}

/** The tempo of a passage while the plan goes so many beats a minute. */
const tempoOf = ({ times, beat }: NonNullable<Passage['speed']>, bpm: Bpm): FormBar['tempo'] => ({
  bpm: bpm * toNumber(exact(times)),
  beat: exact(beat),
});

/** The bars of passages in the order they are played; `first` is that of a passage. */
function* barsOf(passages: readonly Passage[]) {
  for (const passage of passages)
    for (let time = 0; time < passage.times; time++)
      for (let into = 0; into < passage.bars; into++)
        yield { bar: passage.from + into, first: time === 0 && into === 0, passage };
}

const onlyLimbs = (bar: Bar, limbs: readonly Limb[] | undefined): Bar =>
  limbs ? { ...bar, strokes: bar.strokes.filter(({ limb }) => limbs.includes(limb)) } : bar;

/** Forms played one after another without a gap, each a side of its own: counted in once, like the first. */
export function inTurn(forms: readonly Form[]): Form {
  const bars: FormBar[] = [];
  for (const [side, form] of forms.entries()) {
    const before = bars.length;
    for (const one of form.bars)
      bars.push({ ...one, clickFrom: one.clickFrom + before, origin: { ...one.origin, side } });
  }
  return { bars, countIn: forms[0]?.countIn ?? 0 };
}

/** The limbs that are to be played in a bar of a form; before the first bar, those of the first. */
export const taskIn = ({ bars }: Form, barInRun: number, all: readonly Limb[]): readonly Limb[] =>
  bars[Math.max(0, Math.min(bars.length - 1, barInRun))]?.task ?? all;
