/** Prints rows as a table that can be pasted into docs/bench.md. */
export function printTable(title: string, heads: string[], rows: (string | number)[][]): void {
  console.log(`\n${title}\n\n| ${heads.join(' | ')} |\n|${heads.map(() => ' ---: |').join('')}`);
  for (const row of rows)
    console.log(
      `| ${row.map((cell) => (typeof cell === 'number' ? cell.toLocaleString('en', { maximumFractionDigits: 2 }) : cell)).join(' | ')} |`,
    );
}

/** The median time of several runs, in milliseconds, after one that warms up. */
export function medianMs(work: () => void, runs = 7): number {
  work();
  const times = Array.from({ length: runs }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  });
  return times.sort((a, b) => a - b)[Math.floor(runs / 2)]!;
}
