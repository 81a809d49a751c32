import { readFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import { comeInAs, complaints, expectAccessible, lane, newGroove } from './steps';

const strip = (page: Page) => page.getByRole('application', { name: /^Strip/ });
const saved = (page: Page) => expect(page.getByText('Saved', { exact: true })).toBeVisible();

test('two bars by the keyboard only: placed, raised, divided, undone, saved and there after a reload', async ({
  page,
}) => {
  const wrong = complaints(page);
  await newGroove(page, 'By keys');
  await strip(page).focus();
  const press = async (...keys: string[]) => {
    for (const key of keys) await page.keyboard.press(key);
  };
  await press('Enter', '+', 'ArrowRight', 'ArrowRight', 'Enter');
  await expect(lane(page, 'right hand')).toHaveText(
    'right hand: count 1 accent on closed hat, the & of 1 accent on closed hat.',
  );
  await press('-', 'ArrowDown', 'Control+ArrowRight', 'Enter', 'f');
  await expect(lane(page, 'left hand')).toHaveText('left hand: count 2 tap flam on snare.');
  await press('Control+ArrowRight', '3', 'ArrowRight', 'Enter');
  await expect(lane(page, 'left hand')).toContainText('the trip of 3 tap on snare');
  await press('Delete');
  await expect(lane(page, 'left hand')).not.toContainText('trip');
  await press('Control+z');
  await expect(lane(page, 'left hand')).toContainText('the trip of 3 tap on snare');
  await page.getByRole('button', { name: 'Copy this bar' }).press('Enter');
  await strip(page).focus();
  await press('PageDown', 'ArrowDown', 'Enter');
  await expect(lane(page, 'right foot')).toHaveText('right foot: count 1 in bar 2 tap on kick.');
  await saved(page);
  await page.reload();
  await expect(lane(page, 'right foot')).toHaveText('right foot: count 1 in bar 2 tap on kick.');
  await expect(lane(page, 'left hand')).toContainText('the trip of 3 in bar 1 tap on snare');
  await expectAccessible(page);
  await press('Tab');
  await strip(page).focus();
  await press('?');
  await expect(page.getByRole('dialog', { name: 'Keys on the strip' })).toBeVisible();
  await expectAccessible(page);
  expect(wrong).toEqual([]);
});

test('by typing only: shown pale, placed by Enter, a wrong word is told and mended with one touch', async ({
  page,
}) => {
  await newGroove(page, 'By words');
  const say = page.getByLabel('Say it');
  await say.fill('hat 8ths; snare loud 2 and 4; kick 1 and the a of 3');
  await expect(page.getByText('left hand snare, accent: 2, 4; right foot kick, tap: 1, a of 3')).toBeVisible();
  await expect(page.locator('[data-preview]')).toHaveCount(12);
  await say.press('Enter');
  await expect(page.locator('[data-preview]')).toHaveCount(0);
  await expect(lane(page, 'left hand')).toHaveText('left hand: count 2 accent on snare, count 4 accent on snare.');
  await expect(lane(page, 'right foot')).toContainText('the a of 3');
  await say.fill('kick trip of 4');
  await expect(page.getByText('Count 4 is divided by 4 and has no trip.')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'say a', exact: true }).click();
  await expect(say).toHaveValue('kick a of 4');
  await say.press('Enter');
  await expect(lane(page, 'right foot')).toContainText('the a of 4');
  await say.fill('no kick 1');
  await expect(page.getByText('no right foot on 1', { exact: true })).toBeVisible();
  await say.press('Enter');
  await expect(lane(page, 'right foot')).not.toContainText('count 1');
  await saved(page);
});

test('ten phrases by keyboard only, each said back before Enter; one that is not understood places nothing', async ({
  page,
}) => {
  await newGroove(page, 'As it is said');
  const say = page.getByLabel('Say it');
  await say.focus();
  const type = async (phrase: string, back: string) => {
    await page.keyboard.type(phrase);
    await expect(page.locator('#say-it-answer')).toContainText(back);
    await page.keyboard.press('Enter');
    await expect(say).toHaveValue('');
  };
  await type('eighth notes on the hi-hat', 'right hand closed hat, tap: 1, & of 1, 2');
  await type('kick one and three', 'right foot kick, tap: 1, 3');
  await type('backbeat', 'left hand snare, accent: 2, 4');
  await type('open on the & of 4', 'right hand open hat, tap: & of 4');
  await type("ghost notes on all the e's with the left hand", 'left hand snare, ghost: e of 1, e of 2, e of 3, e of 4');
  await type('move the kick from 3 to the a of 2', 'right foot kick, tap: a of 2; no right foot on 3');
  await type('no hat on 1', 'no right hand on 1');
  await type('crash on 1', 'right hand crash, tap: 1');
  await type('make the snare on 2 a ghost', 'left hand snare, ghost: 2');
  await type('kick a sixteenth later', 'right foot kick, tap: e of 1, 3');
  await expect(lane(page, 'right foot')).toHaveText('right foot: the e of 1 tap on kick, count 3 tap on kick.');

  await page.keyboard.type('kick on 1 and the wobble of 3');
  await page.keyboard.press('Enter');
  await expect(say).toHaveValue('kick on 1 and the wobble of 3');
  await expect(lane(page, 'right foot')).not.toContainText('count 1');
  await page.getByRole('button', { name: 'place the rest without it' }).click();
  await expect(say).toHaveValue('kick on 1');
  await say.press('Enter');
  await expect(lane(page, 'right foot')).toContainText('count 1');
  await saved(page);
});

