import { say } from './say.mjs';

/** How many tests ran, as vitest and Playwright say it at their end; undefined for what counts none. */
function testsOf(output) {
  const plain = output.replaceAll(/\u001b\[[0-9;]*m/g, '');
  const found = /Tests .*?(\d+) passed/.exec(plain) ?? /^\s*(\d+) passed/m.exec(plain);
  return found ? Number(found[1]) : undefined;
}

/**
 * Runs steps, those of a lane one after another and the lanes side by side. What a step printed
 * stands whole behind it, unless it printed it live.
 * @param {Record<string, { run: () => Promise<{ code: number, output: string }>, budget?: number, isLive?: boolean }>} steps
 * @param {string[][]} lanes
 * @returns {Promise<{ name: string, code: number, seconds: number, tests?: number, budget?: number }[]>}
 */
export async function runSteps(steps, lanes) {
  const results = await Promise.all(
    lanes.map(async (lane) => {
      const done = [];
      for (const name of lane) {
        const { run, budget, isLive = false } = steps[name];
        const began = Date.now();
        say(`== ${name} …`);
        const { code, output } = await run();
        const seconds = (Date.now() - began) / 1000;
        say(
          `${isLive ? '' : output.trim()}\n== ${name}: ${code === 0 ? 'passed' : 'FAILED'} in ${Math.round(seconds)} s\n`,
        );
        done.push({ name, code, seconds, tests: testsOf(output), budget });
      }
      return done;
    }),
  );
  return results.flat();
}

/** A line a step: seconds, tests, and a warning where it took longer than its budget. */
export function tableOf(results, wholeSeconds) {
  const line = (name, seconds, tests, note) =>
    `${name.padEnd(10)}${String(seconds).padStart(8)}${String(tests).padStart(8)}  ${note}`.trimEnd();
  const noteOf = ({ code, seconds, budget }) => {
    if (code !== 0) return 'FAILED';
    return budget && seconds > budget ? `over its ${budget} s` : '';
  };
  return [
    line('step', 'seconds', 'tests', ''),
    ...results.map((one) => line(one.name, Math.round(one.seconds), one.tests ?? '', noteOf(one))),
    line(
      'whole',
      Math.round(wholeSeconds),
      results.reduce((sum, { tests = 0 }) => sum + tests, 0),
      '',
    ),
  ].join('\n');
}
