import { expect, test } from '@playwright/test';
import { choose, comeInAs, complaints, expectAccessible } from './steps';

test('a line is made to be read, looked at once, played and judged, and never comes back', async ({ page }) => {
  const wrong = complaints(page);
  await comeInAs(page, 'Oda');
  await page.goto('/drills');
  await page.getByRole('link', { name: 'At sight' }).click();

  const form = page.getByRole('form', { name: 'What is read' });
  await form.getByLabel('Meter').fill('3/5');
  await expect(form.getByText('5: cannot stand below the line.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep and read' })).toBeDisabled();
  await form.getByLabel('Meter').fill('2/4');
  await form.getByLabel('Tempo').fill('160');
  await choose(page, 'Bars', '2');
  await choose(page, 'Time to look', '5 seconds');
  await page.getByRole('button', { name: 'Keep and read' }).click();
  await expect(page.getByText('Give the groove a title.')).toBeVisible();
  const title = `Bell of the jetty ${Date.now() % 100_000}`;
  await page.getByLabel('Name').fill(title);
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Keep and read' }).click();

  // Nothing of it is shown before it is looked at; then it counts itself in.
  await expect(page.getByText('A line nobody has seen yet')).toBeVisible();
  const line = page.getByRole('group', { name: `${title}, stave` });
  await expect(line).toHaveCount(0);
  await choose(page, 'Who plays', 'kit, steady');
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  await expect(page.getByRole('timer')).toContainText('seconds to look');
  await expect(line.locator('svg')).toHaveCount(2);
  const first = await line.innerHTML();
  await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible();
  await expect(page.getByRole('timer')).toHaveCount(0);

  await expect(page.getByRole('button', { name: 'Another line' })).toBeVisible();
  await expect(page.getByText('The simulated kit played this')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Another line' }).click();
  await expect(page.getByText('A line nobody has seen yet')).toBeVisible();
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  await expect(line.locator('svg')).toHaveCount(2);
  const second = await line.innerHTML();
  expect(second).not.toBe(first);
  // Played at once after a line that was judged, it is another one as well.
  await expect(page.getByRole('button', { name: 'Another line' })).toBeVisible();
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  await expect(line.locator('svg')).toHaveCount(2);
  expect([first, second]).not.toContain(await line.innerHTML());

  // Whoever is ready before presses again; what was seen and not played is spent.
  await choose(page, 'Who plays', 'you');
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByText('Nothing was played, so nothing is kept.')).toBeVisible();
  await expect(page.getByText('A line nobody has seen yet')).toBeVisible();

  await page.goto('/drills/at-sight');
  await page.getByRole('button', { name: `Put away ${title}` }).click();
  await expect(page.getByRole('link', { name: `Read ${title}` })).toHaveCount(0);
  expect(wrong).toEqual([]);
});
