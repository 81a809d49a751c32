/** What a browser runs on, as far as it says: enough to know one's own by. */
const DEVICES: [RegExp, string][] = [
  [/iPad/, 'iPad'],
  [/iPhone/, 'iPhone'],
  [/Android.*Mobile/, 'Android phone'],
  [/Android/, 'Android tablet'],
  [/Macintosh/, 'Mac'],
  [/Windows/, 'Windows computer'],
  [/CrOS/, 'Chromebook'],
  [/Linux/, 'Linux computer'],
];

/** "iPhone", from what a browser says of itself; "another device" where it says nothing that is known. */
export const deviceNamed = (userAgent: string): string =>
  DEVICES.find(([of]) => of.test(userAgent))?.[1] ?? 'another device';
