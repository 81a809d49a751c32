import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';

const answer = (status: number, body: object = {}) =>
  ({ ok: status === 200, status, json: async () => body }) as unknown as Response;
const fetched = vi.fn<(address: string, init: { body: string }) => Promise<Response>>();

/** The outbox as a page has it that was just opened: nothing known but what the browser keeps. */
async function reopened() {
  vi.resetModules();
  return import('./outbox');
}
const take = (id: string, playerId = 'pim') => ({ id, playerId, body: `{"id":"${id}"}` });

beforeEach(() => {
  fetched.mockReset();
  vi.stubGlobal('fetch', fetched);
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
});
afterEach(async () => {
  const { discard } = await import('./outbox');
  for (const player of ['pim', 'oda']) for (const id of ['a', 'b', 'c']) await discard(id, player);
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('a take is safe in the browser until the server has it', () => {
  test('sent and accepted it is gone from here and known as kept', async () => {
    const { post, outboxState, onOutbox } = await reopened();
    const heard = vi.fn();
    onOutbox(heard);
    fetched.mockResolvedValue(answer(200, { id: 'a' }));
    await post(take('a'));
    await vi.waitFor(() => expect(outboxState()).toMatchObject({ waiting: 0, kept: new Set(['a']), say: undefined }));
    expect(fetched).toHaveBeenCalledExactlyOnceWith(
      '/api/takes',
      expect.objectContaining({ method: 'POST', body: '{"id":"a"}' }),
    );
    expect(heard).toHaveBeenCalled();
  });

  test('held, it is not sent before it is done, unless the page that held it is gone', async () => {
    const { hold, letGo, post, send, count, outboxState } = await reopened();
    fetched.mockResolvedValue(answer(200));
    await hold(take('a'));
    await hold(take('b'));
    await send('pim');
    await count('pim');
    expect(outboxState().waiting).toBe(0);
    expect(fetched).not.toHaveBeenCalled();
    await letGo('b');
    await post({ ...take('a'), body: '{"whole":true}' });
    await vi.waitFor(() => expect(outboxState().kept).toEqual(new Set(['a'])));
    expect(fetched).toHaveBeenCalledExactlyOnceWith('/api/takes', expect.objectContaining({ body: '{"whole":true}' }));

    await hold(take('c'));
    const now = vi.spyOn(Date, 'now').mockReturnValue(Date.now() + 121_000);
    const later = await reopened();
    await later.send('pim');
    expect(later.outboxState().kept).toEqual(new Set(['c']));
    now.mockRestore();
  });

  test('its sound goes behind it, by a way of its own', async () => {
    const { post, soundId, outboxState } = await reopened();
    fetched.mockRejectedValueOnce(new TypeError('no network')).mockResolvedValue(answer(200));
    const id = '0f5b7c1e-0000-4000-8000-000000000000';
    const bytes = new ArrayBuffer(3);
    await post(take(id));
    await post({
      id: soundId(id),
      takeId: id,
      playerId: 'pim',
      kind: 'audio/webm',
      bytes,
      lengthMs: 5000,
      zeroMs: 1200.5,
    });
    await vi.advanceTimersByTimeAsync(3000);
    await vi.waitFor(() => expect(outboxState().kept).toEqual(new Set([id, soundId(id)])));
    expect(fetched.mock.calls.map(([address]) => address).slice(-2)).toEqual([
      '/api/takes',
      `/api/recordings/${id}?player=pim&length=5000&zero=1200.5`,
    ]);
    expect(fetched.mock.calls.at(-1)![1]).toMatchObject({ method: 'PUT', headers: { 'content-type': 'audio/webm' } });
  });

  test('without a network it waits, is tried again by itself, and is still there when the page is opened anew', async () => {
    const { post, outboxState } = await reopened();
    fetched.mockRejectedValue(new TypeError('no network'));
    await post(take('a'));
    await vi.waitFor(() =>
      expect(outboxState()).toMatchObject({
        waiting: 1,
        say: 'The server cannot be reached. They are sent by themselves.',
      }),
    );
    await vi.advanceTimersByTimeAsync(3000);
    await vi.waitFor(() => expect(fetched).toHaveBeenCalledTimes(2));

    const again = await reopened();
    fetched.mockResolvedValue(answer(200));
    await again.count('pim');
    expect(again.outboxState().waiting).toBe(1);
    await again.send('pim');
    expect(again.outboxState()).toMatchObject({ waiting: 0, kept: new Set(['a']) });
  });

  test('signed out it waits and says what to do; of several the order stays, and the first that fails stops the rest', async () => {
    const { post, outboxState, send } = await reopened();
    fetched.mockResolvedValue(answer(401));
    await post(take('a'));
    await vi.waitFor(() => expect(outboxState().say).toBe('You are signed out. Sign in again and they are sent.'));
    await post(take('b'));
    await send('pim');
    expect(new Set(fetched.mock.calls.map(([, { body }]) => body))).toEqual(new Set(['{"id":"a"}']));
    fetched.mockReset().mockResolvedValue(answer(200));
    await send('pim');
    expect(fetched.mock.calls.map(([, { body }]) => body)).toEqual(['{"id":"a"}', '{"id":"b"}']);
    expect(outboxState()).toMatchObject({ waiting: 0, say: undefined });
  });

  test.each([
    [422, { say: 'This groove is not there any more.' }, 'This groove is not there any more.'],
    [413, {}, 'The server did not accept it.'],
  ])('refused with %i it is not sent again by itself, says why, and can be dropped', async (status, body, say) => {
    const { post, outboxState, send, discard } = await reopened();
    fetched.mockResolvedValue(answer(status, body));
    await post(take('a'));
    await vi.waitFor(() => expect(outboxState()).toMatchObject({ waiting: 0, refused: [{ id: 'a', say }] }));
    await send('pim');
    expect(fetched).toHaveBeenCalledOnce();
    await discard('a', 'pim');
    expect(outboxState().refused).toEqual([]);
  });

  test('a take the server fails at does not hold up those behind it, and after five times is put aside with the reason', async () => {
    const { post, outboxState, send, sendAgain } = await reopened();
    fetched.mockImplementation((_, { body }) => Promise.resolve(answer(body.includes('"a"') ? 500 : 200)));
    await post(take('a'));
    await post(take('b'));
    await send('pim');
    expect(outboxState().kept).toEqual(new Set(['b']));
    expect(outboxState()).toMatchObject({ waiting: 1, say: expect.stringMatching(/tried again by itself/) as string });
    for (let again = 0; again < 4; again++) await send('pim');
    expect(outboxState()).toMatchObject({
      waiting: 0,
      refused: [{ id: 'a', say: 'The server failed at it several times.' }],
    });
    fetched.mockResolvedValue(answer(200));
    await sendAgain('a', 'pim');
    expect(outboxState()).toMatchObject({ waiting: 0, refused: [] });
    expect(outboxState().kept).toContain('a');
  });

  test.each([
    [503, {}, /Many people are sending/],
    [429, { say: 'No more today.' }, /^No more today\.$/],
    [429, {}, /tomorrow/],
  ])('told %i it waits, has nothing against it, and leaves the others where they are', async (status, body, words) => {
    const { post, outboxState, send } = await reopened();
    fetched.mockResolvedValue(answer(status, body));
    await post(take('a'));
    await post(take('b'));
    await send('pim');
    for (let again = 0; again < 6; again++) await send('pim');
    expect(outboxState()).toMatchObject({ waiting: 2, refused: [], say: expect.stringMatching(words) as string });
  });

  test.each([403, 404, 409, 418])('refused with %i it is put aside and the next one is sent', async (status) => {
    const { post, outboxState, send } = await reopened();
    fetched.mockImplementation((_, { body }) => Promise.resolve(answer(body.includes('"a"') ? status : 200)));
    await post(take('a'));
    await post(take('b'));
    await send('pim');
    expect(outboxState()).toMatchObject({ waiting: 0, refused: [{ id: 'a' }] });
    expect(outboxState().kept).toContain('b');
  });

  test('another person on this browser neither sends nor sees it', async () => {
    const { post, outboxState, send, count } = await reopened();
    fetched.mockRejectedValue(new TypeError('no network'));
    await post(take('a', 'pim'));
    await vi.waitFor(() => expect(fetched).toHaveBeenCalledOnce());
    fetched.mockReset();
    await send('oda');
    await count('oda');
    expect(fetched).not.toHaveBeenCalled();
    expect(outboxState().waiting).toBe(0);
    await count('pim');
    expect(outboxState().waiting).toBe(1);
  });
});
