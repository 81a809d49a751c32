/**
 * The bench in Chromium: from a key press to the strip and to the stave, in a groove of 8 bars of 32nds on four
 * limbs, from a letter typed in Say it to the pale strip, and what 1,000 edits leave in memory. "Worked" is from the
 * press until the page is laid out again; "painted" is until the frame after that has been drawn, so it holds the
 * wait for the frame too.
 */
import { openAsTeacher, ownPlace, startServed } from './served.mjs';

const EDITS = 120;
const LIMBS = [
  ['right hand', 'closed hat'],
  ['left hand', 'snare'],
  ['right foot', 'kick'],
  ['left foot', 'hat pedal'],
];

/** As JSON: 8 bars of 4/4, every count in eight, every slot struck by all four limbs. */
const full = {
  version: 1,
  title: 'Full',
  reading: 'numbers',
  tempo: 40,
  bars: Array.from({ length: 8 }, () => ({
    meter: { beats: 4, unit: 4 },
    cells: Array.from({ length: 4 }, () => ({ counts: 1, parts: 8 })),
    strokes: Array.from({ length: 32 }, (_, slot) =>
      LIMBS.map(([limb, surface]) => ({ limb, surface, at: fraction(slot), height: 'tap' })),
    ).flat(),
  })),
};
function fraction(slot) {
  const shared = [32, 16, 8, 4, 2].find((each) => slot % each === 0) ?? 1;
  return slot === 0 ? '0' : `${slot / shared}/${32 / shared}`;
}

const PHRASES = [
  'bar 2: right foot 1, & of 2, a of 3',
  'remove the snare on 2 and 4 in bar 3',
  'hat 16ths in every bar except the last one',
];

const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];
const high = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length * 0.95)];

const place = ownPlace();
let stop;
let browser;
try {
  const served = await startServed(place);
  stop = served.stop;
  const teacher = await openAsTeacher(served, ['--js-flags=--expose-gc']);
  browser = teacher.browser;
  const { page } = teacher;
  await page.goto('/grooves');
  await page.getByRole('button', { name: 'New groove', exact: true }).click();
  await page.waitForURL(/bench/);
  const id = page.url().split('/').at(-1);
  // A draft of an edit that did not reach the server is what the bench opens with.
  await page.evaluate(
    ([key, draft]) => localStorage.setItem(key, draft),
    [`mochila draft ${id}`, JSON.stringify({ from: 1, groove: full })],
  );
  await page.reload();
  const strip = page.getByRole('application', { name: /^Strip/ });
  await page.locator('[data-stave-bar="7"] svg').waitFor();
  await page.getByText('Saved', { exact: true }).waitFor();

  await page.evaluate(() => {
    const painted = (then) =>
      requestAnimationFrame(() => {
        const channel = new MessageChannel();
        channel.port1.onmessage = then;
        channel.port2.postMessage(0);
      });
    window.times = { worked: [], painted: [], stave: [] };
    let pressed;
    const stave = document.querySelector('section[aria-label="Staff notation"]');
    new MutationObserver(() => {
      if (pressed === undefined) return;
      const since = pressed;
      pressed = undefined;
      painted(() => window.times.stave.push(performance.now() - since));
    }).observe(stave, { childList: true, subtree: true });
    window.addEventListener(
      'keydown',
      (event) => {
        if (event.key !== '+' && event.key !== '-') return;
        pressed = event.timeStamp;
        const since = event.timeStamp;
        painted(() => window.times.painted.push(performance.now() - since));
      },
      true,
    );
    // Heard after the page's own listener, which has changed the page by then.
    window.addEventListener('keydown', (event) => {
      if (event.key !== '+' && event.key !== '-') return;
      document.body.getBoundingClientRect();
      window.times.worked.push(performance.now() - event.timeStamp);
    });
  });
  await strip.focus();
  for (let edit = 0; edit < EDITS; edit++) {
    await page.keyboard.press(edit % 2 ? '-' : '+');
    if (edit % 2) await page.keyboard.press(edit % 8 === 7 ? 'Control+ArrowRight' : 'ArrowRight');
    await page.waitForTimeout(120);
  }
  // Each letter that is typed draws the strip with what is understood, pale, and says it back.
  await page.evaluate(() => {
    window.times.said = [];
    window.times.saidPainted = [];
    window.addEventListener('input', (event) => {
      document.body.getBoundingClientRect();
      window.times.said.push(performance.now() - event.timeStamp);
      requestAnimationFrame(() => setTimeout(() => window.times.saidPainted.push(performance.now() - event.timeStamp)));
    });
  });
  await page.getByLabel('Say it').focus();
  for (const phrase of PHRASES) {
    for (const letter of phrase) {
      await page.keyboard.press(letter === ' ' ? 'Space' : letter);
      await page.waitForTimeout(80);
    }
    await page.getByLabel('Say it').fill('');
  }
  const times = await page.evaluate(() => window.times);

  const session = await page.context().newCDPSession(page);
  const heap = async () => {
    for (let time = 0; time < 3; time++) await session.send('HeapProfiler.collectGarbage');
    return (await session.send('Runtime.getHeapUsage')).usedSize / 1e6;
  };
  const before = await heap();
  const after = [];
  for (const edits of [250, 500, 750, 1000]) {
    for (let edit = edits - 250; edit < edits; edit++) await page.keyboard.press(edit % 2 ? '-' : '+');
    await page.getByText('Saved', { exact: true }).waitFor({ timeout: 60_000 });
    after.push([edits, await heap()]);
  }

  console.log(
    `\nediting: ${EDITS} strokes raised and lowered by key, 8 bars of 32nds on four limbs (frame: 16.7 ms)\n`,
  );
  console.log('| from key press to | median ms | 95 % below ms | frames |\n| --- | ---: | ---: | ---: |');
  for (const [name, values] of [
    ['strip worked out and laid out', times.worked],
    ['strip painted', times.painted],
    ['stave painted', times.stave],
    ['letter typed in Say it: strip worked out and laid out', times.said],
    ['letter typed in Say it: painted', times.saidPainted],
  ])
    console.log(
      `| ${name} | ${median(values).toFixed(1)} | ${high(values).toFixed(1)} | ${(median(values) / 16.7).toFixed(1)} |`,
    );
  console.log(
    '\nediting: memory of the page, garbage collected (the last 200 steps can be undone)\n\n| edits | MB |\n| ---: | ---: |',
  );
  for (const [edits, size] of [[0, before], ...after]) console.log(`| ${edits} | ${size.toFixed(1)} |`);
} finally {
  await browser?.close();
  await stop?.();
  place.clean();
}
