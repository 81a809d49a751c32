/** Takes the pictures in docs/screenshots anew from a running demo: `node scripts/screenshots.mjs [address]`. */
import path from 'node:path';
import { chromium } from '@playwright/test';

const address = process.argv[2] ?? 'http://127.0.0.1:3000';
const folder = path.join(import.meta.dirname, '../docs/screenshots');
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--disable-gpu', '--autoplay-policy=no-user-gesture-required'],
});

/** A page of somebody's, 1280×800 unless it says otherwise. */
async function as(who, options = {}) {
  const page = await (
    await browser.newContext({ viewport: { width: 1280, height: 800 }, reducedMotion: 'no-preference', ...options })
  ).newPage();
  await page.goto(`${address}/sign-in`);
  if (who) {
    await page.getByRole('button', { name: new RegExp(who) }).click();
    await page.waitForURL('**/today');
  }
  return page;
}
async function shoot(page, name) {
  await page.evaluate(() => document.fonts.ready);
  await page.waitForTimeout(900);
  await page.screenshot({ path: path.join(folder, `${name}.png`) });
}
const openRoom = async (page) => {
  await page
    .getByRole('link', { name: /Open.*in the room/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Play', exact: true }).waitFor();
};
const choose = async (page, list, option) => {
  await page.getByLabel(list, { exact: true }).click();
  await page.getByRole('option', { name: option, exact: true }).click();
};

const student = await as('Noor');
await shoot(student, 'today');
await student.goto(`${address}/takes`);
await student.getByRole('row').nth(2).getByRole('link').click();
await student.locator('[data-bead]').first().waitFor();
await shoot(student, 'take');

const room = await as('Ilse');
await openRoom(room);
await shoot(room, 'room');
await choose(room, 'Who plays', 'kit, uneven');
await room.getByRole('button', { name: 'Play', exact: true }).click();
await room.waitForTimeout(7000);
await room.screenshot({ path: path.join(folder, 'room-playing.png') });

const back = await as('Bertil');
await back.getByRole('link', { name: 'Log', exact: true }).click();
await back.getByRole('row').filter({ hasText: '(recording)' }).getByRole('link').first().click();
await back.getByRole('button', { name: 'Listen back' }).click();
await back.getByRole('button', { name: 'Listen', exact: true }).click();
await back.waitForTimeout(2500);
await back.screenshot({ path: path.join(folder, 'listen-back.png') });

const planned = await as('Jonte');
await planned.getByRole('button', { name: '30 minutes' }).click();
await planned.getByText('Plan it anew').waitFor();
await shoot(planned, 'plan');

const phone = await as('Wendla', { viewport: { width: 390, height: 844 }, colorScheme: 'dark' });
await openRoom(phone);
await phone.getByRole('button', { name: 'Play', exact: true }).click();
await phone.waitForTimeout(6000);
await phone.screenshot({ path: path.join(folder, 'phone-playing.png') });

// A pad that is struck again and again, in place of a microphone.
const heard = await as('Wendla');
await heard.addInitScript(() => {
  navigator.mediaDevices.getUserMedia = async () => {
    const context = new AudioContext();
    const buffer = context.createBuffer(1, 0.7 * context.sampleRate, context.sampleRate);
    buffer.getChannelData(0).forEach((_, index, samples) => {
      samples[index] = 0.6 * Math.sin(index / 9) * Math.exp(-index / 900) + 0.001 * Math.sin(index * index);
    });
    const source = new AudioBufferSourceNode(context, { buffer, loop: true });
    const out = new MediaStreamAudioDestinationNode(context);
    source.connect(out);
    source.start();
    return out.stream;
  };
});
await heard.goto(`${address}/getting-heard`);
await heard.getByRole('button', { name: 'Microphone', exact: true }).click();
await heard.getByRole('button', { name: 'Open the microphone' }).click();
await heard.getByRole('button', { name: 'Begin: strike each six times' }).click();
await heard.getByText(/^It is heard/).waitFor({ timeout: 60_000 });
await shoot(heard, 'getting-heard');

const reading = await as('Oda', { viewport: { width: 390, height: 844 }, colorScheme: 'dark' });
await reading.goto(`${address}/drills/at-sight`);
await reading.getByRole('link', { name: 'Read Buoy after buoy' }).click();
await reading.getByRole('button', { name: 'Play', exact: true }).click();
await reading.getByRole('timer').waitFor();
await reading.getByRole('button', { name: 'Play', exact: true }).click();
await reading.waitForTimeout(6000);
await reading.screenshot({ path: path.join(folder, 'at-sight.png') });

const teacher = await as('Oda');
await shoot(teacher, 'today-teacher');
await teacher.goto(`${address}/grooves`);
await teacher
  .getByRole('group', { name: /strip$/ })
  .first()
  .waitFor();
await shoot(teacher, 'grooves');
await teacher.goto(`${address}/grooves`);
await teacher.getByRole('link', { name: 'Open Ferry ramp on the bench' }).click();
await teacher.getByRole('application').focus();
for (const key of ['ArrowDown', 'Control+ArrowRight']) await teacher.keyboard.press(key);
await teacher.getByLabel('Say it').fill('left hand: ghost & of 1, loud let of 3');
await teacher.locator('[data-stave-bar] svg').first().waitFor();
await shoot(teacher, 'bench');
await teacher.getByLabel('Say it').fill('');
await teacher.goto(`${address}/drills`);
await choose(teacher, 'What to train', 'A foot or hand between the hats');
await choose(teacher, 'Where', 'every combination');
await teacher.getByText('255 exercises').waitFor();
await shoot(teacher, 'drills');
await teacher.goto(`${address}/tunes`);
await teacher.getByRole('link', { name: 'Chart of The long landing' }).click();
await teacher.getByRole('button', { name: 'Change the chart' }).click();
await teacher.locator('[data-chart-line] svg').nth(2).waitFor();
await shoot(teacher, 'chart');
await teacher.getByRole('button', { name: 'Close' }).click();
await teacher.getByRole('link', { name: 'Practise it' }).click();
await choose(teacher, 'From', '3. A, time 2 of 2');
await choose(teacher, 'Who plays', 'kit, steady');
await teacher.getByRole('button', { name: 'Play', exact: true }).click();
await teacher.waitForTimeout(20_000);
await teacher.screenshot({ path: path.join(folder, 'chart-playing.png') });
await teacher.goto(`${address}/grooves`);
const bench = teacher.getByRole('link', { name: 'Open Ferry ramp on the bench' });
await teacher.goto(`${address}${(await bench.getAttribute('href')).replace('bench', 'handout')}?strip=on`);
await teacher.locator('[data-stave-bar] svg').first().waitFor();
await shoot(teacher, 'handout');
await teacher.goto(`${address}/people`);
await teacher.getByRole('link', { name: 'Jonte Brackwater' }).click();
await teacher.locator('.recharts-surface').first().waitFor();
await shoot(teacher, 'student');
await teacher.goto(`${address}/takes`);
await teacher.getByRole('link', { name: 'Pim Aldersey' }).click();
await teacher.getByRole('link', { name: 'Charts', exact: true }).click();
await teacher.locator('.recharts-surface').first().waitFor();
await shoot(teacher, 'charts');
await teacher.goto(`${address}/today`);
await teacher.getByRole('button', { name: 'Open the lesson of Jonte Brackwater' }).click();
await teacher.getByRole('button', { name: 'Begin the lesson' }).click();
await teacher
  .getByRole('button', { name: /^Turn to/ })
  .nth(1)
  .click();
await shoot(teacher, 'lesson');
await browser.close();
