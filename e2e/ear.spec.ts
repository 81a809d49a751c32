import { expect, test } from '@playwright/test';
import { choose, comeInAs, complaints, expectAccessible, openRoom, strikeAlong } from './steps';

/** What is played and heard by ear: listening drills, a groove played in, a list of one's own as homework. */

test('a listening drill: heard, answered by a touch and by figures, told at once, kept, and seen by the teacher', async ({
  page,
  browser,
}) => {
  const wrong = complaints(page);
  await comeInAs(page, 'Jonte');
  await page.getByRole('link', { name: 'By ear' }).click();
  await page.getByRole('button', { name: /^Which limb is late/ }).click();
  const drill = page.getByRole('region', { name: 'Which limb is late' });
  await expect(drill.getByText('1 of 10 · step 1 of 5')).toBeVisible();
  await drill.getByRole('button', { name: 'Hear it', exact: true }).click();
  await expect(drill.getByRole('button', { name: 'Stop' })).toBeVisible();
  await expectAccessible(page);
  await drill.getByRole('button', { name: 'Left hand' }).click();
  await expect(drill.getByText(/^(Right|Not quite)\. It was /)).toBeVisible();
  await expect(drill.getByRole('button', { name: 'Stop' })).toHaveCount(0);
  // Once told, an answer is touched to be heard.
  await drill.getByRole('button', { name: /^Right foot/ }).click();
  await expect(drill.getByRole('button', { name: 'Stop' })).toBeVisible();
  await drill.getByRole('button', { name: 'Next' }).click();
  await expect(drill.getByText(/^2 of 10/)).toBeVisible();
  for (let question = 2; question <= 10; question++) {
    await expect(drill.getByText(new RegExp(`^${question} of 10`))).toBeVisible();
    await page.keyboard.press('4');
    await expect(drill.getByText(/^(Right|Not quite)\. It was /)).toBeVisible();
    if (question < 10) await page.keyboard.press('n');
  }
  await expect(drill.getByText(/^\d+ of 10 right, now on step \d of 5\.$/)).toBeVisible();
  await expect(page.getByRole('button', { name: /^Which limb is late/ })).toContainText(/last \d+ of 10/);
  await drill.getByRole('button', { name: 'Ten more' }).click();
  await expect(drill.getByText(/^1 of 10/)).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: /^Which limb is late/ })).toContainText(/last \d+ of 10/);
  expect(wrong).toEqual([]);

  const teacher = await (await browser.newContext()).newPage();
  await comeInAs(teacher, 'Oda');
  await teacher.getByRole('link', { name: 'People' }).click();
  await teacher.getByRole('link', { name: /Jonte/ }).first().click();
  await expect(teacher.getByText(/^Which limb is late, step \d of 5$/)).toBeVisible();
});

test('a groove is played in by keys: a bar counted in, what was heard shown, taken, and there after a reload', async ({
  page,
}) => {
  test.slow();
  await comeInAs(page, 'Oda');
  await page.getByRole('link', { name: 'Grooves' }).click();
  await page.getByRole('button', { name: 'New groove', exact: true }).click();
  await expect(page).toHaveURL(/bench/);
  await page.getByLabel('Title').fill('Played in');
  await page.getByLabel('Tempo').fill('60');
  await page.getByLabel('Tempo').press('Enter');
  await page.getByRole('button', { name: 'Play it in' }).click();
  const dialog = page.getByRole('dialog', { name: 'Play it in' });
  await choose(page, 'How often', '2 times', dialog);
  await expectAccessible(page);
  await strikeAlong(page, { '1': 'KeyL', '2': 'KeyF', '3': 'KeyL', '4': 'KeyF' }, 1000);
  await dialog.getByRole('button', { name: 'Record' }).click();
  await expect(dialog.getByText('4 strokes heard.')).toBeVisible();
  await expectAccessible(page);
  await dialog.getByRole('button', { name: 'Take it' }).click();
  const lane = (limb: string) => page.locator('p', { hasText: new RegExp(`^${limb}:`) });
  await expect(lane('right foot')).toHaveText('right foot: count 1 tap on kick, count 3 tap on kick.');
  await expect(lane('left hand')).toHaveText('left hand: count 2 tap on snare, count 4 tap on snare.');
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  await page.reload();
  await expect(lane('right foot')).toHaveText('right foot: count 1 tap on kick, count 3 tap on kick.');
  // Nothing struck is nothing lost.
  await page.getByRole('button', { name: 'Play it in' }).click();
  await choose(page, 'How often', 'once', dialog);
  await dialog.getByRole('button', { name: 'Record' }).click();
  await dialog.getByRole('button', { name: 'Stop' }).click();
  await expect(dialog.getByText(/Nothing was played/)).toBeVisible();
  await dialog.getByRole('button', { name: 'Leave it' }).click();
  await expect(lane('left hand')).toHaveText('left hand: count 2 tap on snare, count 4 tap on snare.');
});

