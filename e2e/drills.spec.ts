import { expect, test, type Page } from '@playwright/test';
import { choose, comeInAs, complaints, expectAccessible } from './steps';

test('a wish becomes exercises at once: counted, explained, heard, sent to the bench; what makes nothing is said', async ({
  page,
}) => {
  const wrong = complaints(page);
  await comeInAs(page, 'Oda');
  await page.getByRole('link', { name: 'Drills' }).click();
  const said = page.getByRole('status');
  await expect(said.getByText('16 exercises.')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Exercise 1', exact: true })).toContainText('Count 1');

  await choose(page, 'What to train', 'A foot or hand between the hats');
  await choose(page, 'Where', 'every combination');
  await expect(page.getByText('easy to hard, click on counts')).toBeVisible();
  await expect(said.getByText('255 exercises; 20 chosen evenly by difficulty.')).toBeVisible();
  await page.getByRole('button', { name: /How it is played/ }).click();
  await page.getByRole('switch', { name: 'Leave out what is the same turned round' }).click();
  await expect(said.getByText('255 exercises, 35 of them different; 20 chosen evenly by difficulty.')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Exercise 1', exact: true })).toContainText(
    /Difficulty \d+: \d+ stroke/,
  );

  // Nothing is free under 16ths: it says so where it is, and the last drill stays.
  await page.getByLabel('The others keep').fill('hat 16ths');
  await expect(page.getByText('The ostinato strikes on every slot, so nothing is free.')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Exercise 1', exact: true })).toBeVisible();
  await page.getByLabel('The others keep').fill('hat sometimes');
  await expect(page.getByText(/This word is not understood here/)).toBeVisible();
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

const exercise = (page: Page, number: number) => page.getByRole('region', { name: `Exercise ${number}`, exact: true });

test('a drill from the shelf is picked over, kept under a name with tags, and there after a reload', async ({
  page,
}) => {
  await comeInAs(page, 'Oda');
  await page.goto('/drills');
  await page.getByRole('button', { name: 'Shelf', exact: true }).click();
  const shelf = page.getByRole('dialog', { name: 'Shelf of drills' });
  await expectAccessible(page);
  await shelf.getByRole('button', { name: 'Quarter planks: the kick goes round' }).click();
  await expect(page.getByRole('status').getByText('4 exercises.')).toBeVisible();
  await expect(exercise(page, 1)).toContainText('Count 1');
  await page.getByRole('button', { name: 'Leave exercise 1 out' }).click();
  await expect(page.getByRole('status').getByText('4 exercises; 3 picked by hand.')).toBeVisible();
  await page.getByRole('button', { name: 'Move exercise 1', exact: true }).press('Alt+ArrowDown');
  await expect(exercise(page, 1)).toContainText('Count 3');
  await page.getByLabel('Name').fill('');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('Give the drill a name.')).toBeVisible();
  await page.getByLabel('Name').fill('Three planks of mine');
  await page.getByLabel('Tags').fill('Quarters,  first day');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('“Three planks of mine” is on the shelf.')).toBeVisible();
  await page.reload();
  await expect(page.getByRole('status').getByText('16 exercises.')).toBeVisible();
  await page.getByRole('button', { name: 'Shelf', exact: true }).click();
  await shelf.getByRole('button', { name: 'first day', exact: true }).click();
  await expect(shelf.getByRole('button', { name: 'Called from the pier' })).toHaveCount(0);
  await shelf.getByRole('button', { name: /^Three planks of mine/ }).click();
  await expect(page.getByRole('status').getByText('4 exercises; 3 picked by hand.')).toBeVisible();
  await expect(exercise(page, 1)).toContainText('Count 3');
  await page.getByRole('button', { name: 'All that were left out, back in order' }).click();
  await expect(page.getByRole('status').getByText('4 exercises.')).toBeVisible();
  await page.getByRole('button', { name: 'Shelf', exact: true }).click();
  await shelf.getByRole('button', { name: 'Take Three planks of mine off the shelf' }).click();
  await expect(shelf.getByRole('button', { name: /^Three planks of mine/ })).toHaveCount(0);
});

test('exercises are dragged into another order, with the pointer and with the keys', async ({ page }) => {
  await comeInAs(page, 'Oda');
  await page.goto('/drills');
  await expect(exercise(page, 3)).toContainText('The & of 1');
  const handle = (number: number) => page.getByRole('button', { name: `Move exercise ${number}`, exact: true });
  const [from, to] = [await handle(1).boundingBox(), await handle(3).boundingBox()];
  await page.mouse.move(from!.x + 10, from!.y + 10);
  await page.mouse.down();
  await page.mouse.move(to!.x + 10, to!.y, { steps: 8 });
  await page.mouse.move(to!.x + 10, to!.y + 20, { steps: 4 });
  await page.mouse.up();
  await expect(page.getByRole('status').getByText('16 exercises; 16 picked by hand.')).toBeVisible();
  await expect(exercise(page, 3)).toContainText('Count 1');
  await expect(exercise(page, 1)).toContainText('The e of 1');
  // Space takes it up, arrows carry it, Space lets it go.
  await handle(3).press('Space');
  await expect(handle(3)).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('ArrowUp');
  await expect(page.getByText('Over place 2.')).toBeAttached();
  await page.keyboard.press('Space');
  await expect(exercise(page, 2)).toContainText('Count 1');
});

test('bars follow the slider while it moves; how it is played stays with what was picked', async ({ page }) => {
  await comeInAs(page, 'Oda');
  await page.goto('/drills');
  const parts = page.getByRole('slider', { name: 'Parts of a count' });
  await parts.press('ArrowLeft');
  await expect(page.getByRole('status').getByText('12 exercises.')).toBeVisible();
  await parts.press('ArrowLeft');
  await expect(page.getByRole('status').getByText('8 exercises.')).toBeVisible();
  await page.getByRole('button', { name: 'Leave exercise 1 out' }).click();
  await page.getByRole('button', { name: /How it is played/ }).click();
  await page.getByRole('slider', { name: 'Each is played' }).press('ArrowRight');
  await expect(page.getByText('as generated, each 2 times, click on counts')).toBeVisible();
  await expect(page.getByRole('status').getByText('8 exercises; 7 picked by hand.')).toBeVisible();
  // Longer than a groove holds: it is said, and cannot be played.
  await choose(page, 'What to train', 'A foot or hand between the hats');
  await choose(page, 'Where', 'every combination');
  await parts.press('End');
  await parts.press('ArrowLeft');
  await page.getByLabel('The others keep').fill('hat quarters');
  await parts.press('Home');
  for (let step = 0; step < 3; step++) await parts.press('ArrowRight');
  await choose(page, 'At most', '500');
  await expect(page.getByText(/The exercises have \d+ bars; a drill holds 128\./)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Practise', exact: true })).toBeDisabled();
});

test('a drill of a groove: displaced, in other notes, built up, accented, its hardest bar; and over one', async ({
  page,
}) => {
  const wrong = complaints(page);
  await comeInAs(page, 'Oda');
  await page.goto('/grooves');
  await page.getByRole('button', { name: 'More for Ferry ramp' }).click();
  await page.getByRole('menuitem', { name: 'Make a drill of this' }).click();
  const dialog = page.getByRole('dialog', { name: 'Make a drill of a groove' });
  await expect(dialog.getByLabel('Groove', { exact: true })).toHaveValue('Ferry ramp');
  for (const what of ['Displace it', 'Write it in other notes', 'Build it up limb by limb', 'Move its accents'])
    await expect(dialog.getByRole('button', { name: what })).toBeVisible();
  await expectAccessible(page);
  await dialog.getByRole('button', { name: 'Its hardest bar alone' }).click();
  await expect(page.getByText(/^Its one bar: 8 strokes between the counts/)).toBeVisible();
  await expect(page.getByLabel('Name')).toHaveValue('Ferry ramp: its hardest bar alone');
  await expect(page.getByLabel('Made of')).toHaveValue('Ferry ramp');
  await expect(exercise(page, 1)).toContainText('Alone');
  // The same groove in another family.
  await choose(page, 'What to train', 'A groove limb by limb');
  await expect(page.getByLabel('Made of')).toHaveValue('Ferry ramp');
  await expect(exercise(page, 1)).toContainText(/foot|hand/i);
  // A meter that is not the groove's is said beside it.
  await page.getByLabel('Meter').fill('3/4');
  await expect(page.getByText('“Ferry ramp” is in 4/4, longer than a bar of 3/4. Set the meter to 4/4.')).toBeVisible();
  await page.getByLabel('Meter').fill('4/4');
  await expect(page.getByText('“Ferry ramp” is in 4/4')).toHaveCount(0);
  // From the bench too.
  await page.goto('/grooves');
  await page.getByRole('link', { name: 'Open Slow crossing on the bench' }).click();
  await page.getByRole('link', { name: 'Make a drill' }).click();
  await expect(dialog.getByLabel('Groove', { exact: true })).toHaveValue('Slow crossing');
  await dialog.getByRole('button', { name: 'Close' }).click();

  // Over a groove: what its other limbs do goes on.
  await page.getByRole('button', { name: 'Or what a groove has' }).click();
  const over = page.getByLabel('The others keep, of');
  await over.fill('Slow cr');
  await page.getByRole('option', { name: 'Slow crossing', exact: true }).click();
  await expect(page.getByRole('combobox', { name: /Limbs/ })).toContainText('right hand, left hand');
  await expect(exercise(page, 1)).toContainText('snare');
  expect(wrong).toEqual([]);
});

test('a drill for what slips: said by the teacher, or taken over from a take', async ({ page }) => {
  await comeInAs(page, 'Oda');
  await page.goto('/drills');
  await page.getByRole('button', { name: 'For what slips' }).click();
  const dialog = page.getByRole('dialog', { name: 'A drill for what slips' });
  await expect(dialog.getByText('Touch the places that slip.')).toBeVisible();
  await expect(dialog.getByRole('button', { name: 'Make it' })).toBeDisabled();
  await choose(page, 'Limb', 'left hand', dialog);
  await dialog.getByRole('button', { name: 'slot 4: a' }).click();
  await dialog.getByRole('button', { name: 'slot 6: e' }).click();
  await expect(dialog.getByText('One stroke on every place in turn: 2 exercises.')).toBeVisible();
  await expectAccessible(page);
  await choose(page, 'What slips', 'a switch between two rates', dialog);
  await expect(dialog.getByText('The same line through all rates: 2 exercises.')).toBeVisible();
  await choose(page, 'What slips', 'certain places', dialog);
  await dialog.getByRole('button', { name: 'Make it' }).click();
  await expect(exercise(page, 1)).toContainText('The a of 1');
  await expect(exercise(page, 2)).toContainText('The e of 2');
  await expect(page.getByText('each 4 times')).toBeVisible();

  // Ilse's foot lands after her hands: her takes say so, and the drill is for that.
  await page.goto('/people');
  await page.getByRole('link', { name: /Ilse/ }).first().click();
  await page.getByRole('row').filter({ hasText: 'The right foot comes' }).first().getByRole('link').first().click();
  await page.getByRole('link', { name: 'Make a drill of this' }).click();
  await expect(page.getByText('The right foot finds every place of the grid while the others go on.')).toBeVisible();
  await expect(exercise(page, 1)).toBeVisible();
});
