import type { Written } from './writtenDown';

/** Odd meters, with their grouping. */
export const ODD: Written[] = [
  {
    title: 'Five buoys',
    level: 'second year',
    meter: '5/4 (3+2)',
    tempo: 104,
    parts: [2, 2, 2, 2, 2],
    tags: ['odd meter', '8ths'],
    lines: [
      ['right hand', 'closed hat', 'At tt tt At tt'],
      ['left hand', 'snare', '.. .. A. .. A.'],
      ['right foot', 'kick', 'A. .t .. A. ..'],
    ],
  },
  {
    title: 'Short five',
    level: 'advanced',
    meter: '5/8 (3+2)',
    tempo: 208,
    parts: [1, 1, 1, 1, 1],
    tags: ['odd meter'],
    lines: [
      ['right hand', 'closed hat', 'A t t A t'],
      ['left hand', 'snare', '. . A . A'],
      ['right foot', 'kick', 'A . . t .'],
    ],
  },
  {
    title: 'Seven planks',
    level: 'second year',
    meter: '7/8 (2+2+3)',
    tempo: 176,
    parts: [1, 1, 1, 1, 1, 1, 1],
    tags: ['odd meter'],
    lines: [
      ['right hand', 'closed hat', 'A t A t A t t'],
      ['left hand', 'snare', '. . A . . . A'],
      ['right foot', 'kick', 'A . . t A . .'],
    ],
  },
  {
    title: 'Seven bells',
    level: 'advanced',
    meter: '7/4 (4+3)',
    tempo: 116,
    parts: [2, 2, 2, 2, 2, 2, 2],
    tags: ['odd meter', '8ths'],
    lines: [
      ['right hand', 'ride', 'At tt At tt At tt tt'],
      ['left hand', 'snare', '.. A. .. A. .. A. ..'],
      ['right foot', 'kick', 'A. .. At .. A. .. .t'],
    ],
  },
  {
    title: 'Nine steps',
    level: 'advanced',
    meter: '9/8 (2+2+2+3)',
    tempo: 190,
    parts: [1, 1, 1, 1, 1, 1, 1, 1, 1],
    tags: ['odd meter'],
    lines: [
      ['right hand', 'closed hat', 'A t A t A t A t t'],
      ['left hand', 'snare', '. . A . . . A . .'],
      ['right foot', 'kick', 'A . . t A . . . t'],
    ],
  },
  {
    title: 'Fifteen rivets',
    level: 'advanced',
    meter: '15/16 (4+4+4+3)',
    tempo: 288,
    parts: [1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1],
    tags: ['odd meter', '16ths'],
    lines: [
      ['right hand', 'closed hat', 'A . t . A . t . A . t . A t t'],
      ['left hand', 'snare', '. . . . A . . . . . . . A . .'],
      ['right foot', 'kick', 'A . . t . . t . A . . . . . t'],
    ],
  },
];
