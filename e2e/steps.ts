import AxeBuilder from '@axe-core/playwright';
import { expect, type BrowserContext, type Locator, type Page } from '@playwright/test';
import { WavWriter } from '../src/core/format/audio/wav';

type Cookies = Awaited<ReturnType<BrowserContext['cookies']>>;
/** Sessions of this worker's demo workshop: whoever signed in once need not do it again. */
const sessions = new Map<string, Cookies>();

/** Comes into the demo workshop as one of its people, with one touch. */
export async function comeInAs(page: Page, name: string): Promise<void> {
  const today = page.getByRole('heading', { name: 'Today', level: 1 });
  const session = sessions.get(name);
  if (session) {
    await page.context().addCookies(session);
    await page.goto('/today');
    if (new URL(page.url()).pathname === '/today') return expect(today).toBeVisible();
  }
  await page.goto('/sign-in');
  await page.getByRole('button', { name: new RegExp(name) }).click();
  await expect(today).toBeVisible();
  sessions.set(name, await page.context().cookies());
}

export async function openRoom(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'Open in the room' }).first().click();
  await expect(page.getByRole('button', { name: 'Play', exact: true })).toBeEnabled();
}

/** Chooses from a list. */
export async function choose(page: Page, list: string, option: string, inside: Page | Locator = page): Promise<void> {
  const wanted = page.getByRole('option', { name: option, exact: true });
  // The last list may still be fading over this one, and then takes the click.
  await expect(async () => {
    await inside.getByLabel(list, { exact: true }).click();
    await expect(wanted).toBeVisible({ timeout: 3000 });
  }).toPass();
  await wanted.click();
  // Until it is gone the list takes the next click for itself.
  await expect(page.getByRole('listbox')).toHaveCount(0);
}

/** Plays one round by the simulated kit and waits for the verdict and for the server to have the take. */
export async function playByKit(page: Page, fault: string, rounds = 1): Promise<void> {
  await choose(page, 'Who plays', `kit, ${fault}`);
  await choose(page, 'Length', rounds === 1 ? '1 round' : `${rounds} rounds`);
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  await expect(page.getByText('Kept in the log')).toBeVisible({ timeout: 90_000 });
}

/** Screens of this worker that were looked at already. */
const looked = new Set<string>();
/** What makes a screen another one: its address without ids, headings, dialogs, theme and width. */
const screenOf = (page: Page): Promise<string> =>
  page.evaluate(() =>
    [
      location.pathname.replaceAll(/[0-9a-f-]{36}/g, ''),
      innerWidth,
      document.documentElement.className,
      ...[...document.querySelectorAll('h1, h2, [role=dialog]')].map(
        (one) => one.getAttribute('aria-label') ?? one.textContent?.slice(0, 30),
      ),
    ].join('|'),
  );

/** Nothing an accessibility checker would call a violation. Each screen is looked at once, by night each time. */
export async function expectAccessible(page: Page): Promise<void> {
  const screen = await screenOf(page);
  if (looked.has(screen) && !process.env.NIGHTLY) return;
  looked.add(screen);
  const found = async () => {
    // A colour half-way through its transition is no colour of ours.
    await page.evaluate(() =>
      Promise.all(document.getAnimations().map((animation) => animation.finished.catch(() => undefined))),
    );
    const { violations } = await new AxeBuilder({ page }).analyze();
    return violations.flatMap(({ id, nodes }) =>
      nodes.map(({ html, failureSummary }) => `${page.url()} ${id}: ${html} ${failureSummary}`),
    );
  };
  // A transition may have begun while it was looked at: what is wrong is wrong the second time, too.
  const first = await found();
  expect(first.length ? await found() : first).toEqual([]);
  // A label belongs to the first field of its id: two of one would leave the second without.
  const ids = await page.locator('[id]').evaluateAll((all) => all.map(({ id }) => id));
  expect(ids.filter((id, index) => ids.indexOf(id) !== index)).toEqual([]);
}

/** Gathers what the page complains about; a test ends by expecting nothing. */
export function complaints(page: Page): string[] {
  const all: string[] = [];
  page.on('console', (message) => message.type() === 'error' && all.push(message.text()));
  page.on('pageerror', (error) => all.push(error.message));
  return all;
}

/**
 * Strikes a key whenever one of these counts is shown, as somebody would who plays to what is counted. Where counts come
 * every so many milliseconds, the stroke is timed as if the page had shown it when it was due: a busy machine draws late.
 */
export async function strikeAlong(page: Page, keys: Record<string, string>, everyMs?: number): Promise<void> {
  await page.evaluate(
    ([wanted, every]) => {
      const global = window as unknown as { strikes?: MutationObserver };
      global.strikes?.disconnect();
      let last = '';
      // How many counts went by since the first that was seen, and when that one was due: by the least late of all. The
      // first itself stands there before it is heard.
      let [counts, dueMs] = [0, Infinity];
      global.strikes = new MutationObserver(() => {
        const said = document.querySelector('[data-count]')?.textContent ?? '';
        if (said === last) return;
        const now = performance.now();
        counts += last && said ? (Number(said) - Number(last) + 4) % 4 : 0;
        last = said;
        if (every && counts) dueMs = Math.min(dueMs, now - counts * every);
        const code = wanted[said];
        if (!code) return;
        const key = new KeyboardEvent('keydown', { code, bubbles: true, cancelable: true });
        if (every && counts) Object.defineProperty(key, 'timeStamp', { value: dueMs + counts * every });
        window.dispatchEvent(key);
      });
      global.strikes.observe(document.body, { subtree: true, childList: true, characterData: true });
    },
    [keys, everyMs] as const,
  );
}

/** What a screen reader hears of a lane. */
export const lane = (page: Page, limb: string) => page.locator('p', { hasText: new RegExp(`^${limb}:`) });

/** A groove of one's own on the bench, as the teacher. */
export async function newGroove(page: Page, title: string): Promise<void> {
  await comeInAs(page, 'Oda');
  await page.getByRole('link', { name: 'Grooves' }).click();
  await page.getByRole('button', { name: 'New groove', exact: true }).click();
  await expect(page).toHaveURL(/bench/);
  await page.getByLabel('Title').fill(title);
  await page.getByLabel('Title').press('Enter');
  await expect(page.getByRole('heading', { name: title, level: 1 })).toBeVisible();
}

/** A file of clicks, each half second one, from a quarter second on. */
export function clicksFile(seconds: number): Buffer {
  const rate = 22_050;
  const writer = new WavWriter(seconds * rate, rate);
  writer.add(
    Float32Array.from({ length: seconds * rate }, (_, frame) => {
      const since = ((frame - rate / 4) % (rate / 2)) / rate;
      return frame < rate / 4 ? 0 : 0.8 * Math.exp(-since / 0.01) * Math.sin(frame / 3);
    }),
  );
  return Buffer.from(writer.bytes);
}
