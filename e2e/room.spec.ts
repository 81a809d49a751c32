import { expect, test, type Locator, type Page } from '@playwright/test';
import { choose, comeInAs, expectAccessible, openRoom } from './steps';

const practiseAs = (page: Page, way: string) => page.getByRole('button', { name: way, exact: true }).click();
const play = (page: Page) => page.getByRole('button', { name: 'Play', exact: true }).click();
const tempo = (page: Page) => page.getByLabel('Tempo in beats a minute');

test('the set-up: a spoken count that is too fast says so, layers are drawn, swing and lean are taken', async ({
  page,
}) => {
  await comeInAs(page, 'Pim');
  await openRoom(page);
  await page.getByRole('button', { name: 'Set up' }).click();
  const drawer = page.getByRole('dialog', { name: 'Set up' });
  await choose(page, 'Spoken', 'on every slot', drawer);
  await choose(page, 'Layers', '8th triplets to half-note triplets', drawer);
  await choose(page, 'Count in', '2 bars', drawer);
  await choose(page, 'Played', 'straight', drawer);
  await drawer.getByRole('slider', { name: 'Right foot' }).focus();
  await page.keyboard.press('PageUp');
  await expect(drawer.getByText(/\d+ ms behind/)).toBeVisible();
  await expectAccessible(page);
  await drawer.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('group', { name: 'Triplet layers' }).getByText('half-note triplets')).toBeVisible();
  const fast = page.getByText('The count is too fast to say every syllable');
  await tempo(page).fill('60');
  await tempo(page).press('Enter');
  await expect(fast).toHaveCount(0);
  await tempo(page).fill('260');
  await tempo(page).press('Enter');
  await expect(fast).toBeVisible();
  await choose(page, 'Who plays', 'kit, steady');
  await choose(page, 'Length', '2 rounds');
  const recording = page.waitForResponse((response) => response.url().endsWith('/speech/count.wav') && response.ok());
  await play(page);
  await recording;
  await expect(page.getByText('Kept in the log')).toBeVisible({ timeout: 60_000 });
});

test('sound that is taken away, or not there, is said; what was played is kept and the next touch goes on', async ({
  page,
}) => {
  await page.addInitScript(() => {
    const Real = window.AudioContext;
    const all: AudioContext[] = [];
    Object.assign(window, { sounds: all });
    window.AudioContext = class extends Real {
      constructor(options?: AudioContextOptions) {
        if ((window as { deaf?: boolean }).deaf) throw new Error('no device');
        super(options);
        all.push(this);
      }
    };
  });
  const sounds = (what: 'suspend' | 'close') =>
    page.evaluate((act) => (window as unknown as { sounds: AudioContext[] }).sounds.at(-1)![act](), what);
  await comeInAs(page, 'Bertil');
  await openRoom(page);
  await page.evaluate(() => Object.assign(window, { deaf: true }));
  await play(page);
  await expect(page.getByText('Connect headphones or a loudspeaker and press play again.')).toBeVisible();
  await page.evaluate(() => Object.assign(window, { deaf: false }));

  await choose(page, 'Who plays', 'kit, steady');
  for (const act of ['suspend', 'close'] as const) {
    await play(page);
    await expect(page.locator('[data-bead]').first()).toBeVisible();
    await sounds(act);
    await expect(page.getByText('The sound was taken away, so the take ends here.')).toBeVisible();
    await expect(page.getByText('Kept in the log')).toBeVisible();
  }
  await play(page);
  await expect(page.locator('[data-bead]').first()).toBeVisible();
  await page.keyboard.press('Space');
  await expect(page.getByText('Kept in the log')).toBeVisible();
});

