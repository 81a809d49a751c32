import type { RuleJson } from '../documents/rule';
import { LEVELS, type Level } from '../limits';

export const PATHS = [
  'first beats',
  '16ths between the feet and hands',
  'triplets and swing',
  'accents and ghosts',
  'odd meters and overlays',
] as const;
export type Path = (typeof PATHS)[number];

/** A drill that is ready: its name, and what its rule has other than usual. */
export interface ReadyDrill {
  path: Path;
  /** For whom it is, from when on. */
  level: Level;
  name: string;
  family: string;
  change: Partial<Omit<RuleJson, 'version' | 'family' | 'generator'>>;
}

/** Drills of a path, easy to hard; `until` says up to which of them, counted from 1, they are for each level. */
const on = (
  path: Path,
  until: Partial<Record<Level, number>>,
  ...drills: [name: string, family: string, params?: Record<string, unknown>, change?: ReadyDrill['change']][]
): ReadyDrill[] =>
  drills.map(([name, family, params = {}, change = {}], index) => ({
    path,
    level: LEVELS.find((level) => index < (until[level] ?? 0)) ?? 'concert',
    name,
    family,
    change: { params, ...change },
  }));

const hats = { ostinato: 'hat 8ths' };
const quarters = { ostinato: 'hat quarters', parts: 2 };

