import { expect, test } from '@playwright/test';
import { choose, clicksFile, comeInAs, complaints, expectAccessible } from './steps';

const FORM = `quarter at 240
A 2, sign, hits: 1, & of 3
B 2, hits: 4 in bar 2, to coda
C 1, D.S. al Coda
coda 2, coda, hits: 1, short 3 in bar 2`;

test('a chart is typed, pointed at, kept, played with its jump to the coda, and its hits are heard', async ({
  page,
}) => {
  const wrong = complaints(page);
  await comeInAs(page, 'Oda');
  await page.goto('/tunes');
  await page.getByRole('button', { name: 'Add a tune' }).click();
  const title = `Two jetties ${Date.now() % 100_000}`;
  await page.getByLabel('Title').fill(title);
  await page.getByLabel('Tempo').fill('120');
  await page.getByRole('button', { name: 'Keep the tune' }).click();
  await page.getByRole('link', { name: `Chart of ${title}` }).click();
  await page.getByRole('button', { name: 'Write the chart' }).click();
  const field = page.getByLabel('The chart, as you would read it aloud');

  // What is not understood is told where it stands, and what cannot be played by its section.
  await field.fill('A 2, wobble');
  await expect(page.getByText('“wobble” is not understood.')).toBeVisible();
  await page.getByRole('button', { name: 'Show it' }).click();
  expect(await field.evaluate((text: HTMLTextAreaElement) => [text.selectionStart, text.selectionEnd])).toEqual([
    5, 11,
  ]);
  await expect(page.getByRole('button', { name: 'Keep the chart' })).toBeDisabled();
  await field.fill('A 2, D.S.');
  await expect(page.getByText('There is a jump without its sign.')).toBeVisible();

  await field.fill(FORM);
  const chart = page.getByRole('group', { name: `${title}, chart` });
  await expect(chart.locator('[data-chart-line]')).toHaveCount(4);
  await expect(chart.locator('svg')).toHaveCount(4);
  await expect(page.getByText('11 bars · 0:11')).toBeVisible();

  // By pointing: the last bar of the coda.
  await chart
    .locator('[data-chart-line]')
    .last()
    .click({ position: { x: 400, y: 60 } });
  const over = page.getByLabel('What stands over it');
  await expect(page.getByRole('heading', { name: 'Bar 2 of coda' })).toBeVisible();
  await expect(over).toHaveValue('hits: 1, short 3');
  await over.fill('hits: often');
  await page.getByRole('button', { name: 'Set it', exact: true }).click();
  await expect(page.getByText('“often” is not understood.')).toBeVisible();
  await over.fill('hits: short 3, 4, ff');
  await page.getByRole('button', { name: 'Set it', exact: true }).click();
  await expect(field).toHaveValue(/hits: short 3, 4 in bar 2, ff in bar 2/);
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Keep the chart' }).click();
  await expect(field).toBeHidden();

  await page.getByRole('button', { name: 'Show the bars as they are played' }).click();
  const rows = page.getByRole('table', { name: 'Bars as they are played' }).getByRole('row');
  await expect(rows.filter({ hasText: 'coda' })).toHaveCount(2);

  await page.getByRole('link', { name: 'Practise it' }).click();
  await expect(page.getByText('bar 1 of 11')).toBeVisible();
  await expectAccessible(page);
  await choose(page, 'Who plays', 'kit, steady');
  // What comes is said before it is there.
  const said: string[] = [];
  await page.exposeFunction('heard', (text: string) => said.push(text));
  await page.evaluate(() => {
    const note = () => {
      const now = document.body.textContent.match(/in [12]: [^A-Z0-9]*?coda/)?.[0];
      if (now) void (window as unknown as { heard: (text: string) => void }).heard(now);
    };
    new MutationObserver(note).observe(document.body, { subtree: true, childList: true, characterData: true });
  });
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  await expect(page.getByRole('heading', { name: /hits? landed/ })).toHaveText('All 8 hits landed', {
    timeout: 60_000,
  });
  expect(said).toContain('in 2: coda');
  const hits = page.getByRole('region', { name: 'Figures by hit' });
  await expect(hits.getByRole('row', { name: /coda, bar 2 1 of 1/ })).toHaveCount(2);
  await expect(hits.getByRole('row', { name: /A, bar 1 2 of 2/ })).toHaveCount(2);
  await expect(
    page.getByRole('region', { name: 'Figures by section' }).getByRole('row', { name: /coda/ }),
  ).toBeVisible();

  // From one section to another, round.
  await page.getByRole('button', { name: 'The same again' }).click();
  await choose(page, 'From', '4. A');
  await choose(page, 'To', '5. B');
  await expect(page.getByText('bar 6 of 9')).toBeVisible();

  // Over one's own music its sections are marked, and it begins at any of them.
  await page.getByRole('button', { name: 'All of it' }).click();
  await page.getByRole('button', { name: 'To music' }).click();
  await page
    .getByLabel('Sound file')
    .setInputFiles({ name: 'Slow water.wav', mimeType: 'audio/wav', buffer: clicksFile(9) });
  await expect(page.getByText('The chart goes on 0:02 after the music has ended')).toBeVisible();
  const sections = page.getByRole('group', { name: 'Sections in the music' }).getByRole('button');
  await expect(sections).toHaveText(['A', 'B', 'C', 'A', 'B']);
  await sections.nth(3).click();
  await expect(sections.nth(3)).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByRole('combobox', { name: 'From' })).toHaveText('4. A');
  expect(wrong).toEqual([]);
});
