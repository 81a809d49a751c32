import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { copyRegion, regionBetween } from '@/core/groove/region';
import { oneLine, together } from '@/core/testing/arbitrary';
import { exact } from '@/core/time/fraction';
import { keepClip, pasteClip } from './clipboard';

const groove = together(oneLine('t.t.t.t.'), oneLine('..A.....', 'left hand'));
const place = { bar: 0, limb: 'right hand' as const, at: exact('1/2') };
const clip = copyRegion(
  groove,
  regionBetween(groove, { ...place, at: exact('0') }, { bar: 0, limb: 'left hand', at: exact('1/4') }),
);

beforeEach(() => {
  const kept = new Map<string, string>();
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => kept.set(key, value),
  });
});
afterEach(() => vi.unstubAllGlobals());

test('what was copied is pasted, into this groove or another', () => {
  keepClip(clip);
  const here = pasteClip(groove, place);
  expect(
    here.ok && here.value.groove.bars[0]!.strokes.filter(({ limb }) => limb === 'left hand').map(({ at }) => at),
  ).toEqual([exact('1/4'), exact('3/4')]);
  expect(pasteClip(oneLine('tttt'), { ...place, at: exact('0') }).ok).toBe(true);
});

test('with nothing copied, or something that is no clip, it says so and changes nothing', () => {
  expect(pasteClip(groove, place)).toMatchObject({ ok: false, problems: [{ say: 'Nothing has been copied.' }] });
  for (const junk of ['{', '{"strokes":[]}', '{"strokes":[{"limb":"tail"}],"limbs":[],"length":{"n":1,"d":4}}', '17']) {
    localStorage.setItem('mochila clip', junk);
    expect(pasteClip(groove, place).ok).toBe(false);
  }
});

test('a browser that keeps nothing does not stop the copying', () => {
  vi.stubGlobal('localStorage', {
    setItem: () => {
      throw new DOMException('full');
    },
  });
  expect(() => keepClip(clip)).not.toThrow();
});
