import { describe, expect, test } from 'vitest';
import { near } from './near';
import { mayBeSyllable, tokensOf } from './tokens';
import { MEANINGS, VOCABULARY } from './words';

/** Each token: what it means, and the words it was said by. */
const said = (text: string) => tokensOf(text).map(({ kind, text: words }) => `${kind} ${words}`);

describe('a phrase cut into words', () => {
  test('numbers, syllables glued to them, values, and phrases of several words', () => {
    expect(said('2e and the & of 3')).toEqual([
      'number 2',
      'word e',
      'and and',
      'filler the',
      'and &',
      'of of',
      'number 3',
    ]);
    expect(said('T1 1, t2')).toEqual(['surface T1', 'number 1', 'comma ,', 'surface t2']);
    expect(said('16ths, eighth notes')).toEqual(['value 16ths', 'comma ,', 'value eighth notes']);
    expect(said('the hat with the foot')).toEqual(['filler the', 'surface hat with the foot']);
    expect(said('Right Hand: four on the floor')).toEqual([
      'limb Right Hand',
      'comma :',
      'fourOnTheFloor four on the floor',
    ]);
    expect(said('r.h. kick; snare.')).toEqual([
      'limb r.h.',
      'surface kick',
      'semicolon ;',
      'surface snare',
      'semicolon .',
    ]);
    expect(said('kick\nsnare')).toEqual(['surface kick', 'semicolon \n', 'surface snare']);
  });

  test('each stands where it stands in the text, and knows whether a blank is before it', () => {
    const text = '1e & 2';
    const tokens = tokensOf(text);
    expect(tokens.map(({ from, to }) => text.slice(from, to))).toEqual(['1', 'e', '&', '2']);
    expect(tokens.map(({ glued }) => glued)).toEqual([false, true, false, false]);
    expect(tokensOf('floor  tom')[0]).toMatchObject({ text: 'floor  tom', from: 0, to: 10 });
  });

  test('sticking: two letters or more together, three or more by themselves; one or two are hands said otherwise', () => {
    const hands = (text: string) => tokensOf(text).flatMap((token) => (token.kind === 'sticking' ? [token.hands] : []));
    expect(hands('RLRR')[0]).toEqual(['right hand', 'left hand', 'right hand', 'right hand']);
    expect(hands('rl')).toHaveLength(1);
    expect(hands('R L R')[0]).toEqual(['right hand', 'left hand', 'right hand']);
    expect(tokensOf('R L R')[0]).toMatchObject({ from: 0, to: 5 });
    expect([hands('R L'), hands('R'), hands('roll')]).toEqual([[], [], []]);
  });

  test('a dash joins, but not two numbers; quotation marks say nothing', () => {
    expect(said('1-e-and-a')).toEqual(said('1 e and a'));
    expect(said('two-and')).toEqual(['number two', 'and and']);
    expect(said('off-beats')).toEqual(['offBeats off-beats']);
    expect(said('1-4')).toEqual(['number 1', 'word -', 'number 4']);
    expect(said('“kick” (on 1)!')).toEqual(['surface kick', 'filler on', 'number 1']);
    expect(said('')).toEqual([]);
  });

  test('what a school may have as a syllable', () => {
    const may = (text: string) => mayBeSyllable(tokensOf(text)[0]!);
    expect(['e', 'ta', '&', 'the', 'an', 'sn', 'rh'].map(may)).toEqual(Array(7).fill(true));
    expect(['snare', '3', 'of', 'loud', '8ths'].map(may)).toEqual(Array(5).fill(false));
  });
});

test('no phrase of the table means two things', () => {
  for (const [phrase, meaning] of MEANINGS) {
    const [token, ...others] = tokensOf(phrase);
    expect([phrase, token!.kind, others.length]).toEqual([phrase, meaning.kind, 0]);
  }
});

describe('words that could be meant', () => {
  test('the nearest first, at most two, of enough letters alike', () => {
    expect(near('snair', VOCABULARY)[0]).toBe('snare');
    expect(near('kik', ['kick', 'kicks', 'kit'])).toEqual(['kick', 'kit']);
    expect(near('KICKK', ['kick'])).toEqual(['kick']);
    expect(near('xylophone', VOCABULARY)).toEqual([]);
  });

  test('at least one letter may be wrong, two fifths of them at most, and not none', () => {
    expect(near('ab', ['ac', 'ab', 'cd'])).toEqual(['ac']);
    expect(near('abcdX', ['abcde'])).toEqual(['abcde']);
    expect(near('abcXX', ['abcde'])).toEqual(['abcde']);
    expect(near('abXXX', ['abcde'])).toEqual([]);
    // Letters left out, put in and changed each count as one.
    expect(near('bcde', ['abcde'])).toEqual(['abcde']);
    expect(near('xabcde', ['abcde'])).toEqual(['abcde']);
    expect(near('…', ['a', 'b'])).toEqual([]);
  });
});
