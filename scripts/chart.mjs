/**
 * A chart as it is typed, unrolled into the bars really played: `node scripts/chart.mjs chart.txt`. What is not
 * understood, or cannot be played, is told at its place.
 */
import fs from 'node:fs';
import { register } from 'tsx/esm/api';
import { main, refuse, say } from './lib/say.mjs';

await main(async () => {
  register();
  const { readChartText } = await import('../src/core/chart/text/chartText.ts');
  const { unroll } = await import('../src/core/chart/play/unroll.ts');
  const { barsInWords } = await import('../src/core/wording/barsInWords.ts');
  const { sentence } = await import('../src/core/result.ts');
  const [file] = process.argv.slice(2);
  if (!file) refuse('A file is wanted.', 'node scripts/chart.mjs chart.txt');
  if (!fs.existsSync(file)) refuse(`${file} is not there.`, 'Give the name of a chart as it is typed.');
  const text = fs.readFileSync(file, 'utf8');
  const read = readChartText(text);
  if (!read.ok) {
    const { from, say: wrong, remedy } = read.problems[0];
    const before = text.slice(0, from).split('\n');
    refuse(`${file}, line ${before.length}, letter ${before.at(-1).length + 1}: ${wrong}`, remedy);
  }
  const played = unroll(read.value);
  if (!played.ok) refuse(`${file}: ${sentence(played.problems[0])}`, 'Mend it there.');
  say(barsInWords(played.value));
});