test('a list of one’s own, line by line, is set as homework and stands in the student’s room', async ({
  page,
  browser,
}) => {
  await comeInAs(page, 'Oda');
  await page.goto('/drills');
  await choose(page, 'What to train', 'Exercises of your own, written as you say them');
  const lines = page.getByLabel('The exercises, a line each, as you would say them');
  await lines.fill('1 and 3\n1, & of 2\n1, the oar of 3');
  await expect(page.getByText(/^line 3: /)).toBeVisible();
  await lines.fill('1 and 3\n1, & of 2\n1, & of 2, & of 3');
  await expect(page.getByText('3 exercises.')).toBeVisible();
  await page.getByLabel('Name', { exact: true }).fill('Own figures');
  await page.getByRole('button', { name: 'Set for …' }).click();
  await page.getByRole('menuitem', { name: /Noor/ }).click();
  await expect(page.getByRole('combobox', { name: 'Groove, drill or listening' })).toHaveText(/^Drill: Own figures/);
  await page.getByRole('button', { name: 'Set it', exact: true }).click();
  await expect(page.getByText('Set. It is on Today from now on.')).toBeVisible();

  const student = await (await browser.newContext()).newPage();
  await comeInAs(student, 'Noor');
  await expect(student.getByText('Own figures').first()).toBeVisible();
  await openRoom(student);
  await expect(student.getByText('1 of 3')).toBeVisible();
  await expect(student.getByText('next 1, & of 2', { exact: true })).toBeVisible();
});

test('half a bar is transformed alone, a bar loops, and one bar goes round in the room', async ({ page }) => {
  await comeInAs(page, 'Oda');
  await page.getByRole('link', { name: 'Grooves' }).click();
  await page.getByRole('button', { name: 'New groove', exact: true }).click();
  await expect(page).toHaveURL(/bench/);
  await page.getByLabel('Title').fill('In parts');
  const say = page.getByLabel('Say it');
  await say.fill('hat 8ths; snare 2 and 4');
  await say.press('Enter');
  const strip = page.getByRole('application', { name: /^Strip/ });
  await strip.focus();
  for (const key of ['Home', 'Shift+Control+ArrowRight', 'Shift+ArrowRight', 'Shift+ArrowRight'])
    await page.keyboard.press(key);
  await page.keyboard.press('m');
  const dialog = page.getByRole('dialog', { name: 'Transform' });
  await dialog.getByRole('button', { name: 'Re-rate' }).click();
  await expect(dialog.getByLabel('Only what is selected')).toBeChecked();
  await dialog.getByLabel('In which notes').fill('16ths');
  await expectAccessible(page);
  await dialog.getByRole('button', { name: 'Take it' }).click();
  await expect(page.locator('p', { hasText: /^right hand:/ })).toContainText('the e of 1');
  await expect(page.locator('p', { hasText: /^right hand:/ })).toContainText('the & of 4');
  await page.getByRole('button', { name: 'Copy this bar' }).click();
  await page.getByRole('button', { name: 'Other ways to hear it' }).click();
  await page.getByRole('menuitem', { name: /^Loop this bar/ }).click();
  await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  await page.goto(page.url().replace('/bench/', '/room/') + '?bars=2');
  const bars = page.getByRole('group', { name: 'Bars that go round' });
  await expect(bars.getByLabel('From')).toHaveText('bar 2');
  await choose(page, 'Who plays', 'kit, steady');
  await choose(page, 'Length', '2 rounds');
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible();
  await expect(page.getByText('Kept in the log')).toBeVisible({ timeout: 90_000 });
});
