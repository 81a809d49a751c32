import { describe, expect, test } from 'vitest';
import { noiseOf } from '../../simulate/room';
import { recordingOf, type Setting, type Sounded } from '../../simulate/recording';
import { madeKit } from '../../simulate/drumSounds';
import { roomResponse } from '../../simulate/room';
import { ClickEcho } from './clicks';
import { withoutClicks } from '../take/find';
import { findStrokes } from '..';

const RATE = 48_000;
const DELAY = 83.4;
/** A wooden click, and when it is sent: twice a second, from half a second on. */
const click = Float32Array.from(
  { length: 3000 },
  (_, index) => 0.4 * Math.sin((2 * Math.PI * 1330 * index) / RATE) * Math.exp(-index / 700),
);
const sentMs = Array.from({ length: 16 }, (_, index) => 500 + 500 * index);

/** The click as a loudspeaker plays it, later by so many parts in a million each moment. */
function loudspeaker(parts: number): Float32Array {
  const out = new Float32Array(10 * RATE);
  for (const ms of sentMs) {
    const at = (((ms + DELAY) * RATE) / 1000) * (1 + parts);
    const [whole, part] = [Math.floor(at), at % 1];
    click.forEach((value, index) => {
      out[whole + index]! += 0.3 * (1 - part) * value;
      out[whole + index + 1]! += 0.3 * part * value;
    });
  }
  return out;
}
const setting: Setting = {
  kit: madeKit(9, 'rings', RATE, ['snare']),
  room: roomResponse(2, 'soft', RATE),
  noise: 'pink',
  noiseDb: 45,
  rate: RATE,
  seed: 3,
};
const voices = [{ samples: click, atMs: sentMs }];
const powerAt = (samples: Float32Array, ms: number) => {
  const from = Math.round((ms * RATE) / 1000);
  return samples.subarray(from, from + 2400).reduce((sum, value) => sum + value * value, 0);
};

describe('the click that comes back', () => {
  test.each([0, 150e-6, -150e-6])('is found and taken out, its clock apart by %f', (parts) => {
    const { samples } = recordingOf([], { ...setting, loudspeaker: loudspeaker(parts) }, 9000);
    const echo = new ClickEcho(samples, voices);
    const clean = samples.slice();
    echo.takeOut(clean, 0);
    for (const ms of sentMs.slice(0, 15)) {
      const back = (ms + DELAY) * (1 + parts);
      expect(powerAt(clean, back)).toBeLessThan(0.03 * powerAt(samples, back));
    }
  });

  test('no click is taken for a stroke, and strokes on it are heard', () => {
    // Four counts before the first stroke, then one on every other click, a little late.
    const strokes: Sounded[] = sentMs
      .slice(4)
      .filter((_, index) => index % 2 === 0)
      .map((ms) => ({ ms: ms - 500 + DELAY + 6, surface: 'snare', height: 'tap' }));
    const { samples, onsets } = recordingOf(strokes, { ...setting, loudspeaker: loudspeaker(0) }, 9000);
    const heard = findStrokes(samples, RATE, { clicks: voices });
    expect(findStrokes(samples, RATE).length).toBeGreaterThan(heard.length);
    expect(heard).toHaveLength(onsets.length);
    onsets.forEach((ms, index) => expect(Math.abs(heard[index]!.ms - ms)).toBeLessThan(1));
  });

  test('what is kept of a recording has it no more, whatever its rate was, and keeps its strokes', () => {
    const strokes: Sounded[] = [{ ms: 4250, surface: 'snare', height: 'accent' }];
    const { samples } = recordingOf(strokes, { ...setting, loudspeaker: loudspeaker(0) }, 9000);
    const rest = withoutClicks(samples, RATE, { clicks: voices });
    expect(rest).not.toBe(samples);
    for (const ms of sentMs.slice(0, 7))
      expect(powerAt(rest, ms + DELAY)).toBeLessThan(0.03 * powerAt(samples, ms + DELAY));
    expect(powerAt(rest, 4750)).toBeGreaterThan(0.9 * powerAt(samples, 4750));
    const slower = withoutClicks(new Float32Array(44_100), 44_100, { clicks: voices });
    expect(slower).toHaveLength(RATE);
  });

  test('where there is none, nothing is taken out', () => {
    const noise = noiseOf(1, 'pink', 4 * RATE, RATE).map((value) => 0.001 * value);
    const clean = noise.slice();
    new ClickEcho(noise, voices).takeOut(clean, 0);
    expect(powerAt(clean, 1000)).toBeGreaterThan(0.7 * powerAt(noise, 1000));
    new ClickEcho(noise, [{ samples: click, atMs: [] }]).takeOut(clean, 0);
    new ClickEcho(new Float32Array(), voices).takeOut(clean, 0);
    expect(clean.every(Number.isFinite)).toBe(true);
  });
});
