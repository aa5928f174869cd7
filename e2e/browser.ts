import { mkdtempSync, rmSync } from 'node:fs';
import type { Server } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { serve } from '@hono/node-server';
import puppeteer, { type Browser, type ElementHandle, type JSHandle, type Page } from 'puppeteer-core';
import { kettleServer } from '@kettle/server';

/** Debian's Chromium without its own windows and menus; the program itself, since a script round it would outlive a kill. */
const CHROMIUM = process.env['CHROMIUM'] ?? '/usr/lib/chromium/chromium-headless-shell';
const FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** The app served on a free port, as `npm run demo` serves it. */
export interface Served {
  readonly url: string;
  readonly close: () => Promise<void>;
}

export function serveApp(port = 0): Promise<Served> {
  return new Promise((resolve) => {
    const server = serve(
      { fetch: kettleServer('dist/app/browser').fetch, port, hostname: '127.0.0.1' },
      (info) => {
        resolve({
          url: `http://127.0.0.1:${info.port}`,
          close: () =>
            new Promise((done) => {
              (server as Server).closeAllConnections();
              server.close(() => done());
            }),
        });
      },
    );
  });
}

/** A browser with a profile of its own; pass one to find what an earlier browser left. */
export interface Profile {
  readonly browser: Browser;
  readonly folder: string;
  /** Hosts other than ours that any page or worker has asked for. */
  readonly foreign: string[];
  readonly close: () => Promise<void>;
}

export async function openBrowser(folder = mkdtempSync(join(tmpdir(), 'kettle-profile-'))): Promise<Profile> {
  const browser = await puppeteer.launch({
    executablePath: CHROMIUM,
    headless: 'shell',
    args: [...FLAGS, `--user-data-dir=${folder}`],
    defaultViewport: { width: 1280, height: 800 },
  });
  return {
    browser,
    folder,
    foreign: [],
    close: async () => {
      await browser.close();
      rmSync(folder, { recursive: true, force: true, maxRetries: 5 });
    },
  };
}

/** A page and every fault of its own so far. */
export type OpenPage = Page & { readonly faults: string[] };

/**
 * Opens a page that records every request to another host and every fault of its own. What keeps the app for use without a
 * network fetches all of it, which takes seconds: only journeys that go offline have it.
 */
export async function openPage(
  profile: Profile,
  url: string,
  { keepsOffline = false } = {},
): Promise<OpenPage> {
  const page = Object.assign(await profile.browser.newPage(), { faults: [] as string[] });
  if (!keepsOffline)
    await page.evaluateOnNewDocument(() => Reflect.deleteProperty(Navigator.prototype, 'serviceWorker'));
  page.on('request', (request) => {
    const asked = request.url();
    if (/^(https?|wss?):/.test(asked) && new URL(asked).host !== new URL(url).host)
      profile.foreign.push(asked);
  });
  page.on('pageerror', (error) => page.faults.push(String(error)));
  page.on('console', (message) => {
    if (message.type() === 'error') page.faults.push(message.text());
  });
  page.setDefaultTimeout(20_000);
  await page.goto(url, { waitUntil: 'networkidle0' });
  return page;
}

/** Something done with the served app in a browser of its own. */
export async function inBrowser<Answer>(
  ask: (profile: Profile, url: string) => Promise<Answer>,
): Promise<Answer> {
  const served = await serveApp();
  const profile = await openBrowser();
  try {
    return await ask(profile, served.url);
  } finally {
    await profile.close();
    await served.close();
  }
}

/** The text of the first element that matches. */
export const textOf = (page: Page, selector: string): Promise<string> =>
  page.$eval(selector, (element) => (element as HTMLElement).innerText);

/** Waits until a text stands anywhere on the page; says what stood there if it never does. */
export async function seeText(page: Page, text: string): Promise<void> {
  try {
    await page.waitForFunction((wanted) => document.body.innerText.includes(wanted), {}, text);
  } catch (cause) {
    const stood = await page.evaluate(() => document.body.innerText);
    throw new Error(`“${text}” does not stand on ${page.url()}, but: ${stood}`, { cause });
  }
}

/**
 * Clicks what `find` finds, and sees to it that the click went home: a list may open, be drawn anew, or be pushed down by
 * a text above it while the hand is on its way.
 */
export async function clickFound(find: () => Promise<JSHandle>): Promise<void> {
  for (let tries = 0; ; tries++) {
    const element = (await find()).asElement() as ElementHandle<HTMLElement>;
    try {
      const heard = await element.evaluateHandle((el) => {
        const click = { came: false };
        el.addEventListener('click', () => (click.came = true), { capture: true, once: true });
        return click;
      });
      await element.click();
      // A page that was left by the click cannot be asked any more.
      if (await heard.evaluate(({ came }) => came).catch(() => true)) return;
      throw new Error('The click came down beside what it was meant for');
    } catch (cause) {
      if (tries === 5) throw cause;
      await new Promise((resolve) => setTimeout(resolve, 200));
    }
  }
}

/** Presses the button or link with this text. */
export const press = (page: Page, text: string): Promise<void> =>
  clickFound(() =>
    page.waitForFunction(
      (wanted) =>
        [...document.querySelectorAll<HTMLElement>('button, a, [role=menuitem], [role=option]')].find(
          (element) => element.innerText.trim() === wanted && element.offsetParent !== null,
        ) ?? null,
      {},
      text,
    ),
  );

export const station = (page: Page, name: string): Promise<void> =>
  page.locator(`[data-station=${name}]`).click();
