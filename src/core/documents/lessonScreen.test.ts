import { expect, test } from 'vitest';
import { MOST_SEED } from '../limits';
import { readLessonScreen } from './lessonScreen';

const screen = {
  version: 1,
  grooveId: '16606a19-73f4-4b7f-844c-ec646a3d58ef',
  bpm: 72,
  click: { kind: 'silent' },
  task: ['right hand'],
};

test('a screen is read with and without the seed of a line, so that what an older page sent still holds', () => {
  expect(readLessonScreen(screen)).toEqual({ ok: true, value: screen });
  expect(readLessonScreen({ ...screen, seed: 41 })).toEqual({ ok: true, value: { ...screen, seed: 41 } });
});

test.each([-1, 0.5, MOST_SEED + 1, '41'])('a seed of %s is none', (seed) => {
  expect(readLessonScreen({ ...screen, seed })).toMatchObject({ ok: false, problems: [{ path: ['seed'] }] });
});
