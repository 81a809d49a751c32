import { describe, expect, test } from 'vitest';
import { HEIGHTS, SURFACES, type Height, type Surface } from '../core/groove/limbs';
import type { MadeVoice } from './voiceNames';
import { renderVoice } from './voices';

const RATE = 44_100;
const render = (surface: Surface, height: Height) => renderVoice(`${surface}/${height}`, RATE);
const peak = (samples: Float32Array) => samples.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
const energy = (samples: Float32Array) => Math.sqrt(samples.reduce((total, value) => total + value * value, 0));

/** Share of the energy that changes from sample to sample: how bright a sound is, whatever its level. */
function brightness(samples: Float32Array): number {
  let changes = 0;
  for (let index = 1; index < samples.length; index++) changes += (samples[index]! - samples[index - 1]!) ** 2;
  return Math.sqrt(changes) / energy(samples);
}

describe.each(SURFACES)('%s', (surface) => {
  const voices = HEIGHTS.map((height) => render(surface, height));

  test('is heard, within full scale, without a number missing, and dies away', () => {
    for (const samples of voices) {
      expect(samples.every(Number.isFinite)).toBe(true);
      expect(peak(samples)).toBeGreaterThan(0.01);
      expect(peak(samples)).toBeLessThan(2);
      expect(peak(samples.subarray(samples.length * 0.97))).toBeLessThan(0.1 * peak(samples));
    }
  });

  test('ghost, tap and accent rise in level and differ in kind', () => {
    const levels = voices.map(energy);
    expect(levels[1]).toBeGreaterThan(1.5 * levels[0]!);
    expect(levels[2]).toBeGreaterThan(1.5 * levels[1]!);
    const [ghost, , accent] = voices as [Float32Array, Float32Array, Float32Array];
    // Scaled to one level the two are still different sounds.
    const length = Math.min(ghost.length, accent.length);
    let difference = 0;
    for (let index = 0; index < length; index++)
      difference += (ghost[index]! / levels[0]! - accent[index]! / levels[2]!) ** 2;
    expect(Math.sqrt(difference)).toBeGreaterThan(0.2);
  });
});

test('a snare accent is brighter than its ghost', () => {
  expect(brightness(render('snare', 'accent'))).toBeGreaterThan(1.15 * brightness(render('snare', 'ghost')));
});

test('the three clicks differ: 1 is higher than the counts, they than what lies between', () => {
  const [one, count, division] = (['click/one', 'click/count', 'click/division'] as MadeVoice[]).map((name) =>
    brightness(renderVoice(name, RATE)),
  );
  expect(one).toBeGreaterThan(count!);
  expect(count).toBeGreaterThan(division!);
});

test('a buzz goes on after the stroke, and the same name gives the same sound', () => {
  const buzz = renderVoice('snare/tap/buzz', RATE);
  expect(buzz.length).toBeGreaterThan(render('snare', 'tap').length);
  expect(energy(buzz.subarray(0.1 * RATE, 0.15 * RATE))).toBeGreaterThan(
    2 * energy(render('snare', 'tap').subarray(0.1 * RATE, 0.15 * RATE)),
  );
  expect(renderVoice('snare/tap/buzz', RATE)).toEqual(buzz);
});
