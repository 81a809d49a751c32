import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { writeMidi } from 'midi-file';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { comeInAs, complaints, expectAccessible } from './steps';

interface GrooveDocument {
  title: string;
  bars: { strokes: unknown[] }[];
}

test('a groove goes out in each format and comes in again through the screens', async ({ page }) => {
  const wrong = complaints(page);
  // Under a name of its own, since others look for grooves of the shelf by theirs.
  const title = `Rope over the rail ${Date.now() % 100_000}`;
  await comeInAs(page, 'Oda');
  const fileOf = async (id: string, format: string) =>
    Buffer.from(await (await page.request.get(`/files/grooves/${id}/${format}`)).body());
  const named = (name: string, buffer: Buffer) => ({ name, mimeType: 'application/octet-stream', buffer });
  const picker = page.getByLabel('Files with grooves');
  const idOf = async (of: string) =>
    (await page
      .getByRole('link', { name: `Open ${of} on the bench` })
      .first()
      .getAttribute('href'))!
      .split('/')
      .at(-1)!;

  await page.goto('/grooves');
  const document = {
    ...(JSON.parse((await fileOf(await idOf('Reed beds'), 'json')).toString()) as GrooveDocument),
    title,
  };
  await page.getByRole('button', { name: 'Read from files' }).click();
  await picker.setInputFiles([named('rope.json', Buffer.from(JSON.stringify(document)))]);
  await page.getByRole('button', { name: 'Keep 1 groove' }).click();
  const id = await idOf(title);
  const formats = ['json', 'musicxml', 'midi', 'text'];
  const [json, xml, midi, text] = await Promise.all(formats.map((format) => fileOf(id, format)));

  await page.getByRole('button', { name: 'Read from files' }).click();
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
  await section.getByRole('button', { name: 'Keep 6 grooves' }).click();
  await expect(section).toBeHidden();

  // All that is shown, in one zip; the grooves that came in have the strokes that went out.
  await page.getByLabel('Find by title, tag, meter …').fill(title);
  await expect(page.getByRole('link', { name: `Open ${title} on the bench` })).toHaveCount(7);
  await page.getByRole('button', { name: 'As files' }).click();
  const saving = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: /Mochila’s own JSON/ }).click();
  const files = unzipSync(new Uint8Array(readFileSync(await (await saving).path())));
  const back = Object.values(files).map((bytes) => JSON.parse(new TextDecoder().decode(bytes)) as GrooveDocument);
  expect(back).toHaveLength(7);
  for (const { bars } of back)
    expect(bars.map(({ strokes }) => strokes.length)).toEqual(document.bars.map(({ strokes }) => strokes.length));
  expect(wrong).toEqual([]);
});

