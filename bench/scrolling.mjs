/**
 * The drill maker in Chromium with few and with many exercises: it is scrolled by the same way each frame, and how far
 * apart the frames come is compared with a page that stands still. How many exercises are drawn must not grow with how
 * many there are.
 */
import { openAsTeacher, ownPlace, startServed } from './served.mjs';

const FRAMES = 300;
/** Pixels a frame: a quick turn of the wheel. */
const STEP = 24;

const place = ownPlace();
let stop;
let browser;
try {
  const served = await startServed(place);
  stop = served.stop;
  const teacher = await openAsTeacher(served);
  browser = teacher.browser;
  const { page } = teacher;
  await page.goto('/drills');
  const choose = async (list, option) => {
    await page.getByLabel(list, { exact: true }).click();
    await page.getByRole('option', { name: option, exact: true }).click();
    await page.getByRole('listbox').waitFor({ state: 'detached' });
  };
  await choose('What to train', 'A foot or hand between the hats');
  await choose('Where', 'every combination');
  await page.getByLabel('The others keep').fill('hat quarters');

  const rows = [];
  for (const many of [20, 100, 500, 1000]) {
    await choose('At most', String(many));
    await page.getByText(`${many.toLocaleString('en')} chosen evenly by difficulty`).waitFor();
    await page.evaluate(() => window.scrollTo(0, 0));
    await page.waitForTimeout(500);
    const still = await frames(page, 0);
    const moved = await frames(page, STEP);
    rows.push([
      many,
      moved.pixels,
      moved.drawn,
      still.median,
      moved.median,
      moved.high,
      moved.worst,
      moved.median / still.median,
    ]);
  }
  const head = [
    'exercises',
    'pixels scrolled',
    'most drawn',
    'frame at rest',
    'frame, median',
    '95th of 100',
    'worst',
    'times at rest',
  ];
  console.log('\nscrolling: exercises of the drill maker, frames in ms\n');
  console.log(`| ${head.join(' | ')} |\n| ${head.map(() => '---:').join(' | ')} |`);
  for (const row of rows)
    console.log(
      `| ${row.map((value, column) => (column < 3 ? value.toLocaleString('en') : value.toFixed(1))).join(' | ')} |`,
    );
  console.log();
} finally {
  await browser?.close();
  await stop?.();
  place.clean();
}

/** Scrolls by so many pixels with each frame, turning back at the ends. */
function frames(page, step) {
  return page.evaluate(
    ([count, by]) =>
      new Promise((resolve) => {
        const times = [];
        let [drawn, way, pixels] = [0, by, 0];
        const frame = (now) => {
          times.push(now);
          const before = window.scrollY;
          window.scrollBy(0, way);
          if (way && window.scrollY === before) way = -way;
          pixels += Math.abs(window.scrollY - before);
          drawn = Math.max(drawn, document.querySelectorAll('section[aria-label^="Exercise "]').length);
          if (times.length <= count) return requestAnimationFrame(frame);
          const gaps = times
            .slice(1)
            .map((time, index) => time - times[index])
            .sort((a, b) => a - b);
          const at = (share) => gaps[Math.min(gaps.length - 1, Math.floor(gaps.length * share))];
          resolve({ median: at(0.5), high: at(0.95), worst: at(1), drawn, pixels: Math.round(pixels) });
        };
        requestAnimationFrame(frame);
      }),
    [FRAMES, step],
  );
}
