import path from 'node:path';
import { Worker } from 'node:worker_threads';
import type { Tolerance } from '@/core/judging/types/figures';
import { fail, problem, type Result } from '@/core/result';
import { Busy } from '../busy';
import type { JudgingAsked } from './judge.worker';
import type { JudgedTake } from './judged';

/** The longest take that may be kept is judged in about a second; what takes longer than this is no honest one. */
const MOST_MS = 10_000;
const MOST_MEGABYTES = 256;
/** Takes that wait to be judged; a whole school that stops at once comes to fewer. */
const MOST_WAITING = 500;

const TOO_MUCH = problem(
  'too-much-work',
  'Working this take out asks for more time or memory than there is for one.',
  'Record a shorter one, with fewer strokes or a thinner click.',
);

interface Job {
  take: unknown;
  tolerance: Tolerance;
  done: (answer: Result<JudgedTake>) => void;
  failed: (error: Error) => void;
}

/**
 * Judges takes in a thread of its own, one after another, each within a limit of time and memory. Pages are served
 * meanwhile, and a take that goes over a limit ends with a problem, never with the server.
 */
export class JudgeApart {
  private worker: Worker | undefined;
  private waiting: Job[] = [];
  private now: (Job & { number: number; timer: NodeJS.Timeout }) | undefined;
  private number = 0;

  constructor(
    /** The judge, built by `buildJudge` of scripts/lib/built.mjs. */
    private readonly file: string,
    private readonly most = { ms: MOST_MS, megabytes: MOST_MEGABYTES, waiting: MOST_WAITING },
  ) {}

  judge(take: unknown, tolerance: Tolerance): Promise<Result<JudgedTake>> {
    if (this.waiting.length >= this.most.waiting) return Promise.reject(new Busy());
    return new Promise((done, failed) => {
      this.waiting.push({ take, tolerance, done, failed });
      this.next();
    });
  }

  private next(): void {
    if (this.now) return;
    const job = this.waiting.shift();
    if (!job) return;
    const worker = (this.worker ??= this.begin());
    const number = ++this.number;
    const timer = setTimeout(() => this.over(worker), this.most.ms);
    this.now = { ...job, number, timer };
    worker.ref();
    worker.postMessage({ number, take: job.take, tolerance: job.tolerance } satisfies JudgingAsked);
  }

  private begin(): Worker {
    const worker = new Worker(this.file, { resourceLimits: { maxOldGenerationSizeMb: this.most.megabytes } });
    worker.on('message', ({ number, answer }: { number: number; answer: Result<JudgedTake> }) => {
      if (number === this.now?.number) this.answer((job) => job.done(answer));
    });
    worker.on('error', (error: NodeJS.ErrnoException) => this.over(worker, error));
    return worker;
  }

  /** The worker ran out of time or memory, or could not be had at all: the next take gets a new one. */
  private over(worker: Worker, error?: NodeJS.ErrnoException): void {
    if (worker !== this.worker) return;
    this.worker = undefined;
    void worker.terminate();
    const isTooMuch = !error || error.code === 'ERR_WORKER_OUT_OF_MEMORY';
    this.answer((job) => (isTooMuch ? job.done(fail(TOO_MUCH)) : job.failed(error)));
  }

  private answer(give: (job: Job) => void): void {
    const job = this.now;
    if (!job) return;
    clearTimeout(job.timer);
    this.now = undefined;
    // A worker with nothing to do keeps no process alive.
    this.worker?.unref();
    give(job);
    this.next();
  }
}

let apart: JudgeApart | undefined;

/** Judges a take beside the web server; throws `Busy` when too many wait. */
export const judgeInWorker = (take: unknown, tolerance: Tolerance): Promise<Result<JudgedTake>> =>
  (apart ??= new JudgeApart(path.join(process.cwd(), 'build', 'judge.mjs'))).judge(take, tolerance);
