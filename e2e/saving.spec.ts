import { expect, test, type Page } from '@playwright/test';
import { expectAccessible, lane, newGroove } from './steps';

const saved = (page: Page) => expect(page.getByText('Saved', { exact: true })).toBeVisible();

test('two windows on one groove: the second is shown both and chooses, the other is kept as a copy', async ({
  page,
  context,
}) => {
  await newGroove(page, 'Two windows');
  await saved(page);
  const other = await context.newPage();
  await other.goto(page.url());
  await other.getByLabel('Say it').fill('kick 3');
  await page.getByLabel('Say it').fill('kick 1');
  await page.getByLabel('Say it').press('Enter');
  await saved(page);
  await expect(page.getByText('Saving …')).toHaveCount(0);
  await other.getByLabel('Say it').press('Enter');
  await expect(other.getByText('This groove was saved in another window meanwhile.')).toBeVisible();
  await expectAccessible(other);
  await other.getByRole('button', { name: 'Keep mine' }).click();
  await saved(other);
  await other.reload();
  await expect(lane(other, 'right foot')).toHaveText('right foot: count 3 tap on kick.');
  await other.getByRole('link', { name: 'Grooves' }).click();
  await expect(other.getByRole('heading', { name: 'Two windows (other window)' }).first()).toBeVisible();
});

test('closing the window at once after an edit loses nothing', async ({ page, context }) => {
  await newGroove(page, 'Closed at once');
  await saved(page);
  await page.route('**/bench/**', (route) => (route.request().method() === 'POST' ? route.abort() : route.continue()));
  await page.getByLabel('Say it').fill('kick 1');
  await page.getByLabel('Say it').press('Enter');
  await expect(lane(page, 'right foot')).toContainText('count 1');
  const address = page.url();
  await page.close();
  const next = await context.newPage();
  await next.goto(address);
  await expect(lane(next, 'right foot')).toHaveText('right foot: count 1 tap on kick.');
  await saved(next);
});
