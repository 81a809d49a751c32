import { expect, test, type Page } from '@playwright/test';
import { choose, clicksFile, comeInAs, complaints, expectAccessible, openRoom, strikeAlong } from './steps';

const practiseAs = (page: Page, way: string) => page.getByRole('button', { name: way, exact: true }).click();
const play = (page: Page) => page.getByRole('button', { name: 'Play', exact: true }).click();
const tempo = (page: Page) => page.getByLabel('Tempo in beats a minute');

test('a ladder climbs by itself when takes are clean, is kept, and falls back when they are not', async ({ page }) => {
  const wrong = complaints(page);
  await comeInAs(page, 'Pim');
  await openRoom(page);
  await practiseAs(page, 'Ladder');
  await page.getByRole('button', { name: 'Change ladder' }).click();
  const dialog = page.getByRole('dialog', { name: 'Ladder' });
  await dialog.getByLabel('Start').fill('7');
  await expect(dialog.getByText('The slowest tempo is 20.')).toBeVisible();
  await expect(dialog.getByRole('button', { name: 'Take it' })).toBeDisabled();
  await dialog.getByLabel('Start').fill('66');
  await dialog.getByLabel('Goal').fill('70');
  await dialog.getByLabel('Step').fill('4');
  await choose(page, 'Counted in', 'bars', dialog);
  await dialog.getByLabel('Length of a take').fill('1');
  await dialog.getByLabel('Clean takes to climb').fill('1');
  await dialog.getByLabel('Others to fall back').fill('1');
  await expect(dialog.getByText('2 rungs.')).toBeVisible();
  await expectAccessible(page);
  await dialog.getByRole('button', { name: 'Take it' }).click();
  await expect(tempo(page)).toHaveValue('66');
  // What the simulated kit plays climbs nothing.
  await choose(page, 'Who plays', 'kit, steady');
  await play(page);
  await expect(page.getByText('The simulated kit played: the ladder stands where it stood.')).toBeVisible({
    timeout: 60_000,
  });
  await expect(page.getByText('counts for nobody')).toBeVisible();
  await expect(tempo(page)).toHaveValue('66');

  // The snare alone, on 2 and 4.
  await page.getByRole('button', { name: 'The same again' }).click();
  await choose(page, 'Who plays', 'you');
  for (const limb of ['right hand', 'right foot']) await page.getByRole('button', { name: `${limb} in task` }).click();
  await strikeAlong(page, { 2: 'KeyF', 4: 'KeyF' });
  await play(page);
  await expect(page.getByText('Clean: up a rung.')).toBeVisible({ timeout: 60_000 });
  await expect(tempo(page)).toHaveValue('70');
  // It goes on without a touch, to the goal, and then rests.
  await expect(page.getByText('The goal is played clean.')).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText('Nothing to fix').first()).toBeVisible();
  await expect(page.getByText('Kept in the log')).toBeVisible();

  await page.getByRole('button', { name: 'The same again' }).click();
  await strikeAlong(page, { 1: 'KeyF', 3: 'KeyF' });
  await play(page);
  await expect(page.getByText('Back a rung, to settle.')).toBeVisible({ timeout: 60_000 });
  await page.keyboard.press('Space');
  await expect(page.getByRole('button', { name: 'Play', exact: true })).toBeVisible();
  // Within the hour it is the same practice: the rung is kept.
  const rung = await page.getByText(/Rung \d of 2/).innerText();
  await page.reload();
  await practiseAs(page, 'Ladder');
  await expect(page.getByText(rung)).toBeVisible();
  expect(wrong).toEqual([]);
});

test('a build-up brings the limbs in one after another, when clean and when asked', async ({ page }) => {
  await comeInAs(page, 'Pim');
  await openRoom(page);
  await practiseAs(page, 'Build-up');
  const panel = page.getByRole('group', { name: 'Build-up' });
  await panel.getByRole('button', { name: 'right foot before the left hand' }).click();
  await expect(page.getByRole('button', { name: 'left hand left out' })).toBeVisible();
  await choose(page, 'The next comes in', 'after 1 clean round');
  await tempo(page).fill('220');
  await tempo(page).press('Enter');
  await choose(page, 'Who plays', 'kit, steady');
  await expectAccessible(page);
  await play(page);
  await expect(page.getByRole('button', { name: 'right foot in task' })).toBeVisible({ timeout: 60_000 });
  await panel
    .getByRole('button', { name: 'Bring in the left hand' })
    .click({ timeout: 2000 })
    .catch(() => {});
  await expect(panel.getByText('All limbs are in')).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText('Kept in the log')).toBeVisible({ timeout: 60_000 });
  // Judged only from where each limb came in: nothing was missed by those that were not in yet.
  await page.getByText('All figures').click();
  await expect(page.locator('summary', { hasText: /^Left hand/ }).first()).toBeVisible();
  await expect(page.getByText(/^0 of \d+$/).first()).toBeVisible();
});

