import { expect, test, type Page } from '@playwright/test';
import pg from 'pg';
import { daysPass, inviteLasse, setUp, today } from './passing';
import { choose, complaints, expectAccessible, playByKit, strikeAlong } from './steps';

test.use({ baseURL: process.env.WEEK_URL, timezoneId: 'Europe/Zurich' });

const database = new pg.Pool({ connectionString: process.env.WEEK_DATABASE_URL });
test.afterAll(() => database.end());

/** Strikes along for some counts and stops; the take is kept. */
async function playAlong(page: Page): Promise<void> {
  await strikeAlong(page, { 1: 'KeyJ', 2: 'KeyJ', 3: 'KeyJ', 4: 'KeyJ' });
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  await expect(page.getByText('Kept in the log')).toBeVisible({ timeout: 120_000 });
}

test('a week: invited, a lesson on two screens, homework, three days of practice, the next lesson; left and deleted', async ({
  page,
  browser,
}) => {
  test.slow();
  const wrong = complaints(page);
  await setUp(page, database);

  const student = await inviteLasse(page, browser, process.env.WEEK_URL);
  const wrongThere = complaints(student);

  // When he comes: every week from today on.
  await page.getByRole('link', { name: 'Lessons' }).first().click();
  await expect(page.getByText('No lessons are set down yet')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Set it down' }).click();
  await expect(page.getByText('Choose who comes.')).toBeVisible();
  await page.getByLabel('Who comes').click();
  await page.getByRole('option', { name: 'Lasse' }).click();
  await page.getByLabel('First on').fill(today());
  await page.getByLabel('At', { exact: true }).fill('20:15');
  await page.getByRole('button', { name: 'Set it down' }).click();
  await expect(page.getByText('Set down. It comes round from then on.')).toBeVisible();
  await expect(page.getByText('20:15–21:00')).toBeVisible();

  // The lesson: planned, begun, followed on the other screen.
  await page.getByRole('link', { name: 'Today' }).click();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Open the lesson of Lasse' }).click();
  await expect(page.getByRole('heading', { name: 'Plan' })).toBeVisible();
  const step = page.getByRole('listitem', { name: 'Step 3' });
  await step.getByLabel('Opens').fill('Slow crossing');
  await page.getByRole('option', { name: 'Slow crossing', exact: true }).click();
  await expect(page.getByText('Kept', { exact: true })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Begin the lesson' }).click();
  await expect(page.getByRole('timer')).toBeVisible();
  await page.getByRole('button', { name: 'Turn to Slow crossing' }).click();
  await page.getByRole('button', { name: 'Count aloud.' }).click();
  await expect(page.getByLabel('Notes')).toHaveValue('Count aloud.');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Open Slow crossing' }).click();
  await expect(page).toHaveURL(/room/);
  await expect(student.getByRole('heading', { name: 'Slow crossing', level: 1 })).toBeVisible();
  await page.getByRole('button', { name: '5 faster' }).click();
  await expect(student.getByLabel('Tempo in beats a minute')).toHaveValue('77');
  await expectAccessible(student);
  // What he strikes shows on the teacher's strip, and his take is a touch away.
  await choose(student, 'Length', '1 round');
  await playAlong(student);
  await expect(page.locator('[data-bead]').first()).toBeVisible();
  await expect(page.getByRole('link', { name: 'Lasse’s take' })).toBeVisible();
  // Let go, the student's screen stays where it is.
  await page.getByRole('button', { name: 'Let go' }).click();
  await page.getByRole('button', { name: '5 faster' }).click();
  await expect(page.getByLabel('Tempo in beats a minute')).toHaveValue('82');
  await expect(student.getByText('nothing is open yet')).toBeVisible();
  await expect(student.getByLabel('Tempo in beats a minute')).toHaveValue('77');

  await page.getByRole('link', { name: 'Back to the lesson' }).click();
  await choose(page, 'Groove, drill or listening', 'Slow crossing (72)');
  await page.getByLabel('Minutes a day').fill('1');
  await page.getByRole('button', { name: 'Ladder, bars, when it is passed' }).click();
  await page.getByLabel('Passed after clean takes').fill('12');
  await page.getByRole('button', { name: 'Set it', exact: true }).click();
  await expect(page.getByText('Passed after must')).toHaveCount(0);
  await expect(page.getByText('1 to 10 clean takes, or leave it empty.')).toBeVisible();
  await page.getByLabel('Passed after clean takes').fill('2');
  await page.getByRole('button', { name: 'Set it', exact: true }).click();
  await expect(page.getByText('Set. It is on Today from now on.')).toBeVisible();
  await page.getByRole('button', { name: 'End the lesson' }).click();
  await expect(page.getByLabel('For the student to take home')).toHaveValue('Slow crossing: Count aloud.');
  await page.getByRole('button', { name: 'End it and keep it in the log' }).click();
  await expect(page.getByRole('heading', { name: 'What was done' })).toBeVisible();
  await expectAccessible(page);

  // Three days of practice.
  for (let day = 0; day < 3; day++) {
    await daysPass(database);
    await student.goto('/today');
    await expect(student.getByText('Slow crossing: Count aloud.')).toBeVisible();
    await expect(student.getByText('1 minute today', { exact: true })).toBeVisible();
    if (!day) await expectAccessible(student);
    await student.getByRole('link', { name: 'Open in the room' }).click();
    await expect(student.getByText('1 minute left of 1 today')).toBeVisible();
    await choose(student, 'Length', '2 rounds');
    await playAlong(student);
  }
  await daysPass(database);
  await page.goto('/people');
  await page.getByRole('link', { name: 'Lasse' }).click();
  await expect(page.getByText(/3 of 7 days, .* last at 72\. .* of 2 clean takes at the goal\./)).toBeVisible();
  await expectAccessible(page);

  // What the kit plays for him counts for nobody; a day that is done says what it came to.
  await student.goto('/today');
  await student.getByRole('link', { name: 'Open in the room' }).click();
  await playByKit(student, 'steady');
  await student.goto('/today');
  await expect(student.getByText('1 minute today', { exact: true })).toBeVisible();
  await database.query(`update take set played_ms = 90000, played_at = now() - interval '1 minute' where struck_by = 'player'
    and played_at = (select max(played_at) from take where struck_by = 'player')`);
  await student.reload();
  await expect(student.getByText(/^1 min done today\./)).toBeVisible();

  // The next lesson begins where that one ended.
  await daysPass(database, 3);
  await page.goto('/today');
  await page.getByRole('button', { name: 'Open the lesson of Lasse' }).click();
  await expect(page.getByText('Slow crossing: Count aloud.')).toBeVisible();
  await expect(page.getByRole('listitem', { name: 'Step 2' }).getByLabel('Opens')).toHaveValue('Slow crossing');
  await page.getByRole('button', { name: 'Skip it' }).click();
  await expect(page.getByText('This lesson is skipped.')).toBeVisible();
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(page.getByRole('button', { name: 'Begin the lesson' })).toBeVisible();

  // His window is closed first: what asks by itself for a lesson would be told that nobody is signed in.
  expect(wrongThere).toEqual([]);
  await student.close();
  await page.getByRole('link', { name: 'Lasse' }).first().click();
  await page.getByRole('button', { name: 'Archive Lasse' }).click();
  await page.getByRole('button', { name: 'Delete Lasse for good' }).click();
  await page.getByRole('button', { name: 'Delete for good' }).click();
  await expect(page).toHaveURL(/people$/);
  await page.goto('/lessons');
  await expect(page.getByText('Lasse')).toHaveCount(0);
  expect(wrong).toEqual([]);
});
