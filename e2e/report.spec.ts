import { expect, test, type Page } from '@playwright/test';
import { choose, comeInAs, complaints, expectAccessible, openRoom } from './steps';

/**
 * Opens the newest take that a student played, from the teacher's log or one's own; what the kit played beside it is
 * left out.
 */
async function openNewest(page: Page, student?: string): Promise<void> {
  await page.getByRole('link', { name: 'Log', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Log', level: 1 })).toBeVisible();
  if (student) {
    await page.getByRole('link', { name: student }).click();
    // Until then everybody's takes stand there.
    await expect(page.getByRole('link', { name: student })).toHaveAttribute('aria-current', 'true');
  }
  await page
    .getByRole('region', { name: 'Takes' })
    .getByRole('row')
    .filter({ hasNotText: 'The simulated kit played' })
    .getByRole('link')
    .first()
    .click();
  await expect(page.getByRole('group', { name: 'Verdict' })).toBeVisible();
}

test('the report: one thing first, its places framed, and every figure says on a touch what it is', async ({
  page,
}) => {
  const wrong = complaints(page);
  await comeInAs(page, 'Oda');
  await openNewest(page, 'Jonte Brackwater');
  await expect(page.getByText(/What falls between the counts comes \d+ ms late\./)).toBeVisible();
  await expect(page.getByText(/No stroke left out and none too many: all \d+ of them\./)).toBeVisible();
  for (const name of ['Error by place', 'Tempo over time', 'Limb by limb', 'Limbs against each other', 'Evenness'])
    await expect(page.getByRole('heading', { name, exact: true })).toBeVisible();

  const limbs = page.locator('section', { has: page.getByRole('heading', { name: 'Limb by limb' }) });
  const row = limbs.locator('details', { hasText: 'Right hand' });
  await expect(row.getByText(/With 95 in 100/)).toBeHidden();
  await row.locator('summary').click();
  await expect(
    row.getByText(/the mean of its errors\. From \d+ strokes\. With 95 in 100 it lies between/),
  ).toBeVisible();
  // The pictures have their figures as a table.
  await page.getByText('Every place as a table').click();
  await expect(page.getByRole('region', { name: 'Figures by place' }).getByRole('row')).not.toHaveCount(1);
  await expectAccessible(page);

  // On paper there is nothing to press.
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('navigation', { name: 'Main' })).toBeHidden();
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden();
  await expect(page.getByRole('heading', { name: 'Error by place' })).toBeVisible();
  expect(wrong).toEqual([]);
});

test('today against an earlier day: both strips on one axis, and what changed in words', async ({ page }) => {
  await comeInAs(page, 'Jonte');
  await openNewest(page);
  await expect(page.getByRole('heading', { name: /^(Better since|Since) / })).toBeVisible();
  await page.getByLabel('Beside another take').click();
  await page.getByRole('option').last().click();
  await expect(page.getByRole('heading', { name: 'What changed' })).toBeVisible();
  await expect(page.getByText(/^Better: .* went from \d+ to \d+ ms/).first()).toBeVisible();
  await expect(page.getByRole('group', { name: 'Lantern ghosts, strip' })).toHaveCount(2);
  await expect(page.getByRole('region', { name: 'Figures of both takes' })).toContainText('Right hand, evenness');
  await expectAccessible(page);
  await page.getByRole('link', { name: 'This take alone' }).click();
  await expect(page.getByText('Fix this first')).toBeVisible();
  // Another student's take is none to lay beside it.
  const own = page.url();
  await page.goto(`${own}?beside=${crypto.randomUUID()}`);
  await expect(page.getByRole('heading', { name: 'Not found' })).toBeVisible();
});

test('words on a take by both, each takes back their own; a bad take is set aside with why, and taken in again', async ({
  page,
  browser,
}) => {
  await comeInAs(page, 'Bertil');
  await openNewest(page);
  const address = page.url();
  // Said so only here, however often this is tried.
  const [strap, tie] = [`Here the strap came loose, ${Date.now()}.`, `Tie it before you begin, ${Date.now()}.`];
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByText('Write a word or two.')).toBeVisible();
  await choose(page, 'On', 'bar 2');
  await page.getByLabel('A word on it').fill(strap);
  await page.getByRole('button', { name: 'Write it down' }).click();
  const notes = page.getByRole('region', { name: 'Notes' });
  await expect(notes).toContainText(`Bar 2: ${strap}`);

  const teacher = await (await browser.newContext({ baseURL: process.env.DEMO_URL })).newPage();
  await comeInAs(teacher, 'Oda');
  await teacher.goto(address);
  await teacher.getByLabel('A word on it').fill(tie);
  await teacher.getByRole('button', { name: 'Write it down' }).click();
  await expect(teacher.getByText(tie)).toBeVisible();

  await page.reload();
  await expect(notes).toContainText(tie);
  // The teacher's cannot be taken back by the student.
  await expect(notes.getByRole('button', { name: 'Take back' })).toHaveCount(1);
  await notes.getByRole('button', { name: 'Take back' }).click();
  await expect(notes).not.toContainText(strap);
  await page.getByText('Set this take aside').click();
  await page.getByRole('button', { name: 'Set it aside' }).click();
  await expect(page.getByText('Say why, so that it can be understood later.')).toBeVisible();
  await page.getByLabel('Why').fill('The strap came loose.');
  await page.getByRole('button', { name: 'Set it aside' }).click();
  await expect(page.getByText('Set aside: The strap came loose.')).toBeVisible();
  await page.getByRole('link', { name: 'Log', exact: true }).click();
  const row = page.getByRole('row').filter({ has: page.locator(`a[href="${new URL(address).pathname}"]`) });
  await expect(row).toContainText('Set aside: The strap came loose.');
  await expect(row).toContainText('Oda Ferrant: ');
  await page.goto(address);
  await page.getByRole('button', { name: 'Take it in again' }).click();
  await expect(page.getByText('Set aside: The strap came loose.')).toHaveCount(0);
});

