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
import { boxOf, choose, downloads, retype } from './hand';

let served: Served;
let profile: Profile;
let page: OpenPage;

beforeAll(async () => {
  served = await serveApp();
  profile = await openBrowser();
  page = await openPage(profile, served.url);
  await seeText(page, 'Kettle in the rain');
  await page.goto(`${served.url}/card/quince-branch/paper`);
  await seeText(page, 'Cut from');
});

afterAll(async () => {
  await profile.close();
  await served.close();
});

const field = (label: string): string => `::-p-xpath(//kd-length-field[.//span="${label}"]//input)`;

it('cuts twenty panels, bases and mats, each from its own sheet', async () => {
  await seeText(page, '× whole sheet');
  expect(await page.$$eval('.piece', (pieces) => pieces.length)).toBeGreaterThan(10);
  await press(page, 'base and mats');
  await seeText(page, '× card, 64 × 45 cm');
  await seeText(page, 'from the left edge');
  await press(page, 'painting paper');
  await seeText(page, '× whole sheet');
});

it('puts offcuts into the cupboard, and they can be cut from', async () => {
  await press(page, 'Put the offcuts into the cupboard');
  await choose(page, 'Sheet', 'offcut 1 of whole sheet');
  await seeText(page, 'offcut 1 of whole sheet, ');
  await choose(page, 'Sheet', 'whole sheet');
  await seeText(page, '× whole sheet');
});

it('a card too thick for its envelope is refused with the one that would do', async () => {
  await choose(page, 'Size of the card', 'of a size of its own');
  await retype(page, field('card, width'), '150 mm');
  await retype(page, field('card, height'), '105 mm');
  await retype(page, field('foam under it'), '12 mm');
  await seeText(page, 'too large and thick for this envelope');
  await seeText(page, 'would do');
  await seeText(page, 'too thick for a letter');
  await press(page, 'Take B6 instead');
  await seeText(page, 'Cut the sheet');
  await choose(page, 'Envelope', 'C6');
  await seeText(page, 'too large and thick');
  await retype(page, field('foam under it'), '0 mm');
  await choose(page, 'Size of the card', 'as large as its envelope takes');
  await seeText(page, 'Cut the sheet');
});

it('a mat is laid and taken away, and the panel gives way', async () => {
  const panel = (): Promise<string> =>
    page.$eval('.notes section', (notes) => /Panel [^;]+/.exec(notes.innerText)![0]);
  const before = await panel();
  await press(page, 'Lay a mat under the panel');
  await page.waitForFunction(() => document.body.innerText.includes('mat 2, thick'));
  expect(await panel()).not.toBe(before);
  await page.click('[aria-label="Take it away: mat 2"]');
  await page.waitForFunction(() => !document.body.innerText.includes('mat 2, thick'));
  expect(await panel()).toBe(before);
});

it('an edge is dragged, or moved by arrow keys, and undone in one step', async () => {
  const air = (): Promise<string> => page.$eval('[data-handle=clearanceMm]', (at) => at.ariaValueNow!);
  expect(await air()).toBe('3');
  const box = await boxOf(page, '[data-handle=clearanceMm] .grip');
  await page.mouse.move(box.x + box.width / 2, box.y + 10);
  await page.mouse.down();
  for (let px = 2; px <= 10; px += 2) await page.mouse.move(box.x + box.width / 2 - px, box.y + 10);
  await page.mouse.up();
  await page.waitForFunction(
    () => Number(document.querySelector('[data-handle=clearanceMm]')!.ariaValueNow) > 3,
  );
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press('u');
  await page.waitForFunction(() => document.querySelector('[data-handle=clearanceMm]')!.ariaValueNow === '3');
  await page.$eval('[data-handle=clearanceMm]', (at) => (at as SVGElement).focus());
  await page.keyboard.press('ArrowLeft');
  await page.waitForFunction(
    () => document.querySelector('[data-handle=clearanceMm]')!.ariaValueNow === '3.5',
  );
  await page.keyboard.press('ArrowRight');
  await page.waitForFunction(() => document.querySelector('[data-handle=clearanceMm]')!.ariaValueNow === '3');
});

it('inches with fractions are read and shown everywhere', async () => {
  await page.waitForSelector('kd-house-menu button');
  await page.click('kd-house-menu button');
  await press(page, 'Measure in inches');
  await seeText(page, 'C6 · 6 3/8 in × 4 1/2 in');
  await retype(page, field('longer edge'), '7 1/4');
  await retype(page, field('shorter edge'), '5 1/4');
  await seeText(page, 'US A7 · 7 1/4 in × 5 1/4 in');
  expect(
    await page.$eval(field('longer edge'), (input) => (input as unknown as HTMLInputElement).value),
  ).toBe('7 1/4 in');
});

it('prints at true size as PDF and SVG', async () => {
  const download = await downloads(page);
  await press(page, 'Print at true size');
  expect(Buffer.from(await download('.pdf')).toString('latin1')).toMatch(/^%PDF-1/);
  await press(page, 'Same as SVG');
  expect(Buffer.from(await download('.svg')).toString('utf8')).toMatch(/width="[\d.]+mm"/);
  expect(page.faults).toEqual([]);
});
