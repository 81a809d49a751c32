import fs from 'node:fs';
import { chromium, type Browser } from 'playwright-core';
import { Busy } from './busy';

/** Browsers as Debian and others install them. */
const BROWSERS = [
  process.env.CHROMIUM,
  '/usr/bin/chromium',
  '/usr/bin/chromium-browser',
  '/usr/bin/google-chrome-stable',
  '/usr/bin/google-chrome',
];

const browserHere = (): string | undefined => BROWSERS.find((one) => one && fs.existsSync(one));

/** Whether this machine has a browser that prints; where it has none, whoever reads prints with their own. */
export const canMakePdf = (): boolean => browserHere() !== undefined;

/** A header that only our own printing sends: where Mochila is reached from elsewhere. */
export const ORIGIN_HEADER = 'x-mochila-origin';

/** A sheet that is not there after so long will not come. */
const LONGEST_MS = 30_000;
/** Browsers are large: one prints at a time, and so many wait for it. */
const MOST_WAITING = 6;

let waiting = 0;
let last: Promise<unknown> = Promise.resolve();

/** A page as it is printed, and what it is called. */
export interface PrintedPage {
  title: string;
  pdf: Uint8Array;
}

/**
 * A page of this server as a PDF, as the person of a session sees it: fonts embedded, lines as lines. Undefined where
 * they see no such page; throws `Busy` where too many wait.
 */
export async function pagePdf(
  path: string,
  session: { name: string; token: string },
  origin: string,
): Promise<PrintedPage | undefined> {
  if (waiting >= MOST_WAITING) throw new Busy();
  waiting++;
  const mine = last.then(() => printed(path, session, origin));
  last = mine.catch(() => {});
  try {
    return await mine;
  } finally {
    waiting--;
  }
}

async function printed(
  path: string,
  session: { name: string; token: string },
  origin: string,
): Promise<PrintedPage | undefined> {
  const { HOST = '127.0.0.1', PORT = '3000', MOCHILA_TLS_KEY } = process.env;
  const host = HOST === '0.0.0.0' || HOST === '::' ? '127.0.0.1' : HOST;
  const here = `${MOCHILA_TLS_KEY ? 'https' : 'http'}://${host}:${PORT}`;
  let browser: Browser | undefined;
  try {
    browser = await chromium.launch({
      executablePath: browserHere()!,
      args: ['--disable-gpu', '--disable-background-networking', '--disable-sync', '--no-first-run'],
      timeout: LONGEST_MS,
    });
    const context = await browser.newContext({
      // Its own certificate is known to this server alone.
      ignoreHTTPSErrors: true,
      colorScheme: 'light',
      viewport: { width: 1100, height: 1400 },
      extraHTTPHeaders: { [ORIGIN_HEADER]: origin },
    });
    await context.addCookies([{ name: session.name, value: session.token, url: here }]);
    const page = await context.newPage();
    page.setDefaultTimeout(LONGEST_MS);
    const answer = await page.goto(here + path, { waitUntil: 'load' });
    if (answer?.status() !== 200) return undefined;
    await page.waitForFunction(
      () =>
        document.querySelector('[data-sheet]') &&
        [...document.querySelectorAll('[data-wants-svg]')].every((one) => one.querySelector('svg')),
    );
    await page.evaluate(() => document.fonts.ready);
    const pdf = await page.pdf({ preferCSSPageSize: true, printBackground: true });
    return { title: await page.title(), pdf: new Uint8Array(pdf) };
  } finally {
    await browser?.close();
  }
}
