import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Page } from 'puppeteer-core';
import { readKettleFile } from '@kettle/core/formats';
import type { Plan } from '@kettle/core/plan';
import { openBrowser, openPage, press, seeText, serveApp, type Profile, type Served } from './browser';
import { kill } from './database';
import { downloads, Pen } from './hand';

/** Kills at random moments; the long evidence takes many more. */
const KILLS = Number(process.env['KILLS'] ?? 1);
const LAST_SECOND_MS = 1000;

let served: Served;
let profile: Profile;

beforeAll(async () => {
  served = await serveApp();
  profile = await openBrowser();
  const page = await openPage(profile, served.url);
  await seeText(page, 'Kettle in the rain');
  await page.close();
});

afterAll(async () => {
  await profile.close();
  await served.close();
});

async function planOf(page: Page): Promise<Plan> {
  const fetchFile = await downloads(page);
  await page.waitForSelector('kd-house-menu button');
  await page.locator('kd-house-menu button').click();
  await press(page, 'Save the card as a .kettle file');
  return readKettleFile(await fetchFile('.kettle')).plan;
}

const open = (station: string): Promise<Page> =>
  openPage(profile, `${served.url}/card/kettle-in-the-rain/${station}`);
const rest = (ms: number): Promise<unknown> => new Promise((resolve) => setTimeout(resolve, ms));
const between = (fromMs: number, toMs: number): number => fromMs + Math.random() * (toMs - fromMs);
const moments = Array.from({ length: KILLS }, (_, i) => i);

/** The demo card's sheet, mm, and the room the board leaves round it, px: gives mm per share of the board's width. */
async function mmPerShare(page: Page): Promise<number> {
  const [width, height] = await page.$eval('[data-testid=board]', (board) => [
    board.clientWidth,
    board.clientHeight,
  ]);
  return width / Math.min((width - 56) / 156, (height - 56) / 108);
}

describe('a tab killed', () => {
  it.each(moments)('in the middle of a stroke loses at most its last second (%d)', async () => {
    const page = await open('sketch');
    await page.waitForSelector('canvas');
    const scale = await mmPerShare(page);
    const pen = await Pen.on(page, '[data-testid=board]');
    const killAfterMs = between(900, 3200);
    const trail: { atMs: number; x: number }[] = [];
    const begun = performance.now();
    await pen.down([0.1, 0.5, 0.4]);
    for (let i = 1; performance.now() - begun < killAfterMs; i++) {
      const x = 0.1 + 0.0008 * i;
      await pen.move([x, 0.5 + 0.05 * Math.sin(i / 9), 0.4]);
      trail.push({ atMs: performance.now() - begun, x });
      // Every so often the hand rests with the pen on the paper.
      if (i % 60 === 0) await rest(400);
    }
    const killedMs = performance.now() - begun;
    await kill(page);

    const again = await open('sketch');
    const { points } = (await planOf(again)).lines.at(-1)!;
    const owed = trail.findLast(({ atMs }) => atMs < killedMs - LAST_SECOND_MS);
    const keptMm = points.at(-1)![0] - points[0][0];
    if (owed) expect(keptMm).toBeGreaterThanOrEqual((owed.x - 0.1) * scale - 0.1);
    await again.close();
  });

  it.each(moments)('in the middle of a sitting loses at most the last second (%d)', async () => {
    const page = await open('sitting');
    if (!(await page.$('[data-testid=sit-down]'))) await press(page, 'Leave this sitting');
    await press(page, 'Sit down and start the clock');
    await page.waitForSelector('[data-testid=act]');
    const killAfterMs = between(600, 2400);
    const pressedMs: number[] = [];
    const begun = performance.now();
    while (performance.now() - begun < killAfterMs && pressedMs.length < 14) {
      await page.locator('[data-testid=done], .quiet').click();
      pressedMs.push(performance.now() - begun);
      await rest(120);
    }
    const killedMs = performance.now() - begun;
    await kill(page);

    const again = await open('sitting');
    await again.waitForSelector('[data-testid=act]');
    const owed = pressedMs.filter((atMs) => atMs < killedMs - LAST_SECOND_MS).length;
    const { events } = (await planOf(again)).sitting!;
    expect(events.length).toBeGreaterThanOrEqual(owed);
    expect(new Set(events.map(({ act }) => act)).size).toBe(events.length);
    await again.close();
  });
});
