import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { writeTake } from '@/core/documents/take';
import { oneLine } from '@/core/testing/arbitrary';
import { emptyTake } from '@/core/testing/takes';
// @ts-expect-error no types: it runs before packages are installed
import { buildJudge } from '../../../scripts/lib/built.mjs';
import { Busy } from '../busy';
import { JudgeApart } from './apart';
import { judgeSent } from './judged';

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'mochila-judge-'));
const built = path.join(folder, 'judge.mjs');
const most = { ms: 10_000, megabytes: 256, waiting: 500 };
const take = JSON.parse(JSON.stringify(writeTake(emptyTake(oneLine('tttttttttttttttt'), { playedMs: 60_000 }))));

/** A judge that does as the code says with everything it is asked. */
function judgeThat(does: string): string {
  const file = path.join(folder, `${does.length}.mjs`);
  fs.writeFileSync(
    file,
    `import { parentPort } from 'node:worker_threads'; parentPort.on('message', (asked) => { ${does} });`,
  );
  return file;
}

beforeAll(() => buildJudge(built));
afterAll(() => fs.rmSync(folder, { recursive: true, force: true }));

describe('judging in a thread of its own', () => {
  test('says what judging here says, to many at once, each its own', async () => {
    const apart = new JudgeApart(built);
    const levels = ['first year', 'concert', 'advanced', 'first year'] as const;
    expect(await Promise.all(levels.map((level) => apart.judge(take, level)))).toEqual(
      levels.map((level) => judgeSent(take, level)),
    );
    expect(await apart.judge({ ...take, rounds: 0 }, 'concert')).toMatchObject({ ok: false });
  });

  test('one that takes too long, or too much memory, ends in words; the next is judged all the same', async () => {
    const answers = `if (asked.take !== 'mild') { TOO } parentPort.postMessage({ number: asked.number, answer: 'judged' });`;
    const endless = new JudgeApart(judgeThat(answers.replace('TOO', 'for (;;);')), { ...most, ms: 300 });
    const [over, mild] = await Promise.all([endless.judge('wild', 'concert'), endless.judge('mild', 'concert')]);
    expect(over).toMatchObject({ ok: false, problems: [{ code: 'too-much-work' }] });
    expect(mild).toBe('judged');

    const greedy = judgeThat(
      answers.replace('TOO', 'const all = []; for (;;) all.push(Array.from({ length: 1e5 }, () => ({})));'),
    );
    const hungry = new JudgeApart(greedy, { ...most, megabytes: 32 });
    expect(await hungry.judge('wild', 'concert')).toMatchObject({ ok: false, problems: [{ code: 'too-much-work' }] });
    expect(await hungry.judge('mild', 'concert')).toBe('judged');
  });

  test('more than may wait are told to come again', async () => {
    const apart = new JudgeApart(built, { ...most, waiting: 1 });
    const [, , third] = await Promise.allSettled([take, take, take].map((one) => apart.judge(one, 'concert')));
    expect(third).toMatchObject({ status: 'rejected', reason: expect.any(Busy) as Busy });
  });
});
