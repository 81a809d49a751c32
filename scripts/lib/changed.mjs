import { execFileSync } from 'node:child_process';
import fs from 'node:fs';

const git = (...args) => execFileSync('git', args, { encoding: 'utf8' }).split('\n').filter(Boolean);

/** Files changed since `SINCE`, or not committed yet, or in the last commit where all is; deleted ones are left out. */
export function changedFiles(since = process.env.SINCE) {
  const uncommitted = [...git('diff', '--name-only', 'HEAD'), ...git('ls-files', '--others', '--exclude-standard')];
  const base = since ?? (uncommitted.length ? 'HEAD' : 'HEAD~1');
  const all = new Set([...git('diff', '--name-only', base), ...uncommitted]);
  return [...all].filter((file) => fs.existsSync(file));
}
