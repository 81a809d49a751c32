import { describe, expect, test } from 'vitest';
import type { Reading } from '../grid/meter';
import { grooveOf } from '../testing/said';
import { cases } from '../testing/vectors';
import { format } from '../time/fraction';
import { sayOn } from '../phrase/say';
import { schoolNamed } from './schools';

describe('places as they are said', () => {
  interface Case {
    say: string;
    meter: string;
    reading: Reading;
    division: number;
    school: string;
    at: string[];
  }
  test.each(cases<Case>('positions'))('$say in $meter by $division, $school', (one) => {
    const groove = grooveOf(one.meter, one.division, { reading: one.reading });
    const answer = sayOn(groove, one.say, { school: schoolNamed(one.school), limb: 'right hand' });
    expect(answer.ok ? answer.groove.bars[0]!.strokes.map(({ at }) => format(at)) : answer.problems).toEqual(one.at);
  });
});

describe('what is no place points at its word and says what would work', () => {
  interface Case {
    say: string;
    meter: string;
    division: number;
    school: string;
    wrongPart: string;
  }
  test.each(cases<Case>('positionErrors'))('$say', ({ say, meter, division, school: name, wrongPart }) => {
    const answer = sayOn(grooveOf(meter, division), say, { school: schoolNamed(name), limb: 'right hand' });
    if (answer.ok) throw new Error('placed');
    const [problem] = answer.problems;
    expect(say.slice(problem!.from, problem!.to)).toBe(wrongPart);
    expect(problem!.remedy).not.toBe('');
  });
});
