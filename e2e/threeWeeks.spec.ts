import { readFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import pg from 'pg';
import { writeTake } from '@/core/documents/take';
import { limbsIn } from '@/core/groove/kit';
import type { Playing } from '@/core/simulate/simulatedKit';
import { emptyTake, playedTake } from '@/core/testing/takes';
import { STARTER_GROOVES } from '@/server/demo/grooves';
import { daysPass, inviteLasse, setUp } from './passing';
import { choose, complaints, expectAccessible } from './steps';

test.use({ baseURL: process.env.WEEKS_URL, timezoneId: 'Europe/Zurich' });

const database = new pg.Pool({ connectionString: process.env.WEEKS_DATABASE_URL });
test.afterAll(() => database.end());

const WELL: Playing = { spreadMs: 4 };
const BADLY: Playing = { spreadMs: 90 };
let seed = 0;

/** Sends a take as the room does, played as the simulated kit plays it with its faults, though it is his own. */
async function plays(student: Page, title: string, playing: Playing, bpm = 72): Promise<void> {
  const { rows } = await database.query<{ groove: string; player: string; assignment: string | null }>(
    `select g.id as groove, p.id as player, (select a.id from assignment a where a.groove_id = g.id and a.ended_at is null limit 1) as assignment
     from groove g cross join person p where g.title = $1 and p.name = 'Lasse'`,
    [title],
  );
  const { groove, player, assignment } = rows[0]!;
  const written = STARTER_GROOVES.find((one) => one.groove.title === title)!.groove;
  const take = playedTake(playing, emptyTake(written, { bpm, rounds: 6, task: limbsIn(written) }), ++seed);
  const answer = await student.request.post('/api/takes', {
    data: {
      id: crypto.randomUUID(),
      playerId: player,
      grooveId: groove,
      ...(assignment && { assignmentId: assignment }),
      playedAt: new Date().toISOString(),
      take: writeTake({ ...take, playedMs: Math.round(take.playedMs) }),
    },
  });
  expect(answer.status()).toBe(200);
}

/** What is planned for so many minutes, as the list says it. */
async function planned(student: Page, minutes: number): Promise<string[]> {
  await student.goto('/today');
  await student.getByRole('button', { name: `${minutes} minutes` }).click();
  await expect(student.getByRole('heading', { name: `${minutes} minutes today` })).toBeVisible();
  return student
    .getByRole('region', { name: 'Practice of today' })
    .getByRole('listitem')
    .evaluateAll((all) => all.map((one) => one.getAttribute('aria-label') ?? ''));
}

test('three weeks: a path, plans, a review that fails and comes back, a suggestion refused, charts, a tune that fits', async ({
  page,
  browser,
}) => {
  test.slow();
  const wrong = complaints(page);
  await setUp(page, database);
  const student = await inviteLasse(page, browser, process.env.WEEKS_URL);
  const wrongThere = complaints(student);

  // A tune, typed; a second one from a file that has a bad line.
  await page.goto('/tunes');
  await page.getByRole('button', { name: 'Add a tune' }).first().click();
  await page.getByRole('button', { name: 'Keep the tune' }).click();
  await expect(page.getByText('Give the tune a title.')).toBeVisible();
  await page.getByLabel('Title').fill('Morning ferry');
  await page.getByLabel('Tempo').fill('72');
  await page.getByLabel('Grooves that fit').fill('Slow crossing');
  await page.getByRole('option', { name: 'Slow crossing' }).click();
  await page.getByRole('button', { name: 'Keep the tune' }).click();
  await expect(page.getByRole('listitem', { name: 'Morning ferry' })).toContainText('Fits Slow crossing.');
  await page.getByRole('button', { name: 'Read from a file' }).click();
  const csv = 'title;tempo;grooves\nStorm;140;Slow crossing\nToo quick;900;\nNo such;80;Nowhere\n';
  await page
    .getByLabel('File of tunes')
    .setInputFiles({ name: 'tunes.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  await expect(page.getByText('Line 3: tempo: Write a tempo from 20 to 300, like 96.')).toBeVisible();
  await expect(page.getByText('Line 4: grooves: no groove here is called “Nowhere”.')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Keep 1 tune' }).click();
  await expect(page.getByRole('listitem', { name: 'Storm' })).toBeVisible();

  // A path of two steps, and Lasse on it.
  await page.goto('/paths');
  await page.getByRole('button', { name: 'Make a path' }).first().click();
  await page.getByLabel('Name of the path').fill('To the pier');
  for (const [index, title] of ['Slow crossing', 'Even planks'].entries()) {
    if (index) await page.getByRole('button', { name: 'Add a step' }).click();
    const step = page.getByRole('group', { name: `Step ${index + 1}` });
    await step.getByLabel('Groove or drill').fill(title);
    await page.getByRole('option', { name: title, exact: true }).click();
  }
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Keep the path' }).click();
  await expect(page.getByRole('article', { name: 'To the pier' })).toContainText('2 steps');
  await page.goto('/people');
  await page.getByRole('link', { name: 'Lasse' }).click();
  await page.getByRole('button', { name: 'Put on it' }).click();
  await expect(page.getByText('on step 1 of 2')).toBeVisible();

  // Nothing is set before the teacher says so.
  await expect(page.getByText('Step 1 of 2 on “To the pier”.')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Set it: Set “Slow crossing” at 72' }).click();
  await expect(page.getByRole('article', { name: 'Slow crossing', exact: true })).toContainText('Not played yet.');

  // The first plan: changed by keys, a piece left out.
  expect(await planned(student, 20)).toEqual(['warm-up: Slow crossing', 'new: Slow crossing']);
  await expectAccessible(student);
  await student.getByRole('button', { name: 'Move Slow crossing' }).first().focus();
  await student.keyboard.press('Alt+ArrowDown');
  await expect(student.getByRole('listitem').first()).toHaveAttribute('aria-label', 'new: Slow crossing');
  await student.reload();
  await expect(student.getByRole('listitem').first()).toHaveAttribute('aria-label', 'new: Slow crossing');
  await student.getByRole('button', { name: 'Leave out Slow crossing' }).last().click();
  await expect(student.getByRole('listitem', { name: 'warm-up: Slow crossing' })).toHaveCount(0);

  // Passed in the first week: the tune is his, the next step is suggested and refused.
  await plays(student, 'Slow crossing', BADLY);
  await plays(student, 'Slow crossing', WELL);
  await daysPass(database, 2);
  await plays(student, 'Slow crossing', WELL);
  await student.reload();
  await expect(student.getByText('Morning ferry at 72', { exact: false })).toBeVisible();
  await page.reload();
  await expect(page.getByText('on step 2 of 2')).toBeVisible();
  await page.getByRole('button', { name: 'End it: End “Slow crossing”' }).click();
  await expect(page.getByRole('button', { name: 'End it: End “Slow crossing”' })).toHaveCount(0);
  await choose(page, 'For how long not: Set “Even planks” at 84', '1 week');
  await page.getByRole('button', { name: 'Not now: Set “Even planks” at 84' }).click();
  await expect(page.getByRole('article', { name: 'Set “Even planks” at 84' })).toHaveCount(0);

  // It comes back after three days, fails, and is there again the next day, a rung slower.
  await daysPass(database, 3);
  expect(await planned(student, 10)).toContain('review: Slow crossing');
  await plays(student, 'Slow crossing', BADLY);
  await daysPass(database);
  expect(await planned(student, 10)).toContain('review: Slow crossing');
  const review = student.getByRole('listitem', { name: 'review: Slow crossing' });
  await expect(review).toContainText('at 68');
  await expect(review).toContainText('the last time it did not come back, so 1 rung slower');
  await plays(student, 'Slow crossing', WELL, 68);

  // What was refused is suggested again when its week is over, and the path is walked to its end.
  await page.reload();
  await expect(page.getByRole('heading', { name: 'What comes next' })).toBeVisible();
  await expect(page.getByRole('article', { name: 'Set “Even planks” at 84' })).toHaveCount(0);
  await daysPass(database, 4);
  await page.reload();
  await page.getByRole('button', { name: 'Set it: Set “Even planks” at 84' }).click();
  await expect(page.getByRole('article', { name: 'Even planks', exact: true })).toBeVisible();
  expect(await planned(student, 30)).toEqual(expect.arrayContaining(['review: Slow crossing', 'new: Even planks']));
  await plays(student, 'Even planks', WELL, 84);
  await plays(student, 'Even planks', WELL, 84);
  await plays(student, 'Slow crossing', WELL);
  await daysPass(database, 9);
  await page.reload();
  await expect(page.getByText('all 2 steps passed')).toBeVisible();

  // The log in blocks, narrowed; the charts with their tables.
  await student.goto('/takes');
  await expect(student.getByText(/^Even planks · .* · 2 takes · /)).toBeVisible();
  await student.getByLabel('What was played').fill('even');
  await student.getByRole('button', { name: 'Show these' }).click();
  await expect(student.getByRole('rowheader', { name: /^Slow crossing/ })).toHaveCount(0);
  await expect(student.getByRole('rowheader', { name: /^Even planks/ })).toHaveCount(1);
  await expectAccessible(student);
  await student.goto('/charts?weeks=4&beside=yes');
  await expect(student.getByRole('heading', { name: 'Tempo reached, clean' })).toBeVisible();
  await student.getByText('The figures of “Tempo reached, clean”').click();
  const figures = student.getByRole('region', { name: 'Figures of Tempo reached, clean' });
  await expect(figures.getByRole('columnheader', { name: 'Slow crossing (bpm)' })).toBeVisible();
  await expect(figures.getByRole('cell', { name: '72' }).first()).toBeVisible();
  const saved = student.waitForEvent('download');
  await student.getByRole('button', { name: 'Tempo reached, clean as a file' }).click();
  expect((await saved).suggestedFilename()).toBe('tempo-reached-clean.csv');
  await expectAccessible(student);

  // The tune as homework: its groove at its tempo, and why.
  await page.getByRole('button', { name: 'Set something' }).click();
  await choose(page, 'Groove, drill or listening', 'Tune: Morning ferry (72)');
  await page.getByRole('button', { name: 'Set it', exact: true }).click();
  await expect(page.getByText('For “Morning ferry”.', { exact: false })).toBeVisible();

  // A calendar by an address that is taken back.
  await student.goto('/you');
  await student.getByRole('button', { name: 'Make an address' }).click();
  const address = await student.getByLabel('Address of the calendar').inputValue();
  expect((await page.request.get(address)).status()).toBe(200);
  await student.getByRole('button', { name: 'Take the address back' }).click();
  await expect(student.getByRole('button', { name: 'Make an address' })).toBeVisible();
  expect((await page.request.get(address)).status()).toBe(404);

  // He gives an address; what the week came to lies in the simulated mailbox.
  await student.getByLabel('Address', { exact: true }).fill('lasse@example.org');
  await student.getByLabel('What the week came to').check();
  await student.getByRole('button', { name: 'Keep the address' }).click();
  await expect(student.getByText('Kept.', { exact: true })).toBeVisible();
  await expectAccessible(student);
  await page.goto('/workshop/mail');
  await page.getByRole('button', { name: 'Write this week’s summaries' }).click();
  await expect(page.getByText('1 summary written.')).toBeVisible();
  await expect(page.getByRole('article', { name: 'Ferry shed: your week' })).toContainText('Hello Lasse,');
  await expectAccessible(page);
  expect(wrong).toEqual([]);
  expect(wrongThere).toEqual([]);
});

test('the workshop as one file: taken, brought into a new one, and a demo left for one of one’s own', async ({
  page,
  browser,
}) => {
  test.slow();
  const wrong = complaints(page);
  await setUp(page, database);
  const student = await inviteLasse(page, browser, process.env.WEEKS_URL);
  await student.close();

  // Practice from a file into one's own log; a bad line is named and left out.
  await page.goto('/takes');
  await page.getByRole('button', { name: 'Read practice from a file' }).click();
  await page.getByLabel('File of lines of practice').setInputFiles({
    name: 'book.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      'played at,what,tempo,minutes,words\n2026-11-02 18:00,Slow crossing,66,12,Loose shoulders\n2026-11-03 18:00,slow crossing,70,10,\n2026-11-04,Nothing known,70,10,\n',
    ),
  });
  await expect(page.getByText('Line 4: what: no groove here is called “Nothing known”.')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Keep 2 lines of practice' }).click();
  await expect(page.getByRole('link', { name: 'Mon 2 Nov, 18:00' })).toBeVisible();
  await expect(page.getByText('Marit Sund: Loose shoulders')).toBeVisible();

  // What holds for the workshop: its name, how days are named, what passes.
  await page.goto('/workshop');
  await page.getByLabel('Name of the workshop').fill('Ferry shed and loft');
  await choose(page, 'Days are named in', 'Deutsch');
  await choose(page, 'A week begins on', 'Sonntag');
  await page.getByLabel('first year').fill('9');
  await page.getByRole('button', { name: 'Keep changes' }).click();
  await expect(page.getByText('Write how many times, from 1 to 8.')).toBeVisible();
  await page.getByLabel('first year').fill('5');
  await page.getByRole('button', { name: 'Keep changes' }).click();
  await expect(page.getByText('Kept. It holds for everybody')).toBeVisible();
  await page.goto('/takes');
  await expect(page.getByRole('link', { name: 'Mo. 2. Nov., 18:00' })).toBeVisible();
  await page.goto('/lessons');
  await expect(page.getByText(/^Week of So\. /)).toBeVisible();
  await page.goto('/workshop');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Take it as one file' }).click(),
  ]);
  const file = await download.path();
  await page.reload();
  await expect(page.getByText(/^The last one is of/)).toBeVisible();

  // Into itself it does not go; into a new one it is looked at first.
  const bring = async () => {
    await page.getByRole('button', { name: 'Bring a backup in' }).click();
    await page
      .getByLabel('Backup of a workshop')
      .setInputFiles({ name: 'x.gz', mimeType: 'application/gzip', buffer: await readFile(file) });
  };
  await bring();
  await expect(page.getByText('There are other people in this workshop already')).toBeVisible();
  await page.context().clearCookies();
  await setUp(page, database);
  await page.goto('/workshop');
  await page.getByRole('button', { name: 'Bring a backup in' }).click();
  await page
    .getByLabel('Backup of a workshop')
    .setInputFiles({ name: 'x.gz', mimeType: 'application/gzip', buffer: Buffer.from('none') });
  await expect(page.getByText('This is no backup of a workshop.')).toBeVisible();
  await expectAccessible(page);
  await page.reload();
  await bring();
  await expect(
    page.getByText(/Ferry shed and loft as it was on .*: 2 people, \d+ grooves.* You become Marit Sund/),
  ).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Bring it in' }).click();
  await expect(page).toHaveURL(/today$/);
  await page.goto('/people');
  await expect(page.getByRole('link', { name: 'Lasse' })).toBeVisible();
  await page.goto('/takes');
  await expect(page.getByRole('link', { name: 'Mo. 2. Nov., 18:00' })).toBeVisible();

  // Who was there before signs in as before.
  const again = await (await browser.newContext({ baseURL: process.env.WEEKS_URL })).newPage();
  await again.goto('/sign-in');
  await again.getByLabel('Sign-in name').fill('lasse');
  await again.getByLabel('Password').fill('paddle and drum');
  await again.getByRole('button', { name: 'Sign in' }).click();
  await expect(again.getByText('Nothing is set for you yet')).toBeVisible();
  await again.close();

  await database.query('update workshop set is_demo = true');
  await page.goto('/workshop');
  await page.getByRole('button', { name: 'Begin your own workshop' }).click();
  await page.getByRole('button', { name: 'Remove the demo' }).click();
  await expect(page.getByText('At least 2 characters.')).toBeVisible();
  const form = page.getByRole('region', { name: 'The demo' });
  await form.getByLabel('Name of the workshop').fill('Own shed');
  await form.getByLabel('Your name').fill('Runa Berg');
  await form.getByLabel('Sign-in name').fill('runa');
  await form.getByLabel('Password').fill('another long one');
  await expectAccessible(page);
  await form.getByRole('button', { name: 'Remove the demo' }).click();
  await expect(page.getByText('Add your first student')).toBeVisible();
  await page.goto('/grooves');
  await expect(page.getByRole('link', { name: 'Slow crossing' }).first()).toBeVisible();
  await page.context().clearCookies();
  await page.goto('/sign-in');
  await page.getByLabel('Sign-in name').fill('runa');
  await page.getByLabel('Password').fill('another long one');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByText('Add your first student')).toBeVisible();
  expect(wrong).toEqual([]);
});
