import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { slotsOfBar } from '../grid/cells';
import type { Groove } from '../groove/groove';
import type { Limb } from '../groove/limbs';
import { anyGroove, meterOf } from '../testing/arbitrary';
import { after, expectSaidBack, grooveOf, school, wordsOf, type At } from '../testing/said';
import { cases } from '../testing/vectors';
import { equal } from '../time/fraction';
import { sayOn } from './say';
import { sayPlace } from '../counting/sayPlace';
import { SCHOOLS } from '../counting/schools';
import { runs } from '../testing/runs';

interface PhraseCase {
  id: string;
  meter: string;
  grid: number[];
  bars: number;
  cursor: Limb;
  phrase: string;
  base?: At[];
  after?: At[];
  refused?: boolean;
}

describe('phrases as teachers type them', () => {
  test.each(cases<PhraseCase>('phrases'))('$id: $phrase', (one) => {
    const { meter, grid, bars, cursor, phrase, base = [], after: wanted = [], refused } = one;
    const groove = grooveOf(meter, grid, { bars, strokes: base });
    const answer = sayOn(groove, phrase, { school, limb: cursor });
    if (refused) {
      expect(answer.ok).toBe(false);
      expect(!answer.ok && answer.problems[0]!.remedy).not.toBe('');
      return;
    }
    expect(answer.ok ? wordsOf(answer.groove) : answer.problems).toEqual(
      wordsOf(grooveOf(meter, grid, { bars, strokes: wanted })),
    );
    expectSaidBack(groove, phrase, cursor);
  });
});

describe('the same said otherwise', () => {
  test.each([
    ['1-e-and-a on the snare', 'snare on 1, e of 1, & of 1 and a of 1'],
    ['kick a-of-2', 'kick on the a of 2'],
    ['kick 1 – and the a of 2', 'kick on 1 and the a of 2'],
    ['right hand: snare accent 1', 'accent with the right hand on the snare on 1'],
    ['left hand: hat 8ths, kick 1', 'left hand hat in 8ths; kick on 1'],
    ['right hand: kick on 1', 'kick on 1'],
    ['kick on the third beat', 'kick on 3'],
    ['kick on the last count', 'kick on 4'],
    ['kick on the first, third and last beat', 'kick on 1, 3 and 4'],
    ['crash on 1 with the kick', 'kick and crash on 1'],
    ['hats 8ths but open on 4&', 'hats in 8ths, open on the & of 4'],
  ])('%s', (phrase, plainly) => expect(after(phrase)).toEqual(after(plainly)));

  test.each(['the kick off 3', 'kick away on 3', 'drop the kick on 3'])('%s leaves the kick on 1', (phrase) =>
    expect(after(phrase, standing('kick 1 3'))).toEqual(['RF kick 0']),
  );

  test('a stretch between two numbers is not read as two counts', () => expect(after('kick on 1-3')).toMatch(/^“-”/));
});

const SIXTEENTHS = '0 1/16 1/8 3/16 1/4 5/16 3/8 7/16 1/2 9/16 5/8 11/16 3/4 13/16 7/8 15/16'.split(' ');
const each = (what: string, places: string) => places.split(' ').map((at) => `${what} ${at}`);
const eighths = each('RH closed hat', '0 1/8 1/4 3/8 1/2 5/8 3/4 7/8');

/** A bar of 16ths with what these phrases put there. */
const standing = (...phrases: string[]): Groove =>
  phrases.reduce(
    (groove, phrase) => {
      const answer = sayOn(groove, phrase, { school, limb: 'right hand' });
      if (!answer.ok) throw new Error(`${phrase}: ${answer.problems[0]!.say}`);
      return answer.groove;
    },
    grooveOf('4/4', 4),
  );

