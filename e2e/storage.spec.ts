import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { readKettleFile } from '@kettle/core/files/formats';
import {
  openBrowser,
  openPage,
  press,
  seeText,
  serveApp,
  station,
  type Profile,
  type Served,
} from './browser';
import { downloads, retype, write } from './hand';

/** Moments at which the storage fails; the long evidence takes forty. */
const MOMENTS = Number(process.env['KILLS'] ?? 1) > 1 ? 40 : 1;

/** What is wrong must be said within so long, ms; the page itself takes its time as well. */
const SAID_WITHIN_MS = 1500;

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

/** From now on the page's database refuses every write as a full disk does, until there is room again. */
function fillDisk(): void {
  const kept = Object.getOwnPropertyDescriptors(IDBObjectStore.prototype);
  const refuse = (): never => {
    throw new DOMException('The current transaction exceeded its quota limitations.', 'QuotaExceededError');
  };
  Object.assign(IDBObjectStore.prototype, { add: refuse, put: refuse });
  addEventListener('room-again', () => Object.defineProperties(IDBObjectStore.prototype, kept), {
    once: true,
  });
}

/** From now on the page's database does not answer any more, until it does again: something else has it to itself. */
function silence(): Promise<void> {
  return new Promise((begun) => {
    const opening = indexedDB.open('kettle-drift');
    opening.onsuccess = () => {
      const { result: db } = opening;
      const hold = db.transaction([...db.objectStoreNames], 'readwrite');
      let held = true;
      const goOn = (): void => {
        if (held) hold.objectStore('plans').count().onsuccess = goOn;
        else db.close();
      };
      goOn();
      addEventListener('answers-again', () => (held = false), { once: true });
      begun();
    };
  });
}

const value = (page: Page, selector: string): Promise<string> =>
  page.$eval(selector, (field) => (field as HTMLInputElement).value);
const rest = (ms: number): Promise<unknown> => new Promise((resolve) => setTimeout(resolve, ms));
const said = (page: Page): Promise<string> =>
  page.evaluate(() => document.querySelector<HTMLElement>('.message')?.innerText ?? '');
const humidity = (page: Page): Promise<string> => value(page, '[data-testid=rh]');

describe('a full disk', () => {
  it.each(Array.from({ length: MOMENTS }, (_, i) => i))(
    'at any moment: what is said is so, work goes on and is handed over whole, and all is kept once there is room (%d)',
    async (moment) => {
      const page = await openPage(profile, `${served.url}/card/kettle-in-the-rain/paper`);
      const fetchFile = await downloads(page);
      await page.waitForSelector('[data-testid=rh]');
      const before = 20 + ((7 * moment) % 30);
      await write(page, '[data-testid=rh]', String(before));
      await rest((37 * moment) % 400);
      await page.evaluate(fillDisk);
      const after = 50 + (moment % 40);
      await write(page, '[data-testid=rh]', String(after));
      const begun = performance.now();
      await seeText(page, 'The disk is full: the last changes are in this tab only.');
      expect(performance.now() - begun).toBeLessThan(SAID_WITHIN_MS);
      await seeText(page, 'in this tab only');
      // To the rack and back: it is still as it was left.
      await page.locator('.house').click();
      await page.waitForSelector('.stand');
      await page.evaluate(() => history.back());
      await page.waitForSelector('[data-testid=rh]');
      expect(await humidity(page)).toBe(String(after));
      // A card begun now stands on the rack as well, and is opened from there.
      if (moment % 2 === 0) {
        await page.locator('.house').click();
        await page.waitForSelector('[data-testid=title]');
        await page.type('[data-testid=title]', `On a full disk ${moment}`);
        await press(page, 'Put it on the table');
        await seeText(page, `On a full disk ${moment}`);
        await page.locator('.house').click();
        await seeText(page, `On a full disk ${moment}`);
        await page.goBack();
        await page.goBack();
        await page.goBack();
        await page.waitForSelector('[data-testid=rh]');
      }
      const unkept = await said(page);
      expect(unkept).not.toMatch(/all is kept/);
      await press(page, 'Save as a file');
      const ending = moment % 2 === 0 ? '.kettle-backup' : '.kettle';
      const file = await fetchFile(ending);
      if (ending === '.kettle') expect(readKettleFile(file).plan.climate.rh).toBe(after / 100);
      await page.evaluate(() => dispatchEvent(new Event('room-again')));
      await seeText(page, 'all is kept');
      await page.reload({ waitUntil: 'networkidle0' });
      await page.waitForSelector('[data-testid=rh]');
      expect(await humidity(page)).toBe(String(after));
      await page.close();
    },
  );
});

