import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { choose, comeInAs, complaints, expectAccessible, openRoom, playByKit } from './steps';

test('a student plays a groove by the simulated kit, and the teacher sees the same picture', async ({
  page,
  browser,
}) => {
  const wrong = complaints(page);
  await comeInAs(page, 'Wendla');
  await expect(page.getByText('Breathe out on 1')).toBeVisible();
  await openRoom(page);
  await playByKit(page, 'late', 2);
  const verdictOf = (one: Page) =>
    one.getByRole('group', { name: 'Verdict' }).getByText(/The whole take sits \d+ ms behind/);
  await expect(verdictOf(page)).toBeVisible();
  await expect(page.locator('[data-bead]')).toHaveCount(24);

  // The same from the log, read back from the server.
  await page.getByRole('link', { name: 'Log', exact: true }).click();
  await expect(page.getByRole('row').nth(1)).toContainText('struck by the simulated kit');
  await page.getByRole('row').nth(2).getByRole('link').click();
  await expect(page.getByText('Fix this first')).toBeVisible();
  const verdict = await verdictOf(page).innerText();
  const beads = await page
    .locator('[data-bead]')
    .evaluateAll((all) =>
      all.map((bead) => [bead.getAttribute('data-bead'), bead.getAttribute('x'), bead.getAttribute('y')]),
    );
  expect(beads).toHaveLength(24);
  const address = page.url();

  const teacher = await (await browser.newContext({ baseURL: process.env.DEMO_URL })).newPage();
  await comeInAs(teacher, 'Oda');
  await teacher.getByRole('link', { name: 'Log', exact: true }).click();
  await expect(teacher.getByRole('heading', { name: 'Log', level: 1 })).toBeVisible();
  await teacher.getByRole('link', { name: 'Wendla Osterby' }).click();
  const row = teacher.getByRole('row').nth(2);
  await expect(row).toContainText('Reed beds');
  await expect(row).toContainText(verdict);
  await row.getByRole('link').click();
  await expect(teacher).toHaveURL(address);
  await expect(verdictOf(teacher)).toHaveText(verdict);
  expect(
    await teacher
      .locator('[data-bead]')
      .evaluateAll((all) =>
        all.map((bead) => [bead.getAttribute('data-bead'), bead.getAttribute('x'), bead.getAttribute('y')]),
      ),
  ).toEqual(beads);
  expect(wrong).toEqual([]);
});

test('by the computer keys: every press is a hit of its limb, and the take is judged and kept', async ({ page }) => {
  await comeInAs(page, 'Pim');
  await openRoom(page);
  await choose(page, 'Length', '1 round');
  await page.keyboard.press('Space');
  await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible();
  // The count-in is over when the first round’s beads may come: press until the take ends by itself.
  let presses = 0;
  while (!(await page.getByText('Kept in the log').isVisible())) {
    await page.keyboard.press('j');
    presses++;
    await page.waitForTimeout(220);
    expect(presses).toBeLessThan(400);
  }
  const hits = await page.locator('[data-bead]:not([data-bead=missed])').count();
  expect(hits).toBeGreaterThan(0);
  expect(hits).toBeLessThanOrEqual(presses);
  await page.getByText('All figures').click();
  const leftOut = page.locator('section', { has: page.getByRole('heading', { name: 'Left out', exact: true }) });
  await expect(leftOut.locator('summary', { hasText: 'Right foot' })).toContainText('100 %');
});

test('stopped in the count-in or with nothing played, nothing is kept', async ({ page }) => {
  await comeInAs(page, 'Bertil');
  await openRoom(page);
  await page.keyboard.press('Space');
  await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible();
  await page.keyboard.press('Space');
  await expect(page.getByText('Nothing was played, so nothing is kept.')).toBeVisible();
});

test('keys can be changed, are kept in the browser, and a key that is taken is exchanged', async ({ page }) => {
  await comeInAs(page, 'Pim');
  await openRoom(page);
  const key = (limb: string) => page.getByRole('button', { name: new RegExp(`^${limb}, key`) });
  await page.getByRole('button', { name: 'Change the key of the right hand' }).click();
  await page.keyboard.press('Tab');
  await expect(page.getByText('This key has its own work')).toBeVisible();
  await page.keyboard.press('f');
  await expect(key('Right hand')).toContainText('F');
  await expect(key('Left hand')).toContainText('J');
  await page.reload();
  await expect(key('Right hand')).toContainText('F');
});

