/**
 * Sound while it plays, in Chromium: what comes out of the audio thread while the page is blocked, sample by sample
 * against the same list mixed at leisure, and the playhead against the output.
 */
import http from 'node:http';
import fs from 'node:fs';
import { chromium } from '@playwright/test';
import { build } from 'esbuild';
import { buildThreads } from '../scripts/lib/built.mjs';

await buildThreads();
const { outputFiles } = await build({
  entryPoints: ['bench/live/page.ts'],
  bundle: true,
  write: false,
  format: 'iife',
  target: 'es2022',
  loader: { '.json': 'json' },
});
const server = http
  .createServer(({ url }, answer) => {
    let script;
    if (url === '/page.js') script = outputFiles[0].text;
    if (url === '/worklets/sequencer.js') script = fs.readFileSync(`public${url}`);
    answer.setHeader('content-type', script ? 'text/javascript' : 'text/html');
    answer.end(script ?? '<!doctype html><title>live</title><script src="/page.js"></script>');
  })
  .listen(0, '127.0.0.1');
await new Promise((ready) => server.on('listening', ready));

const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: [
    '--disable-gpu',
    '--autoplay-policy=no-user-gesture-required',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
});
try {
  const page = await browser.newPage();
  page.on('pageerror', (error) => console.error(error));
  await page.goto(`http://127.0.0.1:${server.address().port}/`);
  const stalls = await page.evaluate(() => window.stalled());
  console.log('\nlive: the main thread blocked for 2 s, five times, while 16ths play\n');
  console.log(
    '| sounds due | missing or moved | samples compared | samples that differ | samples not captured |\n| ---: | ---: | ---: | ---: | ---: |',
  );
  console.log(
    `| ${[stalls.due, stalls.off, stalls.compared, stalls.wrong, stalls.missing].map((value) => value.toLocaleString('en')).join(' | ')} |`,
  );
  const head = await page.evaluate(() => window.playhead());
  console.log('\nlive: the playhead against the output, with every video frame (16.7 ms)\n');
  console.log(
    '| frames | median ms | worst ms | reported output latency ms | worst allowed ms |\n| ---: | ---: | ---: | ---: | ---: |',
  );
  console.log(
    `| ${head.frames} | ${head.median.toFixed(1)} | ${head.worst.toFixed(1)} | ${head.latency.toFixed(1)} | ${(16.7 + head.latency).toFixed(1)} |`,
  );
  if (stalls.off || stalls.wrong) process.exitCode = 1;
} finally {
  await browser.close();
  server.close();
}
