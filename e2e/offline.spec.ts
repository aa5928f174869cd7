import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  openBrowser,
  openPage,
  seeText,
  serveApp,
  station,
  textOf,
  type Profile,
  type Served,
} from './browser';
import { write } from './hand';
import { inEvidence } from './in-evidence';

let served: Served;
let profile: Profile;

beforeAll(async () => {
  served = await serveApp();
  profile = await openBrowser();
});

afterAll(async () => {
  await profile.close();
});

describe('nothing from outside', () => {
  inEvidence(
    'no station, room or worker asks any other host; the page is isolated and its policy is strict',
    async () => {
      const page = await openPage(profile, served.url, { keepsOffline: true });
      await seeText(page, 'Kettle in the rain');
      for (const name of ['brief', 'paper', 'sketch', 'whites', 'colours', 'passes', 'sitting', 'finish'])
        await station(page, name);
      for (const room of ['rack', 'cupboard'])
        await page.goto(`${served.url}/${room}`, { waitUntil: 'networkidle0' });
      expect(profile.foreign).toEqual([]);
      expect(page.faults).toEqual([]);
      expect(await page.evaluate(() => crossOriginIsolated)).toBe(true);
      const { headers } = await fetch(served.url);
      expect(headers.get('content-security-policy')).toMatch(/default-src 'none'/);
      expect(headers.get('content-security-policy')).not.toMatch(/script-src[^;]*unsafe-inline/);
      expect(headers.get('x-content-type-options')).toBe('nosniff');
      await page.close();
    },
  );

  it('the page itself could not if it tried', async () => {
    const page = await openPage(profile, `${served.url}/rack`, { keepsOffline: true });
    const refused = await page.evaluate(() =>
      fetch('http://127.0.0.2:9/').then(
        () => 'let through',
        (cause: unknown) => String(cause),
      ),
    );
    expect(refused).toMatch(/Failed to fetch/);
    expect(page.faults.some((fault) => fault.includes('Content Security Policy'))).toBe(true);
    await page.close();
  });
});

describe('after the first visit, with the server gone', () => {
  it('loads again with worker and kernel, computes and keeps a change', async () => {
    const page = await openPage(profile, `${served.url}/card/kettle-in-the-rain/passes`, {
      keepsOffline: true,
    });
    await page.locator('kd-house-menu button').click();
    await seeText(page, 'ready without a network');
    await page.keyboard.press('Escape');
    await served.close();
    await page.reload({ waitUntil: 'load' });
    await page.waitForSelector('.span[data-act=sill-wash]');
    const before = await textOf(page, '[data-testid=short]');
    await station(page, 'paper');
    await write(page, '[data-testid=rh]', '80');
    await station(page, 'passes');
    await page.waitForFunction(
      (was) => document.querySelector<HTMLElement>('[data-testid=short]')?.innerText !== was,
      {},
      before,
    );
    await seeText(page, 'damp creeps');
    await station(page, 'sketch');
    await page.waitForSelector('canvas');
    await page.reload({ waitUntil: 'load' });
    await page.waitForSelector('canvas');
    await station(page, 'paper');
    expect(await page.$eval('[data-testid=rh]', (field) => (field as HTMLInputElement).value)).toBe('80');
    await page.close();
  });
});
