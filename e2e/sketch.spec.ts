import type { CDPSession } from 'puppeteer-core';
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
import { boxOf, choose, Pen, type PenPoint } from './hand';

let served: Served;
let profile: Profile;
let page: OpenPage;
let pen: Pen;
let touch: CDPSession;
let box: { x: number; y: number; width: number; height: number };

beforeAll(async () => {
  served = await serveApp();
  profile = await openBrowser();
  page = await openPage(profile, served.url);
  await seeText(page, 'Kettle in the rain');
  // A card with areas and no lines.
  await page.goto(`${served.url}/card/quince-branch/sketch`);
  await seeText(page, 'Nothing is drawn yet.');
  pen = await Pen.on(page, '[data-testid=board]');
  touch = await page.createCDPSession();
  box = await boxOf(page, '[data-testid=board]');
});

afterAll(async () => {
  await profile.close();
  await served.close();
});

const across = (y: number): PenPoint[] =>
  Array.from({ length: 30 }, (_, i) => [0.2 + 0.02 * i, y + 0.02 * Math.sin(i), 0.2 + 0.02 * i]);

const lines = async (words: string): Promise<void> => {
  await page.waitForFunction(
    (wanted) => document.querySelector('[data-testid=in-hand]')?.textContent.includes(wanted),
    {},
    words,
  );
};

type Finger = readonly [x: number, y: number];

/** Fingers put down, moved and lifted together; fractions of the board. */
async function fingers(...ways: readonly (readonly Finger[])[]): Promise<void> {
  const at = (step: number): { x: number; y: number; id: number; force: number }[] =>
    ways.map((way, id) => ({
      ...{ id, force: 0.5 },
      x: box.x + way[step][0] * box.width,
      y: box.y + way[step][1] * box.height,
    }));
  await touch.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: at(0) });
  for (let step = 1; step < ways[0].length; step++)
    await touch.send('Input.dispatchTouchEvent', { type: 'touchMove', touchPoints: at(step) });
  await touch.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
}

it('a finger draws; two fingers hold the board and draw nothing', async () => {
  await fingers(across(0.1).map(([x, y]) => [x, y] as const));
  await lines('1 line');
  await fingers(
    [
      [0.4, 0.5],
      [0.35, 0.5],
      [0.3, 0.5],
    ],
    [
      [0.6, 0.5],
      [0.65, 0.5],
      [0.7, 0.5],
    ],
  );
  // Twice as near: the same pull of the hand is half as long on the panel.
  await fingers(across(0.2).map(([x, y]) => [x, y] as const));
  await lines('2 lines');
  await press(page, 'Whole');
});

it('once there is a pen, a finger only pushes the board', async () => {
  await pen.stroke(across(0.3));
  await lines('3 lines');
  await fingers(across(0.4).map(([x, y]) => [x, y] as const));
  await pen.stroke(across(0.5));
  await lines('4 lines');
});

it('a line is rubbed in two, and undone', async () => {
  await press(page, 'Rubber');
  await pen.stroke([
    [0.5, 0.44, 0.5],
    [0.5, 0.56, 0.5],
  ]);
  await lines('5 lines');
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press('u');
  await lines('4 lines');
});

it('lines are taken up by hand, pulled, and drawn again; a pull on bare paper takes up what it encloses', async () => {
  await press(page, 'Take up lines');
  await pen.stroke([
    [0.2, 0.5, 0.5],
    [0.2, 0.5, 0.5],
  ]);
  await lines('1 of 4 lines');
  await pen.stroke([
    [0.2, 0.5, 0.5],
    [0.22, 0.55, 0.5],
    [0.24, 0.6, 0.5],
  ]);
  await press(page, 'Draw them again');
  await lines('1 of 5 lines');
  await pen.stroke([
    [0.05, 0.25, 0.5],
    [0.5, 0.5, 0.5],
    [0.97, 0.97, 0.5],
  ]);
  // All but the first, which lies above.
  await lines('4 of 5 lines');
});

it('by keys alone: taken up, turned and made smaller by number, mirrored, drawn over in ink, rubbed out', async () => {
  await press(page, 'Put down');
  const key = async (name: string): Promise<void> => {
    await page.waitForFunction(
      (wanted) => [...document.querySelectorAll('button')].some((b) => b.textContent.trim() === wanted),
      {},
      name,
    );
    await page.evaluate((wanted) => {
      [...document.querySelectorAll('button')].find((b) => b.textContent.trim() === wanted)!.focus();
    }, name);
    await page.keyboard.press('Enter');
  };
  await key('Take up the next');
  await lines('1 of 5 lines');
  const field = await page.waitForSelector('::-p-xpath(//kd-in-hand//label[.//span="turn, °"]//input)');
  await field!.focus();
  await field!.evaluate((input) => (input as HTMLInputElement).select());
  await page.keyboard.type('30');
  await page.keyboard.press('Tab');
  await page.keyboard.type('50');
  await key('Place them so');
  await key('Mirror left to right');
  await choose(page, 'Lines are drawn', 'in soluble ink');
  await key('Rub them out');
  await lines('None of 4 lines');
  await key('Take up all');
  await lines('4 of 4 lines');
  await key('Rub them out');
  await lines('Nothing is drawn yet.');
  expect(page.faults).toEqual([]);
});
