import { describe, expect, test } from 'vitest';
import { formOfTake } from '../documents/take';
import { LIMBS } from '../groove/limbs';
import { schedule } from '../schedule/schedule';
import { backbeat, KIT_FAULTS_SHOWN } from '../testing/kitFaultsShown';
import { pinned } from '../testing/pinned';
import { emptyTake } from '../testing/takes';
import { KIT_FAULT_NAMES, KIT_SIZES, kitPlaying, type KitFault, type KitSize } from './kitFaults';
import { simulateKit, type Playing } from './simulatedKit';

/** What the kit strikes of two bars, as how late each stroke is and how loud; pinned, since takes are made with it. */
function struck(playing: Playing, groove = backbeat, rounds = 2): string {
  const form = formOfTake(emptyTake(groove, { rounds }));
  const timed = schedule(form);
  return simulateKit({ form, timed }, LIMBS, playing, 5)
    .map(({ limb, ms, loudness }) => `${limb} ${String(pinned(ms))}${loudness === undefined ? '' : ` ${loudness}`}`)
    .join('\n');
}

describe('each fault of the kit, at each size', () => {
  test.each(KIT_FAULT_NAMES)('%s', (fault) => {
    const [, groove = backbeat] = KIT_FAULTS_SHOWN[fault];
    expect(pinned(kitPlaying(fault))).toMatchSnapshot();
    expect(struck(kitPlaying(fault), groove)).toMatchSnapshot();
  });

  test('slighter, stronger, and two at once', () => {
    for (const size of Object.keys(KIT_SIZES) as KitSize[])
      for (const [one, other] of [
        ['late', 'late foot'],
        ['late foot', 'foot left out'],
        ['late foot', 'hands and foot apart'],
        ['late', 'early'],
        ['uneven', undefined],
      ] as [KitFault, KitFault?][])
        expect([one, size, other, pinned(kitPlaying(one, size, other))]).toMatchSnapshot();
  });
});

describe('what else it can be told', () => {
  test.each<[string, Playing]>([
    ['limbs that do not play here: the last one that does', { limbMs: { 'left foot': 30 } }],
    ['straightened too far', { straightened: 3 }],
    [
      'phrases, loudness and extra strokes together',
      { phraseMs: -50, isLoud: true, extraShare: 0.3, missedShare: 0.2 },
    ],
    ['all accents flat', { isLoud: true, flattened: 2 }],
    ['loudness that wanders to both ends', { isLoud: true, wanderDb: 30 }],
    ['graces too late to be any', { graceMs: -90 }],
  ])('%s', (_, playing) => {
    expect(struck(playing)).toMatchSnapshot();
    expect(struck(playing, { ...backbeat, swing: { value: '8th', ratio: '2' } })).toMatchSnapshot();
    expect(struck(playing, KIT_FAULTS_SHOWN['flat flams'][1])).toMatchSnapshot();
  });

  test('bars left out of eight, and every fourth bar a slot late', () => {
    expect(struck({ barsOut: 2 }, backbeat, 9)).toMatchSnapshot();
    expect(struck({ slotsLate: { 'right foot': 1.4 }, phraseMs: 40 }, backbeat, 9)).toMatchSnapshot();
  });
});
