import { expect, test } from '@playwright/test';
import { choose, comeInAs, complaints, expectAccessible, openRoom, playByKit } from './steps';

test('a drill is set for a student, who practises it exercise by exercise; its bars stay when the drill is changed', async ({
  page,
  browser,
}) => {
  test.slow();
  await comeInAs(page, 'Oda');
  await page.goto('/drills');
  await page.getByRole('slider', { name: 'Parts of a count' }).press('Home');
  await expect(page.getByRole('status').getByText('4 exercises.')).toBeVisible();
  await page.getByRole('button', { name: 'Set for …' }).click();
  await page.getByRole('menuitem', { name: /Noor/ }).click();
  await expect(page.getByText('Give the drill a name.')).toBeVisible();
  await page.getByLabel('Name').fill('Posts for Noor');
  await page.getByRole('button', { name: 'Set for …' }).click();
  await page.getByRole('menuitem', { name: /Noor/ }).click();
  await expect(page.getByRole('combobox', { name: 'Groove, drill or listening' })).toHaveText(
    'Drill: Posts for Noor (80)',
  );
  await page.getByLabel('Tempo, bpm').fill('240');
  await page.getByLabel('Why, or what to listen for').fill('One post after the other.');
  await page.getByRole('button', { name: 'Set it', exact: true }).click();
  await expect(page.getByText('Set. It is on Today from now on.')).toBeVisible();
  // The drill is another one now; what was set is not.
  await page.goto('/drills');
  await page.getByLabel('Name').fill('Posts for Noor');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('There is a drill called “Posts for Noor” already.')).toBeVisible();
  await page.getByRole('button', { name: 'Replace it' }).click();
  await expect(page.getByText('“Posts for Noor” is on the shelf.')).toBeVisible();

  const student = await (await browser.newContext()).newPage();
  await comeInAs(student, 'Noor');
  await expect(student.getByText('4 exercises', { exact: true })).toBeVisible();
  await expectAccessible(student);
  await openRoom(student);
  const wrong = complaints(student);
  await expect(student.getByText('1 of 4')).toBeVisible();
  await expect(student.getByText('next count 2')).toBeVisible();
  await playByKit(student, 'late');
  const figures = student.getByRole('region', { name: 'Figures by exercise' });
  await expect(figures.getByRole('row')).toHaveCount(5);
  await expect(student.getByRole('heading', { name: '4 exercises of 4 to come back to' })).toBeVisible();
  await expectAccessible(student);
  await figures.getByRole('button', { name: 'Count 3 alone' }).click();
  await expect(student.getByRole('button', { name: '1 of 4 exercises' })).toBeVisible();
  await expect(student.getByText('1 of 1')).toBeVisible();
  await student.getByRole('button', { name: '1 of 4 exercises' }).click();
  await student.getByRole('group', { name: 'Exercises' }).getByRole('button', { name: 'Count 1' }).click();
  await expect(student.getByText('1 of 2')).toBeVisible();
  // In the log the take has its exercises too.
  await student.goto('/takes');
  await student
    .getByRole('row')
    .filter({ hasText: 'Posts for Noor', has: student.getByRole('link') })
    .first()
    .getByRole('link')
    .first()
    .click();
  await expect(figures.getByRole('row')).toHaveCount(5);
  expect(wrong).toEqual([]);
});

test('the caller: places at random, each shown in the bar before it, and the take is judged by what was called', async ({
  page,
}) => {
  test.slow();
  const wrong = complaints(page);
  await comeInAs(page, 'Jonte');
  await page.getByText('Called from the pier').first().waitFor();
  await page
    .locator('div')
    .filter({ hasText: /^Called from the pier/ })
    .getByRole('link', { name: 'Open in the room' })
    .last()
    .click();
  await expect(page.getByRole('button', { name: 'Called', exact: true })).toHaveAttribute('aria-pressed', 'true');
  // Nothing gives away what will be called.
  await expect(page.getByText('Listen', { exact: true })).toBeVisible();
  await expect(page.getByText(/^next /)).toHaveCount(0);
  // Only four places, a new one every bar, quickly.
  await page.getByRole('button', { name: 'All 16 exercises' }).click();
  const places = page.getByRole('group', { name: 'Exercises' });
  await expect(places.getByRole('button', { name: 'The ka of 1' })).toBeVisible();
  for (const count of [1, 2, 3, 4])
    for (const syllable of ['di', 'ka', 'mi'])
      await places.getByRole('button', { name: `The ${syllable} of ${count}`, exact: true }).click();
  await expect(page.getByRole('button', { name: '4 of 16 exercises' })).toBeVisible();
  await choose(page, 'A new one every', '1 bar');
  await choose(page, 'How many', '8 calls');
  await expectAccessible(page);
  await page.getByLabel('Tempo in beats a minute').fill('200');
  await page.getByLabel('Tempo in beats a minute').press('Enter');
  await page.evaluate(() => {
    const seen: string[] = ((window as unknown as { calls: string[] }).calls = []);
    new MutationObserver(() => {
      const said = [...document.querySelectorAll('[role=status]')]
        .map((one) => one.textContent)
        .find((text) => text?.startsWith('next '));
      if (said && said !== seen.at(-1)) seen.push(said);
    }).observe(document.body, { childList: true, characterData: true, subtree: true });
  });
  await choose(page, 'Who plays', 'kit, late');
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  await expect(page.getByText('Kept in the log')).toBeVisible({ timeout: 90_000 });
  const calls = await page.evaluate(() => (window as unknown as { calls: string[] }).calls);
  // Never the same twice running, so each change was seen.
  expect(calls.length).toBeGreaterThan(3);
  expect(calls.length).toBeLessThanOrEqual(8);
  for (const call of calls) expect(call).toMatch(/^next count [1-4]$/);
  // Judged by the places that were called, each named once.
  const named = await page.getByRole('region', { name: 'Figures by exercise' }).getByRole('rowheader').allInnerTexts();
  expect(new Set(named).size).toBe(named.length);
  for (const call of calls) expect(named).toContain(call.replace('next c', 'C'));
  expect(wrong).toEqual([]);
});
