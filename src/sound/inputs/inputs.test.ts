// @vitest-environment happy-dom
import { expect, test } from 'vitest';
import type { Limb } from '@/core/groove/limbs';
import type { Strike } from './input';
import { Keys } from './keys';
import { Pads } from './pads';
import { SimulatedKit } from './simulatedKit';

const KEYS: Record<string, Limb> = { KeyJ: 'right hand', KeyL: 'right foot' };
const press = (code: string, more: KeyboardEventInit = {}) => {
  const event = new KeyboardEvent('keydown', { code, cancelable: true, bubbles: true, ...more });
  window.dispatchEvent(event);
  return event;
};

test('keys strike once a press, with the time of the press; others, and what is meant elsewhere, do not', () => {
  const struck: Strike[] = [];
  const keys = new Keys({ limbOf: (code) => KEYS[code], isElsewhere: ({ shiftKey }) => shiftKey });
  keys.open((strike) => struck.push(strike));
  const first = press('KeyJ');
  press('KeyJ', { repeat: true });
  press('KeyQ');
  press('KeyL', { ctrlKey: true });
  press('KeyL', { shiftKey: true });
  expect(struck).toEqual([{ input: 'keys', limb: 'right hand', at: { pageMs: first.timeStamp } }]);
  expect(first.defaultPrevented).toBe(true);
  keys.close();
  press('KeyJ');
  expect(struck).toHaveLength(1);
});

test('opened twice, a key still strikes once', () => {
  const struck: Strike[] = [];
  const keys = new Keys({ limbOf: (code) => KEYS[code], isElsewhere: () => false });
  keys.open((strike) => struck.push(strike));
  keys.open((strike) => struck.push(strike));
  press('KeyJ');
  expect(struck).toHaveLength(1);
  keys.close();
});

test('pads tell what was touched, while somebody listens', () => {
  const struck: Strike[] = [];
  const pads = new Pads();
  pads.touch('left hand', 5);
  pads.open((strike) => struck.push(strike));
  pads.touch('left hand', 7);
  pads.close();
  pads.touch('left hand', 9);
  expect(struck).toEqual([{ input: 'pads', limb: 'left hand', at: { pageMs: 7 } }]);
});

test('the simulated kit strikes what falls due, each stroke once, also when its list is drawn anew', () => {
  const struck: number[] = [];
  const kit = new SimulatedKit();
  kit.open(({ at }) => struck.push('runMs' in at ? at.runMs : NaN));
  kit.load([0, 500, 1000].map((ms) => ({ ms, limb: 'right hand' })));
  kit.ask(600);
  kit.load([0, 500, 900, 1400].map((ms) => ({ ms, limb: 'right hand' })));
  kit.ask(1000);
  kit.ask(1000);
  expect(struck).toEqual([0, 500, 900]);
  kit.rewind();
  kit.ask(0);
  expect(struck).toEqual([0, 500, 900, 0]);
});
