import { expect, test } from 'vitest';
import { setUpShape } from './shapes';

const given = {
  workshop: 'Test shed',
  teacher: 'Tova Lind',
  signInName: 'tova',
  password: 'a long password',
  school: 'e-and-a / trip-let',
};

test.each([
  ['Europe/Zurich', 'Europe/Zurich'],
  ['Nowhere/Landing', 'Etc/UTC'],
  [undefined, 'Etc/UTC'],
])('set up where the browser’s clock is %s, the workshop goes by %s', (timeZone, kept) => {
  expect(setUpShape.parse({ ...given, timeZone }).timeZone).toBe(kept);
});
