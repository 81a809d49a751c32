import { describe, expect, test } from 'vitest';
import { oneLine, together } from '../testing/arbitrary';
import { type Take } from '../documents/take';
import { emptyTake as takeOf, playedTake } from '../testing/takes';
import { verdictInWords } from './verdictInWords';
import { readVerdict, type Verdict } from '../documents/verdict';
import { schoolNamed, SCHOOLS } from '../count/schools';
import { CLICK_PLANS } from '../time/clickPlan';
import { judge } from './judge';
import { type Playing } from './simulatedKit';

const backbeat = together(
  oneLine('AtAtAtAt', 'right hand', 80),
  oneLine('..A...A.', 'left hand'),
  oneLine('A..tA...', 'right foot'),
);

const emptyTake = (groove = backbeat, more: Partial<Take> = {}) => takeOf(groove, more);

const played = (playing: Playing, take = emptyTake()) => playedTake(playing, take);

const said = (verdict: Verdict) => verdictInWords(verdict, SCHOOLS[0]);

test('hits too many of which no limb is known are nobody’s', () => {
  const { hits, ...take } = played({ spreadMs: 4, extraShare: 0.2 });
  const { verdict } = judge({ ...take, hits: hits.map(({ ms }) => ({ ms })) }, 'advanced');
  for (const say of [said(verdict), verdictInWords(verdict, SCHOOLS[0], 'plain words')])
    expect(Object.values(say).join(' ')).not.toContain('undefined');
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
