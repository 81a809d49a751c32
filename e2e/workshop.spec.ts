import { expect, test } from '@playwright/test';
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

test('the teacher adds a student and sets a groove; the student finds it on Today', async ({ page, browser }) => {
  await page.goto('/sign-in');
  await page.getByLabel('Sign-in name').fill('tova');
  await page.getByLabel('Password').fill('a long password');
  await page.getByRole('button', { name: 'Sign in' }).click();
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