for (const [screen, width, height] of [
  ['a phone', 390, 844],
  ['a phone on its side', 844, 390],
  ['a low laptop', 1366, 650],
] as const)
  test(`on ${screen} all that is needed while playing is in sight, whatever is played`, async ({ browser }) => {
    const context = await browser.newContext({
      viewport: { width, height },
      hasTouch: Math.min(width, height) < 600,
      baseURL: process.env.DEMO_URL,
    });
    const page = await context.newPage();
    await comeInAs(page, 'Oda');
    const inSight = (name: string, what: Locator) =>
      expect(async () => {
        const box = (await what.boundingBox())!;
        const inside = box.x >= 0 && box.y >= 0 && box.x + box.width <= width && box.y + box.height <= height;
        expect({ name, inside, isLarge: box.width >= 44 && box.height >= 44 }).toEqual({
          name,
          inside: true,
          isLarge: true,
        });
      }).toPass({ timeout: 10_000 });
    // The longest of them by day.
    for (const groove of process.env.NIGHTLY ? ['Slow crossing', 'Lantern ghosts', 'Reed beds'] : ['Reed beds']) {
      await page.goto('/grooves');
      await page.getByLabel('Find by title').fill(groove);
      await page.getByRole('link', { name: `Open ${groove} in the room` }).click();
      for (const way of ['Through', 'Ladder', 'Build-up', 'Back to back', 'Wait for me']) {
        await practiseAs(page, way);
        await play(page);
        const pads = page.getByRole('group', { name: 'Keys and pads' }).getByRole('button', { name: /, key / });
        await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible();
        await expect(page.locator('[data-count]')).not.toBeEmpty();
        await inSight(`${groove}, ${way}: stop`, page.getByRole('button', { name: 'Stop' }));
        await inSight(`${groove}, ${way}: count`, page.locator('[data-count]'));
        for (const pad of await pads.all()) await inSight(`${groove}, ${way}: a pad`, pad);
        await inSight(`${groove}, ${way}: strip`, page.locator('[data-row]').first());
        await page.keyboard.press('Space');
        await expect(page.getByRole('button', { name: 'Play', exact: true })).toBeVisible();
      }
    }
    await context.close();
  });

test('a link in the middle of a take asks first; after a tempo is typed the keys play on', async ({ page }) => {
  await comeInAs(page, 'Pim');
  await openRoom(page);
  await tempo(page).fill('200');
  // Still in the field of the tempo: Space starts, and a limb's key is a stroke.
  await page.keyboard.press('Space');
  await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible();
  await expect(tempo(page)).toHaveValue('200');
  await expect(async () => {
    await page.keyboard.press('j');
    await expect(page.locator('[data-bead]').first()).toBeVisible({ timeout: 300 });
  }).toPass({ timeout: 20_000 });
  await page.getByRole('link', { name: 'Log', exact: true }).click();
  const dialog = page.getByRole('dialog', { name: 'Leave in the middle of a take?' });
  await dialog.getByRole('button', { name: 'Play on' }).click();
  await expect(dialog).toHaveCount(0);
  await page.getByRole('link', { name: 'Log', exact: true }).click();
  await dialog.getByRole('button', { name: 'Leave and lose it' }).click();
  await expect(page).toHaveURL(/takes/);
});

test('of two windows one sounds: the other ends its take and keeps what was played', async ({ page, context }) => {
  await comeInAs(page, 'Bertil');
  await openRoom(page);
  await choose(page, 'Who plays', 'kit, steady');
  await play(page);
  await expect(page.locator('[data-bead]').first()).toBeVisible();
  const other = await context.newPage();
  await other.goto(page.url());
  await other.getByRole('button', { name: 'Play', exact: true }).click();
  await expect(other.getByRole('button', { name: 'Stop' })).toBeVisible();
  await expect(page.getByText('Another window of this browser sounds now')).toBeVisible();
  await expect(page.getByText('Kept in the log')).toBeVisible();
});

test('every stop of the Tab key in the room shows that it has the focus', async ({ page }) => {
  await comeInAs(page, 'Pim');
  await openRoom(page);
  await page.evaluate(() => document.body.focus());
  const unseen: string[] = [];
  for (let stop = 0; stop < 60; stop++) {
    await page.keyboard.press('Tab');
    const seen = await page.evaluate(() => {
      const at = document.activeElement as HTMLElement | null;
      if (!at || at === document.body) return 'end';
      for (let one: HTMLElement | null = at, up = 0; one && up < 4; one = one.parentElement, up++) {
        const { outlineStyle, outlineWidth } = getComputedStyle(one);
        if (outlineStyle !== 'none' && parseFloat(outlineWidth) >= 2) return '';
      }
      // A field says it by its frame.
      const frame = at.closest('.MuiOutlinedInput-root')?.querySelector('fieldset');
      if (frame && parseFloat(getComputedStyle(frame).borderTopWidth) >= 3) return '';
      return at.outerHTML.slice(0, 120);
    });
    if (seen === 'end') break;
    if (seen) unseen.push(seen);
  }
  expect(unseen).toEqual([]);
});
