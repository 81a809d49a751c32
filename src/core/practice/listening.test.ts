import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { SCHOOLS } from '../counting/schools';
import { readListening, RUNGS, SUBJECTS, type Answered, type Subject } from '../documents/listening';
import type { Schedule, TimedStroke } from '../schedule/timed';
import { listeningFigures, nextQuestion, rungAfter, soundOf, type Question } from './listening';
import { choiceInWords, SUBJECT_OF } from './subjects';
import { runs } from '../testing/runs';

const strokes = ({ sounds }: Schedule) => sounds.filter((sound): sound is TimedStroke => sound.kind === 'stroke');
const question = (subject: Subject, rung: number, seed = 7): Question =>
  nextQuestion(subject, { answers: [], from: rung, seed });
const sound = (subject: Subject, rung: number, choice: string) => soundOf({ subject, rung, seed: 7 }, choice);
const times = (timed: Schedule, limb: string) =>
  strokes(timed)
    .filter((one) => one.limb === limb)
    .map(({ ms }) => ms);
const answered = (right: string, said: string, rung = 0): Answered => ({ right, said, rung, seed: 1 });

describe.each(SUBJECTS)('%s', (subject) => {
  test.each(Array.from({ length: RUNGS }, (_, rung) => rung))('rung %i: every answer sounds otherwise', (rung) => {
    const { choices } = SUBJECT_OF[subject].on(rung);
    const heard = choices.map((choice) =>
      strokes(sound(subject, rung, choice))
        .map(({ limb, role, ms }) => `${limb} ${role} ${Math.round(ms)}`)
        .join(),
    );
    expect(new Set(heard).size).toBe(choices.length);
    expect(new Set(choices.map((choice) => choiceInWords(subject, choice))).size).toBe(choices.length);
    for (const choice of choices) {
      const { endMs, sounds } = sound(subject, rung, choice);
      expect(endMs).toBeLessThan(16_000);
      expect(sounds.map(({ ms }) => ms)).toEqual(sounds.map(({ ms }) => ms).sort((a, b) => a - b));
    }
  });

  test('the same seed asks the same and sounds the same; every answer is asked at some time', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1e6 }), fc.nat({ max: RUNGS - 1 }), (seed, rung) => {
        const one = question(subject, rung, seed);
        expect(question(subject, rung, seed)).toEqual(one);
        expect(one.choices).toContain(one.right);
        expect(soundOf(one, one.right)).toEqual(soundOf(one, one.right));
      }),
      runs(10),
    );
    const asked = new Set(Array.from({ length: 300 }, (_, seed) => question(subject, RUNGS - 1, seed).right));
    expect(asked.size).toBe(SUBJECT_OF[subject].on(RUNGS - 1).choices.length);
  });
});

