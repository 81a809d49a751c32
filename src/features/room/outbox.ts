'use client';

import type { DBSchema, IDBPDatabase } from 'idb';

/** A take as it waits in the browser until the server has it. */
export interface WaitingTake {
  id: string;
  playerId: string;
  /** The body of the request. */
  body: string;
  /** What the server had against it; it is then not sent again by itself. */
  refused?: string;
}

interface Schema extends DBSchema {
  takes: { key: string; value: WaitingTake };
}

export interface OutboxState {
  waiting: number;
  refused: { id: string; say: string }[];
  /** Takes that reached the server since the page was opened. */
  kept: ReadonlySet<string>;
  /** Why the last sending did not work, while something waits. */
  say?: string;
}

/** Seconds until a sending that failed is tried again, longer each time. */
const PAUSES = [3, 10, 30, 60];

let state: OutboxState = { waiting: 0, refused: [], kept: new Set() };
const listeners = new Set<() => void>();
let database: Promise<IDBPDatabase<Schema>> | undefined;
let timer: ReturnType<typeof setTimeout> | undefined;
let failures = 0;
let sending: Promise<void> | undefined;

export const outboxState = (): OutboxState => state;
export const emptyOutbox: OutboxState = state;

export function onOutbox(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

const open = () =>
  (database ??= import('idb').then(({ openDB }) =>
    openDB<Schema>('mochila', 1, {
      upgrade: (made) => void made.createObjectStore('takes', { keyPath: 'id' }),
    }),
  ));

/** Keeps a take in the browser and sends it. Resolves once it is safe here. */
export async function post(take: WaitingTake): Promise<void> {
  await (await open()).put('takes', take);
  await count(take.playerId);
  void send(take.playerId);
}

/** Sends what waits for this player, one by one, and tries again by itself when that does not work. */
export function send(playerId: string): Promise<void> {
  sending ??= sendAll(playerId).finally(() => (sending = undefined));
  return sending;
}

async function sendAll(playerId: string): Promise<void> {
  clearTimeout(timer);
  const db = await open();
  for (const take of (await db.getAll('takes')).filter((one) => one.playerId === playerId && !one.refused)) {
    const answer = await fetch('/api/takes', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: take.body,
    }).catch(() => undefined);
    if (answer?.ok) {
      await db.delete('takes', take.id);
      failures = 0;
      state = { ...state, kept: new Set([...state.kept, take.id]), say: undefined };
      await count(playerId);
    } else if (answer && [400, 413, 415, 422].includes(answer.status)) {
      await db.put('takes', { ...take, refused: await saidBy(answer) });
      await count(playerId);
    } else {
      state = {
        ...state,
        say:
          answer?.status === 401
            ? 'You are signed out. Sign in again and they are sent.'
            : 'The server cannot be reached. They are sent by themselves.',
      };
      timer = setTimeout(() => void send(playerId), 1000 * PAUSES[Math.min(failures++, PAUSES.length - 1)]!);
      await count(playerId);
      return;
    }
  }
}

async function saidBy(answer: Response): Promise<string> {
  const body = (await answer.json().catch(() => ({}))) as { say?: string };
  return body.say ?? 'The server did not accept it.';
}

/** Drops a take that the server will not have. */
export async function discard(id: string, playerId: string): Promise<void> {
  await (await open()).delete('takes', id);
  await count(playerId);
}

/** Counts anew what waits for this player and tells everybody. */
export async function count(playerId: string): Promise<void> {
  const mine = (await (await open()).getAll('takes')).filter((take) => take.playerId === playerId);
  state = {
    ...state,
    waiting: mine.filter((take) => !take.refused).length,
    refused: mine.flatMap((take) => (take.refused ? [{ id: take.id, say: take.refused }] : [])),
  };
  for (const listener of listeners) listener();
}