describe('in other words', () => {
  test.each<[string, string[]]>([
    ['bass on 1, 2& and 3', each('RF kick', '0 3/8 1/2')],
    ['snare on the backbeat', ['LH snare 1/4!', 'LH snare 3/4!']],
    ['1 and 3 on the kick', each('RF kick', '0 1/2')],
    ['kick on the and of 2 and the and of 4', each('RF kick', '3/8 7/8')],
    ['kick on the ands of 2 and 4', each('RF kick', '3/8 7/8')],
    ['kick on beat one and the "and" of three', each('RF kick', '0 5/8')],
    ['crash on the downbeat', ['RH crash 0']],
    ['ghost the e of 2 on the snare', ['LH snare 5/16·']],
    ['floor tom on 3 e & a', each('RH floor tom', '1/2 9/16 5/8 11/16')],
    ['high tom 1e&a', each('RH high tom', '0 1/16 1/8 3/16')],
    ['pedal on all four', each('LF hat pedal', '0 1/4 1/2 3/4')],
    ['ride 1, 2 &, 3, 4 &', each('RH ride', '0 3/8 1/2 7/8')],
    ['every other eighth on the ride bell', each('RH ride bell', '0 1/4 1/2 3/4')],
    ['snare on the last 16th', ['LH snare 15/16']],
    ['hats eighths without the last one', eighths.slice(0, -1)],
    ['off-beats open hat', each('RH open hat', '1/8 3/8 5/8 7/8')],
    ['kick and crash on 1', ['RH crash 0', 'RF kick 0']],
    ['both feet on 3', ['RF kick 1/2', 'LF hat pedal 1/2']],
    ['kick 1 & 3', each('RF kick', '0 1/2')],
    ['kick 1 and 2 and 3', each('RF kick', '0 1/4 1/2')],
    ['hat 1 and 2 and 3 and 4 and', eighths],
    ['hat 1& 2&', each('RH closed hat', '1/8 3/8')],
    ['1 loud 2 soft', ['RH closed hat 0!', 'RH closed hat 1/4·']],
    ['loud 1 soft 2', ['RH closed hat 0!', 'RH closed hat 1/4·']],
    [
      'snare all ghosts except 2 and 4',
      SIXTEENTHS.filter((at) => at !== '1/4' && at !== '3/4').map((at) => `LH snare ${at}·`),
    ],
    ['slot 3 of 2', ['RH closed hat 3/8']],
    ['crash with the kick on 1', ['RH crash 0', 'RF kick 0']],
    ['16ths on beat 4 on the snare', each('LH snare', '3/4 13/16 7/8 15/16')],
    ['R L R R on the snare in quarters', ['RH snare 0', 'LH snare 1/4', 'RH snare 1/2', 'RH snare 3/4']],
    [
      'left hand, ghost, e of 1 and 3; loud 2 and 4',
      ['LH snare 1/16·', 'LH snare 1/4!', 'LH snare 9/16·', 'LH snare 3/4!'],
    ],
    [
      'rLrr on the snare in 8ths',
      [
        'RH snare 0',
        'LH snare 1/8!',
        'RH snare 1/4',
        'RH snare 3/8',
        'RH snare 1/2',
        'LH snare 5/8!',
        'RH snare 3/4',
        'RH snare 7/8',
      ],
    ],
  ])('%s', (phrase, wanted) => expect(after(phrase)).toEqual(wanted));

  test.each<[string, string[], string[]]>([
    ['everything louder', ['kick 1', 'snare ghost 2'], ['RF kick 0!', 'LH snare 1/4']],
    ['snare softer', ['snare 2, accent 4'], ['LH snare 1/4·', 'LH snare 3/4']],
    ['remove everything on 3', ['kick 1 3', 'snare 3'], ['RF kick 0']],
    ['clear', ['kick 1 3', 'snare 2'], []],
    ['clear bar 1', ['kick 1 3', 'snare 2'], []],
    ['remove kick on 1, 3', ['kick 1 2 3'], ['RF kick 1/4']],
    ['take off the accent on 2', ['snare accent 2 4'], ['LH snare 1/4', 'LH snare 3/4!']],
    ['no accents', ['snare accent 2 4'], ['LH snare 1/4', 'LH snare 3/4']],
    ['no ghosts', ['snare ghost e of 1', 'snare 2'], ['LH snare 1/4']],
    ['remove all the kicks', ['kick 1 3', 'snare 2'], ['LH snare 1/4']],
    ['make all the hats accents', ['hat 1 2'], ['RH closed hat 0!', 'RH closed hat 1/4!']],
    ['2 as a ghost', ['hat 1 2'], ['RH closed hat 0', 'RH closed hat 1/4·']],
    ['make the hats soft', ['hat 1 2'], ['RH closed hat 0·', 'RH closed hat 1/4·']],
    ['open the hat on 2', ['hat 1 2'], ['RH closed hat 0', 'RH open hat 1/4']],
    ['clear the hats', ['hat 1', 'open hat 2', 'kick 3'], ['RF kick 1/2']],
    ['ride instead of hat', ['hat 1, accent 2'], ['RH ride 0', 'RH ride 1/4!']],
    ['replace the hats with the ride', ['hat 1 2'], ['RH ride 0', 'RH ride 1/4']],
    ['shift the kick an eighth earlier', ['kick 1 3'], each('RF kick', '3/8 7/8')],
    ['kick two 16ths later', ['kick 1 3'], each('RF kick', '1/8 5/8')],
    ['move the kick on 3 to 3&', ['kick 1 3'], each('RF kick', '0 5/8')],
    ['flam on 2', ['hat 8ths', 'snare 2'], [...eighths.slice(0, 3), 'LH snare 1/4~flam', ...eighths.slice(3)]],
    ['no flam on 2', ['snare flam 2'], ['LH snare 1/4']],
    ['no flam and no accents', ['snare flam accent 2'], ['LH snare 1/4']],
    ['close the hat on 2', ['open hat 1 2'], ['RH open hat 0', 'RH closed hat 1/4']],
    ['no flam on 2', ['hat 2', 'snare flam 2'], ['RH closed hat 1/4', 'LH snare 1/4']],
    ['no accent on 2', ['hat 2', 'snare accent 2'], ['RH closed hat 1/4', 'LH snare 1/4']],
    ['plain on 2', ['hat 2', 'snare flam 2'], ['RH closed hat 1/4', 'LH snare 1/4']],
    ['clear beat 3', ['kick 1 3', 'hat 3'], ['RF kick 0']],
    ['the kick on 3 a 16th later', ['kick 1 3'], each('RF kick', '0 9/16')],
    ['the kick on 3 two 16ths earlier', ['kick 1 3'], each('RF kick', '0 3/8')],
    ['move the kick on 3 a 16th later', ['kick 1 3'], each('RF kick', '0 9/16')],
    ['the kick on 3 loud and a 16th later', ['kick 1 3'], ['RF kick 0', 'RF kick 9/16!']],
    ['snare on 2 and the kick a 16th later', ['kick 1'], ['RF kick 1/16', 'LH snare 1/4']],
  ])('%s, where %j stands', (phrase, base, wanted) => expect(after(phrase, standing(...base))).toEqual(wanted));

  test('the grid, and bars', () => {
    const cellsAfter = (phrase: string, groove = grooveOf('4/4', 4)) => {
      const answer = sayOn(groove, phrase, { school, limb: 'right hand' });
      expectSaidBack(groove, phrase, 'right hand');
      return answer.ok
        ? answer.groove.bars.map(({ cells }) => cells.map(({ parts }) => parts).join(''))
        : answer.problems;
    };
    expect(cellsAfter('all counts in triplets')).toEqual(['3333']);
    expect(cellsAfter('beat 3 in sextuplets')).toEqual(['4464']);
    expect(cellsAfter('the whole bar in 8ths')).toEqual(['2222']);
    expect(cellsAfter('beats 1 and 2 in 3 parts')).toEqual(['3344']);
    expect(cellsAfter('bar 2 in triplets', grooveOf('4/4', 4, { bars: 2 }))).toEqual(['4444', '3333']);
    expect(cellsAfter('divide count 3 by 3')).toEqual(['4434']);
    expect(cellsAfter('beats 3 and 4 as triplets')).toEqual(['4433']);
    expect(cellsAfter('beat 5 in 8ths')).toMatchObject([{ code: 'no-such-count' }]);
    expect(cellsAfter('beat 1 in triplets', standing('kick e of 1'))).toMatchObject([{ code: 'strokes-lost' }]);
    const two = grooveOf('4/4', 4, { bars: 2 });
    expect(after('in bar 2, kick on 1', two)).toEqual(['2: RF kick 0']);
    expect(after('kick on 1 in both bars', two)).toEqual(['RF kick 0', '2: RF kick 0']);
    expect(after('kick on 1 of bar 2', two)).toEqual(['2: RF kick 0']);
    expect(after('second bar: snare on 2', two)).toEqual(['2: LH snare 1/4']);
    expect(after('kick on 1 in the last bar', two)).toEqual(['2: RF kick 0']);
    expect(after('kick on 1 in bar 1 and 2', two)).toEqual(['RF kick 0', '2: RF kick 0']);
    expect(cellsAfter('beat 2 of bar 2 in triplets', two)).toEqual(['4444', '4344']);
    expect(after('kick on 1; bar 2 like bar 1; snare on 2 in bar 2', two)).toEqual([
      'RF kick 0',
      '2: RF kick 0',
      '2: LH snare 1/4',
    ]);
  });
});

