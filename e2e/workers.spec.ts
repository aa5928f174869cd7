import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import type { Page } from 'puppeteer-core';
import { isLaid, PaperPen } from './paper-hand';
import { openBrowser, press, seeText, serveApp, type Profile, type Served } from './browser';

/** What is told within this has been told in time, ms. */
const TOLD_WITHIN_MS = 3000;

type Fault = 'missing' | 'dies at once' | 'dies later' | 'hangs';

let served: Served;
let profile: Profile;

beforeAll(async () => {
  served = await serveApp();
  profile = await openBrowser();
});

afterAll(async () => {
  await profile.close();
  await served.close();
});

/** Spoils the first so many workers of this name before the app gets them. */
const spoil = (name: string, fault: Fault, times: number): string => `(() => {
  const Whole = Worker;
  window.begun = {};
  window.spoiltMs = null;
  window.Worker = class extends Whole {
    constructor(url, options) {
      const n = (window.begun[options.name] = (window.begun[options.name] ?? 0) + 1);
      const isSpoilt = options.name === '${name}' && n <= ${times};
      super(isSpoilt && '${fault}' === 'missing' ? '/gone-worker.js' : url, options);
      window.newest = { ...window.newest, [options.name]: this };
      if (!isSpoilt) return;
      const dies = () => {
        this.terminate();
        window.spoiltMs = performance.now();
        this.dispatchEvent(new ErrorEvent('error', { message: 'out of memory', cancelable: true }));
      };
      if ('${fault}' === 'dies at once') setTimeout(dies);
      if ('${fault}' === 'dies later') setTimeout(dies, 400);
      if ('${fault}' === 'hangs') this.postMessage = () => { window.spoiltMs ??= performance.now(); };
    }
  };
})()`;

/** Pages that were opened: one that stays open after its test failed would hold its card from the next. */
const opened: Page[] = [];
afterEach(async () => {
  for (const page of opened.splice(0)) if (!page.isClosed()) await page.close();
});

async function openSpoilt(path: string, name: string, fault: Fault, times: number): Promise<Page> {
  const page = await profile.browser.newPage();
  opened.push(page);
  await page.evaluateOnNewDocument(() => Reflect.deleteProperty(Navigator.prototype, 'serviceWorker'));
  await page.evaluateOnNewDocument(spoil(name, fault, times));
  page.setDefaultTimeout(20_000);
  await page.goto(`${served.url}/${path}`, { waitUntil: 'domcontentloaded' });
  return page;
}

const begunOf = (page: Page, name: string): Promise<number> =>
  page.evaluate((of) => (window as unknown as { begun: Record<string, number> }).begun[of] ?? 0, name);

const graveOf = (page: Page): Promise<string> =>
  page.evaluate(() => document.querySelector<HTMLElement>('.message.grave')?.innerText ?? '');

/** Every day two of them are looked at, for the long evidence all. */
const STATIONS =
  Number(process.env['KILLS'] ?? 1) > 1
    ? ['brief', 'paper', 'sketch', 'whites', 'colours', 'passes', 'sitting', 'finish']
    : ['whites', 'passes'];

describe('a worker that fails', () => {
  it.each<[Fault, number]>([
    ['missing', 1],
    ['dies at once', 1],
    ['dies later', 1],
  ])('%s is begun anew, and the answer comes', async (fault) => {
    const page = await openSpoilt('card/kettle-in-the-rain/passes', 'table', fault, 1);
    await page.waitForSelector('.span[data-act=sill-wash]');
    if (fault !== 'dies later') expect(await begunOf(page, 'table')).toBe(2);
    expect(await graveOf(page)).toBe('');
    await page.close();
  });

  it.each<Fault>(['missing', 'dies at once'])(
    'again and again (%s) is told, and the card is safe',
    async (fault) => {
      const page = await openSpoilt('card/kettle-in-the-rain/passes', 'table', fault, 99);
      await page.waitForFunction(
        () => (window as unknown as { begun: { table?: number } }).begun.table === 2,
      );
      const begun = Date.now();
      await seeText(page, 'The drying could not be worked out');
      expect(Date.now() - begun).toBeLessThan(TOLD_WITHIN_MS);
      await seeText(page, 'The card is safe.');
      await page.close();
    },
  );

  it.each(STATIONS)('and hangs is told at %s', async (station) => {
    const page = await openSpoilt(`card/kettle-in-the-rain/${station}`, 'table', 'hangs', 99);
    await page.waitForFunction(() => (window as unknown as { spoiltMs: number | null }).spoiltMs !== null);
    await seeText(page, 'takes longer than usual');
    const waited = await page.evaluate(
      () => performance.now() - (window as unknown as { spoiltMs: number }).spoiltMs,
    );
    expect(waited).toBeLessThan(TOLD_WITHIN_MS);
    await page.close();
  });

  it('painting ahead goes on with another worker', async () => {
    const page = await openSpoilt('card/kettle-in-the-rain/passes', 'simulation', 'dies later', 1);
    await page.waitForSelector('.span[data-act=sill-wash]');
    await page.click('[data-testid=simulate]');
    await page.waitForSelector('kd-passes image');
    expect(await begunOf(page, 'simulation')).toBe(2);
    await page.close();
  });

  it('under the hand has its sheet laid again', async () => {
    const page = await openSpoilt('card/kettle-in-the-rain/passes', 'painting', 'dies later', 0);
    await press(page, 'Paint it by hand');
    await isLaid(page);
    await page.evaluate(`(() => {
      const { painting } = window.newest;
      painting.terminate();
      painting.dispatchEvent(new ErrorEvent('error', { message: 'out of memory', cancelable: true }));
    })()`);
    await page.waitForFunction(
      () => (window as unknown as { begun: { painting: number } }).begun.painting === 2,
    );
    await isLaid(page);
    const pen = await PaperPen.over(page);
    expect((await pen.feel([60, 60])).stage).toMatch(/dry/);
    expect(await graveOf(page)).toBe('');
    await page.close();
  });

  it('on the rack reads the cards with another', async () => {
    const page = await openSpoilt('rack', 'keeping', 'dies at once', 1);
    await page.waitForSelector('.stand svg');
    expect(await begunOf(page, 'keeping')).toBe(2);
    await page.close();
  });

  it('says what to do where pictures cannot be unpacked', async () => {
    const page = await openSpoilt('card/quince-branch/sketch', 'picture', 'dies at once', 99);
    await press(page, 'Tracing');
    const input = await page.waitForSelector('[data-testid=picture-file]');
    await (input as unknown as { uploadFile: (path: string) => Promise<void> }).uploadFile(
      'docs/screenshots/brief.png',
    );
    await seeText(page, 'brief.png: the picture');
    await page.close();
  });
});
