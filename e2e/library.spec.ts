import { expect, test } from '@playwright/test';
import { choose, comeInAs, expectAccessible, lane, newGroove } from './steps';

test('grooves are found as one types', async ({ page }) => {
  await comeInAs(page, 'Oda');
  await page.goto('/grooves');
  const find = page.getByLabel(/^Find by title/);
  await find.fill('swung second shuffle');
  await expect(page.getByRole('article')).toHaveCount(1);
  await expect(page.getByRole('heading', { name: 'Gangway shuffle' })).toBeVisible();
  await find.fill('9/4');
  await expect(page.getByText('No groove like that')).toBeVisible();
  await page.getByRole('button', { name: 'Show all' }).click();
  await expect(page.getByRole('article').nth(7)).toBeVisible();
});

test('the library: filters, a favourite, level and tags, put away and brought back', async ({ page }) => {
  await newGroove(page, 'Shelf test');
  await page.getByRole('link', { name: 'Grooves' }).click();
  await page.getByLabel(/^Find by title/).fill('Shelf test');
  const card = page.getByRole('article').filter({ hasText: 'Shelf test' }).first();
  await card.getByRole('button', { name: 'Make Shelf test a favourite' }).click();
  await expect(card.getByRole('button', { name: 'Shelf test is a favourite' })).toBeVisible();
  await card.getByRole('button', { name: 'More for Shelf test' }).click();
  await page.getByRole('menuitem', { name: 'Level and tags' }).click();
  await page.getByLabel('Tags').fill('Low Water, backbeat');
  await choose(page, 'Level', 'advanced', page.getByRole('dialog'));
  await page.getByRole('button', { name: 'Keep' }).click();
  await expect(card.getByRole('button', { name: 'low water' })).toBeVisible();
  await expect(card).toContainText('advanced');
  await page.getByLabel('Favourites').check();
  await expect(page.getByRole('article')).not.toHaveCount(0);
  await card.getByRole('button', { name: 'More for Shelf test' }).click();
  await page.getByRole('menuitem', { name: 'Put it away' }).click();
  await expect(page.getByText('No groove like that')).toBeVisible();
  await page.getByRole('button', { name: 'Show all' }).click();
  await page.getByLabel('Put away').check();
  await page.getByRole('button', { name: 'More for Shelf test' }).first().click();
  await page.getByRole('menuitem', { name: 'Bring it back' }).click();
  // With nothing left there the switch goes as it is thrown.
  await page.getByLabel('Put away').click();
  await expect(page.getByRole('heading', { name: 'Shelf test' }).first()).toBeVisible();
});

test('a school of the teacher’s own: mended where it cannot be, then spoken on the bench', async ({ page }) => {
  await comeInAs(page, 'Oda');
  await page.getByRole('link', { name: 'Workshop' }).click();
  await page.getByRole('button', { name: 'te / la-li' }).click();
  const mine = page.getByRole('group', { name: 'te / la-li, mine' });
  await mine.getByLabel('A count in 4').fill('po loud ka');
  await page.getByRole('button', { name: 'Keep changes' }).click();
  await expect(mine.getByText('“loud” is a word of its own')).toBeVisible();
  await mine.getByLabel('A count in 4').fill('po ko ka');
  await mine.getByLabel('Name of the school').fill('Boathouse');
  await page.getByRole('button', { name: 'Keep changes' }).click();
  await expect(page.getByText('Kept. It holds for everybody')).toBeVisible();
  await expectAccessible(page);
  const counting = async (school: string) => {
    await page.reload();
    await choose(page, 'Counting', school);
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(page.getByText('Kept. It holds from now on.')).toBeVisible();
  };
  await counting('Boathouse');
  await page.getByRole('link', { name: 'Grooves' }).click();
  await page.getByRole('button', { name: 'New groove', exact: true }).click();
  await page.getByLabel('Say it').fill('kick ko of 3');
  await page.getByLabel('Say it').press('Enter');
  await expect(lane(page, 'right foot')).toHaveText('right foot: the ko of 3 tap on kick.');
  await page.getByRole('link', { name: 'Workshop' }).click();
  await expect(page.getByRole('heading', { name: 'Workshop', level: 1 })).toBeVisible();
  await counting('e-and-a / trip-let');
});
