import { createHash } from 'node:crypto';
import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible';
import { doorPool } from './database';

/**
 * How many tries there are before one has to wait, how long they are remembered and how long the wait is, in seconds.
 */
interface Bounds {
  tries: number;
  within: number;
  wait: number;
}

const MINUTES = 60;

/**
 * By whom tries are counted. Five for a name from one place are enough for a slip of the finger. A school behind one
 * address signs in within a lesson's first minutes. A name that is tried from many places is slowed only after more
 * than a person ever types, and then shortly, since its owner may be on a new device.
 */
const BOUNDS = {
  device: { tries: 10, within: 15 * MINUTES, wait: 1 * MINUTES },
  nameFrom: { tries: 5, within: 15 * MINUTES, wait: 1 * MINUTES },
  address: { tries: 30, within: 15 * MINUTES, wait: 5 * MINUTES },
  name: { tries: 100, within: 15 * MINUTES, wait: 10 },
} as const satisfies Record<string, Bounds>;

/** Tries of one kind by one. */
export interface Tries {
  /** Counts one, in the database and so for all web servers together; how long is to be waited, 0 when it may go on. */
  count: () => Promise<number>;
  /** Takes back what was right; of one person or browser, the wrong tries before it too. */
  giveBack: () => Promise<void>;
}

const limiters = new Map<string, RateLimiterPostgres>();

function limiter(kind: keyof typeof BOUNDS): RateLimiterPostgres {
  const known = limiters.get(kind);
  if (known) return known;
  const made = new RateLimiterPostgres({
    storeClient: doorPool(),
    storeType: 'pool',
    tableName: 'sign_in_failure',
    tableCreated: true,
    keyPrefix: kind,
    // Cleaned where sessions are opened.
    clearExpiredByTimeout: false,
    points: BOUNDS[kind].tries,
    duration: BOUNDS[kind].within,
    blockDuration: BOUNDS[kind].wait,
  });
  limiters.set(kind, made);
  return made;
}

const triesOf =
  (kind: keyof typeof BOUNDS) =>
  (whose: string): Tries => {
    // Of a fixed length, and what was typed stands nowhere.
    const key = createHash('sha256').update(whose).digest('hex');
    return {
      count: async () => {
        try {
          await limiter(kind).consume(key);
          return 0;
        } catch (refused) {
          if (!(refused instanceof RateLimiterRes)) throw refused;
          return refused.msBeforeNext;
        }
      },
      giveBack: async () => {
        if (kind === 'address' || kind === 'name') await limiter(kind).reward(key);
        else await limiter(kind).delete(key);
      },
    };
  };

export const tries = {
  ofDevice: triesOf('device'),
  ofNameFrom: triesOf('nameFrom'),
  ofAddress: triesOf('address'),
  ofName: triesOf('name'),
};