describe('a database that is deleted under the page', () => {
  it('is noticed; the card on the table is kept again, and that the rest is gone is said', async () => {
    const fresh = await openBrowser();
    const page = await openPage(fresh, `${served.url}/card/kettle-in-the-rain/paper`);
    await page.waitForSelector('[data-testid=rh]');
    await page.evaluate(
      () =>
        new Promise<void>((resolve) => {
          const deleting = indexedDB.deleteDatabase('kettle-drift');
          deleting.onsuccess = () => resolve();
        }),
    );
    await write(page, '[data-testid=rh]', '71');
    await seeText(page, 'This browser’s storage was emptied while you worked.');
    await page.waitForFunction(() => document.querySelector('header .card')?.textContent.includes('· kept'));
    await page.goto(`${served.url}/card/kettle-in-the-rain/paper`, { waitUntil: 'networkidle0' });
    await page.waitForSelector('[data-testid=rh]');
    expect(await humidity(page)).toBe('71');
    await fresh.close();
  });
});

describe('storage that is blocked', () => {
  it('is said; cards can be worked on and saved as files all the same', async () => {
    const fresh = await openBrowser();
    const page = await openPage(fresh, 'about:blank');
    const fetchFile = await downloads(page);
    await page.evaluateOnNewDocument(() => {
      const refuse = (): never => {
        throw new DOMException('The operation is insecure.', 'SecurityError');
      };
      IDBFactory.prototype.open = refuse;
    });
    await page.goto(`${served.url}/rack`, { waitUntil: 'networkidle0' });
    await seeText(page, 'This browser does not let Kettle Drift keep anything.');
    // A first visit begins with the demo card on the table.
    await page.locator('.house').click();
    await page.waitForSelector('[data-testid=title]');
    await page.type('[data-testid=title]', 'Nowhere to lie');
    await press(page, 'Put it on the table');
    await seeText(page, 'in this tab only');
    await station(page, 'paper');
    await page.waitForSelector('[data-testid=rh]');
    await retype(page, '[data-testid=rh]', '66');
    await page.locator('kd-house-menu button').click();
    await press(page, 'Save the card as a .kettle file');
    const { plan } = readKettleFile(await fetchFile('.kettle'));
    expect([plan.title, plan.climate.rh]).toEqual(['Nowhere to lie', 0.66]);
    await fresh.close();
  });
});

describe('storage that does not answer', () => {
  it('is said within a second at the start, and the page stands all the same', async () => {
    const fresh = await openBrowser();
    const page = await openPage(fresh, 'about:blank');
    await page.evaluateOnNewDocument(() => {
      IDBFactory.prototype.open = () => new EventTarget() as IDBOpenDBRequest;
    });
    await page.goto(`${served.url}/rack`);
    await page.waitForSelector('header');
    const begun = performance.now();
    await seeText(page, 'This browser’s storage does not answer.');
    expect(performance.now() - begun).toBeLessThan(SAID_WITHIN_MS);
    await page.waitForSelector('[data-testid=title]');
    await fresh.close();
  });

  it('and that falls silent in the middle of work: it is said, work goes on, and is kept when it answers again', async () => {
    const page = await openPage(profile, `${served.url}/card/kettle-in-the-rain/paper`);
    await page.waitForSelector('[data-testid=rh]');
    await page.evaluate(silence);
    await write(page, '[data-testid=rh]', '47');
    const begun = performance.now();
    await seeText(page, 'This browser’s storage does not answer.');
    expect(performance.now() - begun).toBeLessThan(SAID_WITHIN_MS);
    await write(page, '[data-testid=temp]', '16');
    expect([await humidity(page), await value(page, '[data-testid=temp]')]).toEqual(['47', '16']);
    await page.evaluate(() => dispatchEvent(new Event('answers-again')));
    await seeText(page, 'all is kept');
    await page.reload({ waitUntil: 'networkidle0' });
    await page.waitForSelector('[data-testid=rh]');
    expect([await humidity(page), await value(page, '[data-testid=temp]')]).toEqual(['47', '16']);
    await page.close();
  });
});
