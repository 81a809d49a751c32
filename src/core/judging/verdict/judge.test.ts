import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { schedule } from '../../schedule/schedule';
import { anyGroove, oneLine } from '../../testing/arbitrary';
import { formOfTake, readTake, writeTake, type Take } from '../../documents/take';
import { emptyTake as takeOf, playedTake } from '../../testing/takes';
import { verdictInWords } from '../../wording/verdictInWords';
import type { Verdict } from '../../documents/verdict';
import { SCHOOLS } from '../../counting/schools';
import { backbeat, KIT_FAULTS_SHOWN } from '../../testing/kitFaultsShown';
import { toleranceOf } from '../types/figures';
import { judge } from './judge';
import { KIT_FAULT_NAMES, kitPlaying, type KitFault, type KitSize } from '../../simulate/kitFaults';
import { simulateKit, type Playing } from '../../simulate/simulatedKit';
import { runs } from '../../testing/runs';

const emptyTake = (groove = backbeat, more: Partial<Take> = {}) => takeOf(groove, more);
const played = (playing: Playing, take = emptyTake()) => playedTake(playing, take);
const said = (verdict: Verdict) => verdictInWords(verdict, SCHOOLS[0]);

test('what passes is so many times what can be heard: the level’s, or what is set for it', () => {
  const take = played({ spreadMs: 10 });
  const [usual, set] = [judge(take, 'second year'), judge(take, { level: 'second year', factor: 5 })];
  expect(judge(take, toleranceOf('second year', 2.5))).toEqual(usual);
  expect(set.toleranceMs).toBeCloseTo(2 * usual.toleranceMs, 9);
  expect(toleranceOf('concert', 1)).toBe('concert');
  expect(toleranceOf('concert', 1.5)).toEqual({ level: 'concert', factor: 1.5 });
});

test('a take played exactly as written has no error, whatever the groove', () => {
  fc.assert(
    fc.property(anyGroove({ ornaments: false }), (groove) => {
      const take = played({}, emptyTake(groove, { rounds: 2 }));
      const { figures, verdict } = judge(take, 'concert');
      expect(figures).toMatchObject({ missed: 0, extra: 0, matched: take.hits.length });
      // The kit writes its hits to the microsecond.
      expect(Math.abs(figures.meanErrorMs!)).toBeLessThan(0.001);
      expect(verdict.about).toBe('clean');
    }),
    runs(40),
  );
});

describe('the verdict names the fault the kit plays', () => {
  test.each(Object.entries(KIT_FAULTS_SHOWN))('%s', (fault, [expected, groove = backbeat]) => {
    const take = emptyTake(groove, { rounds: 16 });
    expect(judge(played(kitPlaying(fault as KitFault), take), 'advanced').verdict.about).toBe(expected);
  });

  test('the larger its size, the further off; none at all is steady', () => {
    const off = (size: KitSize) => judge(played(kitPlaying('late', size)), 'advanced').figures.meanErrorMs!;
    expect([off('slight'), off('usual'), off('strong')].map(Math.round)).toEqual([27, 45, 72]);
    expect(KIT_FAULT_NAMES[0]).toBe('steady');
  });

  test('two faults at once: the one named first, the other after it', () => {
    const { verdict } = judge(played(kitPlaying('late foot', 'strong', 'foot left out')), 'advanced');
    expect(new Set([verdict.about, verdict.next?.about])).toEqual(new Set(['limb', 'missed']));
  });

  test('one late limb', () => {
    const { verdict } = judge(played({ spreadMs: 5, limbMs: { 'right foot': 40 } }), 'advanced');
    expect(said(verdict).say).toMatch(/^The right foot comes \d+ ms after the other limbs\.$/);
  });

  test('one late place, with how often and what to loop', () => {
    const take = played({ spreadMs: 4 });
    const timed = schedule(formOfTake(take));
    const late = new Set(
      timed.sounds.flatMap((sound) =>
        sound.kind === 'stroke' && sound.limb === 'right hand' && sound.written.n === 7 ? [Math.round(sound.ms)] : [],
      ),
    );
    const hits = take.hits.map((hit) =>
      [...late].some((ms) => hit.limb === 'right hand' && Math.abs(ms - hit.ms) < 60)
        ? { ...hit, ms: hit.ms + 50 }
        : hit,
    );
    const { verdict } = judge({ ...take, hits }, 'advanced');
    expect(said(verdict).say).toMatch(/^The & of 4 in the right hand comes (4|5)\d ms late\.$/);
    expect(verdict.practise).toMatchObject({ bpm: 60, click: 'every slot', limbs: ['right hand'] });
  });

  test('nothing but hits elsewhere', () => {
    expect(judge(emptyTake(), 'advanced').verdict.about).toBe('nothing heard');
  });

  test('the same playing passes in the first year and not on the concert stage', () => {
    const take = played({ spreadMs: 16 });
    expect(judge(take, 'first year').verdict.about).toBe('clean');
    expect(judge(take, 'concert').verdict.about).toBe('spread');
  });
});

