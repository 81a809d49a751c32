/**
 * Lets so many requests in at once; the others wait in the order they came, and no longer than they may. A page takes a
 * few connections to the database and a share of one processor, so that more at once only makes each slower.
 */
export class Gate {
  #atOnce;
  #mostWaiting;
  #patienceMs;
  #inside = 0;
  #waiting = [];

  /** @param {{ atOnce: number, mostWaiting: number, patienceMs: number }} bounds */
  constructor({ atOnce, mostWaiting, patienceMs }) {
    this.#atOnce = atOnce;
    this.#mostWaiting = mostWaiting;
    this.#patienceMs = patienceMs;
  }

  /** Resolves to what is called on leaving, or to undefined for whoever finds too many waiting or waited too long. */
  enter() {
    if (this.#inside < this.#atOnce) return Promise.resolve(this.#letIn());
    if (this.#waiting.length >= this.#mostWaiting) return Promise.resolve(undefined);
    return new Promise((resolve) => {
      const one = {
        admit: () => {
          clearTimeout(one.timer);
          resolve(this.#letIn());
        },
        timer: setTimeout(() => {
          this.#waiting.splice(this.#waiting.indexOf(one), 1);
          resolve(undefined);
        }, this.#patienceMs),
      };
      this.#waiting.push(one);
    });
  }

  #letIn() {
    this.#inside++;
    let isInside = true;
    return () => {
      if (!isInside) return;
      isInside = false;
      this.#inside--;
      this.#waiting.shift()?.admit();
    };
  }
}
