import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import type { ElementHandle, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { readKettleFile } from '@kettle/core/files/formats';
import {
  openBrowser,
  openPage,
  press,
  seeText,
  serveApp,
  station,
  type Profile,
  type Served,
  type OpenPage,
} from './browser';
import { rowsIn } from './database';
import { choose, downloads, Pen, write, type PenPoint } from './hand';

let served: Served;
let profile: Profile;
let page: OpenPage;
let kettle: Uint8Array;

beforeAll(async () => {
  served = await serveApp();
  profile = await openBrowser();
  page = await openPage(profile, served.url);
});

afterAll(async () => {
  await profile.close();
  await served.close();
});

const openFile = async (on: Page, name: string, bytes: Uint8Array): Promise<void> => {
  const path = join(profile.folder, name);
  writeFileSync(path, bytes);
  await on.waitForSelector('[data-testid=open-file]');
  const input = (await on.$('[data-testid=open-file]')) as ElementHandle<HTMLInputElement>;
  await input.uploadFile(path);
};

const menu = async (on: Page, item: string): Promise<void> => {
  await on.waitForSelector('kd-house-menu button');
  await on.click('kd-house-menu button');
  await press(on, item);
};

describe('a newcomer', () => {
  it('meets the finished demo card, and may throw it away: the rack is empty and says what to do', async () => {
    await seeText(page, 'Kettle in the rain');
    expect(new URL(page.url()).pathname).toBe('/card/kettle-in-the-rain/passes');
    await page.locator('.house').click();
    await seeText(page, 'Quince branch');
    for (let left = 6; left > 0; left--) {
      await page.waitForFunction((n) => document.querySelectorAll('.rails > ul > li').length === n, {}, left);
      await press(page, 'Throw it away');
      await press(page, 'Yes, throw it away');
      await page.waitForFunction(() => document.querySelector('.p-dialog-mask') === null);
    }
    await seeText(page, 'Nothing is begun');
  });

  it('begins from an occasion and an envelope, and says by when', async () => {
    await choose(page, 'Envelope', 'DL, slimline · 220 mm × 110 mm');
    await write(page, '[data-testid=title]', 'Heron at low tide');
    await press(page, 'Put it on the table');
    await seeText(page, 'wanted by');
    await page.$eval('[data-testid=need-by]', (field) => {
      (field as HTMLInputElement).value = '2099-12-11';
      field.dispatchEvent(new Event('change', { bubbles: true }));
    });
    await seeText(page, 'Into the post by Wednesday 9 December');
  });

  it('gets the card and panel from the envelope', async () => {
    await station(page, 'paper');
    await seeText(page, 'Cut the sheet 428 mm × 104 mm. Score 214 mm from the left edge');
    await seeText(page, 'Panel 206 mm × 96 mm');
    await write(page, '.notes kd-length-field input', 'a lot');
    await seeText(page, '“a lot” is not a length');
    await write(page, '.notes kd-length-field input', '8 21/32 in');
    await seeText(page, '427.');
    await choose(page, 'Envelope', 'DL');
    await seeText(page, 'Cut the sheet 428 mm × 104 mm.');
  });

  it('draws with a pen; the closed line is an area, its pressure is kept, a typed rectangle is another', async () => {
    await station(page, 'sketch');
    await page.waitForSelector('canvas');
    const pen = await Pen.on(page, '[data-testid=board]');
    const loop = Array.from({ length: 48 }, (_, i): PenPoint => {
      const turn = (2 * Math.PI * i) / 47;
      return [0.35 + 0.06 * Math.cos(turn), 0.5 + 0.12 * Math.sin(turn), 0.2 + 0.6 * (i / 47)];
    });
    await pen.stroke(loop);
    await page.waitForSelector('input[aria-label="Name of area 1"]');
    await write(page, 'input[aria-label="Name of area 1"]', 'heron');
    for (const [label, text] of [
      ['width', '206'],
      ['height', '96 mm'],
    ])
      await write(page, `::-p-xpath(//kd-length-field[.//span="${label}"]//input)`, text);
    await press(page, 'Mark it as an area');
    await page.waitForSelector('input[aria-label="Name of area 2"]');
    await write(page, 'input[aria-label="Name of area 2"]', 'sky');
    await page.waitForSelector('input[aria-label="Name of sky"]');
  });

  it('undoes and does again by keyboard', async () => {
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.press('u');
    await page.waitForSelector('input[aria-label="Name of area 2"]');
    await page.keyboard.press('U');
    await page.waitForSelector('input[aria-label="Name of sky"]');
  });

  it('keeps the heron white under mask', async () => {
    await station(page, 'whites');
    await page.waitForSelector('fieldset input');
    await page.waitForSelector('fieldset input[type=radio] + span .score');
    await page.$$eval('fieldset', (rows) =>
      [...rows.find((row) => row.querySelector('legend')?.textContent === 'heron')!.querySelectorAll('label')]
        .find((label) => label.textContent.includes('mask it'))!
        .click(),
    );
    await seeText(page, 'on before all painting');
  });

  it('mixes a colour, and finds the parts of one it wants', async () => {
    await station(page, 'colours');
    await press(page, 'Mix a colour');
    await write(page, '[data-testid=mix-name]', 'dusk blue');
    await choose(page, 'Pigment 2', 'burnt sienna');
    await press(page, 'Wanted');
    await write(page, '[data-testid=wanted]', '#8f9aa8');
    await page.waitForFunction(() =>
      /ultramarine blue.*water to 1 paint.*ΔE/s.test(
        document.querySelector('[data-testid=found]')?.textContent ?? '',
      ),
    );
    await press(page, 'Put these parts into dusk blue');
    await press(page, 'Mix');
    await seeText(page, 'burnt sienna');
  });

  it('lays a wash, is stopped from painting over a mask not set, and lets it be mended', async () => {
    await station(page, 'passes');
    await press(page, 'Add a pass');
    await page.waitForSelector('[role=group] button');
    await page.evaluate(() => {
      for (const button of document.querySelectorAll<HTMLButtonElement>(
        '[role=group][aria-label=Areas] button',
      ))
        if ((button.innerText === 'sky') !== (button.getAttribute('aria-pressed') === 'true')) button.click();
    });
    await seeText(page, 'Wash the sky');
    await choose(page, 'Mix', 'dusk blue');
    await choose(page, 'Begins', 'straight on');
    await page.waitForSelector('[data-finding=mask-not-set]');
    await press(page, 'Wait until the mask on heron has set');
    await page.waitForFunction(() => document.querySelector('[data-finding=mask-not-set]') === null);
    await seeText(page, 'waiting for the heron');
  });

  it('saves the card and the trace sheet', async () => {
    const fetchFile = await downloads(page);
    await menu(page, 'Save the card as a .kettle file');
    kettle = await fetchFile('.kettle');
    await station(page, 'finish');
    await press(page, 'Take the trace sheet as SVG');
    const svg = strFromU8(await fetchFile('.svg'));
    expect(svg).toContain('viewBox="0 0 238 140"');
    expect(svg).toContain('>heron</text>');
    const { plan } = readKettleFile(kettle);
    expect(plan.title).toBe('Heron at low tide');
    expect(plan.areas.map(({ name }) => name)).toEqual(['sky', 'heron']);
    const pressures = plan.lines[0].points.map(([, , pressure]) => pressure);
    expect(Math.min(...pressures)).toBeLessThan(0.3);
    expect(Math.max(...pressures)).toBeGreaterThan(0.7);
    expect(plan.whites).toHaveLength(1);
    expect(plan.mixes[0].parts.length).toBeGreaterThanOrEqual(1);
    expect(plan.acts.filter((act) => act.kind === 'pass')).toHaveLength(1);
  });

  it('goes all the way back and forward again on the drift line', async () => {
    await station(page, 'passes');
    await page.waitForSelector('.span');
    for (let i = 0; i < 40; i++) await page.keyboard.press('u');
    await seeText(page, 'Mark an area at Sketch');
    for (let i = 0; i < 40; i++) await page.keyboard.press('U');
    await seeText(page, 'Wash the sky');
    await page.waitForSelector('.span');
  });

  it('has met no fault of ours on the way', () => expect(page.faults).toEqual([]));
});

describe('the demo', () => {
  it('can be put back as it was shipped; the painter’s own card stays', async () => {
    await menu(page, 'Put demo cards back…');
    await seeText(page, 'not on the rack');
    await press(page, 'Put the chosen cards back');
    await seeText(page, 'demo cards lie as they were shipped.');
    await page.locator('.house').click();
    await seeText(page, 'Kettle in the rain');
    await seeText(page, 'Heron at low tide');
  });
});

describe('a card as a file', () => {
  it('opens in a fresh profile identical to the last field', async () => {
    const fresh = await openBrowser();
    try {
      const there = await openPage(fresh, `${served.url}/rack`);
      await openFile(there, 'heron.kettle', kettle);
      await seeText(there, 'wanted by');
      const fetchFile = await downloads(there);
      await menu(there, 'Save the card as a .kettle file');
      const again = await fetchFile('.kettle');
      expect(readKettleFile(again).plan).toEqual(readKettleFile(kettle).plan);
      expect(strFromU8(unzipSync(again)['plan.json'])).toBe(strFromU8(unzipSync(kettle)['plan.json']));
    } finally {
      await fresh.close();
    }
  });

  it.each<[string, (plan: Record<string, unknown>) => Uint8Array, string]>([
    ['damaged', () => kettle.slice(0, kettle.length / 2), 'file: is damaged'],
    [
      'with a wrong field',
      (plan) => packed({ ...plan, climate: { tempC: 20, rh: 44, airMs: 0 } }),
      'climate.rh: rh is a fraction 0…1',
    ],
    ['foreign', (plan) => packed({ ...plan, format: 'somebody-elses' }), 'format: is "somebody-elses"'],
    ['newer', (plan) => packed({ ...plan, version: 77 }), 'version: 77 is newer than this program reads'],
  ])('is refused when %s, with the field named and nothing touched', async (name, make, message) => {
    await page.goto(`${served.url}/rack`, { waitUntil: 'networkidle0' });
    await seeText(page, 'Kettle in the rain');
    await page.waitForFunction(
      (cards) => document.querySelectorAll('li h2').length === cards,
      {},
      await rowsIn(page, 'plans'),
    );
    const before = await page.$$eval('li h2', (titles) => titles.map((t) => t.textContent));
    await openFile(
      page,
      `${name.replace(/ /g, '-')}.kettle`,
      make(JSON.parse(strFromU8(unzipSync(kettle)['plan.json'])) as Record<string, unknown>),
    );
    await seeText(page, message);
    await seeText(page, 'The file and your cards are untouched.');
    expect(await page.$$eval('li h2', (titles) => titles.map((t) => t.textContent))).toEqual(before);
  });
});

const packed = (plan: unknown): Uint8Array => zipSync({ 'plan.json': strToU8(JSON.stringify(plan)) });
