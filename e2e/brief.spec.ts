import { afterAll, beforeAll, expect, it } from 'vitest';
import type { Page } from 'puppeteer-core';
import { openBrowser, openPage, seeText, serveApp, station, type Profile, type Served } from './browser';
import { retype, write } from './hand';

let served: Served;
let profile: Profile;
let page: Page;

beforeAll(async () => {
  served = await serveApp();
  profile = await openBrowser();
  page = await openPage(profile, served.url);
  await seeText(page, 'Kettle in the rain');
  await station(page, 'brief');
  await page.waitForSelector('[data-testid=evenings]');
});

afterAll(async () => {
  await profile.close();
  await served.close();
});

const minutes = (day: string): string => `input[aria-label="Minutes on ${day}"]`;
const day = (ahead: number): string => new Date(Date.now() + ahead * 86_400_000).toISOString().slice(0, 10);

it('says when to sit down first, on the evenings there are, and keeps them', async () => {
  await page.$eval(
    '[data-testid=need-by]',
    (field, value) => {
      (field as HTMLInputElement).value = value;
      field.dispatchEvent(new Event('change'));
    },
    day(30),
  );
  await seeText(page, 'Sit down first on');
  for (const given of ['Tuesday', 'Thursday', 'Saturday']) await write(page, minutes(given), '0');
  await page.waitForFunction(() => !document.querySelector('[data-testid=evenings]'));

  await retype(page, minutes('Sunday'), '90');
  await seeText(page, 'Sit down first on Sunday');
  await seeText(page, '· kept');
  await page.reload();
  await seeText(page, 'Sit down first on Sunday');
  expect(await page.$eval(minutes('Sunday'), (field) => (field as HTMLInputElement).value)).toBe('90');
});

it('says what is missing when there is not time enough', async () => {
  await retype(page, minutes('Sunday'), '1');
  await seeText(page, 'are missing before the post');
});
