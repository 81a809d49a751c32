import type { Weakness } from '@/core/plan/weakness';
import { format } from '@/core/time/fraction';

/** The drill maker opened on a weakness that a take found. */
export function weaknessHref({
  limb,
  offBeats,
  places,
  switches,
  uneven,
  figure,
  joins,
  click,
  tempo,
  meter,
  parts,
  reading,
}: Weakness): string {
  const asked = {
    tempo: String(tempo),
    ...(limb && { limb }),
    ...(offBeats && { offBeats: '1' }),
    ...(places && { places: places.map(format).join(',') }),
    ...(switches && { switch: switches.join(',') }),
    ...(uneven && { uneven: '1' }),
    ...(figure && { figure }),
    ...(joins && { joins: '1' }),
    ...(click && { click }),
    ...(meter && { meter }),
    ...(parts && { parts: String(parts) }),
    ...(reading && { reading }),
  };
  return `/drills?${new URLSearchParams(asked)}`;
}
