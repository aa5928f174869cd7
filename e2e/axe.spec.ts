import { readFileSync } from 'node:fs';
import type { AxeResults } from 'axe-core';
import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  openBrowser,
  openPage,
  press,
  seeText,
  serveApp,
  station,
  type Profile,
  type Served,
} from './browser';

import { choose } from './hand';
import { inEvidence } from './in-evidence';

const AXE = readFileSync('node_modules/axe-core/axe.min.js', 'utf8');
const STATIONS = ['brief', 'paper', 'sketch', 'whites', 'colours', 'passes', 'sitting', 'finish'];

let served: Served;
let profile: Profile;
let page: Page;

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

/** What axe finds serious or critical under WCAG 2.2 AA, one line each. */
async function serious(): Promise<string[]> {
  await new Promise((resolve) => setTimeout(resolve, 500));
  await page.evaluate(AXE);
  const { violations } = await page.evaluate(() =>
    (window as unknown as { axe: { run: (options: object) => Promise<AxeResults> } }).axe.run({
      runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'],
    }),
  );
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .flatMap(({ id, nodes }) =>
      nodes.map((node) => `${id}: ${node.target.join(' ')} ${node.failureSummary?.split('\n').at(1) ?? ''}`),
    );
}

describe('axe finds nothing serious', () => {
  it.each(STATIONS)('at %s', async (name) => {
    await station(page, name);
    expect(await serious()).toEqual([]);
  });

  inEvidence.each(['Masked by hand', 'Coming off', 'Compared'])('at Whites, its leaf of %s', async (leaf) => {
    await station(page, 'whites');
    await press(page, leaf);
    expect(await serious()).toEqual([]);
  });

  inEvidence.each(['Pigments', 'Wanted', 'Charts', 'Values', 'Amounts', 'Ideas'])(
    'at Colours, its leaf of %s',
    async (leaf) => {
      await station(page, 'colours');
      await press(page, leaf);
      expect(await serious()).toEqual([]);
    },
  );

  inEvidence.each(['Done so far', 'Gone wrong?', 'Sheets'])(
    'at the painting table, its leaf of %s',
    async (leaf) => {
      await station(page, 'passes');
      await press(page, 'Paint it by hand');
      await press(page, leaf);
      expect(await serious()).toEqual([]);
      await press(page, 'Back to the plan');
    },
  );

  inEvidence.each(['Words', 'Guides', 'Lamp', 'Tracing', 'Judge'])(
    'at Sketch, its leaf of %s',
    async (leaf) => {
      await station(page, 'sketch');
      await press(page, leaf);
      if (leaf === 'Guides') await choose(page, 'Lay a guide', 'rims of a round vessel');
      expect(await serious()).toEqual([]);
    },
  );

  inEvidence('at Paper, cropped last', async () => {
    await station(page, 'paper');
    await choose(page, 'Size of the card', 'cropped last');
    await press(page, 'Lay a frame over it');
    expect(await serious()).toEqual([]);
    await choose(page, 'Size of the card', 'as large as its envelope takes');
  });

  it('at Passes with a note open', async () => {
    await station(page, 'passes');
    await page.locator('[data-pass=sill-wash] .note').click();
    expect(await serious()).toEqual([]);
  });

  inEvidence('at Passes, several at once, and another way beside the plan', async () => {
    await station(page, 'passes');
    await press(page, 'Several at once');
    await seeText(page, '1 copy in');
    expect(await serious()).toEqual([]);
    await press(page, 'What if');
    await choose(page, 'What if it were painted', 'in a cold room');
    await page.waitForSelector('[data-testid=compared]');
    await press(page, 'Propose the passes');
    await seeText(page, 'It would be:');
    expect(await serious()).toEqual([]);
  });

  it('in the middle of a sitting', async () => {
    await station(page, 'sitting');
    await press(page, 'Sit down and start the clock');
    for (let i = 0; i < 6; i++) await page.locator('[data-testid=done], .quiet').click();
    await page.waitForSelector('.wet');
    expect(await serious()).toEqual([]);
  });

  it('in the cupboard', async () => {
    await page.locator('kd-house-menu button').click();
    await press(page, 'To the cupboard');
    await seeText(page, 'nickel azo yellow');
    expect(await serious()).toEqual([]);
  });

  it('on the rack, with its house menu open', async () => {
    await page.locator('.house').click();
    await seeText(page, 'On the rack');
    await page.locator('kd-house-menu button').click();
    expect(await serious()).toEqual([]);
  });
});
