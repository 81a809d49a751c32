import type { Tolerance } from '@/core/judging/types/figures';
import { expose } from 'comlink';
import type { Take } from '@/core/documents/take';
import { judge } from '@/core/judging/verdict/judge';
import type { BarWindow } from '@/core/judging/types/judgement';

/** Judges a stretch of a take that still goes on, off the page's own thread: whether nothing is to be fixed in it. */
const isClean = (take: Take, tolerance: Tolerance, window: BarWindow): boolean =>
  judge(take, tolerance, window).verdict.about === 'clean';

const worker = { isClean };
export type JudgeWorker = typeof worker;

expose(worker);
