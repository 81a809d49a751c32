import { describe, expect, test } from 'vitest';
import { writeGroove } from '../documents/groove';
import { type Groove } from '../groove/groove';
import { STARTERS } from '../testing/starters';
import { meterOf, oneLine, together } from '../testing/arbitrary';
import { format } from '../time/fraction';
import { makeDrill } from './drill';
import { made, rule, says, struck } from '../testing/drills';

describe('made from a groove', () => {
  const three = {
    ...together(oneLine('AtAtAtAt'), oneLine('..A...A.', 'left hand'), oneLine('A..tA...', 'right foot')),
    title: 'Ramp',
  };
  const figure = writeGroove(three);
  const at = (groove: Groove, limb: string) => struck(groove, limb).map((one) => format(one.at));

  test('displaced by the limbs that are to move; the others stay', () => {
    const drill = made('displacement', { figure, moves: ['right foot'], by: 'half a beat' }, { ostinato: '' });
    expect(drill.total).toBe(8);
    expect(at(drill.exercises[1]!.groove, 'right foot')).toEqual(['1/8', '1/2', '5/8']);
    expect(at(drill.exercises[1]!.groove, 'left hand')).toEqual(['1/4', '3/4']);
    expect(makeDrill(rule('displacement', { figure, moves: ['left foot'] }))).toMatchObject({
      ok: false,
      problems: [{ path: ['params', 'moves'] }],
    });
  });

  test('accented: k of n strokes of the hand, all of it home again, the feet as they were', () => {
    const drill = made('accents', { figure, sticking: 'right hand', accents: 1, among: 3 });
    expect(drill.total).toBe(3);
    const { groove } = drill.exercises[0]!;
    // 8 strokes and 3: home after 3 bars.
    expect(groove.bars).toHaveLength(3);
    expect(
      struck(groove, 'right hand')
        .map(({ height }) => height[0])
        .join(''),
    ).toBe('attattattattattattattatt');
    expect(
      struck(groove, 'right foot')
        .map(({ height }) => height[0])
        .join(''),
    ).toBe('ataataata');
  });

  test('its hardest bar alone, then into it and out of it, with the reasons', () => {
    const plain = oneLine('t.t.t.t.').bars[0]!;
    const hard = oneLine('.ttt.ttt').bars[0]!;
    const drill = made('hardest bar', { figure: writeGroove({ ...three, bars: [plain, plain, hard] }) });
    expect(drill.exercises.map(({ say, groove }) => [say, groove.bars.length])).toEqual([
      ['bar 3 alone', 1],
      ['bar 3 into it', 2],
      ['bar 3 out of it', 2],
      ['bar 3 in its place', 3],
    ]);
    expect(drill.trains).toBe(
      'Bar 3 is the hardest: 4 strokes between the counts, 3 in a row on the right hand. Alone, then into it and out of it.',
    );
    // Where meters change, the bar alone is what is left.
    const changing = { ...three, bars: [{ ...plain, meter: meterOf('4/4') }, STARTERS[3]!.bars[0]!] };
    expect(says('hardest bar', { figure: writeGroove(changing) })).toEqual(['bar 1 alone']);
  });

  test.each(['displacement', 're-rate', 'build-up', 'accents'])(
    '%s: longer than its bars, or of changing meter, is said with what would work',
    (family) => {
      const wrong = (one: Groove) => {
        const drill = makeDrill(rule(family, { figure: writeGroove(one) }));
        return drill.ok ? undefined : drill.problems[0];
      };
      const long = {
        ...oneLine('tttt'),
        title: 'Long',
        bars: [
          {
            meter: meterOf('5/4'),
            cells: [{ counts: 1, parts: 1 }, ...Array.from({ length: 4 }, () => ({ counts: 1, parts: 1 }))],
            strokes: [],
          },
        ],
      };
      expect(wrong(long)).toMatchObject({
        path: ['params', 'figure'],
        say: '“Long” is in 5/4, longer than a bar of 4/4.',
        remedy: 'Set the meter to 5/4.',
      });
      expect(wrong({ ...long, bars: [...long.bars, ...three.bars] })).toMatchObject({
        say: '“Long” changes its meter.',
      });
    },
  );

  test('and over one: chosen limbs of one of its bars go on under the exercises', () => {
    const over = { groove: figure, bar: 0, limbs: ['right hand', 'left hand'] };
    const drill = made('placement', {}, { over, parts: 2 });
    expect(drill.total).toBe(8);
    for (const { groove } of drill.exercises)
      expect([at(groove, 'right hand').length, at(groove, 'left hand'), at(groove, 'right foot').length]).toEqual([
        8,
        ['1/4', '3/4'],
        1,
      ]);
    // Heights stay as they are written.
    expect(struck(drill.exercises[0]!.groove, 'left hand')[0]!.height).toBe('accent');
    expect(makeDrill(rule('placement', {}, { over, meter: '3/4' }))).toMatchObject({
      ok: false,
      problems: [
        {
          path: ['over'],
          say: '“Ramp” is in 4/4, the drill in 3/4.',
          remedy: 'Set the meter to 4/4, or choose another groove.',
        },
      ],
    });
    expect(makeDrill(rule('placement', {}, { over: { ...over, bar: 7 } }))).toMatchObject({
      ok: false,
      problems: [{ path: ['over'], remedy: 'Choose a bar from 1 to 1.' }],
    });
    expect(makeDrill(rule('placement', {}, { over: { ...over, groove: { version: 1 } } }))).toMatchObject({
      ok: false,
      problems: [{ path: ['over'] }],
    });
  });
});
