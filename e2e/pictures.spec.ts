import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle } from 'puppeteer-core';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { readKettleFile, writePng } from '@kettle/core/files/formats';
import { inPerspective } from '@kettle/core/drawing/photo';
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
import { boxOf, choose, downloads, Pen, retype, tabTo, write } from './hand';

let served: Served;
let profile: Profile;
let page: OpenPage;
const folder = mkdtempSync(join(tmpdir(), 'kettle-pictures-'));

/** Where the corners of the pictured panel lie in the photo, shares of it. */
const CORNERS = [
  [0.2, 0.15],
  [0.85, 0.2],
  [0.9, 0.9],
  [0.1, 0.8],
] as const;

/** Places on the board where no area lies over the picture: on its bare half, and on its blue one. */
const WHITE = [0.852, 0.766] as const;
const BLUE = [0.448, 0.234] as const;

/** A photo of a panel seen askew in yellow light: its left half is blue, the rest of it bare. */
function photo(): Uint8Array {
  const [width, height] = [400, 300];
  const rgb = new Uint8Array(3 * width * height).fill(60);
  const seen = inPerspective(CORNERS.map(([x, y]) => [x, y] as const) as never);
  for (let i = 0; i < 900; i++)
    for (let j = 0; j < 700; j++) {
      const [u, v] = [(i + 0.5) / 900, (j + 0.5) / 700];
      const [x, y] = seen([u, v]);
      const at = 3 * (Math.floor(y * height) * width + Math.floor(x * width));
      rgb.set(u < 0.5 ? [60, 80, 110] : [220, 200, 140], at);
    }
  return writePng({ width, height, rgb, dpi: 72 });
}

beforeAll(async () => {
  writeFileSync(join(folder, 'panel.png'), photo());
  writeFileSync(join(folder, 'torn.png'), photo().slice(0, 900));
  served = await serveApp();
  profile = await openBrowser();
  page = await openPage(profile, served.url);
  await seeText(page, 'Kettle in the rain');
  await page.goto(`${served.url}/card/quince-branch/sketch`);
  await seeText(page, 'Nothing is drawn yet.');
  await press(page, 'Tracing');
  await seeText(page, 'Lay a photo of the panel');
});

afterAll(async () => {
  await profile.close();
  await served.close();
});

async function bring(name: string): Promise<void> {
  const input = (await page.waitForSelector('[data-testid=picture-file]')) as ElementHandle<HTMLInputElement>;
  await input.uploadFile(join(folder, name));
}

/** Colour of the board at a share of the panel, as it is seen; the ground is the lowest canvas. */
const colourAt = (across: number, down: number): Promise<number[]> =>
  page.evaluate(
    ([x, y]) => {
      const board = document.querySelector('[data-testid=board]')!.getBoundingClientRect();
      const canvas = document.querySelector<HTMLCanvasElement>('[data-testid=board] canvas')!;
      const seen = canvas.getBoundingClientRect();
      const at = [board.left + x * board.width - seen.left, board.top + y * board.height - seen.top];
      const dots = canvas.width / seen.width;
      return [
        ...canvas
          .getContext('2d')!
          .getImageData(at[0] * dots, at[1] * dots, 1, 1)
          .data.slice(0, 3),
      ];
    },
    [across, down],
  );

it('a photo is set straight by its corners, by hand and by keys, and its light put right by bare paper', async () => {
  await page.evaluate(() => {
    // What the button would do by hand: the photo is to be the ground.
    const button = [...document.querySelectorAll('button')].find(
      (b) => b.innerText === 'Lay a photo of the panel',
    )!;
    HTMLInputElement.prototype.click = () => undefined;
    button.click();
  });
  await bring('panel.png');
  await page.waitForSelector('.place');
  const box = await boxOf(page, '.picture img');
  for (const [i, [x, y]] of CORNERS.entries()) {
    const place = await boxOf(page, `.picture .place:nth-of-type(${i + 1})`);
    await page.mouse.move(place.x + place.width / 2, place.y + place.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + x * box.width, box.y + y * box.height, { steps: 4 });
    await page.mouse.up();
  }
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowLeft');
  await page.locator('.p-dialog .p-button:not(.p-dialog-close-button)').click();
  await seeText(page, 'Set straight.');
  await page.waitForFunction(() => document.querySelectorAll('.p-dialog').length === 0);
  await press(page, 'Put its light right by bare paper');
  await page.waitForSelector('.picture img');
  const paper = await boxOf(page, '.picture svg');
  for (const [x, y] of [
    [0.6, 0.1],
    [0.95, 0.5],
    [0.7, 0.9],
  ])
    await page.mouse.click(paper.x + x * paper.width, paper.y + y * paper.height);
  await page.waitForFunction(() => document.querySelectorAll('.place').length === 3);
  await page.locator('.p-dialog .p-button:not(.p-dialog-close-button)').click();
  await seeText(page, 'Its light put right by 3 places.');
  // Bare paper is the paper’s own white again, and the blue half no longer yellowed.
  const panel = async (): Promise<number[][]> => [await colourAt(...WHITE), await colourAt(...BLUE)];
  await page.waitForFunction(() => document.querySelectorAll('.p-dialog').length === 0);
  const isRight = ([white, blue]: number[][]): boolean => white[2] > 225 && blue[2] > blue[0] + 60;
  for (let tries = 0; !isRight(await panel()); tries++) {
    if (tries === 40) throw new Error(`bare paper and blue are seen as ${String(await panel())}`);
    await new Promise((resolve) => setTimeout(resolve, 250));
  }
  const [white] = await panel();
  expect(Math.max(...white) - Math.min(...white)).toBeLessThan(20);
});