describe('a phrase is placed whole or not at all', () => {
  test.each([
    ['kick on 1 and the zig of 3', 'zig', 'not-in-school'],
    ['snair on 2', 'snair', 'unknown-word'],
    ['kick on 1 and snare', 'snare', 'no-place'],
    ['no kick on 4', 'no', 'nothing-there'],
    ['kick on 1, hat on wednesday', 'wednesday', 'unknown-word'],
    ['ride everywhere except', 'except', 'except-what'],
    ['kick in 32nds', '32nds', 'not-all-through'],
    ['copy bar 1 to bar 2', '2', 'no-such-bar'],
    ['move the kick to 3', 'move', 'move-where'],
    ['trip of 1', 'trip', 'not-in-grid'],
    ['triplets on beat 3', 'triplets', 'not-all-through'],
    ['and', 'and', 'no-place'],
    ['bar 1', '1', 'no-place'],
    ['bar first like', 'first', 'like-what'],
  ])('%s points at %s', (phrase, word, code) => {
    const answer = sayOn(standing('kick 1'), phrase, { school, limb: 'right hand' });
    if (answer.ok) throw new Error('placed');
    const [problem] = answer.problems;
    expect([phrase.slice(problem!.from, problem!.to), problem!.code]).toEqual([word, code]);
  });

  test('and offers what was probably meant, and the rest without the word', () => {
    const remedies = (phrase: string) => {
      const answer = sayOn(grooveOf('4/4', 4), phrase, { school, limb: 'right hand' });
      return answer.ok ? [] : answer.problems[0]!.remedies.map(({ words }) => words);
    };
    expect(remedies('snair on 2')).toEqual(['snare', 'place the rest without it']);
    expect(remedies('kick on 5')).toEqual(['4']);
    expect(remedies('kick 1 today')).toEqual(['place the rest without it']);
    expect(remedies('trip of 2')).toContain('divide count 2 by 3');
    expect(remedies('kick in triplets')[0]).toBe('divide every count by 3 and say triplets');
  });

  test('a flam goes to the hand on the drum, and says so with the other reading beside it', () => {
    const answer = sayOn(standing('hat 8ths', 'snare 2'), 'flam on 1', { school, limb: 'right hand' });
    if (!answer.ok) throw new Error('refused');
    expect(answer.otherwise).toEqual([{ words: 'flam by the right hand', text: 'right hand: flam on 1' }]);
    expect(after('right hand: flam on 1', standing('hat 1', 'snare 2'))).toContain('RH closed hat 0~flam');
  });
});

