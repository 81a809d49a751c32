import { expect, type Browser, type Page } from '@playwright/test';
import type pg from 'pg';

/** The day it is where these tests play. */
export const today = () => new Intl.DateTimeFormat('sv-SE', { timeZone: 'Europe/Zurich' }).format(new Date());

/** Days go by: all that happened lies so many days further back. */
export async function daysPass(database: pg.Pool, days = 1): Promise<void> {
  const ago = `interval '${days} days'`;
  for (const [table, columns] of [
    ['take', ['played_at', 'received_at', 'set_aside_at']],
    ['assignment', ['set_at', 'due_at', 'ended_at']],
    ['lesson', ['starts_at', 'began_at', 'ended_at']],
    ['ladder', ['changed_at']],
    ['path_student', ['put_at']],
  ] as const)
    await database.query(`update ${table} set ${columns.map((name) => `${name} = ${name} - ${ago}`).join(', ')}`);
  for (const [table, column] of [
    ['lesson', 'of_day'],
    ['lesson_time', 'starts_on'],
    ['refused', 'until'],
    ['day_plan', 'day'],
  ] as const)
    await database.query(`update ${table} set ${column} = ${column} - ${days}`);
}

/** A workshop of one's own, with its first teacher; what an earlier try left there is taken away first. */
export async function setUp(page: Page, database: pg.Pool): Promise<void> {
  await database.query('truncate workshop cascade');
  await page.goto('/');
  await page.getByLabel('Name of the workshop').fill('Ferry shed');
  await page.getByLabel('Your name').fill('Marit Sund');
  await page.getByLabel('Sign-in name').fill('marit');
  await page.getByLabel('Password').fill('a long password');
  await page.getByRole('button', { name: 'Set up the workshop' }).click();
  await expect(page.getByText('Add your first student')).toBeVisible();
}

/** Adds Lasse, who comes in by a link with a browser of his own. */
export async function inviteLasse(page: Page, browser: Browser, baseURL: string | undefined): Promise<Page> {
  await page.getByRole('link', { name: 'Add a student' }).first().click();
  await page.getByLabel('Name', { exact: true }).fill('Lasse');
  await page.getByRole('button', { name: 'Add the student' }).click();
  await page.getByRole('button', { name: 'Invite by a link' }).click();
  await expect(page.getByRole('img', { name: /^The invitation/ })).toBeVisible();
  const link = await page.getByLabel('The link').inputValue();
  const student = await (await browser.newContext({ baseURL, timezoneId: 'Europe/Zurich' })).newPage();
  await student.goto(link);
  await student.getByLabel('Sign-in name').fill('lasse');
  await student.getByLabel('Password').fill('paddle and drum');
  await student.getByRole('button', { name: 'Come in' }).click();
  await expect(student.getByText('Nothing is set for you yet')).toBeVisible();
  return student;
}