test('by pointer: click places, a drag is height, a second click takes out; a finer grid names what it would lose', async ({
  page,
}) => {
  await newGroove(page, 'By pointer');
  const box = (await strip(page).boundingBox())!;
  // The fourth lane of four, somewhere near a slot: wherever it lands, one stroke of the left foot is there.
  const [x, y] = [box.x + box.width / 2, box.y + box.height - 40];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.up();
  await expect(lane(page, 'left foot')).toHaveText(/^left foot: .* tap on hat pedal\.$/);
  await page.mouse.down();
  await page.mouse.move(x, y - 20);
  await page.mouse.up();
  await expect(lane(page, 'left foot')).toHaveText(/accent on hat pedal/);
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.up();
  await expect(lane(page, 'left foot')).toHaveText('left foot: nothing.');

  await page.getByLabel('Say it').fill('kick e of 1');
  await page.getByLabel('Say it').press('Enter');
  await strip(page).focus();
  for (let count = 0; count < 4; count++) await page.keyboard.press('Control+ArrowLeft');
  await page.keyboard.press('3');
  await expect(page.getByText('Count 1 divided by 3 has no slot for: right foot, the e of 1.')).toBeVisible();
  await page.getByRole('button', { name: 'Leave it' }).click();
  await expect(lane(page, 'right foot')).toContainText('the e of 1');
});

test('transforms say what they did, checks name a conflict and free it with one touch', async ({ page }) => {
  await newGroove(page, 'Transformed');
  const say = page.getByLabel('Say it');
  await say.fill('hat 8ths; snare 2; flam on snare 4');
  await say.press('Enter');
  await expect(page.getByText('Nothing in its way.')).toHaveCount(0);
  await expect(page.getByText(/The grace of this flam is the right hand/)).toBeVisible();
  await page.getByRole('button', { name: 'Take the flam off' }).click();
  await expect(page.getByText('Nothing in its way.')).toBeVisible();
  await page.getByRole('button', { name: 'Transform' }).click();
  const dialog = page.getByRole('dialog', { name: 'Transform' });
  await dialog.getByRole('button', { name: 'Write the swing out' }).click();
  await expect(dialog.getByText('This groove is straight already.')).toBeVisible();
  await expect(dialog.getByRole('button', { name: 'Take it' })).toBeDisabled();
  await dialog.getByRole('button', { name: '8ths as a shuffle' }).click();
  await expect(dialog.getByText('long–short')).toBeVisible();
  await expectAccessible(page);
  await dialog.getByRole('button', { name: 'Hear both in turn' }).click();
  await expect(dialog.getByRole('button', { name: 'Stop' })).toBeVisible();
  await dialog.getByRole('button', { name: 'Take it' }).click();
  await expect(lane(page, 'right hand')).toContainText('the let of 1');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(lane(page, 'right hand')).toContainText('the & of 1');
  await page.getByLabel('Tempo').fill('400');
  await expect(page.getByText('The fastest tempo is 300.')).toBeVisible();
  await page.getByLabel('Tempo').fill('80');
  await page.getByLabel('Meter').fill('9/5');
  await expect(page.getByText('Use 2, 4, 8 or 16.')).toBeVisible();
});

