import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { schedule } from '../schedule/schedule';
import { anyGroove, oneLine, together } from '../testing/arbitrary';
import { formOfTake, readTake, writeTake, type Take } from '../documents/take';
import { emptyTake as takeOf, playedTake } from '../testing/takes';
import { verdictInWords } from './verdictInWords';
import { writeGroove } from '../documents/groove';
import { readVerdict, type Verdict } from '../documents/verdict';
import { schoolNamed, SCHOOLS } from '../count/schools';
import { MOST_HITS } from '../limits';
import { CLICK_PLANS } from '../time/clickPlan';
import { judge } from './judge';
import { KIT_FAULTS, simulateKit, type KitFault, type Playing } from './simulatedKit';

const backbeat = together(
  oneLine('AtAtAtAt', 'right hand', 80),
  oneLine('..A...A.', 'left hand'),
  oneLine('A..tA...', 'right foot'),
);

const emptyTake = (groove = backbeat, more: Partial<Take> = {}) => takeOf(groove, more);
const played = (playing: Playing, take = emptyTake()) => playedTake(playing, take);
const said = (verdict: Verdict) => verdictInWords(verdict, SCHOOLS[0]);

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
    { numRuns: 40 },
  );
});

describe('the verdict names the fault the kit plays', () => {
  const about: Record<KitFault, string> = {
    steady: 'clean',
    late: 'behind or ahead',
    uneven: 'spread',
    rushing: 'drift',
    dragging: 'drift',
    'late off-beats': 'off-beats',
    missing: 'missed',
  };
  test.each(Object.entries(about))('%s: %s', (fault, expected) => {
    expect(judge(played(KIT_FAULTS[fault as KitFault]), 'advanced').verdict.about).toBe(expected);
  });

  test('one late limb', () => {
    const { verdict } = judge(played({ spreadMs: 5, limb: { limb: 'right foot', offsetMs: 40 } }), 'advanced');
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
    expect(verdict.practise).toMatchObject({ bpm: 69, click: 'every slot', limbs: ['right hand'] });
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

describe('a take as JSON', () => {
  test('is read back and judged the same', () => {
    const take = played(KIT_FAULTS.uneven);
    const read = readTake(JSON.parse(JSON.stringify(writeTake(take))));
    expect(read.ok && judge(read.value, 'advanced').figures).toEqual(judge(take, 'advanced').figures);
  });

  const json = () => JSON.parse(JSON.stringify(writeTake(played({})))) as Record<string, unknown>;
  test.each([
    [
      '200,000 hits',
      { hits: Array.from({ length: 200_000 }, () => 0) },
      new RegExp(`200,000 hits .* at most ${MOST_HITS.toLocaleString('en')}`, 's'),
    ],
    ['a tempo of 500', { bpm: 500 }, /fastest tempo is 300/],
    [
      'tempo changes out of order',
      {
        changes: [
          { fromBar: 4, bpm: 60 },
          { fromBar: 4, bpm: 70 },
        ],
      },
      /not in order/,
    ],
    ['a passage that reaches beyond the groove', { passages: [{ from: 0, bars: 2, times: 1 }] }, /beyond the last bar/],
    ['more bars than half an hour has', { passages: [{ from: 0, bars: 1, times: 1999 }] }, /more bars than a take/],
    ['a loudness above 1', { hits: [{ ms: 0, loudness: 2 }] }, /hits 1 loudness/],
    ['no limb in the task', { task: [] }, /at least one limb/],
    ['a time that is no number', { hits: [{ limb: 'right hand', ms: null }] }, /hits 1 ms/],
    ['a groove of another version', { groove: { version: 7 } }, /version 7/],
  ])('with %s is refused', (_, change, words) => {
    const read = readTake({ ...json(), ...change });
    expect(read.ok).toBe(false);
    expect(!read.ok && read.problems.map(({ where, say, remedy }) => `${where} ${say} ${remedy}`).join(' ')).toMatch(
      words,
    );
  });
});

test('the simulated kit plays the same from the same seed, and otherwise from another', () => {
  const timed = schedule(formOfTake(emptyTake()));
  const play = (seed: number) => simulateKit(timed, ['right hand'], KIT_FAULTS.uneven, seed);
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
    const timed = schedule(formOfTake(take));
    const whole = {
      ...take,
      playedMs: timed.endMs,
      hits: simulateKit(timed, (bar) => (bar < 4 ? ['right hand'] : ['right hand', 'right foot']), {}, 3),
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
    const straight = schedule(formOfTake({ ...take, changes: undefined }));
    const asStraight = { ...take, playedMs: straight.endMs, hits: simulateKit(straight, take.task, {}, 3) };
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

describe('a take of version 1', () => {
  const whole = played({ spreadMs: 3 });
  const old = (change: object = {}) => {
    const { passages: _, bpm: __, struckBy: ___, ...rest } = writeTake(whole);
    return { ...rest, version: 1, tempo: [{ fromBar: 0, bpm: 80 }], input: 'simulated kit', ...change };
  };
  const read = (change: object = {}) => {
    const take = readTake(JSON.parse(JSON.stringify(old(change))));
    if (!take.ok) throw new Error(take.problems[0]!.say);
    return take.value;
  };

  test('is read, says who struck, and is judged as before', () => {
    expect(read()).toMatchObject({ version: 2, bpm: 80, struckBy: 'kit', passages: [{ from: 0, bars: 1, times: 1 }] });
    expect(read({ input: 'keys' }).struckBy).toBe('player');
    expect(judge(read(), 'advanced').figures).toEqual(judge(whole, 'advanced').figures);
  });

  test('brings tempos and what else was set anew together, by their bars', () => {
    const swing = { value: '8th', ratio: '2' };
    const tempo = [80, 90, 100].map((bpm, index) => ({ fromBar: 2 * index, bpm }));
    const changes = [
      { fromBar: 1, swing },
      { fromBar: 4, task: ['right hand'] },
    ];
    expect(read({ tempo, changes }).changes).toEqual([
      { fromBar: 1, swing },
      { fromBar: 2, bpm: 90 },
      { fromBar: 4, task: ['right hand'], bpm: 100 },
    ]);
  });

  test('of a drill: copied bars are laid together, and every exercise stays where it was', () => {
    const [one, other] = [backbeat, oneLine('t...t...', 'right foot')].map(({ bars }) => bars[0]!);
    const rest = { ...one!, strokes: [] };
    const bars = [one!, one!, rest, other!, other!, rest, one!, one!];
    const groove = writeGroove({ ...backbeat, bars });
    const part = (from: number, place: string) => ({ say: '', places: [place], from, bars: 1, times: 2 });
    const parts = [part(0, '0'), part(3, '1/8'), part(6, '0')];
    const { groove: laid, passages, exercises } = read({ groove, parts, rounds: 1 });
    expect(laid.bars).toEqual([one, rest, other]);
    expect(exercises).toEqual([
      { say: '', places: ['0'] },
      { say: '', places: ['1/8'] },
    ]);
    expect(passages).toEqual([
      { from: 0, bars: 1, times: 2, exercise: 0 },
      { from: 1, bars: 1, times: 1 },
      { from: 2, bars: 1, times: 2, exercise: 1 },
      { from: 1, bars: 1, times: 1 },
      { from: 0, bars: 1, times: 2, exercise: 0 },
    ]);
  });

  test('that is damaged is a problem, not an error', () => {
    const problem = (json: unknown) => {
      const damaged = readTake(json);
      return damaged.ok ? undefined : damaged.problems[0]!.code;
    };
    expect(problem({ version: 1 })).toBe('unreadable');
    expect(problem(old({ groove: 3 }))).toBe('unreadable');
    expect(problem({ version: 3 })).toBe('newer-version');
    expect(problem(undefined)).toBe('no-version');
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

describe('the verdict as it is read', () => {
  const late = played({ spreadMs: 4 });
  const verdict = judge({ ...late, hits: late.hits.map((hit) => ({ ...hit, ms: hit.ms + 45 })) }, 'advanced').verdict;

  test('is data, and says the same after it was kept', () => {
    expect(readVerdict(JSON.parse(JSON.stringify(verdict)))).toEqual({ ok: true, value: verdict });
    expect(JSON.stringify(verdict)).not.toMatch(/click\.|the whole/i);
  });

  test('says its place in the school of whoever reads it', () => {
    const place = { limb: 'right hand', bar: 0, bars: 1, count: 4, part: 1, parts: 4, counts: 1 } as const;
    const one: Verdict = { ...verdict, about: 'place', limb: 'right hand', place };
    const inSchool = (name: string) => verdictInWords(one, schoolNamed(name)).say;
    expect(inSchool('1 e & a')).toMatch(/^The e of 4 in the right hand/);
    expect(inSchool('takadimi')).toMatch(/^The ka of 4 in the right hand/);
    expect(verdictInWords({ ...one, place: { ...place, bars: 4, bar: 1 } }, SCHOOLS[0]).say).toMatch(/in bar 2 in the/);
  });

  test('calls an offset steady only where the spread would pass', () => {
    expect(said(verdict).evidence).toMatch(/so it is steady/);
    const uneven = { ...verdict, numbers: { ...verdict.numbers, spreadMs: 77 } };
    expect(said(uneven).evidence).not.toMatch(/so it is steady/);
  });

  test('after a clean take first the limbs come back, then the tempo, then the click thins, then it goes faster', () => {
    const next = (change: Partial<Take>) => judge(played({}, emptyTake(backbeat, change)), 'advanced').verdict.practise;
    const feet = { task: ['right foot' as const] };
    expect(next(feet)).toMatchObject({ step: 'all limbs', limbs: ['right hand', 'left hand', 'right foot'], bpm: 80 });
    expect(next({ bpm: 69 })).toMatchObject({ step: 'up to tempo', bpm: 80 });
    expect(next({ bpm: 69, goal: 69 })).toMatchObject({ step: 'thinner click', click: '2 and 4', bpm: 69 });
    expect(next({ click: CLICK_PLANS['2 and 4'] })).toMatchObject({ step: 'faster', bpm: 84, click: 'counts' });
  });
});

test('a faultless round judged alone is not called drift, whichever it is', () => {
  const take = played({ spreadMs: 5 }, emptyTake(backbeat, { rounds: 12 }));
  for (let round = 0; round < 12; round++)
    expect(judge(take, 'advanced', { from: round, to: round + 1 }).verdict.about).toBe('clean');
});
