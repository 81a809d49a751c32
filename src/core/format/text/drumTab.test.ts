import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { SCHOOLS } from '../../counting/schools';
import type { Groove } from '../../groove/groove';
import { usualLimb } from '../../groove/limbs';
import { anyGroove, oneLine, together } from '../../testing/arbitrary';
import { STARTERS } from '../../testing/starters';
import { strokesInText } from '../../testing/strokesInText';
import { drumTabOf } from './drumTab';
import { readDrumTab } from './drumTabIn';
import { runs } from '../../testing/runs';

const SCHOOL = SCHOOLS[0];
const read = (text: string) => {
  const answer = readDrumTab(text);
  if (!answer.ok) throw new Error(answer.problems[0]!.say);
  return answer.value;
};

test('a backbeat as plain text, counts above, what is loud in large letters', () => {
  const groove = together(
    oneLine('ttttAttg', 'right hand', 80),
    oneLine('..A...A.', 'left hand'),
    oneLine('A...t...', 'right foot'),
  );
  expect(
    drumTabOf({ ...groove, title: 'Pier' }, SCHOOL)
      .split('\n')
      .slice(0, 7),
  ).toEqual(['Pier', '4/4, 80 a minute', '', '   1&2&3&4&', 'HH|xxxxXxxg|', 'SN|--O---O-|', 'BD|O---o---|']);
});

describe('written and read again', () => {
  test('whatever the groove and the school: the same strokes and grids; of a ghost with an ornament the ornament', () => {
    fc.assert(
      fc.property(anyGroove(), fc.constantFrom(...SCHOOLS), (groove, school) => {
        const plain: Groove = {
          ...groove,
          bars: groove.bars.map((bar) => ({
            ...bar,
            strokes: bar.strokes.map((one) =>
              one.ornament && one.height === 'ghost' ? { ...one, height: 'tap' } : one,
            ),
          })),
        };
        const { groove: again, left } = read(drumTabOf(groove, school));
        expect(left).toEqual([]);
        expect(strokesInText(again)).toEqual(strokesInText(plain));
        expect(again.bars.map(({ meter, cells }) => ({ meter, cells }))).toEqual(
          groove.bars.map(({ meter, cells }) => ({ meter, cells })),
        );
        expect([again.title, again.tempo]).toEqual([groove.title, groove.tempo]);
      }),
    );
  });

  test.each(STARTERS.map((groove) => [groove.title, groove] as const))(
    '%s: with its reading and swing',
    (_, groove) => {
      const { groove: again } = read(drumTabOf(groove, SCHOOL));
      const usual = {
        ...groove,
        bars: groove.bars.map((bar) => ({
          ...bar,
          strokes: bar.strokes.map((one) => ({ ...one, limb: usualLimb(one.surface) })),
        })),
      };
      expect(again.bars.map(({ cells }) => cells)).toEqual(groove.bars.map(({ cells }) => cells));
      expect(strokesInText(again).map((bar) => bar.length)).toEqual(strokesInText(usual).map((bar) => bar.length));
      expect([again.title, again.tempo, again.reading, again.swing]).toEqual([
        groove.title,
        groove.tempo,
        groove.reading,
        groove.swing,
      ]);
    },
  );
});

describe('from elsewhere', () => {
  test('several bars on a line, other names, no counts: as many columns to a count as fill the bar', () => {
    const { groove, left } = read(
      'Old jetty\nTempo: 96 bpm\n\nC |X---------------|----------------|\nHh|--x-x-x-x-x-x-x-|x-x-x-x-x-x-x-o-|\nS |----o-------o---|----o--g-g--O---|\nB |o-------o-o-----|o-------o-------|\n',
    );
    expect(left).toEqual([]);
    expect([groove.title, groove.tempo, groove.bars.length]).toEqual(['Old jetty', 96, 2]);
    expect(strokesInText(groove)[0]).toContain('0 right hand crash accent plain');
    expect(strokesInText(groove)[1]).toContain('7/8 right hand open hat tap plain');
    expect(strokesInText(groove)[1]).toContain('7/16 left hand snare ghost plain');
    expect(groove.bars[0]!.cells).toEqual(Array.from({ length: 4 }, () => ({ counts: 1, parts: 4 })));
  });

  test('twelve columns are triplets, and a meter above holds from there', () => {
    const { groove } = read('RD|x--x-xx--x-x|\n\n3/4\nRD|x-x-x-|\n');
    expect(groove.bars.map(({ meter: { beats }, cells }) => [beats, cells[0]!.parts])).toEqual([
      [4, 3],
      [3, 2],
    ]);
  });

  test('a line that nobody knows is told, and the others are read', () => {
    const { groove, left } = read('QQ|x---|\nSN|--o-|\n');
    expect(left).toEqual(['line QQ']);
    expect(strokesInText(groove)).toEqual([['1/2 left hand snare tap plain']]);
  });

  test.each<[string, string, string]>([
    ['nothing', '', 'no-tab'],
    ['a letter', 'Dear Pim,\nplay it slowly.', 'no-tab'],
    ['columns that fill no bar', 'SN|o-o-o|', 'columns'],
    ['a book', 'x'.repeat(200_001), 'too-long'],
  ])('%s is told', (_, text, code) => expect(readDrumTab(text)).toMatchObject({ ok: false, problems: [{ code }] }));

  test('whatever is done to a page, it is read or told', () => {
    const tab = drumTabOf(STARTERS[1]!, SCHOOL);
    fc.assert(
      fc.property(fc.nat(tab.length), fc.nat(40), fc.string({ maxLength: 8 }), (at, many, put) => {
        expect(typeof readDrumTab(tab.slice(0, at) + put + tab.slice(at + many)).ok).toBe('boolean');
      }),
      runs(300),
    );
  });
});