test('beat arithmetic: values at this tempo, when a cell comes round, this note = that note', async ({ page }) => {
  await newGroove(page, 'Arithmetic');
  await page.getByLabel('Tempo').fill('90');
  await page.getByLabel('Tempo').press('Enter');
  await page.getByRole('button', { name: 'Beat arithmetic at 90' }).click();
  await expect(page.getByRole('row', { name: /^quarter triplet/ })).toContainText('quarter triplet2/366.67444.42.25');
  await expect(
    page.getByText(
      'is 1 1/2 counts long; it meets a count again after 3 counts (2 cells), and 1 after 3 bars (8 cells).',
    ),
  ).toBeVisible();
  await expect(page.getByText('The quarter then goes at 67.5 a minute.')).toBeVisible();
  await expect(page.getByText('1 only: 22.5, where most metronomes cannot be set')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Drop 8th triplets on the strip' }).click();
  await expect(lane(page, 'right hand')).toContainText('the trip of 4');
  await page.getByRole('button', { name: 'Hear quarters' }).click();
  await expect(page.getByRole('button', { name: 'Stop' }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Stop' }).first().click();
  await page.getByRole('button', { name: 'Set the groove to the new tempo' }).click();
  await expect(page.getByLabel('Tempo', { exact: true })).toHaveValue('67.5');
});

test('selected with Shift, copied, pasted into another bar; looped; a note of the stave selects its stroke', async ({
  page,
}) => {
  const wrong = complaints(page);
  await newGroove(page, 'Selected');
  await page.getByLabel('Say it').fill('snare ghost e of 1, accent 2; kick 1');
  await page.getByLabel('Say it').press('Enter');
  await page.getByRole('button', { name: 'Add a bar' }).click();
  await strip(page).focus();
  const press = async (...keys: string[]) => {
    for (const key of keys) await page.keyboard.press(key);
  };
  await press('Shift+Control+ArrowRight', 'Shift+ArrowDown', 'Shift+ArrowDown');
  await expect(page.getByText('3 strokes selected')).toBeVisible();
  await expect(page.locator('[data-selection]')).toBeVisible();
  await press('Control+c', 'Control+ArrowLeft', 'PageDown', 'Control+v');
  await expect(page.getByText('3 strokes pasted.')).toBeVisible();
  await expect(lane(page, 'left hand')).toContainText(
    'the e of 1 in bar 2 ghost on snare, count 2 in bar 2 accent on snare',
  );
  await expect(lane(page, 'right foot')).toContainText('count 1 in bar 2 tap on kick');
  await press('Control+a', '-');
  await expect(lane(page, 'left hand')).toContainText('count 2 in bar 2 tap on snare');
  await press('l');
  await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible();
  await press('Space');
  await expect(page.getByRole('button', { name: 'Hear it', exact: true })).toBeVisible();
  await press('Delete');
  await expect(lane(page, 'left hand')).toHaveText('left hand: nothing.');
  await press('Control+z', 'Escape');
  await expect(lane(page, 'left hand')).toContainText('count 2 in bar 2');

  const bar = page.locator('[data-stave-bar="0"]');
  await expect(bar.locator('svg')).toBeVisible();
  await press('Control+ArrowLeft', 'PageUp', 'ArrowUp');
  await expect(page.locator('[data-stave-marked]')).toBeVisible();
  await expect(bar.getByText('R', { exact: true })).toHaveCount(0);
  await expect(bar.getByText('L', { exact: true })).toHaveCount(2);
  await page.locator('[data-stave-marked]').scrollIntoViewIfNeeded();
  const marked = (await page.locator('[data-stave-marked]').boundingBox())!;
  await press('PageDown');
  await page.mouse.click(marked.x + marked.width / 2, marked.y + marked.height / 2);
  await expect(page.locator('[data-stave-bar="0"] [data-stave-marked]')).toBeVisible();
  expect(wrong).toEqual([]);
});

test('by touch on a tablet: a tap places, Select takes two taps, the buttons do what the keys do', async ({
  browser,
}) => {
  const page = await (await browser.newContext({ viewport: { width: 1024, height: 768 }, hasTouch: true })).newPage();
  await newGroove(page, 'By touch');
  const box = (await strip(page).boundingBox())!;
  const y = box.y + box.height - 40;
  await page.touchscreen.tap(box.x + box.width * 0.4, y);
  await page.touchscreen.tap(box.x + box.width * 0.7, y);
  await expect(lane(page, 'left foot')).toHaveText(/tap on hat pedal, .* tap on hat pedal\.$/);
  await page.getByRole('button', { name: 'Select' }).tap();
  await page.touchscreen.tap(box.x + box.width * 0.4, y);
  await page.touchscreen.tap(box.x + box.width * 0.7, y);
  await expect(page.getByText('2 strokes selected')).toBeVisible();
  await page.getByRole('button', { name: 'Raise' }).tap();
  await expect(lane(page, 'left foot')).toHaveText(/accent on hat pedal, .* accent on hat pedal\.$/);
  await page.getByRole('button', { name: 'Take out' }).tap();
  await expect(lane(page, 'left foot')).toHaveText('left foot: nothing.');
  // Nothing stands outside of the window.
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(1024);
  await page.context().close();
});

test('a groove is taken as a file of each kind, with its name', async ({ page }) => {
  await comeInAs(page, 'Oda');
  await page.goto('/grooves');
  await page.getByRole('link', { name: 'Lantern ghosts' }).first().click();
  for (const [kind, ending, begins] of [
    ['MIDI file', 'mid', 'MThd'],
    ['MIDI file with a click, a bar counted in', 'mid', 'MThd'],
    ['MusicXML', 'musicxml', '<?xml'],
    ['MusicXML, packed', 'mxl', 'PK'],
    ['Plain text', 'txt', 'Lantern ghosts'],
    ['Mochila’s own JSON', 'json', '{'],
  ]) {
    await page.getByRole('button', { name: 'As a file' }).click();
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('menuitem', { name: kind!, exact: true }).click(),
    ]);
    expect(download.suggestedFilename()).toBe(`Lantern ghosts.${ending!}`);
    expect((await readFile(await download.path())).toString('latin1').startsWith(begins!)).toBe(true);
  }
});

test('a student has no bench', async ({ page }) => {
  await comeInAs(page, 'Pim');
  await page.goto('/bench/6f1f6a3e-0000-4000-8000-000000000000');
  await expect(page).toHaveURL(/today$/);
});