test('a tempo that is none is said, and the tempo stays; a new one is taken up on the bar line', async ({ page }) => {
  await comeInAs(page, 'Pim');
  await openRoom(page);
  const tempo = page.getByLabel('Tempo in beats a minute');
  for (const [typed, words] of [
    ['500', 'The fastest tempo is 300.'],
    ['7', 'The slowest tempo is 20.'],
    ['quick', 'Set a tempo from 20 to 300.'],
  ] as const) {
    await tempo.fill(typed);
    await tempo.press('Enter');
    await expect(page.getByText(words)).toBeVisible();
  }
  await tempo.fill('180');
  await tempo.press('Enter');
  await choose(page, 'Who plays', 'kit, steady');
  await choose(page, 'Length', '8 rounds');
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  await expect(page.locator('[data-bead]').first()).toBeVisible();
  await tempo.fill('240');
  await tempo.press('Enter');
  await expect(page.getByText('Kept in the log')).toBeVisible({ timeout: 90_000 });
  // The kit was steady before and after: nothing missed or extra across the change.
  await expect(page.getByText('0 of 104').first()).toBeVisible();
  await page.getByRole('link', { name: 'Log', exact: true }).click();
  await expect(page.getByRole('row').nth(2)).toContainText('240');
});

test('a click of one’s own, a tempo tapped and halved, a click changed while playing', async ({ page }) => {
  await comeInAs(page, 'Pim');
  await openRoom(page);
  await choose(page, 'Click on', 'one of your own …');
  const dialog = page.getByRole('dialog', { name: 'A click of your own' });
  await dialog.getByLabel('Bars on').fill('0');
  await expect(dialog.getByText('At least 1 bar.')).toBeVisible();
  await expect(dialog.getByRole('button', { name: 'Take it' })).toBeDisabled();
  await dialog.getByLabel('Bars on').fill('3');
  await expectAccessible(page);
  await dialog.getByRole('button', { name: 'Take it' }).click();
  await expect(page.getByLabel('Click on', { exact: true })).toContainText('3 bars on, 1 silent, counts');

  const tempo = page.getByLabel('Tempo in beats a minute');
  await tempo.fill('120');
  await tempo.press('Enter');
  await page.getByRole('button', { name: 'Half the tempo' }).click();
  await expect(tempo).toHaveValue('60');
  // Presses with times of their own: half a second apart, whatever the machine does meanwhile.
  await page.getByRole('button', { name: 'Tap the tempo' }).evaluate(async (button) => {
    for (const at of [1000, 1500, 2000, 2500]) {
      const press = new PointerEvent('pointerdown', { bubbles: true });
      Object.defineProperty(press, 'timeStamp', { value: at });
      button.dispatchEvent(press);
      await new Promise(requestAnimationFrame);
    }
  });
  await expect(tempo).toHaveValue('120');
  await page.getByRole('button', { name: 'Show the tempo word' }).click();
  await expect(page.getByRole('button', { name: 'Tempo word: allegro' })).toBeVisible();

  await choose(page, 'Who plays', 'kit, steady');
  await choose(page, 'Length', '4 rounds');
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  await expect(page.locator('[data-bead]').first()).toBeVisible();
  await choose(page, 'Click on', '1 only');
  await expect(page.getByText('Kept in the log')).toBeVisible({ timeout: 90_000 });
  await expect(page.getByText('0 of 52')).toBeVisible();
  await page.getByRole('link', { name: 'Log', exact: true }).click();
  await expect(page.getByRole('row').nth(2)).toContainText('120');
});

test('what the room would play is saved as a sound file', async ({ page }) => {
  await comeInAs(page, 'Pim');
  await openRoom(page);
  await choose(page, 'Length', '2 rounds');
  await page.getByRole('button', { name: 'Save as sound' }).click();
  const dialog = page.getByRole('dialog', { name: 'Save as sound' });
  await expect(dialog.getByText(/2 rounds, click on .* MB\./)).toBeVisible();
  await expectAccessible(page);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    dialog.getByRole('button', { name: 'Save it' }).click(),
  ]);
  expect(download.suggestedFilename()).toMatch(/^[\p{L} ]+ \d+\.wav$/u);
  const bytes = readFileSync(await download.path());
  expect(bytes.toString('latin1', 0, 4) + bytes.toString('latin1', 8, 12)).toBe('RIFFWAVE');
  expect(bytes.readUInt32LE(24)).toBe(44_100);
  // Not silence: something in the first bar is loud.
  const samples = Array.from({ length: 44_100 }, (_, index) => Math.abs(bytes.readInt16LE(44 + 2 * index)));
  expect(Math.max(...samples)).toBeGreaterThan(3000);
  await expect(dialog.getByText('Saved where this browser keeps what it downloads.')).toBeVisible();

  // The same compressed, and as long when it is decoded.
  await choose(page, 'File', 'WebM, compressed');
  const [small] = await Promise.all([
    page.waitForEvent('download'),
    dialog.getByRole('button', { name: 'Save it' }).click(),
  ]);
  expect(small.suggestedFilename()).toMatch(/\.webm$/);
  const webm = readFileSync(await small.path());
  expect(webm.length).toBeLessThan(bytes.length / 4);
  const decoded = await page.evaluate(async (base64) => {
    const data = Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0));
    const { duration, sampleRate } = await new OfflineAudioContext(1, 1, 48_000).decodeAudioData(data.buffer);
    return { duration, sampleRate };
  }, webm.toString('base64'));
  expect(decoded.sampleRate).toBe(48_000);
  expect(Math.abs(decoded.duration - (bytes.length - 44) / 2 / 44_100)).toBeLessThan(0.05);
});

