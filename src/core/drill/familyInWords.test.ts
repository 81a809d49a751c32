import { describe, expect, test } from 'vitest';
import { writeGroove } from '../documents/groove';
import { made, rule, struck } from '../testing/drills';
import { oneLine } from '../testing/arbitrary';
import { format } from '../time/fraction';
import { makeDrill } from './drill';

describe('said in words', () => {
  test('re-rate: plans as they are said, after the others; a line that cannot be is pointed at', () => {
    const figure = writeGroove(oneLine('tttttttt'));
    const drill = made('re-rate', {
      figure,
      values: ['8th'],
      mixed: false,
      plans: ['3 quarter triplets, the rest in 8ths', '', '3 8th triplets, 1 quarter'],
    });
    expect(drill.exercises.map(({ say }) => say.replace(/, ends.*/, ''))).toEqual([
      '8 8ths',
      '3 quarter triplets, 5 8ths',
      '3 8th triplets, 1 quarter, 3 8th triplets, 1 quarter',
    ]);
    const wrong = (line: string) => makeDrill(rule('re-rate', { figure, plans: ['8ths', line] }));
    for (const [line, code] of [
      ['9 8ths', 'notes-differ'],
      ['8 8ths, the rest in 16ths', 'notes-differ'],
      ['3 oars', 'not-understood'],
      ['1 8th triplet, 7 16ths', 'no-grid'],
    ])
      expect(wrong(line!)).toMatchObject({
        ok: false,
        problems: [{ code, path: ['params', 'plans'], where: 'line 2' }],
      });
  });

  test('overlay: figures slot by slot; one that names no drum is pointed at, and so is a limb that is taken', () => {
    const said = (figures: string[], params = {}) => makeDrill(rule('overlay', { figures, ...params }));
    expect(said(['R snare, L snare, rest, rest, L high tom'])).toMatchObject({ ok: true, value: { total: 1 } });
    expect(said(['R snare, oar'])).toMatchObject({
      ok: false,
      problems: [{ path: ['params', 'figures'], where: 'line 1', say: expect.stringContaining('slot 2') as string }],
    });
    expect(said(['kick, rest, kick'])).toMatchObject({ ok: false, problems: [{ code: 'limb-taken' }] });
    expect(said(['kick, rest, kick'], { keeps: 'left foot' })).toMatchObject({ ok: true });
    expect(said([Array(17).fill('R snare').join(', ')])).toMatchObject({
      ok: false,
      problems: [{ code: 'longer-than-bar', path: ['params', 'figures'] }],
    });
    expect(said(['rest, rest'])).toMatchObject({ ok: false, problems: [{ code: 'none' }] });
  });

  test('12/8: counted in pulses, on the ride, any kick under the beat; one that is not there is pointed at', () => {
    const [beat] = made('compound', {
      what: 'beat and fill',
      hand: 'on the ride',
      kick: '1, 6 and 7',
      beats: 1,
    }).exercises;
    expect(beat!.groove).toMatchObject({ reading: 'pulse', tempo: 60, bars: [{}, {}] });
    const ofBar = (limb: string, bar: number) =>
      beat!.groove.bars[bar]!.strokes.filter((one) => one.limb === limb).map(({ at }) => format(at));
    expect([ofBar('right foot', 0), ofBar('right foot', 1)]).toEqual([
      ['0', '5/8', '3/4'],
      ['0', '3/8', '3/4', '9/8'],
    ]);
    expect(
      new Set(struck({ ...beat!.groove, bars: [beat!.groove.bars[0]!] }, 'right hand').map((one) => one.surface)),
    ).toEqual(new Set(['ride']));
    expect(makeDrill(rule('compound', { what: 'beat and fill', kick: '1 13' }))).toMatchObject({
      ok: false,
      problems: [{ code: 'no-such-place', path: ['params', 'kick'] }],
    });
  });

  test('8ths into triplets on one hand: full first, shuffled after; the others keep', () => {
    const [first] = made(
      'straight to triplet',
      { line: 'on the ride', extents: ['first two beats'], into: ['triplets first, shuffle after'] },
      { ostinato: 'kick quarters' },
    ).exercises;
    expect(
      first!.groove.bars[1]!.strokes.filter(({ limb }) => limb === 'right hand').map(({ at }) => format(at)),
    ).toEqual(['0', '1/12', '1/6', '1/4', '5/12', '1/2', '5/8', '3/4', '7/8']);
    expect(struck(first!.groove, 'right foot')).toHaveLength(8);
  });
});
