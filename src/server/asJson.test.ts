import { expect, test } from 'vitest';
import { asJson } from './asJson';

test('what jsonb refuses is marked as unreadable, everything else stays', () => {
  const texts = ['e & a', 'a\0b', '\ud83d', '🥁', '\\u0000', '\\\ud800', '\\\\u0000\0'];
  const read = JSON.parse(asJson(texts)) as string[];
  expect(read).toEqual(['e & a', 'a\ufffdb', '\ufffd', '🥁', '\\u0000', '\\\ufffd', '\\\\u0000\ufffd']);
});
