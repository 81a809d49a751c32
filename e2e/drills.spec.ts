import { expect, test } from '@playwright/test';
import { choose, comeInAs, complaints, expectAccessible } from './steps';

test('a wish becomes exercises at once: counted, explained, heard, sent to the bench; what makes nothing is said', async ({ page }) => {
  const wrong = complaints(page);
  await comeInAs(page, 'Oda');
  await page.getByRole('link', { name: 'Drills' }).click();
  const said = page.getByRole('status');
  await expect(said.getByText('16 exercises.')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Exercise 1', exact: true })).toContainText('count 1');

  await choose(page, 'What to train', 'A foot or hand between the hats');
  await choose(page, 'Where', 'every combination');
  await expect(said.getByText('255 exercises; 20 chosen evenly by difficulty.')).toBeVisible();
  await page.getByRole('switch', { name: 'Leave out what is the same turned round' }).click();
  await expect(said.getByText('255 exercises, 35 of them different; 20 chosen evenly by difficulty.')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Exercise 1', exact: true })).toContainText(/Difficulty \d+: \d+ stroke/);

  // Nothing is free under 16ths: it says so where it is, and the last drill stays.
  await page.getByLabel('The others keep').fill('hat 16ths');
  await expect(page.getByText('The ostinato strikes on every slot, so nothing is free.')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Exercise 1', exact: true })).toBeVisible();
  await page.getByLabel('The others keep').fill('hat sometimes');
  await expect(page.getByText('“sometimes” is no limb, surface or note value.')).toBeVisible();
  await expectAccessible(page);
  await page.getByLabel('The others keep').fill('hat 8ths');
  await expect(said.getByText('255 exercises')).toBeVisible();

  await page.getByRole('button', { name: 'Hear exercise 1', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Stop exercise 1', exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Stop exercise 1', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Hear exercise 1', exact: true })).toBeVisible();

  await page.getByRole('button', { name: 'Exercise 1 to the bench', exact: true }).click();
  await expect(page.getByRole('application', { name: /^Strip/ })).toBeVisible();
  await expect(page).toHaveURL(/bench/);
  expect(wrong).toEqual([]);
});

test('of a thousand exercises only those in sight are drawn', async ({ page }) => {
  await comeInAs(page, 'Oda');
  await page.goto('/drills');
  await choose(page, 'What to train', 'A foot or hand between the hats');
  await choose(page, 'Where', 'every combination');
  await page.getByLabel('The others keep').fill('hat quarters');
  await choose(page, 'At most', '1000');
  await expect(page.getByRole('status').getByText('4,095 exercises; 1,000 chosen evenly by difficulty.')).toBeVisible();
  const drawn = page.getByRole('region', { name: /^Exercise \d+$/ });
  await expect(drawn.first()).toBeVisible();
  expect(await drawn.count()).toBeLessThan(40);
  await page.evaluate(() => window.scrollTo(0, document.body.scrollHeight));
  await expect(page.getByRole('region', { name: 'Exercise 1', exact: true })).toHaveCount(0);
  await expect(drawn.first()).toBeVisible();
  expect(await drawn.count()).toBeLessThan(40);
});

test('a drill from the shelf is picked over, kept under a name, and there after a reload', async ({ page }) => {
  await comeInAs(page, 'Oda');
  await page.goto('/drills');
  const exercise = (number: number) => page.getByRole('region', { name: `Exercise ${number}`, exact: true });
  await page.getByRole('button', { name: 'Shelf', exact: true }).click();
  const shelf = page.getByRole('dialog', { name: 'Shelf of drills' });
  await expect(shelf.getByText('What you keep under a name stands here.')).toBeVisible();
  await expectAccessible(page);
  await shelf.getByRole('button', { name: 'Quarter planks: the kick goes round' }).click();
  await expect(page.getByRole('status').getByText('4 exercises.')).toBeVisible();
  await expect(exercise(1)).toContainText('count 1');
  await page.getByRole('button', { name: 'Leave exercise 1 out' }).click();
  await expect(page.getByRole('status').getByText('4 exercises; 3 picked by hand.')).toBeVisible();
  await page.getByRole('button', { name: 'Exercise 1 later' }).click();
  await expect(exercise(1)).toContainText('count 3');
  await page.getByLabel('Name').fill('');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('Give the drill a name.')).toBeVisible();
  await page.getByLabel('Name').fill('Three planks of mine');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('“Three planks of mine” is on the shelf.')).toBeVisible();
  await page.reload();
  await expect(page.getByRole('status').getByText('16 exercises.')).toBeVisible();
  await page.getByRole('button', { name: 'Shelf', exact: true }).click();
  await shelf.getByRole('button', { name: 'Three planks of mine', exact: true }).click();
  await expect(page.getByRole('status').getByText('4 exercises; 3 picked by hand.')).toBeVisible();
  await expect(exercise(1)).toContainText('count 3');
  await page.getByRole('button', { name: 'All that were left out, back in order' }).click();
  await expect(page.getByRole('status').getByText('4 exercises.')).toBeVisible();
  await page.getByRole('button', { name: 'Shelf', exact: true }).click();
  await shelf.getByRole('button', { name: 'Take Three planks of mine off the shelf' }).click();
  await expect(shelf.getByText('What you keep under a name stands here.')).toBeVisible();
});
