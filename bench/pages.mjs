/**
 * What pages cost as a workshop grows, from the demo's six students to 2,000 with 200,000 takes and 1,000,000 lines of
 * the log: the median time of the
 * page as the server answers it, and how much is sent. Then how much script the first screens load, as sent.
 */
import { gzipSync } from 'node:zlib';
import { openAsTeacher, ownPlace, startServed } from './served.mjs';

const PAGES = [
  '/today',
  '/lessons',
  '/people',
  '/takes',
  '/takes?item=ferry',
  '/takes?input=MIDI',
  '/workshop/changes',
  '/grooves',
  '/drills',
  '/tunes',
  '/paths',
  'a student',
  'charts',
];
const TIMES = 15;
const median = (all) => all.toSorted((a, b) => a - b)[Math.floor(all.length / 2)];

/** Each page's median milliseconds and bytes. */
async function measured(page, student) {
  const rows = new Map();
  for (const name of PAGES) {
    const address =
      { 'a student': student, charts: student.replace('/people/', '/charts?weeks=26&beside=yes&student=') }[name] ??
      name;
    const times = [];
    let bytes = 0;
    for (let index = 0; index <= TIMES; index++) {
      const began = performance.now();
      const answer = await page.request.get(address);
      bytes = (await answer.body()).length;
      if (!answer.ok()) throw new Error(`${address} answered ${answer.status()}`);
      // The first one warms up.
      if (index) times.push(performance.now() - began);
    }
    rows.set(name, { ms: median(times), bytes });
  }
  return rows;
}

/** The bytes of script that the first paint of a page waits for, as sent; without what only very old browsers load. */
async function scriptOf(page, address) {
  const html = await (await page.request.get(address)).text();
  const tags = [...html.matchAll(/<script[^>]+src="([^"]+)"[^>]*>/g)].filter(([tag]) => !/nomodule/i.test(tag));
  let bytes = 0;
  for (const source of new Set(tags.map(([, from]) => from)))
    bytes += gzipSync(await (await page.request.get(source)).body()).length;
  return bytes;
}

const place = ownPlace();
try {
  const results = [];
  let script;
  for (const volume of [undefined, process.env.MOCHILA_VOLUME ?? '2000,200000,1000000']) {
    const served = await startServed(place, volume && { MOCHILA_VOLUME: volume });
    const { browser, page } = await openAsTeacher(served);
    await page.goto('/people');
    const link = page.locator('main a[href^="/people/"]:not([href="/people/new"])').first();
    const student = await link.getAttribute('href');
    results.push(await measured(page, student));
    if (!volume) {
      const href = async (path, match) => {
        await page.goto(path);
        return page.locator(match).first().getAttribute('href');
      };
      const screens = {
        Today: '/today',
        room: await href('/grooves', 'a[href^="/room/"]'),
        bench: await href('/grooves', 'a[href^="/bench/"]'),
      };
      script = [];
      for (const [name, path] of Object.entries(screens)) script.push([name, await scriptOf(page, path)]);
    }
    await browser.close();
    await served.stop();
  }
  const [few, many] = results;
  console.log('\npages: the demo with 6 students, and with 2,000, 200,000 takes and 1,000,000 lines of the log\n');
  console.log('| page | ms, 6 | ms, 2,000 | times | kB, 6 | kB, 2,000 |\n| --- | ---: | ---: | ---: | ---: | ---: |');
  for (const name of PAGES) {
    const [a, b] = [few.get(name), many.get(name)];
    console.log(
      `| ${name} | ${a.ms.toFixed(0)} | ${b.ms.toFixed(0)} | ${(b.ms / a.ms).toFixed(1)} | ${(a.bytes / 1000).toFixed(0)} | ${(b.bytes / 1000).toFixed(0)} |`,
    );
  }
  console.log('\nscript that the first paint of a screen waits for, as sent\n\n| screen | kB |\n| --- | ---: |');
  for (const [name, bytes] of script) console.log(`| ${name} | ${(bytes / 1000).toFixed(0)} |`);
} finally {
  place.clean();
}
