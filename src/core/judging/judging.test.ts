import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Take } from '../documents/take';
import { readVerdict, type Verdict } from '../documents/verdict';
import { turnFor } from '../groove/kit';
import type { Limb } from '../groove/limbs';
import { LEVELS } from '../limits';
import { oneLine, together } from '../testing/arbitrary';
import { JUDGED_GROOVES } from '../testing/judgedGrooves';
import { names, PLANTED, type Planted } from '../testing/plant';
import { playerFrom, takePlayed } from '../testing/players';
import { STARTERS } from '../testing/starters';
import { emptyTake } from '../testing/takes';
import { SCHOOLS } from '../counting/schools';
import { judge } from './verdict/judge';
import { verdictInWords } from '../wording/verdictInWords';
import { runs } from '../testing/runs';

/** What people play who are unlike one another, each with one fault: the whole table is in docs/bench.md. */

const SWUNG = { ...STARTERS[0]!, swing: { value: '8th', ratio: '2' } } as const;
const GROOVES = [...STARTERS.slice(0, 3), SWUNG, ...JUDGED_GROOVES];

/** A few takes with a fault of that kind and size, as players of a level play them. */
function takesWith(kind: Planted, times: number, level: (typeof LEVELS)[number], wanted: number, untidy = false) {
  const found: NonNullable<ReturnType<typeof takePlayed>>[] = [];
  for (let seed = 1; found.length < wanted && seed < wanted * 40; seed++) {
    const empty = emptyTake(GROOVES[seed % GROOVES.length]!, { rounds: 8 + (seed % 9) });
    const { toleranceMs } = judge(empty, level);
    const one = takePlayed(empty, playerFrom(seed * 31, untidy), { kind, times, level }, toleranceMs, seed * 17);
    if (one) found.push(one);
  }
  return found;
}

describe('at twice what passes, the planted fault is named first', () => {
  // Without a groove of several bars that differ none can be skipped; flat flams are hard to tell from few.
  const SHOWN = PLANTED.filter((kind) => !['clean', 'a bar skipped', 'flams flat'].includes(kind));
  test.each(SHOWN)('%s', (kind) => {
    const said = (['advanced', 'second year'] as const).flatMap((level) =>
      takesWith(kind, 2, level, 4).map(({ take, plant }) => {
        const { verdict } = judge(take, level);
        expect(readVerdict(JSON.parse(JSON.stringify(verdict)))).toEqual({ ok: true, value: verdict });
        const words = verdictInWords(verdict, SCHOOLS[0]);
        expect(`${words.say} ${words.evidence}`).not.toMatch(/undefined|NaN/);
        return names(verdict, plant);
      }),
    );
    expect(said.length).toBeGreaterThanOrEqual(4);
    // One of them may be what nobody can decide.
    expect(said.filter(Boolean).length).toBeGreaterThanOrEqual(said.length - 1);
  });

  test.each(LEVELS)('and who plays well is not blamed: %s', (level) => {
    const blamed = (untidy: boolean) =>
      takesWith('clean', 1, level, 20, untidy).filter(({ take }) => judge(take, level).verdict.about !== 'clean')
        .length;
    expect(blamed(false)).toBe(0);
    expect(blamed(true)).toBeLessThanOrEqual(1);
  });
});

const backbeat = together(
  oneLine('AtAtAtAt', 'right hand', 80),
  oneLine('..A...A.', 'left hand'),
  oneLine('A..tA...', 'right foot'),
);
const played = (kind: Planted, seed: number, change: Partial<Take> = {}) => {
  const empty = emptyTake(backbeat, { rounds: 10, ...change });
  return takePlayed(
    empty,
    playerFrom(seed, false),
    { kind, times: 2, level: 'advanced' },
    judge(empty, 'advanced').toleranceMs,
    seed,
  )!.take;
};
const seeds = fc.integer({ min: 1, max: 1e6 });
const kinds = fc.constantFrom<Planted>(
  'clean',
  'limb late',
  'place late',
  'off-beats late',
  'drift',
  'limb leaves out',
);

