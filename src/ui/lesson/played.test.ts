import { expect, test } from 'vitest';
import type { Told, ToldBead } from '@/core/documents/lessonScreen';
import { playedAfter } from './played';

const [grooveId, other, ada, bo] = ['g', 'h', 'ada', 'bo'];
const bead = (round: number): ToldBead => ({
  limb: 'right hand',
  bar: 0,
  round,
  percent: 10,
  kind: 'near',
  title: 'on the dot',
});
const beads = (...rounds: number[]): Told => ({ tells: 'beads', grooveId, beads: rounds.map(bead) });
const after = (all: Told[], by = ada) =>
  all.reduce<ReturnType<typeof playedAfter> | undefined>((before, told) => playedAfter(before, by, told), undefined)!;

test('strokes are added, each with a key of its own; the rounds before the last are gone', () => {
  const played = after([{ tells: 'begun', grooveId }, beads(0, 0), beads(1, 1), beads(2)]);
  expect(played.beads.map(({ round }) => round)).toEqual([1, 1, 2]);
  expect(new Set(played.beads.map(({ key }) => key)).size).toBe(3);
  expect(played.isPlaying).toBe(true);
});

test('a take that begins, another groove and another student begin anew; one that ended names its take', () => {
  expect(after([beads(0), { tells: 'begun', grooveId }]).beads).toEqual([]);
  expect(playedAfter(after([beads(0)]), bo, beads(3)).beads).toHaveLength(1);
  expect(playedAfter(after([beads(0)]), ada, { tells: 'beads', grooveId: other, beads: [bead(5)] }).beads).toHaveLength(
    1,
  );
  const ended = after([beads(0), { tells: 'ended', grooveId, take: 't' }]);
  expect(ended).toMatchObject({ isPlaying: false, take: 't' });
  expect(ended.beads).toHaveLength(1);
});

test('no more are kept than can be looked at', () => {
  const all = Array.from({ length: 300 }, () => beads(0));
  expect(after(all).beads).toHaveLength(200);
});
