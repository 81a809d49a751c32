import type { School } from '@/core/counting/schools';
import { placeInWords } from '@/core/counting/placeInWords';
import { beatOf } from '@/core/groove/beat';
import type { Bar, Groove } from '@/core/groove/groove';
import type { Limb } from '@/core/groove/limbs';
import type { Feel } from '@/core/form/form';
import type { Bpm } from '@/core/time/units';
import { drawnBar, type DrawnBar } from './layout';

/**
 * Remembers what was made of a bar as long as everything it was made from stays the same. An edit leaves
 * the other bars of a groove the same objects, so only the edited one is worked out and drawn anew.
 */
function rememberedByBar<T>(): (bar: Bar, from: readonly unknown[], make: () => T) => T {
  const known = new WeakMap<Bar, { from: readonly unknown[]; made: T }>();
  return (bar, from, make) => {
    const before = known.get(bar);
    if (before && before.from.length === from.length && before.from.every((one, index) => Object.is(one, from[index])))
      return before.made;
    const made = make();
    known.set(bar, { from, made });
    return made;
  };
}

const drawings = rememberedByBar<DrawnBar>();
const words = rememberedByBar<Map<Limb, string>>();

/** The bars of a groove as the strip draws them; one that did not change is the same object. */
export function barsDrawn(groove: Groove, school: School, bpm: Bpm | undefined, swing: Feel | undefined): DrawnBar[] {
  const beat = beatOf(groove);
  const tempo = bpm ?? groove.tempo;
  const from = [school, groove.reading, swing, groove.swing, groove.lean, beat.n, beat.d, tempo];
  return groove.bars.map((bar, index) => drawings(bar, from, () => drawnBar(groove, index, school, tempo, swing)));
}

/** What a screen reader hears of each limb in each bar: "count 1 accent on kick, the a of 2 ghost on kick". */
export function barsInWords(groove: Groove, school: School): Map<Limb, string>[] {
  return groove.bars.map((bar, index) =>
    words(bar, [school, groove.reading, index, groove.bars.length > 1], () => {
      const said = new Map<Limb, string>();
      // Limbs that strike together share their place's words.
      const places = new Map<string, string>();
      for (const { limb, at, height, ornament, surface } of bar.strokes) {
        const place = places.get(`${at.n}/${at.d}`) ?? placeInWords(groove, index, at, school);
        places.set(`${at.n}/${at.d}`, place);
        const one = `${place} ${height} ${ornament ?? ''} on ${surface}`.replace('  ', ' ');
        said.set(limb, said.has(limb) ? `${said.get(limb)}, ${one}` : one);
      }
      return said;
    }),
  );
}
