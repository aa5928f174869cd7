import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { ElementHandle } from 'puppeteer-core';
import { afterAll, beforeAll, expect, it } from 'vitest';
import {
  openBrowser,
  openPage,
  press,
  seeText,
  serveApp,
  type Profile,
  type Served,
  type OpenPage,
} from './browser';
import { choose, downloads, tabTo, write } from './hand';

let served: Served;
let profile: Profile;
let page: OpenPage;

beforeAll(async () => {
  served = await serveApp();
  profile = await openBrowser();
  page = await openPage(profile, served.url);
  await seeText(page, 'Kettle in the rain');
});

afterAll(async () => {
  await profile.close();
  await served.close();
});

const fieldValue = (selector: string): Promise<string> =>
  page.$eval(selector, (field) => (field as HTMLInputElement).value);

it('a card is made from somebody’s day by keyboard alone', async () => {
  await tabTo(page, 'Kettle Drift');
  await page.keyboard.press('Enter');
  await seeText(page, 'Begin a card');

  await tabTo(page, 'People and their days');
  await page.keyboard.press('Enter');
  await seeText(page, 'They stay in this browser');
  // The dialog puts the cursor into its first field once it has opened.
  await page.waitForFunction(() => document.activeElement?.getAttribute('name') === 'day-name');
  await tabTo(page, 'of whom');
  await page.keyboard.type('Ama Bright');
  await page.keyboard.press('Enter');
  await seeText(page, 'birthday, Ama Bright');
  await page.keyboard.press('Escape');
  await page.waitForFunction(() => document.querySelector('.p-dialog-mask') === null);

  // Her day is 1 January: the ribbon may have nearer ones first.
  for (let more = 0; more < 6; more++) {
    if (await page.evaluate(() => document.body.innerText.includes('Ama Bright'))) break;
    await tabTo(page, 'Later ones');
    await page.keyboard.press('Enter');
  }
  await tabTo(page, 'birthday\nAma Bright');
  await page.keyboard.press('Enter');
  await page.keyboard.type('Lanterns for Ama');
  await page.keyboard.press('Enter');

  await seeText(page, 'wanted by');
  await page.waitForSelector('[aria-label="For whom"]');
  expect(await fieldValue('[aria-label="For whom"]')).toBe('Ama Bright');
  expect(await fieldValue('[data-testid=need-by]')).toMatch(/^\d{4}-01-01$/);
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press(']');
  await seeText(page, 'Cut the sheet 312 mm × 108 mm');
  expect(page.faults).toEqual([]);
});

it('tells who has one, and which card is like it', async () => {
  await page.goto(`${served.url}/card/heron-at-low-tide/brief`);
  await seeText(page, 'Nobody has one yet');
  await page.locator('[aria-label="Who got one"]').fill('Corin Vale');
  await press(page, 'Got one today');
  await seeText(page, 'Corin Vale already has “Heron at low tide”');
  await page.locator('.house').click();
  await page.locator('::-p-xpath(//li[.//h2="Heron at low tide"]//button[.="Make it again"])').click();
  await seeText(page, 'Heron at low tide · new home · Corin Vale has one');
});

it('the days are handed over to other calendars, and theirs are taken in or refused whole', async () => {
  const download = await downloads(page);
  await page.locator('.house').click();
  await press(page, 'People and their days');
  await press(page, 'Hand over as a calendar file');
  const text = Buffer.from(await download('.ics')).toString('utf8');
  expect(text).toContain('SUMMARY:birthday\\, Ama Bright');
  expect(text).toMatch(/SUMMARY:Post “Quince branch”/);

  await choose(page, 'Month', 'February');
  await write(page, 'input[aria-label="Day of the month"]', '30');
  await press(page, 'Keep this day');
  await seeText(page, 'does not come in that month of any year');

  const takeIn = async (name: string, lines: string[]): Promise<void> => {
    const path = join(profile.folder, name);
    writeFileSync(path, lines.join('\r\n'));
    const input = (await page.$('[data-testid=calendar]')) as ElementHandle<HTMLInputElement>;
    await input.uploadFile(path);
  };
  await takeIn('theirs.ics', [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'BEGIN:VEVENT',
    'UID:1',
    'DTSTART;VALUE=DATE:20210509',
    'RRULE:FREQ=YEARLY',
    'SUMMARY:Kite day',
    'END:VEVENT',
    'BEGIN:VEVENT',
    'UID:2',
    'DTSTART;VALUE=DATE:20270510',
    'SUMMARY:Market',
    'END:VEVENT',
    'END:VCALENDAR',
  ]);
  await seeText(page, '1 yearly day taken in from theirs.ics');
  await seeText(page, '9 May');
  await takeIn('broken.ics', ['no calendar']);
  await seeText(page, 'broken.ics was not taken in');
  await seeText(page, 'Kite day');
  expect(page.faults).toEqual([]);
});
