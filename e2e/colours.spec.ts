import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { writePng } from '@kettle/core/files/formats';
import {
  openBrowser,
  openPage,
  press,
  seeText,
  serveApp,
  station,
  textOf,
  type Profile,
  type Served,
  type OpenPage,
} from './browser';
import { boxOf, choose, downloads, retype, tabTo, write } from './hand';

let served: Served;
let profile: Profile;
let page: OpenPage;
let cameDown: (ending: string) => Promise<Uint8Array>;
const folder = mkdtempSync(join(tmpdir(), 'kettle-colours-'));

/** A photo in warm light: bare paper at the left, a slate blue at the right. */
function photo(): Uint8Array {
  const [width, height] = [300, 200];
  const rgb = new Uint8Array(3 * width * height);
  for (let i = 0; i < width * height; i++)
    rgb.set(i % width < width / 2 ? [236, 214, 176] : [108, 118, 122], 3 * i);
  return writePng({ width, height, rgb, dpi: 72 });
}

beforeAll(async () => {
  writeFileSync(join(folder, 'slate.png'), photo());
  writeFileSync(join(folder, 'torn.png'), photo().slice(0, 60));
  writeFileSync(join(folder, 'autumn.gpl'), 'GIMP Palette\nName: autumn\n200 120 40 leaf\n90 60 50 bark\n');
  writeFileSync(join(folder, 'broken.gpl'), 'GIMP Palette\n200 120\n');
  writeFileSync(join(folder, 'box.csv'), 'place;code;label\nrow 1;PB29;old blue\nrow 2;PR108;hot red\n');
  writeFileSync(join(folder, 'unknown.csv'), 'code\nPX99\n');
  served = await serveApp();
  profile = await openBrowser();
  page = await openPage(profile, served.url);
  cameDown = await downloads(page);
  await seeText(page, 'Kettle in the rain');
  await station(page, 'colours');
});

afterAll(async () => {
  await profile.close();
  await served.close();
});

async function bring(field: string, name: string): Promise<void> {
  const input = (await page.waitForSelector(`[data-testid=${field}]`)) as ElementHandle<HTMLInputElement>;
  await input.uploadFile(join(folder, name));
}

/** Presses a place on the picture in the window, in shares of it. */
async function pressPicture(x: number, y: number): Promise<void> {
  const picture = await page.waitForSelector('kd-places-dialog .picture img');
  await page.waitForFunction((img) => (img as HTMLImageElement).naturalWidth > 0, {}, picture);
  // The window grows open; a press before it stands would miss.
  await new Promise((resolve) => setTimeout(resolve, 400));
  const box = (await picture!.boundingBox())!;
  await page.mouse.click(box.x + x * box.width, box.y + y * box.height);
}

