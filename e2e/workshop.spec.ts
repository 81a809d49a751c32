import { expect, test, type Page } from '@playwright/test';
import { complaints, expectAccessible } from './steps';

test.use({ baseURL: process.env.OWN_URL, timezoneId: 'Europe/Zurich' });
test.describe.configure({ mode: 'serial' });

test('the first visitor sets up the workshop; wrong fields are named and what was typed stays', async ({ page }) => {
  const wrong = complaints(page);
  await page.goto('/');
  await expect(page).toHaveURL(/set-up$/);
  await expectAccessible(page);
  await page.getByLabel('Name of the workshop').fill('x'.repeat(10_000));
  await page.getByLabel('Your name').fill('Tova Lind');
  await page.getByLabel('Sign-in name').fill('to va');
  await page.getByLabel('Password').fill('short');
  await page.getByRole('button', { name: 'Set up the workshop' }).click();
  await expect(page.getByText('At most 120 characters.')).toBeVisible();
  await expect(page.getByText('no blanks')).toBeVisible();
  await expect(page.getByText('At least 8 characters.')).toBeVisible();
  await expect(page.getByLabel('Your name')).toHaveValue('Tova Lind');
  await expectAccessible(page);
  await page.getByLabel('Name of the workshop').fill('Harbour shed');
  await page.getByLabel('Sign-in name').fill('tova');
  await page.getByLabel('Password').fill('a long password');
  await page.getByRole('button', { name: 'Set up the workshop' }).click();
  await expect(page.getByText('Add your first student')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('link', { name: 'Grooves' }).click();
  await expect(page.getByRole('article')).toHaveCount(46);
  await page.getByRole('link', { name: 'Workshop' }).click();
  await expect(page.getByLabel('Time zone')).toHaveValue('Europe/Zurich');
  expect(wrong).toEqual([]);
});

test('nobody sets it up a second time, and without a session every page leads to the door', async ({ page }) => {
  for (const path of ['/set-up', '/today', '/takes', '/people', '/grooves', '/people/new']) {
    await page.goto(path);
    await expect(page).toHaveURL(/sign-in$/);
  }
  await expectAccessible(page);
});

async function signIn(page: Page, name: string, password: string) {
  await page.goto('/sign-in');
  await page.getByLabel('Sign-in name').fill(name);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
}

test('the teacher adds a student and sets a groove; the student finds it on Today', async ({ page, browser }) => {
  await signIn(page, 'tova', 'a long password');
  await page.getByRole('link', { name: 'Add a student' }).first().click();
  await page.getByLabel('Name', { exact: true }).fill('Aurelia Constantina van der Mastenbroek-Underhill the Younger');
  await page.getByLabel('Year of birth').fill('2031');
  await page.getByLabel('Sign-in name').fill('aurelia');
  await page.getByLabel('First password').fill('drum and bass');
  await page.getByRole('button', { name: 'Add the student' }).click();
  await expect(page.getByText('This is in the future.')).toBeVisible();
  await expectAccessible(page);
  await page.getByLabel('Year of birth').fill('2012');
  await page.getByLabel('First password').fill('drum and bass');
  await page.getByRole('button', { name: 'Add the student' }).click();
  await expect(page.getByText('Nothing is set.')).toBeVisible();
  await expectAccessible(page);

  await page.getByLabel('Groove or drill').click();
  await page.getByRole('option', { name: /Slow crossing/ }).click();
  // The tempo is the groove's own until another is typed.
  await expect(page.getByLabel('Tempo, bpm')).toHaveValue('72');
  await page.getByLabel('Tempo, bpm').fill('1000');
  await page.getByLabel('Why, or what to listen for').fill('Hear the foot under the hat.');
  await page.getByRole('button', { name: 'Set it' }).click();
  await expect(page.getByText('The fastest tempo is 300.')).toBeVisible();
  await page.getByLabel('Tempo, bpm').fill('64');
  await page.getByRole('button', { name: 'Set it' }).click();
  await expect(page.getByText('Set. It is on Today from now on.')).toBeVisible();
  await expect(page.getByText('at 64, click on counts')).toBeVisible();

  const student = await (await browser.newContext({ baseURL: process.env.OWN_URL })).newPage();
  await student.goto('/sign-in');
  await student.getByLabel('Sign-in name').fill('AURELIA');
  await student.getByLabel('Password').fill('wrong password');
  await student.getByRole('button', { name: 'Sign in' }).click();
  await expect(student.getByText('Name and password do not go together.')).toBeVisible();
  await expect(student.getByLabel('Sign-in name')).toHaveValue('AURELIA');
  await student.getByLabel('Password').fill('drum and bass');
  await student.getByRole('button', { name: 'Sign in' }).click();
  await expect(student.getByText('Hear the foot under the hat.')).toBeVisible();
  await student.getByRole('link', { name: 'Log' }).click();
  await expect(student.getByText('No takes yet')).toBeVisible();
  await student.goto('/people');
  await expect(student).toHaveURL(/today$/);
  await student.getByRole('button', { name: /Sign out/ }).click();
  await student.goto('/today');
  await expect(student).toHaveURL(/sign-in$/);

  await page.getByRole('button', { name: 'End Slow crossing' }).click();
  await expect(page.getByText('Nothing is set.')).toBeVisible();
});

test('passwords are set anew and changed, a student is archived and brought back, and all of it is written down', async ({
  page,
  browser,
}) => {
  const NAME = 'Aurelia Constantina van der Mastenbroek-Underhill the Younger';
  const student = await (await browser.newContext({ baseURL: process.env.OWN_URL })).newPage();
  await signIn(page, 'tova', 'a long password');
  // No backup has been made of this workshop, and it is not the demo.
  await expect(page.getByText('No backup has been made yet.')).toBeVisible();
  await page.goto('/people');
  await page.getByRole('link', { name: NAME }).click();
  await page.getByLabel('New password').fill('short');
  await page.getByRole('button', { name: 'Set the password' }).click();
  await expect(page.getByText('At least 8 characters.')).toBeVisible();
  await page.getByLabel('New password').fill('set by the teacher');
  await page.getByRole('button', { name: 'Set the password' }).click();
  await expect(page.getByText('Set. Tell it to the student.')).toBeVisible();

  await signIn(student, 'aurelia', 'set by the teacher');
  await expect(student.getByRole('heading', { name: 'Today', level: 1 })).toBeVisible();
  await student.getByRole('link', { name: `You, ${NAME}` }).click();
  await student.getByLabel('The password you have now').fill('not this one');
  await student.getByLabel('New password').fill('my very own one');
  await student.getByRole('button', { name: 'Change it' }).click();
  await expect(student.getByText('This is not your password.')).toBeVisible();
  await student.getByLabel('The password you have now').fill('set by the teacher');
  await student.getByLabel('New password').fill('my very own one');
  await student.getByRole('button', { name: 'Change it' }).click();
  await expect(student.getByText('Changed. Everywhere else you are signed out.')).toBeVisible();

  await page.getByRole('button', { name: `Archive ${NAME}` }).click();
  await expect(page.getByText(/signs in no more and stands in no list/)).toBeVisible();
  await expectAccessible(page);
  await student.goto('/today');
  await expect(student).toHaveURL(/sign-in$/);
  await signIn(student, 'aurelia', 'my very own one');
  await expect(student.getByText('Name and password do not go together.')).toBeVisible();
  await page.goto('/people');
  await page.getByRole('link', { name: 'Archived students' }).click();
  await page.getByRole('link', { name: NAME }).click();
  await page.getByRole('button', { name: `Bring ${NAME} back` }).click();
  await expect(page.getByRole('button', { name: `Archive ${NAME}` })).toBeVisible();
  await signIn(student, 'aurelia', 'my very own one');
  await expect(student.getByRole('heading', { name: 'Today', level: 1 })).toBeVisible();

  await page.goto('/workshop');
  await page.getByRole('link', { name: 'Who changed what' }).click();
  await expect(page.getByRole('heading', { name: 'Changes' })).toBeVisible();
  for (const words of [
    `Tova Lind set a password for ${NAME}`,
    `${NAME} changed the password`,
    `Tova Lind archived ${NAME}`,
    `Tova Lind brought ${NAME} back`,
  ])
    await expect(page.getByText(words, { exact: true }).first()).toBeVisible();

  await student.goto('/you');
  await student.getByRole('button', { name: 'Sign out everywhere' }).click();
  await expect(student).toHaveURL(/sign-in$/);
});

test('of two windows with the workshop’s settings the second is told, and nothing of the first is overwritten', async ({
  page,
}) => {
  await signIn(page, 'tova', 'a long password');
  await expect(page).toHaveURL(/today/);
  await page.goto('/workshop');
  const other = await page.context().newPage();
  await other.goto('/workshop');
  await page.getByLabel('Wanted every … days').fill('30');
  await page.getByRole('button', { name: 'Keep changes' }).click();
  await expect(page.getByText('Kept. It holds for everybody')).toBeVisible();
  await other.getByLabel('Wanted every … days').fill('2');
  await other.getByRole('button', { name: 'Keep changes' }).click();
  await expect(other.getByText(/Another window has changed the workshop/)).toBeVisible();
  await other.reload();
  await expect(other.getByLabel('Wanted every … days')).toHaveValue('30');
  await other.getByLabel('Wanted every … days').fill('400');
  await other.getByRole('button', { name: 'Keep changes' }).click();
  await expect(other.getByText('At most 365 days.')).toBeVisible();
});
