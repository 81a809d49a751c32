import type { SpokenPlace } from '@/core/count/spoken';
import type { Groove, Stroke } from '@/core/groove/groove';
import { placeStroke, removeStroke, usualSurface, type Place } from '@/core/groove/edit';
import type { Height, Limb } from '@/core/groove/limbs';

/** What is not said is taken from where the hands are: the cursor's limb, the height used last. */
export interface Unsaid {
  limb: Limb;
  height: Height;
}

const placeOf = (spoken: SpokenPlace, unsaid: Unsaid): Place => ({
  bar: spoken.bar,
  at: spoken.at,
  limb: spoken.limb ?? unsaid.limb,
});

/** The groove with everything that was said placed or taken out. */
export function placeSpoken(groove: Groove, places: readonly SpokenPlace[], unsaid: Unsaid): Groove {
  return places.reduce((before, spoken) => {
    const place = placeOf(spoken, unsaid);
    if (spoken.remove) return removeStroke(before, place);
    return placeStroke(before, place, {
      surface: spoken.surface,
      height: spoken.height ?? unsaid.height,
      ornament: spoken.ornament,
    });
  }, groove);
}

/** The strokes that would be placed, for showing them pale. */
export function previewOf(
  groove: Groove,
  places: readonly SpokenPlace[],
  unsaid: Unsaid,
): { bar: number; stroke: Stroke }[] {
  return places
    .filter(({ remove }) => !remove)
    .map((spoken) => {
      const { bar, limb, at } = placeOf(spoken, unsaid);
      return {
        bar,
        stroke: {
          limb,
          at,
          surface: spoken.surface ?? usualSurface(groove, limb),
          height: spoken.height ?? unsaid.height,
          ...(spoken.ornament && { ornament: spoken.ornament }),
        },
      };
    });
}
