// Retakes the pictures in docs/screenshots from the demo data, one for each main view.
import { mkdirSync } from 'node:fs';
import type { Page } from 'puppeteer-core';
import { openBrowser, openPage, press, seeText, serveApp, station } from './browser';

const FOLDER = process.env['SHOTS'] ?? 'docs/screenshots';
const STATIONS = ['brief', 'sketch', 'whites', 'colours', 'passes', 'finish', 'sitting'];

/** Lets fonts, worker answers and drawings settle. */
const settle = (page: Page): Promise<void> =>
  new Promise(
    (resolve) => void page.evaluate(() => document.fonts.ready).then(() => setTimeout(resolve, 900)),
  );

async function shoot(page: Page, name: string): Promise<void> {
  await settle(page);
  await page.screenshot({ path: `${FOLDER}/${name}.png` as `${string}.png` });
}

/** A sitting some acts on: the sill is wet, the mask is setting. */
async function sitDown(page: Page): Promise<void> {
  await press(page, 'Sit down and start the clock');
  for (let act = 0; act < 5; act++) await page.locator('[data-testid=done], .quiet').click();
}

/** The plan painted ahead, to the end of its finer look. */
async function paintAhead(page: Page): Promise<void> {
  await page.click('[data-testid=simulate]');
  await page.waitForSelector('kd-passes image');
  await page.waitForFunction(
    () => !document.querySelector('[data-testid=simulation]')?.textContent.includes('ahead'),
    { timeout: 120_000 },
  );
}

mkdirSync(FOLDER, { recursive: true });
const served = await serveApp();
const profile = await openBrowser();
try {
  const page = await openPage(profile, served.url);
  await seeText(page, 'Kettle in the rain');
  for (const name of STATIONS) {
    await station(page, name);
    if (name === 'sitting') await sitDown(page);
    if (name === 'passes') await paintAhead(page);
    await shoot(page, name);
  }
  // The batch on its mats has more to cut.
  await page.goto(`${served.url}/card/quince-branch/paper`, { waitUntil: 'networkidle0' });
  await shoot(page, 'paper');
  await page.goto(`${served.url}/rack`, { waitUntil: 'networkidle0' });
  await shoot(page, 'rack');
  await page.goto(`${served.url}/cupboard`, { waitUntil: 'networkidle0' });
  await shoot(page, 'cupboard');
  for (const fault of page.faults) console.error(fault);
} finally {
  await profile.close();
  await served.close();
}
