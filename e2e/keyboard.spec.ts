import { afterAll, beforeAll, expect, it } from 'vitest';
import {
  openBrowser,
  openPage,
  seeText,
  serveApp,
  type Profile,
  type Served,
  type OpenPage,
} from './browser';
import { tabTo as tabToOn } from './hand';

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

const tabTo = (name: string): Promise<void> => tabToOn(page, name);

const downstream = async (heading: string): Promise<void> => {
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press(']');
  await seeText(page, heading);
};

it('a card is begun, drawn, kept white, mixed and planned without a mouse', async () => {
  await page.click('.house');
  await seeText(page, 'Begin a card');
  await tabTo('What will you call it?');
  await page.keyboard.type('Reeds');
  await page.keyboard.press('Enter');
  await seeText(page, 'wanted by');

  await downstream('Cut the sheet');
  await downstream('A rectangle by numbers');
  await tabTo('Mark it as an area');
  await page.keyboard.press('Enter');
  await page.waitForSelector('input[aria-label="Name of area 1"]');

  await downstream('paint round it');
  // One Tab stop a group, arrows within it: from “not kept” up past “bare”.
  await tabTo('not kept');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('ArrowUp');
  await page.waitForFunction(() => document.querySelectorAll<HTMLInputElement>('fieldset input')[1].checked);

  await page.keyboard.press(']');
  await seeText(page, 'The dish is empty.');
  await tabTo('Mix a colour');
  await page.keyboard.press('Enter');
  await seeText(page, 'ultramarine blue');

  await downstream('No wash is planned yet');
  await tabTo('Add a pass');
  await page.keyboard.press('Enter');
  await seeText(page, 'Wash the area 1');
  await page.waitForSelector('.span');
  expect(page.faults).toEqual([]);
});

it('the cursor of the drift line goes by arrow keys, and what stands there is told', async () => {
  await tabTo('Time on the drift line');
  await page.keyboard.press('Home');
  await seeText(page, 'At 0:00');
  await seeText(page, 'nothing laid yet');
  await page.keyboard.press('ArrowRight');
  await seeText(page, 'At 0:30');
  await page.keyboard.press('End');
  await seeText(page, 'area 1 dry');
});

it('the keys are shown as long as the question mark is held', async () => {
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.down('?');
  await seeText(page, 'one station downstream');
  await page.keyboard.up('?');
  await page.waitForFunction(() => !document.body.innerText.includes('one station downstream'));
});
