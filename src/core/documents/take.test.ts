import { describe, expect, test } from 'vitest';
import { oneLine, together } from '../testing/arbitrary';
import { readTake, writeTake, type Take } from './take';
import { emptyTake as takeOf, playedTake } from '../testing/takes';
import { writeGroove } from './groove';
import { MOST_HITS } from '../limits';
import { judge } from '../judging/verdict/judge';
import { kitPlaying } from '../simulate/kitFaults';
import type { Playing } from '../simulate/simulatedKit';

const backbeat = together(
  oneLine('AtAtAtAt', 'right hand', 80),
  oneLine('..A...A.', 'left hand'),
  oneLine('A..tA...', 'right foot'),
);

const emptyTake = (groove = backbeat, more: Partial<Take> = {}) => takeOf(groove, more);

const played = (playing: Playing, take = emptyTake()) => playedTake(playing, take);

describe('a take as JSON', () => {
  test('is read back and judged the same', () => {
    const take = played(kitPlaying('uneven'));
    const read = readTake(JSON.parse(JSON.stringify(writeTake(take))));
    expect(read.ok && judge(read.value, 'advanced').figures).toEqual(judge(take, 'advanced').figures);
  });

  const json = () => JSON.parse(JSON.stringify(writeTake(played({})))) as Record<string, unknown>;
  test.each([
    [
      '200,000 hits',
      { hits: Array.from({ length: 200_000 }, () => 0) },
      new RegExp(`200,000 hits .* at most ${MOST_HITS.toLocaleString('en')}`, 's'),
    ],
    ['a tempo of 500', { bpm: 500 }, /fastest tempo is 300/],
    [
      'tempo changes out of order',
      {
        changes: [
          { fromBar: 4, bpm: 60 },
          { fromBar: 4, bpm: 70 },
        ],
      },
      /not in order/,
    ],
    ['a passage that reaches beyond the groove', { passages: [{ from: 0, bars: 2, times: 1 }] }, /beyond the last bar/],
    [
      'more bars than half an hour has',
      { passages: [{ from: 0, bars: 1, times: 1999 }] },
      /more than are played in one go/,
    ],
    ['a loudness above 1', { hits: [{ ms: 0, loudness: 2 }] }, /hits 1 loudness/],
    ['no limb in the task', { task: [] }, /at least one limb/],
    ['a time that is no number', { hits: [{ limb: 'right hand', ms: null }] }, /hits 1 ms/],
    ['a groove of another version', { groove: { version: 7 } }, /version 7/],
  ])('with %s is refused', (_, change, words) => {
    const read = readTake({ ...json(), ...change });
    expect(read.ok).toBe(false);
    expect(!read.ok && read.problems.map(({ where, say, remedy }) => `${where} ${say} ${remedy}`).join(' ')).toMatch(
      words,
    );
  });
});

describe('a take of version 1', () => {
  const whole = played({ spreadMs: 3 });
  const old = (change: object = {}) => {
    const { passages: _, bpm: __, struckBy: ___, ...rest } = writeTake(whole);
    return { ...rest, version: 1, tempo: [{ fromBar: 0, bpm: 80 }], input: 'simulated kit', ...change };
  };
  const read = (change: object = {}) => {
    const take = readTake(JSON.parse(JSON.stringify(old(change))));
    if (!take.ok) throw new Error(take.problems[0]!.say);
    return take.value;
  };

  test('is read, says who struck, and is judged as before', () => {
    expect(read()).toMatchObject({ version: 2, bpm: 80, struckBy: 'kit', passages: [{ from: 0, bars: 1, times: 1 }] });
    expect(read({ input: 'keys' }).struckBy).toBe('player');
    expect(judge(read(), 'advanced').figures).toEqual(judge(whole, 'advanced').figures);
  });

  test('brings tempos and what else was set anew together, by their bars', () => {
    const swing = { value: '8th', ratio: '2' };
    const tempo = [80, 90, 100].map((bpm, index) => ({ fromBar: 2 * index, bpm }));
    const changes = [
      { fromBar: 1, swing },
      { fromBar: 4, task: ['right hand'] },
    ];
    expect(read({ tempo, changes }).changes).toEqual([
      { fromBar: 1, swing },
      { fromBar: 2, bpm: 90 },
      { fromBar: 4, task: ['right hand'], bpm: 100 },
    ]);
  });

  test('of a drill: copied bars are laid together, and every exercise stays where it was', () => {
    const [one, other] = [backbeat, oneLine('t...t...', 'right foot')].map(({ bars }) => bars[0]!);
    const rest = { ...one!, strokes: [] };
    const bars = [one!, one!, rest, other!, other!, rest, one!, one!];
    const groove = writeGroove({ ...backbeat, bars });
    const part = (from: number, place: string) => ({ say: '', places: [place], from, bars: 1, times: 2 });
    const parts = [part(0, '0'), part(3, '1/8'), part(6, '0')];
    const { groove: laid, passages, exercises } = read({ groove, parts, rounds: 1 });
    expect(laid.bars).toEqual([one, rest, other]);
    expect(exercises).toEqual([
      { say: '', places: ['0'] },
      { say: '', places: ['1/8'] },
    ]);
    expect(passages).toEqual([
      { from: 0, bars: 1, times: 2, exercise: 0 },
      { from: 1, bars: 1, times: 1 },
      { from: 2, bars: 1, times: 2, exercise: 1 },
      { from: 1, bars: 1, times: 1 },
      { from: 0, bars: 1, times: 2, exercise: 0 },
    ]);
  });

  test('that is damaged is a problem, not an error', () => {
    const problem = (json: unknown) => {
      const damaged = readTake(json);
      return damaged.ok ? undefined : damaged.problems[0]!.code;
    };
    expect(problem({ version: 1 })).toBe('unreadable');
    expect(problem(old({ groove: 3 }))).toBe('unreadable');
    expect(problem({ version: 3 })).toBe('newer-version');
    expect(problem(undefined)).toBe('no-version');
  });
});
