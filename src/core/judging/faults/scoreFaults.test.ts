import { describe, expect, test } from 'vitest';
import type { Take } from '../../documents/take';
import type { Level } from '../../limits';
import { oneLine } from '../../testing/arbitrary';
import { backbeat, KIT_FAULTS_SHOWN } from '../../testing/kitFaultsShown';
import { pinnedLines } from '../../testing/pinned';
import { emptyTake, playedTake } from '../../testing/takes';
import { judge, JUDGE_VERSION } from '../verdict/judge';
import type { BarWindow } from '../types/judgement';
import { kitPlaying, type KitFault, type KitSize } from '../../simulate/kitFaults';
import { manualEntry } from '../../practice/manualEntry';
import type { Playing } from '../../simulate/simulatedKit';
import { figuresOfTake, tempoCurve } from '../report/takeFigures';

/**
 * Whole judgements of known takes, pinned. Where one changes, takes that are kept come to other figures than were told:
 * that is what JUDGE_VERSION is for, which is part of each name here.
 */

function judged(take: Take, level: Level = 'advanced', bars?: BarWindow): string {
  const judgement = judge(take, level, bars);
  const { verdict, figures, byLimb, byPlace, byExercise, strokes, extra, toleranceMs } = judgement;
  return pinnedLines([
    verdict,
    { toleranceMs },
    figures,
    ...byLimb,
    ...byPlace.map(({ written, ...place }) => ({ ...place, written: `${written.n}/${written.d}` })),
    ...byExercise,
    ...extra,
    ...strokes.slice(0, 12).map(({ stroke, ...one }) => ({ limb: stroke.limb, dueMs: stroke.ms, ...one })),
    ...figuresOfTake(take, judgement),
    ...tempoCurve(take, judgement),
  ]);
}

describe(`judgements, version ${JUDGE_VERSION}`, () => {
  test.each(Object.entries(KIT_FAULTS_SHOWN))('%s', (fault, [, groove = backbeat]) => {
    const take = playedTake(kitPlaying(fault as KitFault), emptyTake(groove));
    expect(judged(take)).toMatchSnapshot();
  });

  test.each<[KitFault, KitSize, KitFault?]>([
    ['late', 'slight'],
    ['late foot', 'strong', 'missing'],
    ['late off-beats', 'usual', 'weak accents'],
    ['a bar left out', 'strong', 'extra strokes'],
  ])('%s, %s, with %s', (fault, size, other) => {
    expect(judged(playedTake(kitPlaying(fault, size, other), emptyTake(backbeat)), 'concert')).toMatchSnapshot();
  });

  const takes: Record<string, [Playing, Partial<Take>]> = {
    'behind all through, a quarter of a count': [{ countsLate: 0.25, spreadMs: 4 }, {}],
    'a bar late': [{ countsLate: 4, spreadMs: 4 }, {}],
    'a limb out of the task': [{ spreadMs: 8 }, { task: ['right hand', 'right foot'] }],
    'a change of tempo, of swing and of the task on the way': [
      { spreadMs: 8 },
      {
        changes: [
          { fromBar: 2, bpm: 96 },
          { fromBar: 4, swing: { value: '8th', ratio: '3/2' } },
          { fromBar: 5, task: ['right hand'] },
        ],
      },
    ],
    'swung, too wide': [
      { spreadMs: 4, straightened: -0.5 },
      { groove: { ...backbeat, swing: { value: '8th', ratio: '2' } } },
    ],
    'nothing heard': [{ missedShare: 1 }, {}],
    'three rounds': [{ spreadMs: 6 }, { rounds: 3 }],
  };
  test.each(Object.entries(takes))('%s', (_, [playing, more]) => {
    expect(judged(playedTake(playing, emptyTake(backbeat, more)))).toMatchSnapshot();
  });

  test('two bars of a take, and a take that was stopped', () => {
    const take = playedTake({ spreadMs: 8, driftPercent: -1 }, emptyTake(backbeat));
    expect(judged(take, 'second year', { from: 2, to: 4 })).toMatchSnapshot();
    expect(judged({ ...take, playedMs: 7000 }, 'first year')).toMatchSnapshot();
  });

  test('hits that name no limb, and a limb the input does not hear', () => {
    const { hits, ...take } = playedTake({ spreadMs: 4, missedShare: 0.1, isLoud: true }, emptyTake(backbeat));
    expect(judged({ ...take, hits: hits.map(({ ms, loudness }) => ({ ms, loudness })) })).toMatchSnapshot();
    const ofHands = hits.filter(({ limb }) => limb !== 'right foot');
    expect(judged({ ...take, hits: ofHands, hears: ['right hand', 'left hand'] })).toMatchSnapshot();
  });

  test('bars that came late, or early as a whole, and an even line that may be either', () => {
    const two = { ...backbeat, bars: [backbeat.bars[0]!, oneLine('t.t.t.tt', 'left hand').bars[0]!] };
    const take = playedTake({ spreadMs: 5 }, emptyTake(two, { rounds: 4 }));
    const later = take.hits.map((hit) => (hit.ms > 8900 ? { ...hit, ms: hit.ms + 3000 } : hit));
    const late = { ...take, hits: later.filter(({ ms }) => ms < take.playedMs) };
    expect(judge(late, 'advanced').verdict).toMatchObject({ about: 'bars left out', numbers: { from: 4, later: 1 } });
    expect(judged(late)).toMatchSnapshot();
    expect(judged({ ...take, hits: take.hits.map((hit) => ({ ...hit, ms: hit.ms - 3000 })) })).toMatchSnapshot();
    const even = playedTake({ spreadMs: 5 }, emptyTake(oneLine('t.t.t.t.', 'right hand', 80)));
    expect(
      judged({ ...even, hits: even.hits.slice(1).map((hit) => ({ ...hit, ms: hit.ms - 375 })) }),
    ).toMatchSnapshot();
  });

  test('a drill, exercise by exercise; strokes the input could not hear at their moment', () => {
    const bars = ['tttttttt', 't.t.t.t.', 'tt.tt.tt'].map((line) => oneLine(line).bars[0]!);
    const passages = bars.map((_, bar) => ({ from: bar, bars: 1, times: 2, exercise: bar }));
    const exercises = bars.map((_, at) => ({ say: `${at + 1}`, places: [] }));
    const take = playedTake(
      { spreadMs: 9, missedShare: 0.1 },
      emptyTake({ ...backbeat, bars }, { passages, exercises, rounds: 1 }),
    );
    expect(judged(take)).toMatchSnapshot();
    const unheard = [1500, 1875].map((ms) => ({ limb: 'right hand' as const, ms }));
    expect(judged({ ...take, hits: take.hits.filter(({ ms }) => ms < 1300 || ms > 2100), unheard })).toMatchSnapshot();
  });

  test('what nothing listened to', () => {
    expect(judge(manualEntry(backbeat, 72, 9000), 'advanced').verdict).toMatchObject({
      about: 'not heard',
      practise: { bpm: 72, click: 'counts', limbs: ['right hand', 'left hand', 'right foot'] },
    });
  });
});
