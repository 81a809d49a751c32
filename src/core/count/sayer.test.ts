import { describe, expect, test } from 'vitest';
import type { Groove } from '../groove/groove';
import { randomFrom } from '../random';
import { expectSaidBack, grooveOf, wordsOf } from '../testing/said';
import { sayOn, type SayAnswer } from './say';
import { SCHOOLS, schoolNamed, type School } from './schools';

/** Answers to the letter: what stands afterwards, what is said back, and how a phrase is refused and helped. */

const GROOVES: Record<string, Groove> = {
  empty: grooveOf('4/4', 4),
  mixed: grooveOf('4/4', [4, 3, 2, 1]),
  tuplet: grooveOf('4/4', [
    { counts: 2, parts: 3 },
    { counts: 1, parts: 4 },
    { counts: 1, parts: 6 },
  ]),
  compound: grooveOf('12/8', 1),
  pulses: grooveOf('6/8', 6, { reading: 'pulse' }),
  odd: grooveOf('7/8', 2),
  'two bars': grooveOf('4/4', 4, { bars: 2 }),
};

const said = (groove: Groove, phrase: string): Groove => {
  const answer = sayOn(groove, phrase, { school: SCHOOLS[0], limb: 'right hand' });
  if (!answer.ok) throw new Error(`${phrase}: ${answer.problems[0]!.say}`);
  return answer.groove;
};
const BEAT = 'hat in 8ths; kick on 1 and 3; snare accent on 2 and 4; snare ghost on the e of 3; flam on 4';
GROOVES['beat'] = said(GROOVES['empty']!, BEAT);
GROOVES['beat and fill'] = said(GROOVES['two bars']!, `${BEAT}; snare on 3 in bar 2; floor tom on 4 in bar 2`);

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