test('strokes due after playing stopped are not judged, and a limb out of the task is not missed', () => {
  const whole = played({});
  const stopped = judge({ ...whole, playedMs: 3000 - 1 }, 'concert').figures;
  expect(stopped.matched + stopped.missed).toBe(13);
  const hands = judge(
    { ...whole, task: ['right hand'], hits: whole.hits.filter(({ limb }) => limb === 'right hand') },
    'concert',
  ).figures;
  expect(hands).toMatchObject({ matched: 64, missed: 0 });
});

test('a grace note that is played is not extra, one that is not is not missed', () => {
  const groove = oneLine('t... t... t... t...');
  groove.bars[0]!.strokes[1]!.ornament = 'flam';
  const take = emptyTake(groove, { rounds: 1, task: ['right hand', 'left hand'] });
  const withGrace = {
    ...take,
    playedMs: 4000,
    hits: [0, 1000, 2000, 3000]
      .map((ms) => ({ limb: 'right hand' as const, ms }))
      .concat({ limb: 'left hand' as never, ms: 970 }),
  };
  expect(judge(withGrace, 'concert').figures).toMatchObject({ matched: 4, missed: 0, extra: 0 });
  expect(judge({ ...withGrace, hits: withGrace.hits.slice(0, 4) }, 'concert').figures).toMatchObject({
    matched: 4,
    missed: 0,
    extra: 0,
  });
});

test('a tempo change within the take is judged where it was heard', () => {
  const take = emptyTake(backbeat, {
    bpm: 80,
    changes: [{ fromBar: 2, bpm: 120 }],
  });
  const { figures, schedule: timed } = judge(played({}, take), 'concert');
  expect(figures.missed).toBe(0);
  expect(timed.endMs).toBe(2 * 3000 + 6 * 2000);
});

test('the simulated kit plays the same from the same seed, and otherwise from another', () => {
  const form = formOfTake(emptyTake());
  const play = (seed: number) =>
    simulateKit({ form, timed: schedule(form) }, ['right hand'], kitPlaying('uneven'), seed);
  expect(play(3)).toEqual(play(3));
  expect(play(3)).not.toEqual(play(4));
});

