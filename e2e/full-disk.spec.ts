import { afterAll, beforeAll, expect, it } from 'vitest';
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
import { write } from './hand';

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
  addEventListener('room-again', () => Object.defineProperties(IDBObjectStore.prototype, kept));
}

it('a full disk is said, nothing is lost meanwhile, and all is saved once there is room', async () => {
  const page = await openPage(profile, served.url);
  await seeText(page, 'Kettle in the rain');
  await station(page, 'paper');
  await page.waitForSelector('[data-testid=rh]');
  await page.evaluate(fillDisk);
  await write(page, '[data-testid=rh]', '63');
  await seeText(page, 'The disk is full: the last change could not be saved.');
  await seeText(page, 'Nothing is lost while this tab stays open.');
  expect(await page.$eval('[data-testid=rh]', (field) => (field as HTMLInputElement).value)).toBe('63');

  await page.evaluate(() => dispatchEvent(new Event('room-again')));
  await press(page, 'Read it');
  await write(page, '[data-testid=temp]', '17');
  await new Promise((resolve) => setTimeout(resolve, 500));
  const again = await openPage(profile, `${served.url}/rack`);
  await page.close();
  await again.goto(`${served.url}/card/kettle-in-the-rain/paper`, { waitUntil: 'networkidle0' });
  await again.waitForSelector('[data-testid=rh]');
  expect(await again.$eval('[data-testid=rh]', (field) => (field as HTMLInputElement).value)).toBe('63');
  expect(await again.$eval('[data-testid=temp]', (field) => (field as HTMLInputElement).value)).toBe('17');
});