test('a child reads words and no milliseconds; the teacher sets it by student', async ({ page, browser }) => {
  await comeInAs(page, 'Pim');
  await openNewest(page);
  const report = page.getByRole('main').or(page.locator('body'));
  await expect(page.getByText('How even')).toBeVisible();
  expect(await report.first().innerText()).not.toMatch(/\d ms/);
  await page.getByText('All figures').click();
  await expect(page.getByRole('heading', { name: 'Limb by limb' })).toBeVisible();
  await expectAccessible(page);

  // Set otherwise for somebody whom no other test plays as.
  const teacher = await (await browser.newContext({ baseURL: process.env.DEMO_URL })).newPage();
  await comeInAs(teacher, 'Oda');
  await teacher.getByRole('link', { name: 'People' }).click();
  await teacher.getByRole('link', { name: /Ilse/ }).first().click();
  await choose(teacher, 'Reports in', 'plain words');
  await teacher.getByRole('button', { name: 'Keep' }).click();
  await expect(teacher.getByText('Kept. It holds from now on.')).toBeVisible();
  const ilse = await (await browser.newContext({ baseURL: process.env.DEMO_URL })).newPage();
  await comeInAs(ilse, 'Ilse');
  await openNewest(ilse);
  await expect(ilse.getByText('How even')).toBeVisible();
  await choose(teacher, 'Reports in', 'figures');
  await teacher.getByRole('button', { name: 'Keep' }).click();
  await expect(async () => {
    await ilse.reload();
    await expect(ilse.getByText('Where the take sits')).toBeVisible({ timeout: 3000 });
  }).toPass();
});

test('a student’s page: where it slips over many takes, offered as a drill', async ({ page }) => {
  await comeInAs(page, 'Oda');
  await page.getByRole('link', { name: 'People' }).click();
  await page.getByRole('link', { name: /Noor/ }).first().click();
  await expect(page.getByRole('heading', { name: 'Where it slips' })).toBeVisible();
  await expect(page.getByRole('table', { name: /to a count/ }).first()).toBeVisible();
  const changes = page.getByRole('region', { name: 'Changes of rate' });
  await expect(changes).toContainText(/\d+ ms early \(\d+\)/);
  await expect(page.getByRole('heading', { name: 'Spread by rate' })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('link', { name: 'Make a drill of this' }).last().click();
  await expect(page).toHaveURL(/\/drills\?/);
  await expect(page.getByText(/8th triplet/).first()).toBeVisible();
});

test('the kit shows two faults at once, as large as is wished', async ({ page }) => {
  await comeInAs(page, 'Wendla');
  await openRoom(page);
  await choose(page, 'Who plays', 'kit, late foot');
  await page.getByRole('button', { name: 'Set up' }).click();
  const dialog = page.getByRole('dialog', { name: 'Set up' });
  await choose(page, 'How large “late foot” is', 'strong', dialog);
  await choose(page, 'And at once', 'loudness wanders', dialog);
  await dialog.getByRole('button', { name: 'Close' }).click();
  await choose(page, 'Length', '8 rounds');
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  await expect(page.getByText('Kept in the log')).toBeVisible({ timeout: 120_000 });
  const verdict = page.getByRole('group', { name: 'Verdict' });
  await expect(verdict).toContainText(/The right foot comes \d+ ms after the other limbs|loudness of the .* wanders/);
  await expect(verdict).toContainText('After that:');
  await expect(page.getByRole('heading', { name: 'How loud' })).toBeVisible();
});
