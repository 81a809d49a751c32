import { z } from 'zod';
import { USUAL_SURFACES } from '../../groove/limbs';
import { fail, ok } from '../../result';
import { equal, type WholeNotes } from '../../time/fraction';
import { binomial, bits, combination } from '../choose';
import { countAt, family, isBackbeat, limbShape, stroke, type DrillGrid } from '../family';

const WHERE = [
  'all of them',
  'only in odd counts',
  'only in even counts',
  'single places',
  'pairs of places',
  'every combination',
] as const;
/** More free places than this make more combinations than anybody could play in a life. */
const MOST_FREE = 24;

const shape = z.object({
  limb: limbShape.default('right foot').describe('Which limb goes between'),
  where: z.enum(WHERE).default('single places').describe('Where'),
  backbeat: z.boolean().default(true).describe('Backbeat kept'),
});
type Params = z.output<typeof shape>;

/** The slots on which the ostinato strikes nothing. */
const free = ({ slots, ostinato }: DrillGrid): WholeNotes[] =>
  slots.filter((at) => !ostinato.some((one) => equal(one.at, at)));

function chosen({ where }: Params, ground: DrillGrid, index: number): WholeNotes[] {
  const places = free(ground);
  const inCounts = (odd: number) => places.filter((at) => countAt(ground, at).number % 2 === odd);
  switch (where) {
    case 'all of them':
      return places;
    case 'only in odd counts':
      return inCounts(1);
    case 'only in even counts':
      return inCounts(0);
    case 'single places':
      return [places[index]!];
    case 'pairs of places':
      return combination(places.length, 2, index).map((place) => places[place]!);
    case 'every combination':
      return bits(index + 1, places.length).map((place) => places[place]!);
  }
}

export const between = family<Params>({
  name: 'between',
  wish: 'a foot or hand between the hats',
  version: 1,
  order: ({ where }) =>
    where === 'pairs of places' || where === 'every combination' ? 'easy to hard' : 'as generated',
  shape,
  trains: ({ limb }) => `The ${limb} plays where the ostinato is silent.`,
  total: (params, ground) => {
    const places = free(ground).length;
    const none = (code: string, say: string, remedy: string) =>
      fail({ code, path: ['where'], where: 'where', say, remedy });
    if (!places)
      return none(
        'nothing-free',
        'The ostinato strikes on every slot, so nothing is free.',
        'Divide the counts further, or let the ostinato play fewer notes.',
      );
    if (params.where === 'pairs of places')
      return places < 2
        ? none('one-place', 'There is one free place only.', 'Choose single places.')
        : ok(binomial(places, 2));
    if (params.where === 'every combination')
      return places > MOST_FREE
        ? none(
            'too-many-combinations',
            `${places} free places make too many combinations.`,
            'Divide the counts less, or choose pairs of places.',
          )
        : ok(2 ** places - 1);
    if (params.where === 'single places') return ok(places);
    return chosen(params, ground, 0).length
      ? ok(1)
      : none('nothing-free', 'No free place lies in those counts.', 'Choose all of them.');
  },
  figure: (params, ground, index) => {
    const { limb, backbeat } = params;
    const places = chosen(params, ground, index);
    const kept =
      backbeat && limb !== 'left hand'
        ? ground.counts
            .filter(({ at }) => isBackbeat(ground, at))
            .map(({ at }) => stroke('left hand', 'snare', at, 'accent'))
        : [];
    return {
      say: '',
      bars: 1,
      strokes: [...places.map((at) => stroke(limb, USUAL_SURFACES[limb], at)), ...kept],
      cyclic: free(ground).map((at) => places.includes(at)),
    };
  },
});
