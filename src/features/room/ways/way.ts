import type { ComponentType } from 'react';
import type { Limb } from '@/core/groove/limbs';
import type { RoomFacts } from '../RoomContext';
import type { RoomSettings, WayName } from '../settings';

/**
 * A way of practising: when it is offered, how it sets the room when it is entered and left, and the room itself, which
 * says what is played, shows its panel, and what becomes of a take that has ended. A new one is a folder beside these
 * and a line in the registry.
 */
export interface Way {
  name: WayName;
  isFor: (played: Pick<RoomFacts, 'drill' | 'chart' | 'sight'>) => boolean;
  entered?: (settings: RoomSettings, limbs: readonly Limb[]) => Partial<RoomSettings>;
  left?: (settings: RoomSettings, limbs: readonly Limb[]) => Partial<RoomSettings>;
  Room: ComponentType;
  /** Brings what it needs beyond the first screen: the room has it brought, so that it is there without the network. */
  bring?: () => Promise<unknown>;
}
