import { spawn } from 'node:child_process';

/**
 * Runs a program to its end. Resolves to its exit code and what it printed, which `show` also prints as it comes.
 * @param {string} program @param {string[]} args
 * @param {{ env?: Record<string, string>, show?: boolean, cwd?: string, uid?: number, gid?: number }} [options]
 * @returns {Promise<{ code: number, output: string }>}
 */
export function run(program, args, { env = {}, show = false, ...rest } = {}) {
  return new Promise((resolve) => {
    const child = spawn(program, args, {
      env: { ...process.env, ...env },
      stdio: ['ignore', 'pipe', 'pipe'],
      ...rest,
    });
    let output = '';
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (data) => {
        output += data;
        if (show) process.stdout.write(data);
      });
    child.on('error', (error) => resolve({ code: 127, output: String(error) }));
    child.on('close', (code) => resolve({ code: code ?? 1, output }));
  });
}

/** The last lines of what a program printed: enough to see what went wrong. */
export const lastLines = (output, count = 3) => output.trim().split('\n').slice(-count).join(' | ');