const PHRASES: Record<string, [groove: string, phrases: string[]]> = {
  places: [
    'empty',
    [
      'kick on 1, e of 2, the a of 3 and the & of 4',
      'snare 1 e & a 2',
      'snare 1 & 2 & 3 & 4 &',
      'snare 1 and 2 and 3 and 4 and',
      'snare 1& 2& 4',
      'hat on every count',
      'hat on every slot',
      'hat on every & and every e',
      'hat on the ands',
      'hat on the a’s of 1 and 3',
      'hat on every other 16th',
      'hat on every third 16th',
      'hat on all the 8ths except on 2 and 4',
      'hat everywhere without 2',
      'hat on the off-beats',
      'hat on the downbeats',
      'the backbeat',
      'four on the floor',
      'hat on the e and a of every beat',
      'hat on the first and third beat',
      'hat on the last beat and the last 8th',
      'hat in 8ths, open on the last one',
      'open on the last one',
      'slot 2 of 1 and slot 4 of 3',
      'slot 5 of 1',
      'second e of 1',
      'e of 9',
      'of 3',
      'e of',
      'every',
      'every wobble',
      '16ths on beats 2 and 3',
      'triplets on beat 2',
      'quarter triplets',
      '0',
      '5',
      'e',
      'the',
      '',
      ' , ; ',
    ],
  ],
  'who and how loud': [
    'empty',
    [
      'right foot on 1; left foot on 2',
      'both hands on 1',
      'feet on 1 and 3',
      'kick with the left foot on 1',
      'snare with both hands on 2',
      'accent on 1',
      'ghost e of 1 and a of 1 on the snare',
      'snare loud 2, soft on the a of 2',
      'left hand: snare on 1, tom on 2, kick on 3',
      'left hand, ghosts, e of 1 and 3',
      'flam on 1',
      'drag on the & of 3 with the left hand',
      'double on 1',
      'plain snare on 1',
      'snare, loud',
      'snare',
      'kick and',
      'RLRR LRLL on the snare',
      'rlRL in 8ths on the floor tom, loud',
      'RL',
      'pad on 1 e & a with the right hand',
      'clap on 2 and 4, cross-stick on 3',
      'everything on 1',
    ],
  ],
  'changes to what stands': [
    'beat',
    [
      'louder',
      'hat softer',
      'everything softer',
      'snare louder on 4',
      'make the hat on 2 an accent',
      'accent on 2',
      'ghost 1',
      'flam on 2',
      'no flam on 4',
      'no flams',
      'no accents',
      'no ghosts on the snare',
      'plain on 4',
      'hat plain',
      'no hat on 2 and 4',
      'no hat on 2, 4',
      'take the kick off 3',
      'kick off',
      'clear',
      'clear all',
      'clear the snare',
      'clear beat 3',
      'remove everything on 1',
      'remove the left hand on 4',
      'remove',
      'no',
      'no ride',
      'no kick on 4',
      'open the hat on the & of 4',
      'ride instead of the hat',
      'crash on 1 instead of the hat',
      'crash instead of',
      'instead of hat',
      'cowbell instead of hat',
      'replace the hat with the ride',
      'replace the hat on 1 with a crash',
      'replace the hat with accents',
      'replace the hat',
      'replace with ride',
      'change the hat on 2 to a ride bell accent',
      'change snare on 4 to the rim',
      'move the kick from 3 to the & of 3',
      'move the snare on 2 and 4 to 1 and 3',
      'move the snare on 2 and 4 to 1',
      'move the kick on 2 to 4',
      'move the kick to 4',
      'move 4 to',
      'move it wobbly',
      'move everything on 1 to 4',
      'shift the snare an 8th later',
      'kick two 16ths earlier',
      'everything a quarter later',
      'snare a beat later',
      'everything a 32nd later',
      'ride a 16th later',
      'the kick on 3 a 16th earlier',
    ],
  ],
  'bars and grids': [
    'beat and fill',
    [
      'copy bar 1 to bar 2',
      'copy bar 2 to bar 1',
      'copy bar 1',
      'copy',
      'copy bar 3 to bar 1',
      'bar 2 like bar 1',
      'bar 2 like',
      'bar 2 like kick',
      'first bar like the last bar',
      'in bar 2, kick on 1 and 4',
      'bar 2: no snare',
      'last bar: crash on 1',
      'kick on 4 in every bar',
      'kick on 4 in both bars',
      'kick on 4 in bars 1 and 2',
      'kick on 4 of bar 2',
      'clear bar 2',
      'clear the bar',
      'bar 0',
      'bar',
      'bars',
      'kick in bar 7 on 1',
      'bar 2 in triplets',
      'bar 1: beat 2 in 8ths',
      'beat 2 of bar 2 in 3 parts',
      'all counts in 8 parts',
      'all counts in 9 parts',
      'count 4 in sextuplets',
      'divide count 1 by 8',
      'every count in quarters',
      'beats 1 and 2 in halves',
      'the whole bar in 16ths',
      'beat 1 like triplets',
    ],
  ],
  'a grid of its own for each count': [
    'mixed',
    [
      'trip of 2',
      'trip of 1',
      'let of 2, e of 1',
      'second trip of 2',
      'every trip',
      'every let',
      'a of 2',
      '& of 3',
      '& of 4',
      'hat in 8ths',
      'hat in 16ths on beat 1',
      '16ths on beats 1 and 3',
      'triplets on beat 2',
      'off-beats',
      'every slot',
      'last 16th',
      '1e 2 trip',
    ],
  ],
  'a tuplet over two counts': [
    'tuplet',
    [
      '1',
      '2',
      '3',
      'slot 2 of 1',
      'trip of 1',
      'every count',
      'off-beats',
      'e of 3',
      'every slot except 1',
      'quarters',
    ],
  ],
  'in twelve eighths': [
    'compound',
    [
      '12',
      '13',
      'hat everywhere',
      'the backbeat',
      'four on the floor',
      'e of 1',
      'dotted quarters',
      'quarters on the kick',
      'kick a beat later',
      'off-beats',
    ],
  ],
  'in pulses': [
    'pulses',
    ['2', '3', 'hat everywhere', 'e of 1', 'the backbeat', 'four on the floor', '16ths', 'every &', 'la of 1'],
  ],
  'in seven eighths': [
    'odd',
    ['7', '8', 'the & of 7', 'hat in 8ths', 'every count', 'quarters', 'the backbeat', 'kick a beat later'],
  ],
};

describe('answers word for word', () => {
  test.each(Object.entries(PHRASES))('%s', (_, [groove, phrases]) => {
    expect(answers(GROOVES[groove]!, phrases)).toMatchSnapshot();
  });

  test.each(SCHOOLS.map(({ name }) => name))('in the school %s', (name) => {
    const school = schoolNamed(name);
    const syllables = [...new Set(Object.values(school.syllables).flat().filter(Boolean))];
    const phrases = syllables.flatMap((one) => [`${one} of 1`, `every ${one}`, `2 ${one}`, `kick on the ${one} of 3`]);
    expect(answers(GROOVES['mixed']!, phrases, school, 'left foot')).toMatchSnapshot();
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
    expect(answers(GROOVES[groove]!, anyPhrases(70, seed))).toMatchSnapshot();
  });
});
