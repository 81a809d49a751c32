import { readFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import { strFromU8, unzipSync } from 'fflate';
import { choose, complaints, expectAccessible } from './steps';

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
  await choose(page, 'Age', '12 to 17');
  await page.getByLabel('Sign-in name').fill('aurelia');
  await page.getByRole('button', { name: 'Add the student' }).click();
  await expect(page.getByText('Give a password too, or leave both empty and invite by a link.')).toBeVisible();
  await expectAccessible(page);
  await page.getByLabel('First password').fill('drum and bass');
  await page.getByRole('button', { name: 'Add the student' }).click();
  await expect(page.getByText('Nothing is set.')).toBeVisible();
  await expectAccessible(page);

  await page.getByLabel('Groove, drill or listening').click();
  await page.getByRole('option', { name: /Slow crossing/ }).click();
  // The tempo is the groove's own until another is typed.
  await expect(page.getByLabel('Tempo, bpm')).toHaveValue('72');
  await page.getByLabel('Tempo, bpm').fill('1000');
  await page.getByLabel('Why, or what to listen for').fill('Hear the foot under the hat.');
  await page.getByRole('button', { name: 'Set it', exact: true }).click();
  await expect(page.getByText('The fastest tempo is 300.')).toBeVisible();
  await page.getByLabel('Tempo, bpm').fill('64');
  await page.getByRole('button', { name: 'Set it', exact: true }).click();
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
  await student.getByRole('link', { name: 'Log', exact: true }).click();
  await expect(student.getByText('No takes yet')).toBeVisible();
  await student.goto('/people');
  await expect(student).toHaveURL(/today$/);
  await student.getByRole('button', { name: /Sign out/ }).click();
  await student.goto('/today');
  await expect(student).toHaveURL(/sign-in$/);

  await page.getByRole('button', { name: 'Take back Slow crossing' }).click();
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
  await page.getByRole('button', { name: 'Set a password instead' }).click();
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
  await expect(page.getByText(/^Archived: .* signs in no more and stands in no list/)).toBeVisible();
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

test('a student is invited by a link, comes in with a name of their own, and leaves with everything', async ({
  page,
  browser,
}) => {
  test.slow();
  const wrong = complaints(page);
  await signIn(page, 'tova', 'a long password');
  await page.getByRole('link', { name: 'Add a student' }).first().click();
  await page.getByLabel('Name', { exact: true }).fill('Wim');
  await page.getByLabel('What they are after').fill('Play along with the brass band in June.');
  await page.getByRole('button', { name: 'Add the student' }).click();
  const linkOf = async () => {
    await expect(page.getByRole('img', { name: /^The invitation/ })).toBeVisible();
    return page.getByLabel('The link').inputValue();
  };
  await page.getByRole('button', { name: 'Invite by a link' }).click();
  const first = await linkOf();
  await expect(page.getByText(/^An invitation is open until/)).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Make another link' }).click();
  await expect(async () => expect(await linkOf()).not.toBe(first)).toPass();
  const link = await linkOf();

  const student = await (await browser.newContext({ baseURL: process.env.OWN_URL })).newPage();
  await student.goto(first);
  await expect(student.getByRole('heading', { name: 'This invitation holds no more' })).toBeVisible();
  await student.goto(link);
  await expect(student.getByLabel('What you are called')).toHaveValue('Wim');
  await expectAccessible(student);
  await student.getByLabel('What you are called').fill('Wimmie');
  await student.getByLabel('Sign-in name').fill('aurelia');
  await student.getByLabel('Password').fill('paddle and drum');
  await student.getByRole('button', { name: 'Come in' }).click();
  await expect(student.getByText('This sign-in name is taken. Add a letter or a digit.')).toBeVisible();
  await student.getByLabel('Sign-in name').fill('wimmie');
  await student.getByLabel('Password').fill('paddle and drum');
  await student.getByRole('button', { name: 'Come in' }).click();
  await expect(student.getByRole('heading', { name: 'Today', level: 1 })).toBeVisible();
  await student.goto(link);
  await expect(student.getByRole('heading', { name: 'This invitation holds no more' })).toBeVisible();

  // Signed in a second time elsewhere, which is seen and ended here.
  const elsewhere = await (await browser.newContext({ baseURL: process.env.OWN_URL })).newPage();
  await signIn(elsewhere, 'wimmie', 'paddle and drum');
  await expect(elsewhere).toHaveURL(/today/);
  await student.goto('/you');
  await student.getByRole('button', { name: 'End it' }).click();
  await expect(student.getByRole('button', { name: 'End it' })).toHaveCount(0);
  await elsewhere.goto('/takes');
  await expect(elsewhere).toHaveURL(/sign-in$/);

  // The password is forgotten: the teacher makes a link, and only the password is asked.
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Wimmie', level: 1 })).toBeVisible();
  await expect(page.getByLabel('What Wimmie is after')).toHaveValue('Play along with the brass band in June.');
  await page.getByRole('button', { name: 'Invite by a link' }).click();
  await elsewhere.goto(await linkOf());
  await expect(elsewhere.getByText('You sign in as wimmie.')).toBeVisible();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByRole('button', { name: 'Invite by a link' })).toBeVisible();
  await elsewhere.getByLabel('Password').fill('another one now');
  await elsewhere.getByRole('button', { name: 'Come in' }).click();
  await expect(elsewhere.getByText('This invitation holds no more.', { exact: false }).first()).toBeVisible();

  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Everything as one file' }).click(),
  ]);
  const files = unzipSync(new Uint8Array(await readFile(await download.path())));
  expect(JSON.parse(strFromU8(files['person.json']!))).toMatchObject([{ name: 'Wimmie', sign_in_name: 'wimmie' }]);
  await page.getByRole('button', { name: 'Archive Wimmie' }).click();
  await page.getByRole('button', { name: 'Delete Wimmie for good' }).click();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Delete for good' }).click();
  await expect(page).toHaveURL(/people$/);
  await page.goto('/workshop/changes');
  await expect(page.getByText('Tova Lind deleted a student for good')).toBeVisible();
  await expect(page.getByText('Wimmie')).toHaveCount(0);
  await student.goto('/today');
  await expect(student).toHaveURL(/sign-in$/);
  expect(wrong).toEqual([]);
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
