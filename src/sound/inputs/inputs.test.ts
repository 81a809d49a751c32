// @vitest-environment happy-dom
import { expect, test } from 'vitest';
import type { Limb } from '@/core/groove/limbs';
import type { Strike } from './input';
import { Keys } from './keys';
import { Pads } from './pads';
import { SimulatedKit } from './simulated/simulatedKit';

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

test('told by MIDI, who struck is known by the surface, and loudness is one of 127 steps', () => {
  const struck: Strike[] = [];
  const kit = new SimulatedKit({
    isMidi: true,
    who: (surface) => (surface === 'kick' ? 'right foot' : undefined),
  });
  kit.open((strike) => struck.push(strike));
  kit.load([
    { ms: 0, limb: 'right foot', surface: 'kick', loudness: 0.705 },
    { ms: 10, limb: 'left hand', surface: 'snare', loudness: 0.1 },
    { ms: 20, limb: 'left hand', surface: 'pad', loudness: 0.3 },
  ]);
  kit.ask(100);
  expect(struck.map(({ limb }) => limb)).toEqual(['right foot', undefined, 'left hand']);
  expect(Math.abs(struck[0]!.loudness! - 0.705)).toBeLessThan(0.02);
  expect(struck[0]!.loudness).not.toBe(0.705);
  expect(struck[1]!.loudness).toBeCloseTo(0.1, 2);
  // A pad has no note of its own: it is told as it is.
  expect(struck[2]!.loudness).toBe(0.3);
});
