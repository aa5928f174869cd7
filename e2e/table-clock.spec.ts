import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, expect, it } from 'vitest';
import {
  openBrowser,
  openPage,
  press,
  seeText,
  serveApp,
  textOf,
  type Profile,
  type Served,
} from './browser';
import { inEvidence } from './in-evidence';

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

/** A page whose wall clock a test can set; its steady clock runs on. */
async function sitDown(): Promise<Page> {
  const page = await openPage(profile, 'about:blank');
  await page.evaluateOnNewDocument(() => {
    const now = Date.now.bind(Date);
    const set = (): number => Number(sessionStorage.getItem('clock-set') ?? 0);
    Date.now = () => now() + set();
  });
  await page.goto(`${served.url}/card/kettle-in-the-rain/sitting`, { waitUntil: 'networkidle0' });
  if (!(await page.$('[data-testid=sit-down]'))) await press(page, 'Leave this sitting');
  await press(page, 'Sit down and start the clock');
  // Through the chores to the first wash.
  for (let acts = 0; acts < 5; acts++) {
    await page.waitForSelector('[data-testid=done], .quiet');
    await page.locator('[data-testid=done], .quiet').click();
    await new Promise((resolve) => setTimeout(resolve, 150));
  }
  await page.waitForSelector('[data-testid=wait]');
  return page;
}

const setClock = (page: Page, byS: number): Promise<void> =>
  page.evaluate((ms) => sessionStorage.setItem('clock-set', String(ms)), 1000 * byS);

/** Seconds the table still waits, from its words. */
async function waits(page: Page): Promise<number> {
  const [clock] = /\d+(?::\d\d)+/.exec(await textOf(page, '[data-testid=wait]')) ?? ['0'];
  return clock.split(':').reduce((sum, part) => 60 * sum + Number(part), 0);
}

const rest = (ms: number): Promise<unknown> => new Promise((resolve) => setTimeout(resolve, ms));

inEvidence('the table’s clocks run on when the computer’s is set back two hours', async () => {
  const page = await sitDown();
  const before = await waits(page);
  await setClock(page, -7200);
  await seeText(page, 'The computer’s clock was set back by 2 h.');
  await rest(3000);
  const after = await waits(page);
  expect(before - after).toBeGreaterThanOrEqual(3);
  expect(before - after).toBeLessThan(15);
  // And after a reload as well.
  await page.reload({ waitUntil: 'networkidle0' });
  await page.waitForSelector('[data-testid=wait]');
  expect(after - (await waits(page))).toBeLessThan(30);
  await page.close();
});

it('an hour ahead and right again dries nothing', async () => {
  const page = await sitDown();
  const before = await waits(page);
  await setClock(page, 3600);
  await seeText(page, 'The computer’s clock has gone ahead by 1 h.');
  await rest(1500);
  expect(before - (await waits(page))).toBeLessThan(15);
  await setClock(page, 0);
  await page.waitForFunction(() => !document.body.innerText.includes('has gone ahead'));
  await rest(1500);
  expect(before - (await waits(page))).toBeLessThan(20);
  await page.close();
});

inEvidence('an hour of sleep is passed once the painter says so', async () => {
  const page = await sitDown();
  await setClock(page, 3600);
  await press(page, 'The computer was asleep');
  await page.waitForFunction(() => document.querySelector('[data-testid=wait]') === null);
  expect(await textOf(page, '.sitting')).not.toContain('still wet');
  await page.close();
});