test('what a MIDI file leaves open is asked, and answered before anything is kept', async ({ page }) => {
  // Four kicks, and between them a note that no drum has; off-beats lie late.
  const track = [36, 52, 36, 52, 36, 52, 36, 52].map((noteNumber, index) => ({
    deltaTime: [0, 60, 36][index && 1 + ((index + 1) % 2)]!,
    type: 'noteOn',
    channel: 9,
    noteNumber,
    velocity: 90,
  }));
  const header = { format: 0, numTracks: 1, ticksPerBeat: 96 };
  const midi = writeMidi({ header, tracks: [[...track, { deltaTime: 0, type: 'endOfTrack' }]] });
  const title = `Bottle on the slip ${Date.now() % 100_000}`;
  await comeInAs(page, 'Oda');
  await page.goto('/grooves');
  await page.getByRole('button', { name: 'Read from files' }).click();
  await page
    .getByLabel('Files with grooves')
    .setInputFiles([{ name: `${title}.mid`, mimeType: 'audio/midi', buffer: Buffer.from(midi) }]);
  const file = page.getByRole('article', { name: title });
  const answer = async (question: string, choice: string) => {
    await file.getByLabel(question).click();
    await page.getByRole('option', { name: choice, exact: true }).click();
    await expect(file.getByLabel(question)).toContainText(choice);
  };
  await expect(file.getByText('Left out: 4 times: note of no surface that is known.')).toBeVisible();
  await answer('Note 52 (Chinese cymbal), 4 times', 'crash');
  await expect(file.getByLabel('Off-beats lie late, 63 %')).toContainText('Swung 8ths, 3:2');
  await expectAccessible(page);
  await answer('It names no meter', '2/4');
  // Taken another way once more, nothing is lost.
  await answer('Note 52 (Chinese cymbal), 4 times', 'Left out');
  await answer('Note 52 (Chinese cymbal), 4 times', 'ride');
  await page.getByRole('button', { name: 'Keep 1 groove' }).click();
  const link = page.getByRole('link', { name: `Open ${title} on the bench` });
  const id = (await link.getAttribute('href'))!.split('/').at(-1)!;
  const kept = (await (await page.request.get(`/files/grooves/${id}/json`)).json()) as {
    swing: unknown;
    bars: { meter: string; strokes: { surface: string }[] }[];
  };
  expect(kept.swing).toEqual({ value: '8th', ratio: '3/2' });
  expect(kept.bars.map(({ strokes }) => strokes.map(({ surface }) => surface))).toEqual([
    ['kick', 'ride', 'kick', 'ride'],
    ['kick', 'ride', 'kick', 'ride'],
  ]);
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
  await page.getByRole('link', { name: 'Open Ferry ramp on the bench' }).click();
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
  expect((await saving).suggestedFilename()).toBe('Ferry ramp.pdf');
  const pdf = readFileSync(await (await saving).path());
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');

  // What is drawn on it, as pictures that stand alone.
  await page.getByLabel('Strip', { exact: true }).click();
  await expect(sheet.locator('[aria-label$=", strip"] svg').first()).toBeVisible();
  const picture = async (what: string) => {
    await page.getByRole('button', { name: 'Picture' }).click();
    const given = page.waitForEvent('download');
    await page.getByRole('menuitem', { name: what }).click();
    return readFileSync(await (await given).path());
  };
  for (const [part, font] of [
    ['Stave', 'Bravura'],
    ['Strip', 'Figtree Variable'],
  ] as const) {
    const svg = (await picture(`${part} as SVG`)).toString();
    const alone = await page.context().newPage();
    await alone.setContent(`<img src="data:image/svg+xml;base64,${Buffer.from(svg).toString('base64')}">`);
    const [width, drawn] = await alone.evaluate(async (text) => {
      const image = document.querySelector('img')!;
      await image.decode();
      const root = new DOMParser().parseFromString(text, 'image/svg+xml').documentElement;
      return [image.naturalWidth, [...root.querySelectorAll('text')].map((one) => one.textContent)] as const;
    }, svg);
    await alone.close();
    expect(width).toBeGreaterThan(400);
    expect(drawn).toEqual(expect.arrayContaining(['1', '2', '3', '4']));
    // What is only said to readers of screens is not drawn, and the font it is written with is in it.
    expect(drawn.some((word) => word.includes('counts'))).toBe(false);
    expect(svg).toContain(`@font-face{font-family:"${font}";src:url(data:font/woff2`);
    expect(svg).not.toContain('var(--');
    const png = await picture(`${part} as PNG`);
    expect(png.subarray(1, 4).toString()).toBe('PNG');
    expect(png.readUInt32BE(16)).toBe(3 * width);
  }
  expect(wrong).toEqual([]);
});

test('a drill goes out as a file, and comes in again under its name', async ({ page }) => {
  const wrong = complaints(page);
  await comeInAs(page, 'Oda');
  await page.goto('/drills');
  const name = `Oars in a row ${Date.now() % 100_000}`;
  await page.getByLabel('Name').fill(name);
  await page.getByLabel('Tags').fill('ferry');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText(`“${name}” is on the shelf.`)).toBeVisible();
  const shelf = page.getByRole('dialog', { name: 'Shelf of drills' });
  await page.getByRole('button', { name: 'Shelf', exact: true }).click();
  await shelf.getByLabel('Find by name, or what it trains').fill(name);
  const takenAs = async (what: RegExp) => {
    await shelf.getByRole('button', { name: 'As a file' }).click();
    const given = page.waitForEvent('download');
    await page.getByRole('menuitem', { name: what }).click();
    return given;
  };
  const midi = await takenAs(/MIDI/);
  expect(midi.suggestedFilename()).toBe(`${name}.mid`);
  expect(
    readFileSync(await midi.path())
      .subarray(0, 4)
      .toString(),
  ).toBe('MThd');
  const json = readFileSync(await (await takenAs(/own JSON/)).path());
  expect(JSON.parse(json.toString())).toMatchObject({ name, tags: ['ferry'], family: 'placement' });
  await shelf.getByRole('button', { name: `Take ${name} off the shelf` }).click();
  await expect(shelf.getByRole('button', { name: 'As a file' })).toHaveCount(0);

  const file = shelf.getByLabel('File with a drill');
  await file.setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from('{"version": 1}') });
  await expect(shelf.getByRole('alert')).toBeVisible();
  await file.setInputFiles({ name: 'oars.json', mimeType: 'application/json', buffer: json });
  await expect(shelf).toBeHidden();
  await expect(page.getByLabel('Name')).toHaveValue(name);
  await expect(page.getByLabel('Tags')).toHaveValue('ferry');
  expect(wrong).toEqual([]);
});