describe('the dish', () => {
  it('starts empty on a new card, says so, and looks for nothing', async () => {
    await page.goto(`${served.url}/rack`, { waitUntil: 'networkidle0' });
    await write(page, '[data-testid=title]', 'Slate roofs');
    await press(page, 'Put it on the table');
    await page.waitForFunction(() => location.pathname.startsWith('/card/'));
    await station(page, 'colours');
    await seeText(page, 'The dish is empty. Set out a pigment, then mix.');
    await press(page, 'Wanted');
    await seeText(page, 'The dish is empty: set out a pigment first.');
  });

  it('takes four pigments, with care where care is due, and no seventh', async () => {
    await press(page, 'Pigments');
    for (const name of ['big blue pan', 'burnt sienna', 'quinacridone magenta', 'nickel azo yellow'])
      await choose(page, 'Set out a pigment', name);
    await page.waitForFunction(() => document.querySelectorAll('kd-dish .pigment').length === 4);
    expect(await textOf(page, 'kd-pigments-out')).toMatch(/nickel azo yellow.*Nickel: can irritate skin/s);
    for (const name of ['raw sienna', 'indanthrone blue']) await choose(page, 'Set out a pigment', name);
    await choose(page, 'Set out a pigment', 'phthalocyanine green');
    await seeText(page, 'The dish holds 6 pigments');
    expect(await page.$$eval('kd-dish .pigment', (names) => names.length)).toBe(6);
    await press(page, 'Read it');
    for (const name of ['raw sienna', 'indanthrone blue'])
      await page.locator(`[aria-label^="Take it off: ${name}"]`).click();
    await page.waitForFunction(() => document.querySelectorAll('kd-dish .pigment').length === 4);
  });

  it('matches a colour from a photo, its light put right by the paper beside it', async () => {
    await press(page, 'Wanted');
    await bring('colour-file', 'torn.png');
    await seeText(page, 'No colour was taken');
    await press(page, 'Read it');
    await bring('colour-file', 'slate.png');
    await pressPicture(0.2, 0.5);
    await press(page, 'Go on');
    await seeText(page, 'Press the colours you want');
    await pressPicture(0.8, 0.5);
    await press(page, 'Take these colours');
    // In the photo the slate looks grey; beside that paper it is blue.
    await page.waitForFunction(() => {
      const hex = document.querySelector<HTMLInputElement>('[data-testid=wanted]')!.value;
      return Number.parseInt(hex.slice(5), 16) > Number.parseInt(hex.slice(1, 3), 16) + 20;
    });
    await page.waitForFunction(() =>
      /water to 1 paint; ΔE/.test(document.querySelector('[data-testid=found]')?.textContent ?? ''),
    );
    await press(page, 'Mix it in a new well');
    await press(page, 'Mix');
    await write(page, '[data-testid=mix-name]', 'slate');
    await page.waitForFunction(
      () => document.querySelector('kd-dish .mix')?.getAttribute('aria-label') === 'slate',
    );
  });

  it('thins a mix that is pulled towards the middle, and one step back is stronger again', async () => {
    const strength = (): Promise<number> =>
      page.$eval('#strength-label', (label) => Number.parseInt(/(\d+) %/.exec(label.textContent)![1], 10));
    const before = await strength();
    const [mix, dish] = await Promise.all(
      ['kd-dish .mix', 'kd-dish .dish'].map(async (s) => await boxOf(page, s)),
    );
    const [x, y] = [mix.x + mix.width / 2, mix.y + mix.height / 2];
    const [mx, my] = [dish.x + dish.width / 2, dish.y + dish.height / 2];
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x + 0.3 * (mx - x), y + 0.3 * (my - y), { steps: 4 });
    await page.mouse.up();
    await page.waitForFunction(
      (was) =>
        Number.parseInt(/(\d+) %/.exec(document.querySelector('#strength-label')!.textContent)![1], 10) < was,
      {},
      before,
    );
    await page.keyboard.down('Control');
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    await page.waitForFunction(
      (was) =>
        Number.parseInt(/(\d+) %/.exec(document.querySelector('#strength-label')!.textContent)![1], 10) ===
        was,
      {},
      before,
    );
  });

  it('names what cannot be reached, and the pigment of the box that would', async () => {
    await press(page, 'Wanted');
    await retype(page, '[data-testid=wanted]', '#10a060');
    await page.waitForFunction(() =>
      /out of reach/.test(document.querySelector('[data-testid=found]')?.textContent ?? ''),
    );
    await press(page, 'Which pigment would reach it?');
    await page.waitForFunction(
      () => /would come to ΔE/.test(document.querySelector('[data-testid=would]')?.textContent ?? ''),
      { timeout: 60_000 },
    );
    expect(await textOf(page, '[data-testid=would]')).toMatch(/phthalocyanine green/);
  });

  it('tells a colour that is none, and leaves the one that was wanted', async () => {
    const before = await page.$eval('[data-testid=wanted]', (field) => (field as HTMLInputElement).value);
    await retype(page, '[data-testid=wanted]', '300, 0, 0');
    await seeText(page, '“300, 0, 0” is no colour');
    expect(await page.$eval('[data-testid=wanted]', (field) => (field as HTMLInputElement).value)).toBe(
      before,
    );
  });

  it('takes wanted colours from a palette file, and refuses a broken one by its line', async () => {
    await bring('gpl-file', 'broken.gpl');
    await seeText(page, 'line 2 is no colour');
    await press(page, 'Read it');
    await bring('gpl-file', 'autumn.gpl');
    await page.waitForFunction(
      () => document.querySelector<HTMLInputElement>('[data-testid=wanted]')!.value === '#c87828',
    );
    expect(await page.$$eval('.picked button', (buttons) => buttons.length)).toBe(2);
  });

  it('prints a swatch sheet, draws its reach on demand, and saves its mixes for other programs', async () => {
    await press(page, 'Charts');
    await press(page, 'Print the swatch sheet');
    const svg = new TextDecoder().decode(await cameDown('swatch sheet.svg'));
    expect(svg.match(/class="mark"/g)).toHaveLength(4);
    expect(svg).toContain('big blue pan (ultramarine blue) · PB29');
    await press(page, 'Draw it as a chart');
    await page.waitForSelector('[data-testid=reach-chart] .scatterlayer path');
    await press(page, 'Save the mixes as a .gpl palette');
    expect(new TextDecoder().decode(await cameDown('.gpl'))).toMatch(/GIMP Palette[^]*\tslate\n/);
  });

  it('lays the mix in a pass, and tells how much of it is to be mixed', async () => {
    await page.goto(`${served.url}/card/quince-branch/colours`, { waitUntil: 'networkidle0' });
    await press(page, 'Amounts');
    await page.waitForSelector('[data-testid=amount]');
    expect(await textOf(page, 'kd-amounts')).toMatch(
      /For 18 cards and 2 to spare.*quince yellow.*Mix \d+\.\d ml: .*brush-loads/s,
    );
    const first = await page.waitForSelector('[data-testid=amount] input');
    await first!.click();
    await page.keyboard.type('2');
    await page.keyboard.press('Tab');
    await seeText(page, 'it would run out in mid-wash');
    await station(page, 'passes');
    await page.waitForSelector('[data-pass=quinces]');
    expect(await textOf(page, '[data-pass=quinces]')).toContain('quince yellow');
  });
});