test('the level is kept in the browser, and what goes beyond a limb’s limit gets a word first', async ({ page }) => {
  await comeInAs(page, 'Pim');
  await openRoom(page);
  await page.getByRole('button', { name: 'Sound is on' }).click();
  await expect(page.getByRole('button', { name: 'Sound is off' })).toBeVisible();
  await page.reload();
  await page.getByRole('button', { name: 'Sound is off' }).click();
  await page.getByLabel('How loud').focus();
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByLabel('How loud')).toHaveValue('75');
  const word = page.getByText('At 300 this asks the right foot 10.0 strokes a second (its limit is 8).');
  await expect(word).toHaveCount(0);
  const tempo = page.getByLabel('Tempo in beats a minute');
  await tempo.fill('300');
  await tempo.press('Enter');
  await expect(word).toBeVisible();
  await expectAccessible(page);
});

test('a limb out of the task is not judged', async ({ page }) => {
  await comeInAs(page, 'Pim');
  await openRoom(page);
  await page.getByRole('button', { name: 'right foot in task' }).click();
  await playByKit(page, 'steady');
  await expect(page.getByText('0 of 10', { exact: true }).first()).toBeVisible();
  await page.getByText('All figures').click();
  await expect(page.locator('summary', { hasText: /^Right hand/ }).first()).toBeVisible();
  await expect(page.locator('summary', { hasText: /^Right foot/ })).toHaveCount(0);
});

test('a take played without the network waits in the browser and is sent by itself', async ({ page, context }) => {
  await comeInAs(page, 'Jonte');
  await openRoom(page);
  await choose(page, 'Who plays', 'kit, uneven');
  await choose(page, 'Length', '1 round');
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  await expect(page.locator('[data-bead]').first()).toBeVisible();
  await context.setOffline(true);
  await expect(page.getByText('1 take waits in this browser')).toBeVisible({ timeout: 90_000 });
  await expect(page.getByText('Safe in this browser, being sent')).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByText('Kept in the log')).toBeVisible();
  await expect(page.getByText('1 take waits')).toHaveCount(0);
});

test('a take that waits is still there after the page was closed', async ({ page, context }) => {
  await comeInAs(page, 'Jonte');
  await openRoom(page);
  await page.route('**/api/takes', (route) => route.abort());
  await choose(page, 'Who plays', 'kit, uneven');
  await choose(page, 'Length', '1 round');
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  await expect(page.getByText('1 take waits in this browser')).toBeVisible({ timeout: 90_000 });
  await page.close();
  const next = await context.newPage();
  const kept = next.waitForResponse((response) => response.url().endsWith('/api/takes') && response.ok());
  await next.goto('/today');
  await kept;
});

test('what is played while nothing listens is in the log as played, and not judged', async ({ page }) => {
  await comeInAs(page, 'Bertil');
  await openRoom(page);
  await page.getByRole('button', { name: 'Set up' }).click();
  const dialog = page.getByRole('dialog', { name: 'Set up' });
  for (const name of ['Keys of this computer', 'Pads on the screen'])
    await dialog.getByRole('switch', { name }).click();
  await expect(dialog.getByText('Nothing listens:', { exact: false })).toBeVisible();
  await dialog.getByRole('button', { name: 'Close' }).click();
  await choose(page, 'Length', '2 rounds');
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  await expect(page.getByText('Kept in the log')).toBeVisible({ timeout: 90_000 });
  await expect(page.getByRole('group', { name: 'Verdict' })).toContainText('nothing listened');
  await expect(page.locator('[data-bead]')).toHaveCount(0);
  await page.getByRole('link', { name: 'Log', exact: true }).click();
  await expect(page.getByRole('row').nth(2)).toContainText('nothing listened');
  await page.getByRole('row').nth(2).getByRole('link').click();
  await expect(page.getByText('Nothing listened, so nothing is judged.')).toBeVisible();
});
