import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { comeInAs, complaints, expectAccessible } from './steps';

interface GrooveDocument {
  title: string;
  bars: { strokes: unknown[] }[];
}

test('a groove goes out in each format and comes in again through the screens', async ({ page }) => {
  const wrong = complaints(page);
  const title = 'Reed beds';
  await comeInAs(page, 'Oda');
  await page.goto('/grooves');
  await page
    .getByRole('link', { name: `Open ${title} on the bench` })
    .first()
    .click();
  await expect(page).toHaveURL(/bench/);
  const id = /bench\/([0-9a-f-]+)/.exec(page.url())![1]!;
  const fileOf = async (format: string) =>
    Buffer.from(await (await page.request.get(`/files/grooves/${id}/${format}`)).body());
  const [json, xml, midi, text] = await Promise.all(['json', 'musicxml', 'midi', 'text'].map(fileOf));
  const document = JSON.parse(json!.toString()) as GrooveDocument;

  await page.goto('/grooves');
  await page.getByRole('button', { name: 'Read from files' }).click();
  const picker = page.getByLabel('Files with grooves');
  const named = (name: string, buffer: Buffer) => ({ name, mimeType: 'application/octet-stream', buffer });
  const mxl = zipSync({ 'META-INF/container.xml': strToU8('<container/>'), 'score.xml': xml! });
  await picker.setInputFiles([
    named('rope.json', json!),
    named('rope.musicxml', xml!),
    named('rope.mid', midi!),
    named('rope.txt', text!),
    named('rope.mxl', Buffer.from(mxl)),
    named('two.zip', Buffer.from(zipSync({ 'in/rope.json': json!, 'in/again.txt': text! }))),
    named('rope.doc', Buffer.from('x')),
    named('bad.musicxml', Buffer.from('<score-partwise>')),
  ]);
  const section = page.getByRole('region', { name: 'Read grooves from files' });
  await expect(section.getByRole('article')).toHaveCount(7);
  await expect(section.getByText('All of it was understood.')).not.toHaveCount(0);
  await expect(section.getByText('Nothing is known of .doc.')).toBeVisible();
  await expect(section.getByRole('alert').filter({ hasText: 'bad.musicxml' })).toBeVisible();
  await expectAccessible(page);
  // Nothing was kept yet, and what is not wanted never is.
  await section.getByRole('checkbox').last().uncheck();
  const before = await page.getByRole('article').count();
  await section.getByRole('button', { name: 'Keep 6 grooves' }).click();
  await expect(section).toBeHidden();
  await page.reload();
  expect(await page.getByRole('article').count()).toBeGreaterThanOrEqual(Math.min(6, before));

  // All that is shown, in one zip; the grooves that came in have the strokes that went out.
  await page.getByLabel('Find by title, tag, meter …').fill(title);
  await page.getByRole('button', { name: 'As files' }).click();
  const saving = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: /Mochila’s own JSON/ }).click();
  const files = unzipSync(new Uint8Array(readFileSync(await (await saving).path())));
  const back = Object.values(files).map((bytes) => JSON.parse(new TextDecoder().decode(bytes)) as GrooveDocument);
  expect(back.length).toBeGreaterThanOrEqual(7);
  for (const { bars } of back)
    expect(bars.map(({ strokes }) => strokes.length)).toEqual(document.bars.map(({ strokes }) => strokes.length));
  expect(wrong).toEqual([]);
});

test('files are dropped on the shelf', async ({ page }) => {
  await comeInAs(page, 'Oda');
  await page.goto('/grooves');
  await expect(page.getByRole('button', { name: 'Read from files' })).toBeVisible();
  const files = await page.evaluateHandle(() => {
    const transfer = new DataTransfer();
    transfer.items.add(new File(['HH|x-x-x-x-|\nSD|--o---o-|\nBD|o---o---|\n'], 'dropped.txt'));
    return transfer;
  });
  await expect(async () => {
    await page.dispatchEvent('body', 'dragover', { dataTransfer: files });
    await expect(page.getByText('Let go to read the grooves in these files')).toBeVisible({ timeout: 2000 });
  }).toPass();
  await page.dispatchEvent('body', 'drop', { dataTransfer: files });
  await expect(page.getByRole('button', { name: 'Keep 1 groove' })).toBeVisible();
});

test('a handout is made, chosen of, and had as PDF', async ({ page }) => {
  const wrong = complaints(page);
  await comeInAs(page, 'Oda');
  await page.goto('/grooves');
  await page.locator('a[href^="/bench/"]').first().click();
  await page.getByRole('button', { name: 'As a file' }).click();
  await page.getByRole('menuitem', { name: /Handout/ }).click();
  const sheet = page.locator('[data-sheet]');
  await expect(sheet.locator('svg text.count').first()).toBeVisible();
  await expect(sheet.getByRole('img', { name: /The way to/ })).toBeVisible();
  await expectAccessible(page);
  await page.getByLabel('Sticking').click();
  await expect(page).toHaveURL(/sticking=off/);
  await expect(sheet.locator('text.sticking')).toHaveCount(0);
  await page.getByLabel('Words on the sheet').fill('Slowly, and breathe.');
  await page.getByLabel('Words on the sheet').blur();
  await expect(sheet.getByText('Slowly, and breathe.')).toBeVisible();
  const saving = page.waitForEvent('download');
  await page.getByRole('link', { name: 'PDF' }).click();
  const pdf = readFileSync(await (await saving).path());
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
  expect(wrong).toEqual([]);
});