test('wait for me: the strip waits for the right limbs, shows the wrong one, and offers a click after three clean rounds', async ({
  page,
}) => {
  await comeInAs(page, 'Wendla');
  await openRoom(page);
  await practiseAs(page, 'Wait for me');
  // Reed beds: right hand on every 8th, cross-stick and pedal on 2 and 3, kick on 1 and the last &.
  const round = ['j', 'l', 'j', 'j', 'f', 's', 'j', 'j', 'f', 's', 'j', 'l'];
  await page.keyboard.press('Space');
  await expect(page.getByText('0 rounds through')).toBeVisible();
  await page.keyboard.press('f');
  await expect(page.getByText('The left hand has nothing here')).toBeVisible();
  await expectAccessible(page);
  for (const key of round) await page.keyboard.press(key);
  await expect(page.getByText('1 round through, 0 clean in a row')).toBeVisible();
  for (const key of [...round, ...round, ...round]) await page.keyboard.press(key);
  await expect(page.getByText('4 rounds through, 3 clean in a row')).toBeVisible();
  await page.getByRole('button', { name: 'With a click at 40' }).click();
  await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible();
  await expect(tempo(page)).toHaveValue('40');
});

test('back to back: straight and swung take turns and the screen says which; what cannot be is said', async ({
  page,
}) => {
  await comeInAs(page, 'Wendla');
  await openRoom(page);
  await practiseAs(page, 'Back to back');
  await expect(page.getByLabel('Bars of each', { exact: true })).toBeVisible();
  await tempo(page).fill('180');
  await tempo(page).press('Enter');
  await choose(page, 'Who plays', 'kit, steady');
  await choose(page, 'Length', '2 rounds');
  // Each side is there for two seconds only, so what is written is gathered while it plays.
  await page.evaluate(() => {
    const sides = new Set<string>();
    Object.assign(window, { sides });
    const gather = (changes: MutationRecord[]) => changes.forEach(({ target }) => sides.add(target.textContent ?? ''));
    new MutationObserver(gather).observe(document.body, { subtree: true, childList: true, characterData: true });
  });
  await play(page);
  await expect(page.getByText('Kept in the log')).toBeVisible({ timeout: 60_000 });
  const sides = await page.evaluate(() => [...(window as unknown as { sides: Set<string> }).sides]);
  expect(sides).toEqual(expect.arrayContaining(['straight', 'swung']));
  // The kit swings with it, so nothing was off.
  await expect(page.getByText('0 of 96')).toBeVisible();
  await page.getByRole('button', { name: 'The same again' }).click();
  await choose(page, 'Set against each other', 'written and in triplets');
  await expectAccessible(page);
});

test('to music: a file of one’s own is set up once, remembered by what it holds, slowed and played to', async ({
  page,
}) => {
  const wrong = complaints(page);
  await comeInAs(page, 'Pim');
  await openRoom(page);
  await practiseAs(page, 'To music');
  await expect(page.getByRole('button', { name: 'Play', exact: true })).toBeDisabled();
  const file = page.getByLabel('Sound file');
  await file.setInputFiles({
    name: 'broken.mp3',
    mimeType: 'audio/mpeg',
    buffer: Buffer.from('this is no sound'.repeat(50)),
  });
  await expect(page.getByText('“broken.mp3” cannot be decoded')).toBeVisible();
  const sound = { name: 'Evening crossing.wav', mimeType: 'audio/wav', buffer: clicksFile(9) };
  await file.setInputFiles(sound);
  await expect(page.getByText('Evening crossing.wav, 0:09')).toBeVisible();
  await page.getByLabel('Tempo of the music', { exact: true }).fill('500');
  await expect(page.getByText('The fastest tempo is 300.')).toBeVisible();
  await page.getByLabel('Tempo of the music', { exact: true }).fill('120');
  await page.getByRole('img', { name: 'The whole file' }).click({ position: { x: 100, y: 20 } });
  await expect(page.getByText('First beat at 0.000 s')).toHaveCount(0);
  const at = Number((await page.getByText(/First beat at/).innerText()).match(/[\d.]+/)![0]);
  await page.getByRole('button', { name: 'First beat 5 ms later' }).click();
  await expect(page.getByText(`First beat at ${(at + 0.005).toFixed(3)} s`)).toBeVisible();
  await expectAccessible(page);
  // What was set is remembered for this file, whatever it is called.
  await page.reload();
  await practiseAs(page, 'To music');
  await file.setInputFiles({ ...sound, name: 'renamed.wav' });
  await expect(page.getByText(`First beat at ${(at + 0.005).toFixed(3)} s`)).toBeVisible();
  await expect(page.getByLabel('Tempo of the music', { exact: true })).toHaveValue('120');
  await choose(page, 'Speed', '75 %');
  await expect(tempo(page)).toHaveValue('90');
  await expect(page.getByRole('button', { name: 'Play', exact: true })).toBeEnabled({ timeout: 60_000 });
  await choose(page, 'Who plays', 'kit, steady');
  await play(page);
  await expect(page.getByText('Kept in the log')).toBeVisible({ timeout: 60_000 });
  expect(wrong).toEqual([]);
});
