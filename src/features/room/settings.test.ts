import { expect, test } from 'vitest';
import { limbKeyOf } from '@/ui/pads/keys';
import { settingsAsked } from './settings';

const limbs = ['right hand', 'left hand', 'right foot'] as const;

test('what an address asks of the room is taken where it can be', () => {
  expect(settingsAsked({ bpm: '66', click: 'every slot', limbs: 'left hand,right foot' }, limbs)).toEqual({
    bpm: 66,
    click: { kind: 'slots' },
    task: ['left hand', 'right foot'],
  });
});

test('bars may be asked for, as far as they are there', () => {
  const bars = (text: string) => settingsAsked({ bars: text }, limbs, 3).bars;
  expect([bars('2'), bars('2-4'), bars('1-4')]).toEqual([
    { first: 1, last: 1 },
    { first: 1, last: 3 },
    { first: 0, last: 3 },
  ]);
  expect([bars('0'), bars('3-2'), bars('2-5'), bars('x'), bars('')]).toEqual(Array(5).fill(undefined));
});

test.each([{ bpm: '900' }, { bpm: 'x' }, { click: 'loud' }, { limbs: 'left foot' }, { limbs: '' }, {}])(
  '%o asks for nothing that can be',
  (asked) => {
    expect(settingsAsked(asked, limbs)).toEqual({});
  },
);

test('a letter may be a limb’s key; keys with work of their own may not', () => {
  expect(limbKeyOf({ code: 'KeyK', key: 'k' })).toEqual({ code: 'KeyK', label: 'K' });
  expect(limbKeyOf({ code: 'ArrowUp', key: 'ArrowUp' })).toEqual({ code: 'ArrowUp', label: 'ArrowUp' });
  for (const code of ['Space', 'Tab', 'Escape', 'ShiftLeft', ''])
    expect(limbKeyOf({ code, key: code })).toBeUndefined();
});