describe('what changes on the way', () => {
  const hands = (take: Take) =>
    judge(take, 'concert').byLimb.map(({ limb, matched, missed }) => [limb, matched, missed]);

  test('a limb that comes in later is judged from then on', () => {
    const take = emptyTake(backbeat, {
      task: ['right hand'],
      changes: [{ fromBar: 4, task: ['right hand', 'right foot'] }],
    });
    const form = formOfTake(take);
    const timed = schedule(form);
    const whole = {
      ...take,
      playedMs: timed.endMs,
      hits: simulateKit({ form, timed }, (bar) => (bar < 4 ? ['right hand'] : ['right hand', 'right foot']), {}, 3),
    };
    expect(hands(whole)).toEqual([
      ['right hand', 64, 0],
      ['right foot', 12, 0],
    ]);
    expect(hands({ ...whole, hits: whole.hits.filter(({ limb }) => limb === 'right hand') })[1]).toEqual([
      'right foot',
      0,
      12,
    ]);
  });

  test('swing set on the way moves what is due, and a take that says so reads back', () => {
    const take = emptyTake(backbeat, { changes: [{ fromBar: 4, swing: { value: '8th', ratio: '3/2' } }] });
    const asStraight = { ...playedTake({}, { ...take, changes: undefined }, 3), changes: take.changes };
    // Played straight on, the off-beats of the swung half come too early.
    expect(
      judge(asStraight, 'concert').byPlace.find(({ written }) => written.n === 1 && written.d === 8)!.meanErrorMs,
    ).toBeLessThan(-30);
    const read = readTake(JSON.parse(JSON.stringify(writeTake(take))));
    expect(read.ok && read.value).toEqual(take);
    expect(readTake({ ...writeTake(take), changes: [{ fromBar: 4 }, { fromBar: 2 }] }).ok).toBe(false);
  });

  test('some bars alone are judged as if there were no others', () => {
    const take = played({ spreadMs: 3 });
    const late = { ...take, hits: take.hits.map((hit) => (hit.ms > 12_000 - 200 ? { ...hit, ms: hit.ms + 60 } : hit)) };
    const bars = (from: number, to: number) => judge(late, 'concert', { from, to });
    expect(bars(0, 4).verdict.about).toBe('clean');
    expect(bars(4, 8).figures.meanErrorMs).toBeGreaterThan(50);
    expect(bars(0, 4).figures.matched + bars(4, 8).figures.matched).toBe(judge(late, 'concert').figures.matched);
  });
});

describe('hits that name no limb', () => {
  const heard = (take: Take): Take => ({
    ...take,
    input: 'microphone',
    hits: [...new Set(take.hits.map(({ ms }) => Math.round(ms)))].map((ms) => ({ ms, loudness: 0.5 })),
  });

  test('are matched with the moments; of strokes together one is heard, the others are not judgeable', () => {
    const { figures, strokes } = judge(heard(played({})), 'concert');
    expect(figures).toMatchObject({ matched: 64, missed: 0, extra: 0, notJudgeable: 40 });
    expect(strokes.filter(({ outcome }) => outcome === 'not judgeable')).toHaveLength(40);
  });

  test('a moment without a hit is missed once', () => {
    const take = heard(played({}));
    expect(judge({ ...take, hits: take.hits.slice(1) }, 'concert').figures).toMatchObject({ matched: 63, missed: 1 });
  });

  test('many that are missing are told without naming a limb', () => {
    const take = heard(played({ missedShare: 0.4 }));
    const { verdict } = judge(take, 'concert');
    expect(verdict.about).toBe('missed');
    for (const report of ['figures', 'plain words'] as const) {
      const { say, evidence } = verdictInWords(verdict, SCHOOLS[0], report);
      expect(say).toMatch(/^You (leave|forget)/);
      expect(`${say} ${evidence}`).not.toMatch(/undefined|NaN/);
    }
  });

  test('a limb the input cannot hear is not missed', () => {
    const hands = played({});
    const take = {
      ...hands,
      hears: ['right hand' as const],
      hits: hands.hits.filter((hit) => hit.limb === 'right hand'),
    };
    expect(judge(take, 'concert').figures).toMatchObject({ matched: 64, missed: 0, notJudgeable: 40 });
  });
});

test('a faultless round judged alone is not called drift, whichever it is', () => {
  const take = played({ spreadMs: 5 }, emptyTake(backbeat, { rounds: 12 }));
  for (let round = 0; round < 12; round++)
    expect(judge(take, 'advanced', { from: round, to: round + 1 }).verdict.about).toBe('clean');
});
