import { describe, expect, test } from 'vitest';
import { SCHOOLS } from '../counting/schools';
import type { Groove } from '../groove/groove';
import { JUDGED_GROOVES } from '../testing/judgedGrooves';
import { backbeat } from '../testing/kitFaultsShown';
import { emptyTake, playedTake } from '../testing/takes';
import { format } from '../time/fraction';
import { notesOfFault } from './verdict/notesOfFault';
import { strengths } from '../wording/strengths';
import { judge } from './verdict/judge';
import { KIT_FAULT_NAMES, kitPlaying, type KitFault } from '../simulate/kitFaults';
import { verdictInWords } from '../wording/verdictInWords';

const told = (fault: KitFault, groove: Groove = backbeat) => {
  const take = playedTake(kitPlaying(fault), emptyTake(groove, { rounds: 16 }));
  const judgement = judge(take, 'advanced');
  return { take, judgement };
};

describe('in plain words', () => {
  test.each(KIT_FAULT_NAMES)('%s: no milliseconds, no decibels, no percent', (fault) => {
    for (const groove of [backbeat, ...JUDGED_GROOVES, { ...backbeat, swing: { value: '8th', ratio: '2' } as const }]) {
      const { judgement } = told(fault, groove);
      const { say, evidence, next = '' } = verdictInWords(judgement.verdict, SCHOOLS[0], 'plain words');
      for (const words of [say, evidence, next]) expect(words).not.toMatch(/\bms\b|dB|%|undefined|NaN/);
      expect(say).toMatch(/^[A-Z0-9].*\.$/);
    }
  });

  test('how far off is said against what passes', () => {
    const say = (fault: KitFault, size: 'slight' | 'strong') => {
      const take = playedTake(kitPlaying(fault, size), emptyTake(backbeat, { rounds: 16 }));
      return verdictInWords(judge(take, 'second year').verdict, SCHOOLS[0], 'plain words').say;
    };
    expect(say('late', 'slight')).toBe('Everything is a little too late.');
    expect(say('late', 'strong')).toMatch(/^Everything is (clearly|far) too late\.$/);
  });
});

describe('what was good', () => {
  test('is told as a fact that its figures bear out', () => {
    const late = told('late foot').judgement;
    expect(strengths(late, 'figures')[0]).toBe(
      `No stroke left out and none too many: all ${late.figures.matched} of them.`,
    );
    expect(strengths(late, 'figures')[1]).toMatch(
      /^The (right|left) hand is on time and even over \d+ strokes: its spread is \d+ ms\.$/,
    );
    expect(strengths(late, 'plain words')[1]).toMatch(/^The (right|left) hand is on time and even over \d+ strokes\.$/);
  });

  test('and nothing is praised that is not so', () => {
    expect(strengths(told('missing').judgement, 'figures').join()).not.toMatch(/No stroke left out/);
    expect(strengths(told('rushing').judgement, 'figures').join()).not.toMatch(/tempo holds|on time/);
    expect(strengths(told('uneven').judgement, 'figures').join()).not.toMatch(/even|tempo/);
  });
});

describe('what is framed', () => {
  const framed = (fault: KitFault, groove?: Groove) => {
    const { take, judgement } = told(fault, groove);
    const isBlamed = notesOfFault(take, judgement);
    return [
      ...new Set(
        judgement.strokes
          .filter(({ stroke }) => isBlamed(stroke))
          .map(({ stroke: { limb, written } }) => `${limb} ${format(written)}`),
      ),
    ].sort();
  };

  test('is what the verdict is about', () => {
    expect(framed('one late place')).toEqual(['right foot 1/2']);
    expect(framed('late foot')).toEqual(['right foot 0', 'right foot 1/2', 'right foot 3/8']);
    expect(framed('late off-beats')).toEqual([
      'right foot 3/8',
      ...['1/8', '3/8', '5/8', '7/8'].map((at) => `right hand ${at}`),
    ]);
    expect(framed('steady')).toEqual([]);
    expect(framed('rushing')).toEqual([]);
    const [rates] = JUDGED_GROOVES;
    expect(framed('early after a change of rate', rates)).toHaveLength(4);
    expect(framed('swing too straight', { ...backbeat, swing: { value: '8th', ratio: '2' } })).toHaveLength(5);
    expect(framed('weak accents', JUDGED_GROOVES.at(-1))).toHaveLength(4);
  });
});