describe('what changes nothing, or only what it says', () => {
  test('a constant delay moves every error by as much, and nothing else', () => {
    fc.assert(
      fc.property(seeds, kinds, fc.integer({ min: -15, max: 15 }), (seed, kind, delay) => {
        const take = played(kind, seed);
        const errors = (of: Take) => judge(of, 'advanced').strokes.map(({ errorMs }) => errorMs);
        const later = errors({ ...take, hits: take.hits.map((hit) => ({ ...hit, ms: hit.ms + delay })) });
        const as = errors(take).map((error) => error !== undefined && error + delay);
        expect(later.map((error) => error !== undefined && Math.round(error * 10))).toEqual(
          as.map((error) => error !== false && Math.round(error * 10)),
        );
      }),
      runs(20),
    );
  });

  test('the kit mirrored: the hands that are named change, the fault does not', () => {
    const other = (limb?: Limb): Limb | undefined =>
      limb && ({ 'right hand': 'left hand', 'left hand': 'right hand' } as Partial<Record<Limb, Limb>>)[limb]
        ? MIRROR[limb]
        : limb;
    fc.assert(
      fc.property(seeds, kinds, (seed, kind) => {
        const take = played(kind, seed);
        const mirrored: Take = {
          ...take,
          groove: turnFor(take.groove, 'open-handed'),
          hits: take.hits.map((hit) => ({ ...hit, ...(hit.limb && { limb: other(hit.limb) }) })),
        };
        const [one, two] = [judge(take, 'advanced').verdict, judge(mirrored, 'advanced').verdict];
        expect([two.about, two.limb]).toEqual([one.about, other(one.limb)]);
      }),
      runs(20),
    );
  });

  test('the same at half the tempo, errors and all, is explained alike', () => {
    fc.assert(
      fc.property(seeds, kinds, (seed, kind) => {
        const take = played(kind, seed);
        const slow: Take = {
          ...take,
          bpm: take.bpm / 2,
          playedMs: take.playedMs * 2,
          hits: take.hits.map((hit) => ({ ...hit, ms: hit.ms * 2 })),
        };
        expect(judge(slow, 'advanced').verdict.about).toBe(judge(take, 'advanced').verdict.about);
      }),
      runs(20),
    );
  });

  test('a take judged twice is the same', () => {
    const take = played('limb uneven', 5);
    expect(judge(take, 'concert')).toEqual(judge(take, 'concert'));
  });

  test('a limb that cannot be heard changes nothing of the others', () => {
    const take = played('off-beats late', 9);
    const hears: Limb[] = ['right hand', 'left hand'];
    const deaf = { ...take, hears, hits: take.hits.filter(({ limb }) => limb !== 'right foot') };
    const without = { ...deaf, task: hears };
    const facts = (of: Take) => {
      const { byLimb, verdict } = judge(of, 'advanced');
      return {
        byLimb: byLimb.filter(({ limb }) => limb !== 'right foot'),
        verdict: { ...verdict, practise: undefined },
      };
    };
    expect(facts(deaf)).toEqual(facts(without));
  });
});

const MIRROR: Record<Limb, Limb> = {
  'right hand': 'left hand',
  'left hand': 'right hand',
  'right foot': 'right foot',
  'left foot': 'left foot',
};

describe('what cannot be told is said to be so', () => {
  test('an even line a slot late may as well be early by the rest of it', () => {
    const even = emptyTake(oneLine('tttttttttttttttt', 'right hand', 90), { rounds: 8 });
    const slot = 60_000 / 90 / 4;
    const due = Array.from({ length: 128 }, (_, index) => index * slot);
    const late = {
      ...even,
      playedMs: 128 * slot,
      hits: due.map((ms) => ({ limb: 'right hand' as const, ms: ms + slot / 2 })),
    };
    const { verdict } = judge(late, 'concert');
    expect(['behind or ahead', 'shifted']).toContain(verdict.about);
  });

  test('a verdict of the version before is read', () => {
    const { next: _, ...now }: Verdict = judge(played('limb late', 3), 'advanced').verdict;
    expect(readVerdict({ ...now, version: 1 })).toEqual({ ok: true, value: now });
  });
});
