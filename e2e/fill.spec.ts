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
import { boxOf, Pen, retype, type PenPoint } from './hand';

let served: Served;
let profile: Profile;
let page: OpenPage;

beforeAll(async () => {
  served = await serveApp();
  profile = await openBrowser();
  page = await openPage(profile, served.url);
  await seeText(page, 'Kettle in the rain');
  await page.goto(`${served.url}/card/quince-branch/sketch`);
  await page.waitForSelector('canvas');
});

afterAll(async () => {
  await profile.close();
  await served.close();
});

const field = (label: string): string => `::-p-xpath(//kd-length-field[.//span="${label}"]//input)`;
const straight = (from: readonly [number, number], to: readonly [number, number]): PenPoint[] =>
  Array.from({ length: 20 }, (_, i) => {
    const t = i / 19;
    return [from[0] + t * (to[0] - from[0]), from[1] + t * (to[1] - from[1]), 0.5];
  });

it('four strokes that just miss each other are filled by one press, and by numbers', async () => {
  const pen = await Pen.on(page, '[data-testid=board]');
  // A box on the bare paper at the right, its corners a pixel or two open.
  const [left, right, top, bottom] = [0.74, 0.86, 0.62, 0.76];
  const miss = 0.002;
  await pen.stroke(straight([left, top], [right - miss, top]));
  await pen.stroke(straight([right, top + miss], [right, bottom - miss]));
  await pen.stroke(straight([right - miss, bottom], [left, bottom]));
  await pen.stroke(straight([left, bottom - miss], [left, top + miss]));
  await press(page, 'Fill a shape');
  const box = await boxOf(page, '[data-testid=board]');
  await page.mouse.click(box.x + 0.8 * box.width, box.y + 0.7 * box.height);
  await page.waitForSelector('input[aria-label="Name of area 7"]');
  // 0.12 × 0.14 of the board, in the panel's own millimetres.
  const size = await page.$eval('li.new .soft', (said) => said.textContent);
  const [, cm2, wide, high] = /([\d.]+) cm², ([\d.]+) mm × ([\d.]+) mm/.exec(size)!.map(Number);
  expect(Math.abs((wide * high) / 100 - cm2)).toBeLessThan(0.05 * cm2);
  expect(wide / high).toBeCloseTo((0.12 * box.width) / (0.14 * box.height), 1);

  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press('u');
  await page.waitForFunction(() => !document.querySelector('input[aria-label="Name of area 7"]'));
  await retype(page, field('from the left'), '2 mm');
  await retype(page, field('from the top'), '2 mm');
  await press(page, 'Fill what is round that point');
  await page.waitForSelector('input[aria-label="Name of area 7"]');
  await retype(page, field('from the left'), '400 mm');
  await press(page, 'Fill what is round that point');
  await seeText(page, 'There is nothing to fill');
  expect(page.faults).toEqual([]);
});

it('brought nearer by button, wheel or key, the same stroke is smaller on the panel', async () => {
  await press(page, 'Pencil');
  const loop = Array.from({ length: 40 }, (_, i): PenPoint => {
    const turn = (2 * Math.PI * i) / 39;
    return [0.5 + 0.05 * Math.cos(turn), 0.5 + 0.08 * Math.sin(turn), 0.5];
  });
  const drawn = async (): Promise<number> => {
    const before = (await page.$$('kd-sketch li')).length;
    await (await Pen.on(page, '[data-testid=board]')).stroke(loop);
    await page.waitForFunction(
      (count) => document.querySelectorAll('kd-sketch li').length > count,
      {},
      before,
    );
    const size = await page.$eval('kd-sketch li.new .soft', (said) => said.textContent);
    return Number(/([\d.]+) cm²/.exec(size)![1]);
  };
  const whole = await drawn();
  await press(page, 'Nearer');
  expect(Math.abs((await drawn()) / (whole / 1.5 ** 2) - 1)).toBeLessThan(0.1);
  await page.focus('[data-testid=board]');
  await page.keyboard.press('0');
  await page.keyboard.press('+');
  expect(Math.abs((await drawn()) / (whole / 1.25 ** 2) - 1)).toBeLessThan(0.1);
  await press(page, 'Whole');
  const box = await boxOf(page, '[data-testid=board]');
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.wheel({ deltaY: -400 });
  expect(Math.abs((await drawn()) / (whole / Math.exp(2 * 400 * 0.0015)) - 1)).toBeLessThan(0.1);
});
