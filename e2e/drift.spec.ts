import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Page } from 'puppeteer-core';
import { run } from '@kettle/cli';
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
import { choose, write } from './hand';

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

/** Seconds from laying to dry of the sill's wash, as the drift line on the page has it. */
async function strandLength(): Promise<number> {
  await station(page, 'passes');
  await page.waitForSelector('.span[data-act=sill-wash]');
  // The answer of the worker to the last change must be on the page, not the one before.
  await new Promise((resolve) => setTimeout(resolve, 400));
  return page.$eval(
    '.span[data-act=sill-wash]',
    (span) => Number(span.getAttribute('data-until')) - Number(span.getAttribute('data-laid')),
  );
}

function dryOf(input: object): number {
  const { out } = run(['dry', '-'], () => new TextEncoder().encode(JSON.stringify(input)));
  return (JSON.parse(out) as { stages: { coolEndS: number } }).stages.coolEndS;
}

async function setAir(tempC: number, rh: number, airMs: number): Promise<void> {
  await station(page, 'paper');
  await write(page, '[data-testid=temp]', String(tempC));
  await write(page, '[data-testid=rh]', String(rh * 100));
  await write(page, '[data-testid=air]', String(airMs));
}

describe('the end of a strand on the drift line', () => {
  it.each([
    [20, 0.5, 0],
    [27, 0.72, 0],
    [14, 0.35, 0.4],
  ])('equals the command line at %d °C, %d, %d m/s', async (tempC, rh, airMs) => {
    await setAir(tempC, rh, airMs);
    const expected = dryOf({ paper: 'cotton-cold-300', filmUm: 80, climate: { tempC, rh, airMs } });
    expect(Math.abs((await strandLength()) - expected)).toBeLessThan(1);
  });

  it('moves with the paper', async () => {
    const before = await strandLength();
    await station(page, 'paper');
    await choose(page, 'Paper', 'wood pulp, cold-pressed 200');
    const after = await strandLength();
    expect(after).not.toBeCloseTo(before, 0);
    expect(
      Math.abs(
        after - dryOf({ paper: 'pulp-cold-200', filmUm: 80, climate: { tempC: 14, rh: 0.35, airMs: 0.4 } }),
      ),
    ).toBeLessThan(1);
  });

  it('moves with the water', async () => {
    const before = await strandLength();
    await page.locator('[data-pass=sill-wash] .note').click();
    await choose(page, 'Water', 'flooded');
    const after = await strandLength();
    expect(after).toBeGreaterThan(before * 1.5);
    expect(
      Math.abs(
        after - dryOf({ paper: 'pulp-cold-200', filmUm: 220, climate: { tempC: 14, rh: 0.35, airMs: 0.4 } }),
      ),
    ).toBeLessThan(1);
  });

  it('refuses air that cannot be, says so, and keeps what was', async () => {
    await station(page, 'paper');
    await write(page, '[data-testid=rh]', '140');
    await seeText(page, 'Humidity is between 0 and 100 %, not “140”');
    expect(await page.$eval('[data-testid=rh]', (field) => (field as HTMLInputElement).value)).toBe('35');
  });
});

it('another order is looked for and told of; what is waited for stands above it', async () => {
  await station(page, 'passes');
  await seeText(page, 'What it waits for: the ');
  await press(page, 'Put in order');
  const said = (): boolean =>
    /sooner[:.]/.test(document.querySelector('kd-order [role=status]')?.textContent ?? '');
  await page.waitForFunction(said);
  // What was said of acts that have changed since is no longer so.
  await page.locator('[data-pass=kettle-wash] .note').click();
  await press(page, 'Later');
  await page.waitForFunction(() => document.querySelector('kd-order [role=status]')?.textContent === '');
});
