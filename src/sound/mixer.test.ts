import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { Mixer } from './mixer';
import { runs } from '@/core/testing/runs';

const BLOCK = 128;

/** Renders blocks as the audio thread does, doing what is asked before a block. */
function rendered(mixer: Mixer, blocks: number, before: (block: number) => void = () => {}): Float32Array {
  const all = new Float32Array(blocks * BLOCK);
  for (let block = 0; block < blocks; block++) {
    before(block);
    mixer.render(all.subarray(block * BLOCK, (block + 1) * BLOCK), block * BLOCK);
  }
  return all;
}
const framesOf = (samples: Float32Array) => [...samples].flatMap((value, frame) => (value > 0.01 ? [frame] : []));
const impulses = (...frames: number[]) => {
  const mixer = new Mixer();
  mixer.addVoice('click/one', Float32Array.of(0.5));
  mixer.cue(frames.map((frame) => ({ frame, voice: 'click/one' })));
  return mixer;
};

test('every cue sounds on its exact frame, wherever it falls in a block', () => {
  fc.assert(
    fc.property(fc.uniqueArray(fc.integer({ min: 0, max: 64 * BLOCK - 1 }), { maxLength: 50 }), (frames) => {
      expect(framesOf(rendered(impulses(...frames), 64))).toEqual(frames.toSorted((a, b) => a - b));
    }),
    runs(50),
  );
});

test('a cue that is already past sounds at once instead of never', () => {
  const mixer = impulses();
  const heard = rendered(mixer, 8, (block) => block === 4 && mixer.cue([{ frame: 10, voice: 'click/one' }]));
  expect(framesOf(heard)).toEqual([4 * BLOCK]);
});

test('from a frame on other cues are played, those before it stay: a tempo change without a gap', () => {
  const mixer = impulses(100, 300, 500, 700);
  const heard = rendered(
    mixer,
    8,
    (block) =>
      block === 1 &&
      mixer.cue(
        [
          { frame: 450, voice: 'click/one' },
          { frame: 600, voice: 'click/one' },
        ],
        450,
      ),
  );
  expect(framesOf(heard)).toEqual([100, 300, 450, 600]);
});

test('stop forgets what is due and fades what rings', () => {
  const mixer = new Mixer();
  mixer.addVoice('ride/tap', new Float32Array(4000).fill(0.5));
  mixer.cue([
    { frame: 0, voice: 'ride/tap' },
    { frame: 2000, voice: 'ride/tap' },
  ]);
  const heard = rendered(mixer, 32, (block) => block === 4 && mixer.stop());
  const last = framesOf(heard).at(-1)!;
  expect(last).toBeGreaterThan(4 * BLOCK);
  expect(last).toBeLessThan(4 * BLOCK + 250);
});

describe('the hat', () => {
  const hat = (second: string) => {
    const mixer = new Mixer();
    mixer.addVoice('open hat/tap', new Float32Array(6000).fill(0.3));
    mixer.addVoice(second, Float32Array.of(0));
    mixer.cue([
      { frame: 0, voice: 'open hat/tap' },
      { frame: 1000, voice: second },
    ]);
    return framesOf(rendered(mixer, 48)).at(-1)!;
  };
  test('is closed by a closed stroke and by the pedal', () => {
    for (const closing of ['closed hat/tap', 'hat pedal/tap']) expect(hat(closing)).toBeLessThan(1250);
  });
  test('rings on under other drums', () => expect(hat('snare/accent')).toBe(5999));
});

test('many sounds at once stay below full scale', () => {
  const mixer = new Mixer();
  mixer.addVoice('snare/accent', new Float32Array(200).fill(0.95));
  mixer.cue(Array.from({ length: 12 }, () => ({ frame: 0, voice: 'snare/accent' })));
  expect(Math.max(...rendered(mixer, 4))).toBeLessThanOrEqual(1);
});

test('a voice with a lead begins so much earlier, so that its onset falls on its frame', () => {
  const mixer = new Mixer();
  mixer.addVoice('say/1', Float32Array.of(0.02, 0.02, 0.02, 0.5), 3);
  mixer.cue([300, 700].map((frame) => ({ frame, voice: 'say/1' })));
  const heard = rendered(mixer, 8);
  expect([...heard].flatMap((value, frame) => (value > 0.4 ? [frame] : []))).toEqual([300, 700]);
});

test('a word that has begun before its slot is not said again when what is due is replaced', () => {
  const mixer = new Mixer();
  mixer.addVoice(
    'say/1',
    Float32Array.from({ length: 200 }, (_, index) => (index === 150 ? 0.5 : 0.02)),
    150,
  );
  const cues = [300, 700].map((frame) => ({ frame, voice: 'say/1' }));
  mixer.cue(cues);
  const heard = rendered(mixer, 8, (block) => block === 2 && mixer.cue(cues, 280));
  expect([...heard].flatMap((value, frame) => (value > 0.4 ? [frame] : []))).toEqual([300, 700]);
});

test('a cue is as loud as it says', () => {
  const mixer = new Mixer();
  mixer.addVoice('click/one', Float32Array.of(0.5));
  mixer.cue([
    { frame: 10, voice: 'click/one' },
    { frame: 20, voice: 'click/one', loud: 0.2 },
  ]);
  const heard = rendered(mixer, 1);
  expect(heard[10]).toBeCloseTo(Math.tanh(0.5), 5);
  expect(heard[20]).toBeCloseTo(Math.tanh(0.1), 5);
});
