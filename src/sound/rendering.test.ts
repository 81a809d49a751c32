import fc from 'fast-check';
import { expect, test } from 'vitest';
import { schedule } from '../core/schedule/schedule';
import { formOf } from '../core/form/form';
import { anyPlan } from '../core/testing/arbitrary';
import { blocksOf, frameAt, framesOf, renderWav, type Rendering } from './rendering';
import type { Sampled } from './speech';
import { voiceOf, type VoiceName } from './voiceNames';
import { runs } from '@/core/testing/runs';

const whole = (rendering: Rendering, voice?: (name: VoiceName) => Sampled) => {
  const all = new Float32Array(framesOf(rendering));
  let at = 0;
  for (const block of blocksOf(rendering, voice)) {
    all.set(block, at);
    at += block.length;
  }
  expect(at).toBe(all.length);
  return all;
};

test('every sound of any plan starts on the frame its time says, across the blocks', () => {
  fc.assert(
    fc.property(anyPlan(), fc.constantFrom(8000, 44_100), (plan, rate) => {
      const timed = schedule(formOf({ ...plan, rounds: 1 }));
      const sounds = timed.sounds
        .filter(({ ms }) => ms >= timed.startMs)
        .map((sound) => ({ ms: sound.ms, voice: voiceOf(sound) }));
      const rendering = { sounds, startMs: timed.startMs, endMs: Math.min(timed.endMs, timed.startMs + 20_000), rate };
      // One sample a voice: what is heard is where it starts, and nothing else.
      const heard = whole(rendering, () => ({ samples: new Float32Array([0.001]), lead: 0 }));
      const due = new Set(
        sounds.map(({ ms }) => frameAt(ms, timed.startMs, rate)).filter((frame) => frame < heard.length),
      );
      expect([...heard.keys()].filter((frame) => heard[frame] !== 0)).toEqual([...due].sort((a, b) => a - b));
    }),
    runs(15),
  );
});

test('a file is as long as the run and its ringing, never at full scale, and says how far it is', () => {
  const shares: number[] = [];
  const sounds = Array.from({ length: 40 }, (_, index) => ({
    ms: -2000 + 100 * index,
    voice: index % 2 ? ('kick/accent' as const) : ('crash/accent' as const),
  }));
  const wav = renderWav({ sounds, startMs: -2000, endMs: 2000, rate: 44_100 }, (share) => shares.push(share));
  expect(wav.byteLength).toBe(44 + 2 * Math.round(5.5 * 44_100));
  const samples = new Int16Array(wav, 44);
  const loudest = samples.reduce((most, one) => Math.max(most, Math.abs(one)), 0);
  expect(loudest).toBeGreaterThan(10_000);
  expect(loudest).toBeLessThan(32_767);
  expect(shares.at(-1)).toBe(1);
  expect(shares.every((share, index) => !index || share > shares[index - 1]!)).toBe(true);
});

test('a rendering is the same every time', () => {
  const rendering: Rendering = { sounds: [{ ms: 0, voice: 'snare/ghost' }], startMs: 0, endMs: 300, rate: 8000 };
  expect(whole(rendering)).toEqual(whole(rendering));
});
