import type { Limb } from '@/core/groove/limbs';
import type { RoomSettings, WayName } from '../settings';
import { atSight } from './atSight/atSight';
import { backToBack } from './backToBack/backToBack';
import { buildUp } from './buildUp/buildUp';
import { called } from './called/called';
import { ladder } from './ladder/ladder';
import { through } from './through/through';
import { toMusic } from './toMusic/toMusic';
import { waiting } from './waiting/waiting';
import type { Way } from './way';

/** All ways of practising, in the order they are offered. */
export const WAYS: readonly Way[] = [atSight, called, through, ladder, buildUp, waiting, backToBack, toMusic];

export const wayNamed = (name: WayName): Way => WAYS.find((one) => one.name === name)!;

/** The same practised another way. */
export function practisedAs(before: RoomSettings, name: WayName, limbs: readonly Limb[]): RoomSettings {
  const left = { ...before, ...(name === before.way ? {} : wayNamed(before.way).left?.(before, limbs)), way: name };
  return { ...left, ...wayNamed(name).entered?.(left, limbs) };
}
