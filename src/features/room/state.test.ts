import { describe, expect, test } from 'vitest';
import { usualClimb } from '@/core/plan/ladder';
import { oneLine } from '@/core/testing/arbitrary';
import { firstSettings } from './settings';
import { roomAfter, type Judged, type RoomAction, type RoomState } from './state';

const first: RoomState = {
  settings: firstSettings(oneLine('t...')),
  phase: 'ready',
  goesOn: false,
  beginsAtOnce: false,
  seed: 1,
  climbing: { climb: usualClimb(80), step: 0 },
  practisedMs: 0,
};
const after = (...actions: RoomAction[]) => actions.reduce(roomAfter, first);
const judgedOf = (struckBy: 'player' | 'kit') =>
  ({ id: 'one', whole: true, take: { struckBy, playedMs: 4000 } }) as Judged;
const judged = judgedOf('kit');

describe('what becomes of a room', () => {
  test('the player’s own takes add up to what was practised; the kit’s to nothing', () => {
    const both = after(
      { type: 'judged', judged: judgedOf('player') },
      { type: 'judged', judged },
      { type: 'judged', judged: judgedOf('player') },
    );
    expect(both.practisedMs).toBe(8000);
  });

  test('a take: starting, playing, judged, and the same again', () => {
    expect(after({ type: 'starting' }).phase).toBe('starting');
    const done = after({ type: 'starting' }, { type: 'playing' }, { type: 'judged', judged, say: 'Stopped.' });
    expect(done).toMatchObject({ phase: 'judged', judged, say: 'Stopped.' });
    expect(roomAfter(done, { type: 'again' })).toEqual({ ...first, judged: undefined, say: undefined });
  });

  test('what is said of the last attempt goes with the next', () => {
    const failed = after({ type: 'starting' }, { type: 'failed', say: 'No sound.' });
    expect(failed).toMatchObject({ phase: 'ready', say: 'No sound.' });
    expect(roomAfter(failed, { type: 'starting' }).say).toBeUndefined();
  });

  test('a ladder that nobody is heard on stops going on', () => {
    expect(after({ type: 'goes on', on: true }, { type: 'ended', say: 'Nothing was played.' }).goesOn).toBe(false);
    expect(after({ type: 'goes on', on: true }, { type: 'judged', judged }).goesOn).toBe(true);
  });

  test('another way puts away what was judged, and may begin at once', () => {
    const settings = { ...first.settings, way: 'ladder' as const };
    const next = after({ type: 'judged', judged }, { type: 'practise', settings, atOnce: true });
    expect(next).toMatchObject({ phase: 'ready', judged: undefined, beginsAtOnce: true, settings: { way: 'ladder' } });
    expect(roomAfter(next, { type: 'starting' }).beginsAtOnce).toBe(false);
  });

  test('a setting changes nothing else', () => {
    const set = after({ type: 'judged', judged }, { type: 'set', change: { bpm: 99 } });
    expect(set).toMatchObject({ phase: 'judged', settings: { ...first.settings, bpm: 99 } });
  });
});
