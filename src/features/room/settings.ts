import { z } from 'zod';
import { tempoShape } from '@/core/documents/shapes';
import { type Groove } from '@/core/groove/groove';
import { LIMBS, type Limb } from '@/core/groove/limbs';
import { limbsIn } from '@/core/groove/kit';
import type { WrittenChart } from '@/core/documents/writtenChart';
import type { WrittenDrill } from '@/core/documents/writtenDrill';
import type { Feel } from '@/core/form/form';
import type { Contrast } from '@/core/form/sides';
import type { KitFault, KitSize } from '@/core/simulate/kitFaults';
import { CLICK_PLAN_NAMES, CLICK_PLANS, type ClickPlan, type ClickPlanName } from '@/core/time/clickPlan';
import type { LayerPlan } from '@/core/form/layers';
import type { Bpm, Ms } from '@/core/time/units';

/**
 * How a groove or drill is practised; `called`: of a drill made for it; `at sight`: of what is drawn anew to be read.
 */
export type WayName =
  'at sight' | 'called' | 'through' | 'ladder' | 'build-up' | 'wait for me' | 'back to back' | 'to music';

/** How what the simulated kit strikes is heard: told as it is when left out. */
export type KitHeard = 'by MIDI' | 'as sound';

/** Who plays: the person, or the simulated kit with a fault. */
export type WhoPlays = 'me' | KitFault;

export type Length = { rounds: number } | { minutes: number };

/** How the room is set for the next take. */
export interface RoomSettings {
  way: WayName;
  bpm: Bpm;
  click: ClickPlan;
  /** Where the count is spoken; nowhere when undefined. */
  count: ClickPlan | undefined;
  layers: LayerPlan | undefined;
  length: Length;
  countIn: number;
  /** The limbs that are to be played, and those that sound. */
  task: Limb[];
  heard: Limb[];
  /** In place of the groove's own. */
  swing: Feel | undefined;
  lean: Partial<Record<Limb, Ms>>;
  who: WhoPlays;
  /** How large the kit's fault is, which other it has at once, and how it is heard. */
  kit: { size: KitSize; also?: KitFault; heard?: KitHeard };
  /** What is set against each other, and at least how many bars of each. */
  contrast: { what: Contrast; bars: number };
  /** In which order limbs come in, and after how many clean rounds; `0`: only when asked. */
  buildUp: { order: Limb[]; after: number };
  /** Of a groove of several bars, those that go round: the first and the last by index. All of them when undefined. */
  bars: { first: number; last: number } | undefined;
  /** Of a drill, which exercises are played, by index; of a chart, which of its sections as they come. */
  range: number[];
  /** How places are called: a new one every `pace` bars; `same` calls them as the last time. */
  caller: { pace: number; calls: number; same: boolean };
}

export const LENGTHS: readonly Length[] = [
  { rounds: 1 },
  { rounds: 2 },
  { rounds: 4 },
  { rounds: 8 },
  { rounds: 16 },
  { rounds: 32 },
  { minutes: 1 },
  { minutes: 1.5 },
  { minutes: 2 },
  { minutes: 5 },
];
export const COUNT_INS = [0, 1, 2, 3, 4] as const;

/** How the room is set for a groove at first; what is set as homework has its own tempo and click. */
export function firstSettings(
  groove: Groove,
  assignment?: { tempo: Bpm; click: ClickPlanName },
  drill?: Pick<WrittenDrill, 'exercises' | 'rule'>,
  chart?: Pick<WrittenChart, 'exercises'>,
): RoomSettings {
  const limbs = limbsIn(groove);
  return {
    way: drill?.rule.caller ? 'called' : 'through',
    bpm: assignment?.tempo ?? groove.tempo,
    click: CLICK_PLANS[assignment?.click ?? drill?.rule.click ?? 'counts'],
    count: undefined,
    layers: undefined,
    length: { rounds: drill || chart ? 1 : 8 },
    countIn: 1,
    who: 'me',
    kit: { size: 'usual' },
    task: limbs,
    heard: limbs,
    swing: undefined,
    lean: groove.lean ?? {},
    contrast: { what: 'straight and swung', bars: 2 },
    buildUp: { order: limbs, after: 2 },
    bars: undefined,
    range: (drill ?? chart)?.exercises.map((_, index) => index) ?? [],
    caller: { pace: 2, calls: 16, ...drill?.rule.caller, same: false },
  };
}

export type AskedSettings = Partial<Pick<RoomSettings, 'bpm' | 'click' | 'task' | 'bars' | 'way'>>;

/** "2" or "2-3", counted from 1, of bars up to the one with index `last`. */
function barsAsked(text: string | undefined, last: number): RoomSettings['bars'] {
  const [, from, to = from] = /^(\d{1,3})(?:-(\d{1,3}))?$/.exec(text ?? '') ?? [];
  const bars = { first: Number(from) - 1, last: Number(to) - 1 };
  return bars.first >= 0 && bars.last >= bars.first && bars.last <= last ? bars : undefined;
}

/** What an address may ask of the room; anything that cannot be is left out. */
export function settingsAsked(
  asked: { bpm?: string; click?: string; limbs?: string; bars?: string },
  playing: readonly Limb[],
  last = 0,
): AskedSettings {
  const bpm = tempoShape.safeParse(Number(asked.bpm ?? NaN)).data;
  const click = z.enum(CLICK_PLAN_NAMES as [ClickPlanName, ...ClickPlanName[]]).safeParse(asked.click).data;
  const limbs = LIMBS.filter((limb) => asked.limbs?.split(',').includes(limb) && playing.includes(limb));
  const bars = barsAsked(asked.bars, last);
  return {
    ...(bpm && { bpm }),
    ...(click && { click: CLICK_PLANS[click] }),
    ...(limbs.length && { task: limbs }),
    ...(bars && { bars }),
  };
}