describe('by keys alone', () => {
  it('a mix is chosen, a wanted colour moved and mixed in a new well', async () => {
    await page.goto(`${served.url}/card/kettle-in-the-rain/colours`, { waitUntil: 'networkidle0' });
    await page.waitForSelector('kd-dish .mix');
    const mixes = await page.$$eval('kd-dish .mix', (all) => all.length);
    await tabTo(page, 'copper');
    await page.keyboard.press('Enter');
    await page.waitForFunction(
      () => document.querySelector<HTMLInputElement>('[data-testid=mix-name]')?.value === 'copper',
    );
    await tabTo(page, 'Wanted');
    await page.keyboard.press('Enter');
    await tabTo(page, 'The wanted colour');
    const before = await page.$eval('[data-testid=wanted]', (field) => (field as HTMLInputElement).value);
    for (let i = 0; i < 8; i++) await page.keyboard.press('ArrowRight');
    await page.waitForFunction(
      (was) => document.querySelector<HTMLInputElement>('[data-testid=wanted]')!.value !== was,
      {},
      before,
    );
    await page.waitForSelector('[data-testid=found]');
    await tabTo(page, 'Mix it in a new well');
    await page.keyboard.press('Enter');
    await page.waitForFunction((n) => document.querySelectorAll('kd-dish .mix').length === n + 1, {}, mixes);
  });
});

describe('the cupboard', () => {
  it('shows the box with its cautions, and reads it back from a table', async () => {
    await page.goto(`${served.url}/cupboard`, { waitUntil: 'networkidle0' });
    await seeText(page, 'nickel azo yellow');
    await bring('box-file', 'unknown.csv');
    await seeText(page, 'unknown pigment “PX99”');
    await press(page, 'Read it');
    await bring('box-file', 'box.csv');
    await seeText(page, '2 pigments lie in the box.');
    await page.waitForFunction(() => document.querySelectorAll('[data-pigment]').length === 2);
    expect(await textOf(page, '[data-pigment=PR108]')).toMatch(/Cadmium: do not lick the brush/);
    expect(
      await page.$eval('[aria-label="I call it: ultramarine blue"]', (f) => (f as HTMLInputElement).value),
    ).toBe('old blue');
    await press(page, 'Print labels');
    expect(new TextDecoder().decode(await cameDown('labels.svg'))).toContain('hot red');
    await press(page, 'Save the box as a table');
    expect(new TextDecoder().decode(await cameDown('paint box.csv'))).toMatch(
      /code,label,place.*PB29,old blue,row 1/s,
    );
  });
  it('finds a pigment by a part of its name, and says when there is none', async () => {
    await press(page, 'All pigments');
    await page.type('[data-testid=pigment-search]', 'umber');
    await page.waitForFunction(() => document.querySelectorAll('[data-pigment]').length === 2);
    await page.type('[data-testid=pigment-search]', 'zz');
    await seeText(page, 'No pigment is called so.');
    expect(page.faults).toEqual([]);
  });
});
