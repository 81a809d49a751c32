import { describe, expect, test } from 'vitest';
import type { ChartForm } from '../../documents/chart';
import { format } from '../../time/fraction';
import { readChartText } from '../text/chartText';
import { unroll, type PlayedBar } from './unroll';
import { tempos } from './whole';

/** One bar in a meter and feel, with its hits. */
function oneBar(meter: string, feel: ChartForm['feel'], hits: string[] = []): PlayedBar[] {
  const at = hits.length ? { 1: { hits } } : undefined;
  const answer = unroll({
    tempo: { beat: 'quarter', bpm: '120' },
    meter,
    feel,
    sections: [{ name: 'A', bars: 1, ...(at && { at }) }],
  });
  if (!answer.ok) throw new Error(answer.problems[0]!.say);
  return answer.value;
}

describe('counts and beats of other meters', () => {
  const sounding = (meter: string, feel: ChartForm['feel'], hits: string[]) =>
    oneBar(meter, feel, hits)[0]!.hits.map(({ written, sounding: at }) => [format(written), format(at)]);

  test('let is the second 8th of a count in swung 8ths, and a triplet beside trip, in 8ths, and where nothing is swung', () => {
    expect(sounding('2/2', 'shuffle', ['let of 2'])).toEqual([['5/8', '2/3']]);
    expect(sounding('3/4', 'swing 8ths', ['trip of 1', 'let of 1', 'let of 2'])).toEqual([
      ['1/12', '1/12'],
      ['1/6', '1/6'],
      ['3/8', '5/12'],
    ]);
    expect(sounding('6/8', 'shuffle', ['let of 1'])).toEqual([['1/12', '1/12']]);
    expect(sounding('4/4', 'swing 16ths', ['let of 1', 'e of 1'])).toEqual([
      ['1/6', '1/6'],
      ['1/16', '1/12'],
    ]);
  });

  test('a tempo is said in the beat of the meter', () => {
    const beat = (meter: string) => tempos(oneBar(meter, 'straight'))[0]!.beat;
    expect(['2/2', '3/4', '6/8', '9/8', '12/8', '15/8', '3/8', '7/8', '6/16'].map(beat)).toEqual([
      'half',
      'quarter',
      'dotted quarter',
      'dotted quarter',
      'dotted quarter',
      '8th',
      '8th',
      '8th',
      '16th',
    ]);
  });
});

test('changes of notes that nobody plays are told where they are, however they add up', () => {
  const of = (change: string, many: number) => {
    const read = readChartText(
      ['quarter at 120', ...Array.from({ length: many }, (_, at) => `S${at} 1, ${change}`)].join('; '),
    );
    const answer = read.ok ? unroll(read.value) : undefined;
    return answer?.ok === false ? `${answer.problems[0]!.code}: ${answer.problems[0]!.where}` : answer?.ok;
  };
  expect(of('quarter = 16th quintuplet', 40)).toBe('speed: S3, bar 1');
  expect(of('whole = 32nd', 2)).toBe('speed: S1, bar 1');
  expect(of('quarter = dotted quarter', 3)).toBe(true);
});
