import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { sentence } from '../result';
import { anyGroove } from '../testing/arbitrary';
import { readGroove, writeGroove, type GrooveJson } from './groove';
import { limbFor, LIMBS, SETUPS } from '../groove/limbs';
import { turnFor } from '../groove/kit';
import { runs } from '../testing/runs';

const plain: GrooveJson = {
  version: 1,
  title: 'Slow crossing',
  reading: 'numbers',
  tempo: 72,
  bars: [
    {
      meter: { beats: 4, unit: 4 },
      cells: [
        { counts: 1, parts: 4 },
        { counts: 1, parts: 4 },
        { counts: 2, parts: 3 },
      ],
      strokes: [
        { limb: 'right foot', surface: 'kick', at: '3/16', height: 'accent' },
        { limb: 'right foot', surface: 'kick', at: '2/3', height: 'tap' },
      ],
    },
  ],
};
const changed = (change: (groove: GrooveJson) => void) => {
  const copy = structuredClone(plain);
  change(copy);
  return copy;
};
function problemsOf(json: unknown) {
  const read = readGroove(json);
  return read.ok ? [] : read.problems;
}

test('what is written is read back the same', () => {
  fc.assert(
    fc.property(anyGroove(), (groove) => {
      expect(readGroove(JSON.parse(JSON.stringify(writeGroove(groove))))).toEqual({ ok: true, value: groove });
    }),
    runs(60),
  );
});

test('16ths, and a quarter triplet over two counts, in one bar', () => {
  expect(readGroove(plain).ok).toBe(true);
});

describe('what is wrong is named at its place, with what would work', () => {
  test('a stroke off its grid', () => {
    const [problem] = problemsOf(
      changed(({ bars }) => {
        bars[0]!.strokes[0]!.at = '3/32';
      }),
    );
    expect(problem).toMatchObject({ path: ['bars', 0, 'strokes', 0], where: 'bar 1, right foot, 3/32' });
    expect(sentence(problem!)).toContain('Place it at 1/16 or 1/8');
  });

  test('two strokes of one limb on one slot', () => {
    const [problem] = problemsOf(
      changed(({ bars }) =>
        bars[0]!.strokes.push({ limb: 'right foot', surface: 'hat pedal', at: '3/16', height: 'tap' }),
      ),
    );
    expect(problem!.path).toEqual(['bars', 0, 'strokes', 2]);
    expect(sentence(problem!)).toContain('kick and hat pedal');
  });

  test.each([
    [
      'an older version',
      changed((groove) => {
        (groove as { version: number }).version = 0;
      }),
      ['version'],
      /written as version 0/,
    ],
    [
      'a newer version',
      changed((groove) => {
        (groove as { version: number }).version = 9;
      }),
      ['version'],
      /Update Mochila/,
    ],
    ['something else', { hello: 1 }, ['version'], /not a groove/],
    ['nothing', null, ['version'], /not a groove/],
    [
      'too slow',
      changed((groove) => {
        groove.tempo = 19;
      }),
      ['tempo'],
      /slowest tempo is 20/,
    ],
    [
      'too fast',
      changed((groove) => {
        groove.tempo = 301;
      }),
      ['tempo'],
      /fastest tempo is 300/,
    ],
    [
      'no tempo',
      changed((groove) => {
        (groove as { tempo: unknown }).tempo = 'quick';
      }),
      ['tempo'],
      /from 20 to 300/,
    ],
    [
      'a place that is none',
      changed(({ bars }) => {
        bars[0]!.strokes[0]!.at = 'soon';
      }),
      ['bars', 0, 'strokes', 0, 'at'],
      /like 3\/16/,
    ],
    [
      'a grid that does not fill the bar',
      changed(({ bars }) => {
        bars[0]!.cells.pop();
      }),
      ['bars', 0, 'cells'],
      /covers 2 counts, the bar has 4/,
    ],
    [
      'a grouping that does not add up',
      changed(({ bars }) => {
        bars[0]!.meter.grouping = [3, 2];
      }),
      ['bars', 0, 'meter', 'grouping'],
      /add up/,
    ],
    [
      'no bars',
      changed((groove) => {
        groove.bars = [];
      }),
      ['bars'],
      /at least one bar/,
    ],
    [
      'a swing that runs backwards',
      changed((groove) => {
        groove.swing = { value: '8th', ratio: '1/2' };
      }),
      ['swing', 'ratio'],
      /from 1 to 4/,
    ],
    [
      'a title of 10,000 letters',
      changed((groove) => {
        groove.title = 'x'.repeat(10_000);
      }),
      ['title'],
      /At most 120/,
    ],
    [
      'a title with a NUL',
      changed((groove) => {
        groove.title = 'a\0b';
      }),
      ['title'],
      /cannot be written/,
    ],
    [
      'a title with half a character',
      changed((groove) => {
        groove.title = 'a\ud83d';
      }),
      ['title'],
      /cannot be written/,
    ],
  ])('%s', (_, json, path, words) => {
    const problem = problemsOf(json).find((one) => JSON.stringify(one.path) === JSON.stringify(path));
    expect(problem && sentence(problem)).toMatch(words);
  });
});

test('a title may hold any whole character', () => {
  const title = 'Fähre 渡し船 🥁';
  expect(readGroove({ ...plain, title })).toMatchObject({ ok: true, value: { title } });
});

describe('kits', () => {
  test('turned round twice, a groove is itself again', () => {
    fc.assert(
      fc.property(anyGroove(), fc.constantFrom(...SETUPS), (groove, setup) => {
        expect(turnFor(turnFor(groove, setup), setup)).toEqual(groove);
      }),
      runs(30),
    );
  });

  test('open-handed changes the hands only, left-handed the feet too', () => {
    expect(LIMBS.map((limb) => limbFor(limb, 'open-handed'))).toEqual([
      'left hand',
      'right hand',
      'right foot',
      'left foot',
    ]);
    expect(LIMBS.map((limb) => limbFor(limb, 'left-handed'))).toEqual([
      'left hand',
      'right hand',
      'left foot',
      'right foot',
    ]);
  });
});
