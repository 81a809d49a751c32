import type { Playing } from './simulatedKit';

/** Faults to choose from, each plain enough to be heard and seen at its usual size. */
const FAULTS = {
  steady: {},
  late: { offsetMs: 45 },
  early: { offsetMs: -40 },
  uneven: { unevenMs: 32 },
  rushing: { driftPercent: 1.2 },
  dragging: { driftPercent: -1.2 },
  'rushing in phrases': { phraseMs: -70 },
  'half a count late': { countsLate: 0.5 },
  'late off-beats': { offCountMs: 45 },
  'late foot': { limbMs: { 'right foot': 40 } },
  'early left hand': { limbMs: { 'left hand': -40 } },
  'one late place': { placeMs: { 'right foot': 45 } },
  'uneven foot': { unevenLimbMs: { 'right foot': 45 } },
  'swing too straight': { straightened: 0.6 },
  'early after a change of rate': { switchMs: -40 },
  missing: { missedShare: 0.15 },
  'foot left out': { missingLimb: { 'right foot': 0.25 } },
  'a bar left out': { barsOut: 1 },
  'foot a slot late': { slotsLate: { 'right foot': 1 } },
  'extra strokes': { extraShare: 0.12 },
  'flat flams': { graceMs: -26 },
  'wide flams': { graceMs: 57 },
  'late second strokes': { secondMs: 30 },
  'weak second strokes': { weakSecondDb: 7 },
  'hands and foot apart': { togetherMs: { 'right foot': 40 } },
  'weak accents': { flattened: 0.85 },
  'loudness wanders': { wanderDb: 6 },
} as const satisfies Record<string, Playing>;

export type KitFault = keyof typeof FAULTS;
export const KIT_FAULT_NAMES = Object.keys(FAULTS) as KitFault[];

/** How large a fault is against its usual size. */
export const KIT_SIZES = { slight: 0.6, usual: 1, strong: 1.6 } as const;
export type KitSize = keyof typeof KIT_SIZES;

/** How the kit plays with a fault, or with two at once: steadily but for those, loudness told. */
export function kitPlaying(fault: KitFault, size: KitSize = 'usual', also?: KitFault): Playing {
  const [one, other] = [sized(FAULTS[fault], KIT_SIZES[size]), also ? sized(FAULTS[also], KIT_SIZES[size]) : {}];
  const both: Record<string, unknown> = { spreadMs: 5, isLoud: true };
  for (const [name, value] of [...Object.entries(one), ...Object.entries(other)])
    both[name] = added(both[name], value as number | Record<string, number>);
  return both;
}

function sized(playing: Playing, times: number): Playing {
  return Object.fromEntries(
    Object.entries(playing).map(([name, value]) => [name, mapped(value as Value, (one) => one * times)]),
  );
}

type Value = number | Record<string, number>;

const mapped = (value: Value, by: (one: number) => number): Value =>
  typeof value === 'number'
    ? by(value)
    : Object.fromEntries(Object.entries(value).map(([limb, one]) => [limb, by(one)]));

/** Two of the same kind add up, limb by limb. */
function added(before: unknown, value: Value): Value {
  if (before === undefined) return value;
  if (typeof value === 'number') return (before as number) + value;
  const all = { ...(before as Record<string, number>) };
  for (const [limb, one] of Object.entries(value)) all[limb] = (all[limb] ?? 0) + one;
  return all;
}