it('goes along in the .kettle file, and a torn picture lays nothing', async () => {
  await bring('torn.png');
  await seeText(page, 'torn.png: the picture');
  await seeText(page, 'Nothing was laid.');
  const arrived = await downloads(page);
  await page.locator('[aria-label="More: undo, files, units"]').click();
  await press(page, 'Save the card as a .kettle file');
  const bytes = await arrived('.kettle');
  const { plan, attachments } = readKettleFile(bytes);
  expect(Object.keys(attachments)).toEqual([plan.pictures[0].file]);
  expect(attachments[plan.pictures[0].file]).toEqual(new Uint8Array(readFileSync(join(folder, 'panel.png'))));
  writeFileSync(join(folder, 'card.kettle'), bytes);
  const input = (await page.$('[data-testid=open-file]')) as ElementHandle<HTMLInputElement>;
  await input.uploadFile(join(folder, 'card.kettle'));
  await page.waitForFunction(() => /card-[0-9a-f]+\/brief/.test(location.pathname));
  await page.goto(page.url().replace('brief', 'sketch'));
  await seeText(page, 'Lines and areas');
  await page.waitForFunction(
    ([x, y]) => {
      const board = document.querySelector('[data-testid=board]')!.getBoundingClientRect();
      const canvas = document.querySelector<HTMLCanvasElement>('[data-testid=board] canvas');
      if (!canvas || canvas.width < 100) return false;
      const seen = canvas.getBoundingClientRect();
      const dots = canvas.width / seen.width;
      const [px, py] = [board.left + x * board.width - seen.left, board.top + y * board.height - seen.top];
      const [r, , b] = canvas.getContext('2d')!.getImageData(px * dots, py * dots, 1, 1).data;
      return b > r + 60;
    },
    {},
    [...BLUE],
  );
});

it('a motif is laid by keys, kept under a name, and laid again', async () => {
  await tabTo(page, 'Tracing');
  await page.keyboard.press('Enter');
  await tabTo(page, 'leaf');
  await page.keyboard.press('Enter');
  await seeText(page, 'name of a new motif');
  await write(page, 'kd-motifs input', 'sprig for corners');
  await press(page, 'Keep what is in the hand');
  await page.waitForFunction(() =>
    [...document.querySelectorAll<HTMLElement>('.motif')].some((m) =>
      m.innerText.includes('sprig for corners'),
    ),
  );
  await press(page, 'sprig for corners');
  await press(page, 'Lines and areas');
  await seeText(page, 'of 12 lines in the hand');
});

it('a fold goes straight from end to end and is scored from the back', async () => {
  await choose(page, 'Lines are drawn', 'in pencil');
  await press(page, 'Put down');
  await choose(page, 'Lines are drawn', 'as a fold');
  const pen = await Pen.on(page, '[data-testid=board]');
  await press(page, 'Pencil');
  await pen.stroke([
    [0.3, 0.7, 0.5],
    [0.5, 0.74, 0.5],
    [0.7, 0.7, 0.5],
  ]);
  await seeText(page, '13 lines');
  const arrived = await downloads(page);
  await page.goto(page.url().replace('sketch', 'finish'));
  await page.locator('[data-testid=template]').click();
  const template = new TextDecoder().decode(await arrived('cutting template.svg'));
  expect(template.match(/class="fold" d="M[\d.]+ [\d.]+L[\d.]+ [\d.]+"/g)).toHaveLength(1);
});

it('a guide is pulled by its dot, and lettering by hand over words becomes areas', async () => {
  await page.goto(page.url().replace('finish', 'sketch'));
  await press(page, 'Guides');
  await choose(page, 'Lay a guide', 'a horizon by hand');
  const down = (): Promise<number> =>
    page.$eval('[data-testid=guide] input', (input) => Number.parseFloat(input.value));
  const before = await down();
  const pen = await Pen.on(page, '[data-testid=board]');
  // The dot stands in the middle of the horizon, six tenths down the panel; the panel fills the board’s height or width.
  for (let y = 0.45; y < 0.75 && (await down()) === before; y += 0.012)
    await pen.stroke([
      [0.5, y, 0.5],
      [0.5, y - 0.05, 0.5],
      [0.5, y - 0.1, 0.5],
    ]);
  expect(await down()).toBeLessThan(before - 5);
  await press(page, 'Words');
  await press(page, 'Write words');
  await seeText(page, 'Capitals');
  await press(page, 'Pencil');
  await pen.stroke(
    Array.from(
      { length: 20 },
      (_, i) => [0.35 + 0.015 * i, 0.8 - 0.02 * Math.abs(Math.sin(i)), 0.5] as const,
    ),
  );
  await seeText(page, 'Lettered over by hand in 1 stroke');
  await retype(page, '::-p-xpath(//kd-length-field[.//span="with a pen of"]//input)', '1.4 mm');
  await press(page, 'Make areas of the hand lettering');
  await press(page, 'Lines and areas');
  await page.waitForFunction(() => document.querySelectorAll('input[aria-label^="Name of "]').length > 3);
  expect(page.faults).toEqual([]);
});
