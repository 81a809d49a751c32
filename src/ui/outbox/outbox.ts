'use client';

import type { DBSchema, IDBPDatabase } from 'idb';
import type { SoundKind } from '@/core/limits';
import type { Ms } from '@/core/time/units';

/** What was played or recorded, as it waits in the browser until the server has it. */
interface Waiting {
  id: string;
  playerId: string;
  /** What the server had against it; it is then sent again only by hand. */
  refused?: string;
  /** How often the server failed at it. */
  failed?: number;
  /** A page is still at work on it: nobody sends it before this time, in milliseconds as `Date.now` counts. */
  heldUntil?: number;
}

/** A take, with the body of its request. */
export interface WaitingTake extends Waiting {
  body: string;
}

/** The sound of a take that its player keeps; it is sent behind its take. */
export interface WaitingSound extends Waiting {
  takeId: string;
  kind: SoundKind;
  bytes: ArrayBuffer;
  lengthMs: Ms;
  /** Where in the sound a stroke on the first count lies. */
  zeroMs: Ms;
}

interface Schema extends DBSchema {
  takes: { key: string; value: WaitingTake | WaitingSound };
}

export interface OutboxState {
  waiting: number;
  refused: { id: string; say: string; isSound: boolean }[];
  /** Takes and sounds that reached the server since the page was opened. */
  kept: ReadonlySet<string>;
  /** Why the last sending did not work, while something waits. */
  say?: string;
}

/** Seconds until a sending that failed is tried again, longer each time. */
const PAUSES = [3, 10, 30, 60];
/** A take the server fails at so often is put aside: it is the take, not the hour. */
const MOST_FAILURES = 5;

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

/** By which the sound of a take waits and is known: behind every take, whose ids begin with a figure or a to f. */
export const soundId = (takeId: string): string => `sound ${takeId}`;

/** Half an hour is heard within one minute: what is held for longer was left by a page that was closed. */
const HELD_MS = 120_000;
const isHeld = ({ heldUntil = 0 }: Waiting): boolean => heldUntil > Date.now();

/**
 * Keeps a take in the browser that is still being worked on, as it stands: `post` it under the same id when it is done.
 * Where the page is closed before that, another one sends it as it stood.
 */
export async function hold(take: WaitingTake): Promise<void> {
  await (await open()).put('takes', { ...take, heldUntil: Date.now() + HELD_MS });
}

/** Lets go of what was held. */
export const letGo = async (id: string): Promise<void> => (await open()).delete('takes', id);

/** Keeps a take, or the sound of one, in the browser and sends it. Resolves once it is safe here. */
export async function post(take: WaitingTake | WaitingSound): Promise<void> {
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
  let waits: string | undefined;
  const tried = new Set<string>();
  // Looked for anew each time: another take may have been played meanwhile.
  const next = async () =>
    (await db.getAll('takes')).find(
      (one) => one.playerId === playerId && !one.refused && !isHeld(one) && !tried.has(one.id),
    );
  for (let take = await next(); take; take = await next()) {
    tried.add(take.id);
    const answer = await sent(take).catch(() => undefined);
    if (answer?.ok) {
      await db.delete('takes', take.id);
      failures = 0;
      state = { ...state, kept: new Set([...state.kept, take.id]), say: undefined };
    } else if (!answer || WAIT[answer.status]) {
      // The others would fare the same.
      waits = await waitingFor(answer);
      break;
    } else if (answer.status >= 500) {
      // Those behind it are tried all the same.
      const failed = (take.failed ?? 0) + 1;
      const refused = failed >= MOST_FAILURES ? 'The server failed at it several times.' : undefined;
      await db.put('takes', { ...take, failed, ...(refused && { refused }) });
      if (!refused) waits = 'The server has trouble with what was sent. It is tried again by itself.';
    } else {
      await db.put('takes', { ...take, refused: await saidBy(answer) });
    }
    await count(playerId);
  }
  if (waits) {
    state = { ...state, say: waits };
    timer = setTimeout(() => void send(playerId), 1000 * PAUSES[Math.min(failures++, PAUSES.length - 1)]!);
  }
  await count(playerId);
}

function sent(one: WaitingTake | WaitingSound): Promise<Response> {
  if ('body' in one)
    return fetch('/api/takes', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: one.body,
    });
  const { takeId, playerId, kind, bytes, lengthMs, zeroMs } = one;
  const about = new URLSearchParams({ player: playerId, length: String(lengthMs), zero: String(zeroMs) });
  return fetch(`/api/recordings/${takeId}?${about}`, { method: 'PUT', headers: { 'content-type': kind }, body: bytes });
}

/** Answers that have nothing against the take: what is waited for. */
const WAIT: Record<number, string | undefined> = {
  401: 'You are signed out. Sign in again and they are sent.',
  408: 'The server was too slow. They are sent by themselves.',
  429: 'That is enough for today. They are sent by themselves tomorrow.',
  502: 'The server cannot be reached. They are sent by themselves.',
  503: 'Many people are sending at once. They are sent by themselves.',
  504: 'The server was too slow. They are sent by themselves.',
};

async function waitingFor(answer: Response | undefined): Promise<string> {
  if (!answer) return 'The server cannot be reached. They are sent by themselves.';
  return (answer.status === 429 && (await wordsOf(answer))) || WAIT[answer.status]!;
}

const wordsOf = async (answer: Response): Promise<string | undefined> =>
  ((await answer.json().catch(() => ({}))) as { say?: string }).say;

const saidBy = async (answer: Response): Promise<string> => (await wordsOf(answer)) ?? 'The server did not accept it.';

/** Sends a take once more that was put aside. */
export async function sendAgain(id: string, playerId: string): Promise<void> {
  const db = await open();
  const take = await db.get('takes', id);
  if (take) {
    const { refused: _, failed: __, ...fresh } = take;
    await db.put('takes', fresh);
  }
  await count(playerId);
  await send(playerId);
}

/** Drops a take that the server will not have. */
export async function discard(id: string, playerId: string): Promise<void> {
  await (await open()).delete('takes', id);
  await count(playerId);
}

/** Counts anew what waits for this player and tells everybody. */
export async function count(playerId: string): Promise<void> {
  const mine = (await (await open()).getAll('takes')).filter((take) => take.playerId === playerId && !isHeld(take));
  state = {
    ...state,
    waiting: mine.filter((take) => !take.refused).length,
    refused: mine.flatMap((take) =>
      take.refused ? [{ id: take.id, say: take.refused, isSound: 'takeId' in take }] : [],
    ),
  };
  for (const listener of listeners) listener();
}
