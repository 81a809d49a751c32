import { familyNamed } from '@/core/drill/registry';
import { usualRule } from '@/core/drill/rule';
import { type Rule } from '@/core/documents/rule';
import { SHELF } from '@/core/drill/shelf';

export interface DemoDrill {
  name: string;
  tags: string[];
  rule: Rule;
  /** For whom it was set, how many days ago, and why. */
  set?: { student: string; daysAgo: number; minutes: number; reason: string };
}

const ready = (name: string, change: object = {}): Rule => {
  const found = SHELF.find((one) => one.name === name)!;
  return usualRule(familyNamed(found.family)!, { ...found.change, ...change });
};

/** What the teacher of the demo has kept, two of them set. */
export const DEMO_DRILLS: DemoDrill[] = [
  {
    name: 'Kick between the planks',
    tags: ['16ths', 'right foot'],
    rule: ready('Between the hats, one by one', {
      repeats: 4,
      goal: 80,
      ladder: {
        start: 60,
        goal: 80,
        step: 4,
        length: { unit: 'bars', many: 32 },
        rule: { by: 'takes', climb: 1, fall: 2 },
        loudnesses: false,
      },
    }),
    set: {
      student: 'Ilse Marrowby',
      daysAgo: 15,
      minutes: 10,
      reason: 'The foot alone between the hats. Four times each; say the syllable as it lands.',
    },
  },
  {
    name: 'Called from the pier',
    tags: ['16ths', 'caller'],
    rule: ready('Sixteen posts: the kick on each', { goal: 76, caller: { pace: 2, calls: 16 } }),
    set: {
      student: 'Jonte Brackwater',
      daysAgo: 15,
      minutes: 8,
      reason: 'You hear the place a bar ahead. Think it on the hat before the foot goes.',
    },
  },
  {
    name: 'Six oars, first lesson',
    tags: ['first lesson'],
    rule: ready('Eighth planks: the kick on every 8th', { repeats: 2, rest: 1 }),
  },
];