/** From the first lesson to advanced, path by path, easy to hard within each. */
export const SHELF: readonly ReadyDrill[] = [
  ...on(
    'first beats',
    { 'first year': 7, 'second year': 9 },
    ['Casting off: hands in turn', 'sticking', { names: ['singles'] }, { parts: 1, goal: 60 }],
    ['Quarter planks: the kick goes round', 'placement', {}, { ...quarters, parts: 1, goal: 60 }],
    ['Eighth planks: the kick on every 8th', 'placement', {}, { ...quarters, goal: 66 }],
    ['Boathouse backbeat, limb by limb', 'build-up', {}, { ...hats, parts: 2, goal: 66 }],
    [
      'The snare finds its place',
      'placement',
      { limb: 'left hand' },
      { ostinato: 'hat quarters, kick quarters', parts: 2, goal: 66 },
    ],
    ['Kick off the quarters', 'between', { where: 'single places' }, { ...quarters, goal: 72 }],
    ['Kick off the quarters, all ways', 'between', { where: 'every combination' }, { ...quarters, goal: 72 }],
    ['One out, one in', 'build-up', { way: 'take one out' }, { ...hats, parts: 2, goal: 72 }],
    ['Halves to 8ths and back', 'rates', { from: 'half', to: '8th' }, { goal: 60 }],
  ),
  ...on(
    '16ths between the feet and hands',
    { 'first year': 2, 'second year': 7, advanced: 10 },
    ['Sixteen posts: the kick on each', 'placement', {}, { ...hats, goal: 66 }],
    [
      'Eight figures for the kick',
      'chosen list',
      {
        phrases: [
          '1 and 3',
          '1, & of 2',
          '1, & of 1, 3',
          '1, & of 2, & of 3',
          '1, 3, & of 4',
          '& of 1, & of 3',
          '1, a of 1, 3',
          '1, & of 2, 3, e of 4',
        ],
      },
      { ostinato: 'hat 8ths, snare on 2 and 4', goal: 72 },
    ],
    ['Between the hats, one by one', 'between', { where: 'single places' }, { ...hats, goal: 69 }],
    ['Between the hats, odd counts', 'between', { where: 'only in odd counts' }, { ...hats, goal: 69 }],
    ['Between the hats, even counts', 'between', { where: 'only in even counts' }, { ...hats, goal: 69 }],
    ['Two between the hats', 'between', { where: 'pairs of places' }, { ...hats, goal: 72, most: 28 }],
    [
      'The left hand under the kick',
      'placement',
      { limb: 'left hand', height: 'ghost' },
      { ostinato: 'hat 8ths, kick quarters', goal: 72 },
    ],
    ['All between the hats', 'between', { where: 'all of them' }, { ...hats, goal: 76 }],
    [
      'Every gap, thirty-five ways',
      'between',
      { where: 'every combination' },
      { ...hats, withoutTurnings: true, most: 50, goal: 80 },
    ],
    [
      'The pedal between',
      'between',
      { limb: 'left foot', where: 'single places' },
      { ostinato: 'ride 8ths', goal: 72 },
    ],
  ),
  ...on(
    'triplets and swing',
    { 'first year': 1, 'second year': 7, advanced: 11 },
    ['Three to a count, hands in turn', 'sticking', { names: ['singles'] }, { parts: 3, goal: 60 }],
    ['Straight to shuffle', 'straight to triplet', { into: ['shuffle'] }, { goal: 72 }],
    [
      'Shuffle and triplets on the hat',
      'straight to triplet',
      { line: 'on the hat', extents: ['all'], into: ['shuffle', 'full triplets', 'triplets first, shuffle after'] },
      { ostinato: 'kick on 1 and 3, snare on 2 and 4', goal: 72 },
    ],
    ['Straight to full triplets', 'straight to triplet', { into: ['full triplets'] }, { goal: 66 }],
    ['The kick on every triplet', 'placement', {}, { ostinato: 'ride quarters', parts: 3, goal: 63 }],
    ['Last of the three', 'between', { where: 'single places' }, { ostinato: 'ride quarters', parts: 3, goal: 66 }],
    ['8ths and triplets, to and fro', 'rates', { from: '8th', to: '8th triplet', way: 'to and fro' }, { goal: 66 }],
    ['Twelve oars: kicks on the hats', 'compound', {}, { goal: 52 }],
    ['Round the kit in threes', 'compound', { what: 'fills' }, { goal: 56 }],
    ['Three bars of twelve and a fill', 'compound', { what: 'beat and fill' }, { goal: 56 }],
    [
      'From halves to triplets, all rates',
      'rates',
      { from: 'half', to: '8th triplet', way: 'up and down' },
      { goal: 66 },
    ],
  ),
  ...on(
    'accents and ghosts',
    { 'first year': 1, 'second year': 5, advanced: 10 },
    ['One high in four', 'accents', { walking: true }, { goal: 69 }],
    ['Two high in four', 'accents', { accents: 2 }, { goal: 69 }],
    ['One high in three', 'accents', { walking: true, among: 3 }, { parts: 3, goal: 66 }],
    ['Ghost pairs round the backbeat', 'pairs', {}, { ...hats, goal: 72 }],
    ['Ghost pairs in both halves', 'pairs', { halves: 'both halves' }, { ...hats, goal: 76 }],
    [
      'Paradiddles',
      'sticking',
      { names: ['single paradiddle', 'inward paradiddle', 'reversed paradiddle'] },
      { goal: 72 },
    ],
    ['Singles into doubles', 'rolls', {}, { parts: 2, goal: 72 }],
    ['Flams from both hands', 'flams and drags', { what: ['two bars of each'] }, { goal: 60 }],
    ['A drag for a ghost', 'flams and drags', { what: ['a drag for each ghost'] }, { goal: 63 }],
    ['Three high in eight', 'accents', { accents: 3, among: 8 }, { withoutTurnings: true, goal: 76 }],
  ),
  ...on(
    'odd meters and overlays',
    { 'second year': 2, advanced: 7 },
    ['Fives and sevens, slowly', 'odd meters', { meters: ['5/4', '7/4'] }, { goal: 80 }],
    ['Fives and sevens, quickly', 'odd meters', { meters: ['5/8', '7/8'] }, { goal: 160 }],
    ['Fifteen', 'odd meters', { meters: ['15/16'] }, { goal: 240 }],
    ['Threes over four', 'overlay', { lengths: [3] }, { parts: 2, goal: 72 }],
    ['Fives over four', 'overlay', { lengths: [5] }, { goal: 66 }],
    [
      'Threes and sevens between drums',
      'overlay',
      {
        figures: [
          'R floor tom loud, L snare, L snare',
          'R high tom loud, L snare, R floor tom, rest, R floor tom, L snare, rest',
        ],
      },
      { ostinato: 'hat foot on 2 and 4', parts: 2, goal: 76 },
    ],
    ['Sevens over four, kick on 2 and 4', 'overlay', { lengths: [7], on: '2 and 4' }, { goal: 66 }],
    ['A figure that drifts', 'displacement', {}, { ...hats, goal: 72 }],
    ['A figure by half beats', 'displacement', { by: 'half a beat' }, { ...hats, goal: 76 }],
    ['One phrase in other notes', 're-rate', {}, { goal: 66 }],
  ),
];