describe('what sounds is what is asked', () => {
  test('a flam: as one, right, as two; nearer to it on every rung', () => {
    const gap = (rung: number, choice: string) => {
      const all = strokes(sound('flam', rung, choice));
      const grace = all.find(({ role }) => role === 'grace')!;
      return all.find(({ role }) => role === 'main')!.ms - grace.ms;
    };
    const rungs = Array.from({ length: RUNGS }, (_, rung) => rung);
    for (const rung of rungs) {
      expect(gap(rung, 'flat')).toBeLessThan(12);
      expect(gap(rung, 'right')).toBe(28);
      expect(gap(rung, 'wide')).toBeGreaterThan(45);
    }
    expect(rungs.map((rung) => gap(rung, 'wide'))).toEqual([110, 90, 75, 65, 58]);
  });

  test('one limb late, the others on the click', () => {
    const late = sound('which limb is late', 2, 'left hand');
    const none = sound('which limb is late', 2, 'none of them');
    expect(times(late, 'left hand').map((ms, index) => Math.round(ms - times(none, 'left hand')[index]!))).toEqual(
      Array(4).fill(42),
    );
    expect(times(late, 'right foot')).toEqual(times(none, 'right foot'));
  });

  test('the kick on its sixteenth, of two bars', () => {
    const beat = times(sound('where the kick is', 4, '0'), 'right hand')[2]!;
    expect(times(sound('where the kick is', 4, '7'), 'right foot').map(Math.round)).toEqual(
      [7, 23].map((slot) => Math.round((slot * beat) / 4)),
    );
    expect(choiceInWords('where the kick is', '7', SCHOOLS[0])).toBe('the a of 2');
  });

  test('double and half: the backbeat twice or half as often, on the harder rungs under the same hat', () => {
    for (const rung of [0, 3]) {
      const snares = (choice: string) => {
        const timed = sound('double-time or half-time', rung, choice);
        return times(timed, 'left hand').filter((ms) => ms >= timed.endMs / 2 - 1).length;
      };
      expect([snares('as before'), snares('double-time'), snares('half-time')]).toEqual([4, 8, 2]);
    }
    const hats = (choice: string) => times(sound('double-time or half-time', 3, choice), 'right hand');
    expect(hats('half-time')).toEqual(hats('as before'));
  });

  test('where the 1 is: the same groove, begun on another count, with nothing that tells', () => {
    const [one, three] = [sound('where the 1 is', 2, '1'), sound('where the 1 is', 2, '3')];
    expect(one.sounds.every(({ kind }) => kind === 'stroke')).toBe(true);
    expect(one.startMs).toBeCloseTo(0);
    const half = one.endMs / 8;
    const from = times(one, 'right foot').filter((ms) => ms >= half - 1);
    expect(times(three, 'right foot').slice(0, 4).map(Math.round)).toEqual(
      from.slice(0, 4).map((ms) => Math.round(ms - half)),
    );
  });
});

describe('harder by what was missed', () => {
  test('two right in a row go up, one that is not goes down, within the rungs', () => {
    const right = answered('a', 'a');
    const wrong = answered('a', 'b');
    expect(rungAfter([], 2)).toBe(2);
    expect(rungAfter([right], 0)).toBe(0);
    expect(rungAfter([right, right], 0)).toBe(1);
    expect(rungAfter([right, right, right], 0)).toBe(1);
    expect(rungAfter([right, wrong, right], 2)).toBe(1);
    expect(rungAfter([wrong, wrong], 1)).toBe(0);
    expect(rungAfter(Array<Answered>(20).fill(right), 0)).toBe(RUNGS - 1);
  });

  test('what was taken for something else comes more often, and so does that', () => {
    const asked = (answers: Answered[]) =>
      Array.from({ length: 600 }, (_, seed) => nextQuestion('flam', { answers, from: 0, seed }).right);
    const count = (all: string[], choice: string) => all.filter((one) => one === choice).length / all.length;
    const before = asked([]);
    const after = asked([answered('flat', 'right'), answered('flat', 'right')]);
    expect(count(before, 'wide')).toBeCloseTo(1 / 3, 1);
    expect(count(after, 'wide')).toBeCloseTo(1 / 11, 1);
    expect(count(after, 'flat')).toBeCloseTo(5 / 11, 1);
  });

  test('figures: how many were right, where it ended, what was taken for what', () => {
    const answers = [
      answered('flat', 'flat', 1),
      answered('flat', 'right', 1),
      answered('wide', 'right', 0),
      answered('flat', 'right', 0),
    ];
    expect(listeningFigures({ answers })).toEqual({
      asked: 4,
      right: 1,
      rung: 0,
      confused: [
        { right: 'flat', said: 'right', times: 2 },
        { right: 'wide', said: 'right', times: 1 },
      ],
    });
    expect(listeningFigures({ answers: [] })).toEqual({ asked: 0, right: 0, rung: 0, confused: [] });
  });
});

test('what was answered is read again; what is not that is refused', () => {
  const kept = { version: 1, subject: 'flam', answers: [answered('flat', 'right')] };
  expect(readListening(JSON.parse(JSON.stringify(kept)))).toEqual({ ok: true, value: kept });
  for (const change of [
    { version: 2 },
    { subject: 'rowing' },
    { answers: [] },
    { answers: [answered('flat', 'right', RUNGS)] },
    { answers: Array(61).fill(answered('flat', 'flat')) },
  ])
    expect(readListening({ ...kept, ...change })).toMatchObject({ ok: false });
});
