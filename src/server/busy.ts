/** Too many ask at once: what waits longer than it may, or finds the queue full, ends with this and is answered 503. */
export class Busy extends Error {
  /** Seconds after which it is worth trying again. */
  readonly retryAfter = 5;

  constructor() {
    super('Too many people ask at once. Wait a few seconds, then try again.');
    this.name = 'Busy';
  }
}