describe('properties', () => {
  const anyBar = fc
    .constantFrom('4/4', '7/8', '12/8', '3/4', '5/16')
    .chain((meter) =>
      fc
        .array(fc.integer({ min: 1, max: 8 }), { minLength: meterOf(meter).beats, maxLength: meterOf(meter).beats })
        .map((grid) => grooveOf(meter, grid)),
    );

  test('every place that is said is read back to its own slot, in every school and grid', () => {
    fc.assert(
      fc.property(anyBar, fc.constantFrom(...SCHOOLS), (groove, one) => {
        const { meter, cells } = groove.bars[0]!;
        const bar = { meter, cells, reading: groove.reading };
        for (const slot of slotsOfBar(meter, 'numbers', cells)) {
          const said = sayPlace(bar, slot.at, one)!;
          const answer = sayOn(groove, said, { school: one, limb: 'right hand' });
          const strokes = answer.ok ? answer.groove.bars[0]!.strokes : [];
          expect(strokes.length === 1 && equal(strokes[0]!.at, slot.at), `${said} in ${one.name}`).toBe(true);
        }
      }),
      runs(60),
    );
  });

  const word = fc.constantFrom(
    ...'1 2 3 4 9 0 e & and a trip of every other loud soft flam drag no hat kick snare ride open , ; : bar slot first 8ths 16ths triplets zz on the in with to from except last move copy like later louder instead everything backbeat RLRR'.split(
      ' ',
    ),
    'left hand',
    'right foot',
    'hat foot',
  );

  test('whatever is typed, it answers; refused it leaves the groove as it was; what is said back is read again to the same', () => {
    fc.assert(
      fc.property(anyGroove(), fc.array(word, { maxLength: 9 }), fc.string({ maxLength: 3 }), (groove, words, tail) => {
        const text = `${words.join(' ')} ${tail}`;
        const before = JSON.stringify(groove);
        const answer = sayOn(groove, text, { school, limb: 'left hand' });
        expect(JSON.stringify(groove)).toBe(before);
        if (answer.ok) expectSaidBack(groove, text, 'left hand');
        else
          for (const { from, to, say } of answer.problems) {
            expect(say).not.toBe('');
            expect(0 <= from && from <= to && to <= text.length).toBe(true);
          }
      }),
      runs(600),
    );
  });
});
