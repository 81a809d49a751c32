import { describe, expect, test } from 'vitest';
import type { Groove } from '../groove/groove';
import { randomFrom } from '../random';
import { GROOVES_SAID, PHRASES_SAID } from '../testing/phrasesSaid';
import { expectSaidBack, wordsOf } from '../testing/said';
import { sayOn, type SayAnswer } from './say';
import { SCHOOLS, schoolNamed, type School } from '../counting/schools';

/** Answers to the letter: what stands afterwards, what is said back, and how a phrase is refused and helped. */

const told = (answer: SayAnswer, before: Groove): string => {
  if (answer.ok) {
    const [stood, stands] = [wordsOf(before), wordsOf(answer.groove)];
    const cells = answer.groove.bars.map((bar) => bar.cells.map(({ counts, parts }) => `${counts}:${parts}`).join(' '));
    const isDivided = before.bars.some(
      (bar, index) => bar.cells.map(({ counts, parts }) => `${counts}:${parts}`).join(' ') !== cells[index],
    );
    return [
      [
        ...stands.filter((one) => !stood.includes(one)).map((one) => `+${one}`),
        ...stood.filter((one) => !stands.includes(one)).map((one) => `−${one}`),
      ].join(' '),
      ...(isDivided ? [cells.join(' / ')] : []),
      `“${answer.said}”`,
      `${answer.changed} changed`,
      ...answer.otherwise.map(({ words, text }) => `or ${words}: ${text}`),
    ].join(' | ');
  }
  return answer.problems
    .map(({ code, where, from, to, say, remedy, remedies }) =>
      [
        `✗ ${code} ${where} ${from}–${to}`,
        say,
        remedy,
        ...remedies.map(
          ({ words, ...how }) =>
            `→ ${words} (${Object.entries(how)
              .map(([name, one]) => `${name} ${one}`)
              .join(', ')})`,
        ),
      ].join(' | '),
    )
    .join('\n');
};

const answers = (
  groove: Groove,
  phrases: readonly string[],
  school: School = SCHOOLS[0],
  limb: 'right hand' | 'left foot' = 'right hand',
) =>
  phrases
    .map((phrase) => {
      expectSaidBack(groove, phrase, limb, school);
      return `${phrase}\n    ${told(sayOn(groove, phrase, { school, limb }), groove)}`;
    })
    .join('\n');

describe('answers word for word', () => {
  test.each(Object.entries(PHRASES_SAID))('%s', (_, [groove, phrases]) => {
    expect(answers(GROOVES_SAID[groove]!, phrases)).toMatchSnapshot();
  });

  test.each(SCHOOLS.map(({ name }) => name))('in the school %s', (name) => {
    const school = schoolNamed(name);
    const syllables = [...new Set(Object.values(school.syllables).flat().filter(Boolean))];
    const phrases = syllables.flatMap((one) => [`${one} of 1`, `every ${one}`, `2 ${one}`, `kick on the ${one} of 3`]);
    expect(answers(GROOVES_SAID['mixed']!, phrases, school, 'left foot')).toMatchSnapshot();
  });
});

/** Phrases put together from what teachers say, in an order that nobody chose. */
function anyPhrases(count: number, seed: number): string[] {
  const random = randomFrom(seed);
  const one = (from: string) => {
    const all = from.split('|');
    return all[Math.floor(random() * all.length)]!;
  };
  const place = () =>
    one(
      '1|2|3|4|the e of 1|& of 2|a of 3|2 and 4|1 & 2 &|every &|8ths|every other 8th|4a|the last 16th|off-beats|beat 3|1e&a',
    );
  const who = () =>
    one('kick|snare|the hat|ride|left hand|both feet|everything|hats|floor tom with the right hand|open hat');
  const how = () => one('||loud|soft|accent|ghost|flam|drag|plain');
  const part = () =>
    one(
      'WHO on WHERE|HOW WHO on WHERE|WHO HOW WHERE|no WHO on WHERE|WHERE|WHO|HOW WHERE|move WHO from WHERE to WHERE|WHO instead of WHO|WHO WHERE except WHERE|take WHO off WHERE|WHO a 16th later|HOW WHERE and WHERE on WHO|WHO WHERE HOW WHERE|WHO softer|replace WHO with WHO|clear WHO|in bar 1 WHO WHERE',
    )
      .replaceAll('WHO', who)
      .replaceAll('WHERE', place)
      .replaceAll('HOW', how);
  return Array.from({ length: count }, () => {
    const parts = Array.from({ length: 1 + Math.floor(random() * 3) }, part);
    return parts.join(one(', |; | and |, and ')).replace(/\s+/g, ' ').trim();
  });
}

describe('answers to phrases nobody chose', () => {
  test.each([
    ['beat', 11],
    ['beat and fill', 12],
    ['mixed', 13],
    ['empty', 14],
  ])('over %s', (groove, seed) => {
    expect(answers(GROOVES_SAID[groove]!, anyPhrases(70, seed))).toMatchSnapshot();
  });
});
