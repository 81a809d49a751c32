import { describe, expect, test } from 'vitest';
import { readGroove, writeGroove } from '../documents/groove';
import { schedule } from '../schedule/schedule';
import type { TimedStroke } from '../schedule/timed';
import { oneLine, together } from '../testing/arbitrary';
import { STARTERS } from '../testing/starters';
import { CLICK_PLANS } from '../time/clickPlan';
import { formOf } from './form';
import { CONTRASTS, sidesOf } from './sides';

const backbeat = together(oneLine('AtAt'), oneLine('.A.A', 'left hand'), oneLine('A...', 'right foot'));

describe('back to back', () => {
  const swung = { ...oneLine('AtAtAtAt'), swing: { value: '8th' as const, ratio: '3' } };

  test('straight and swung: one groove in two passages, the swing turning on the bar line, in its own ratio', () => {
    const read = sidesOf(swung, 'straight and swung', 2);
    if (!read.ok) throw new Error('no sides');
    const { groove, passages } = read.value;
    expect(groove.bars).toHaveLength(1);
    expect(passages).toMatchObject([
      { side: 0, times: 2, swing: 'straight' },
      { side: 1, times: 2, swing: swung.swing },
    ]);
    const { sounds } = schedule(
      formOf({ groove, passages, bpm: 60, click: CLICK_PLANS.silent, countIn: 0, rounds: 2 }),
    );
    const second = (bar: number) =>
      (sounds.filter((sound): sound is TimedStroke => sound.kind === 'stroke' && sound.barInRun === bar)[1]!.ms -
        4000 * bar) /
      1000;
    expect([0, 1, 2, 3, 4, 6].map(second)).toEqual([0.5, 0.5, 0.75, 0.75, 0.5, 0.75]);
  });

  test('plain has no accents, accented all of them; without any there is nothing to hear', () => {
    const read = sidesOf(backbeat, 'plain and accented', 1);
    if (!read.ok) throw new Error('no sides');
    const accents = read.value.groove.bars.map((bar) => bar.strokes.filter(({ height }) => height === 'accent').length);
    expect(accents).toEqual([0, 5]);
    expect(sidesOf(oneLine('tttt'), 'plain and accented', 1)).toMatchObject({
      ok: false,
      problems: [{ code: 'no-accents' }],
    });
  });

  test('re-rated: each side in whole rounds, at least as many bars as asked', () => {
    const half = sidesOf(backbeat, 'written and half-time', 3);
    expect(half).toMatchObject({
      ok: true,
      value: {
        passages: [
          { from: 0, bars: 1, times: 3, side: 0 },
          { from: 1, bars: 2, times: 2, side: 1 },
        ],
        names: ['written', 'half-time'],
      },
    });
  });

  test('whatever sides there are, they make a groove that can be kept', () => {
    for (const groove of STARTERS) {
      for (const contrast of CONTRASTS) {
        const read = sidesOf(groove, contrast, 2);
        if (read.ok) expect(readGroove(JSON.parse(JSON.stringify(writeGroove(read.value.groove)))).ok).toBe(true);
        else expect(read.problems[0]!.remedy).not.toBe('');
      }
    }
  });
});
