// Retakes the pictures in docs/screenshots from the demo data, one for each main view.
import { mkdirSync } from 'node:fs';
import type { Page } from 'puppeteer-core';
import { spoilRow } from './database';
import { choose, write } from './hand';
import { isLaid, PaperPen, runTo } from './paper-hand';
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

/** A wash by hand with colour in it, water dropped as the sheen went, and what would help. */
async function paintByHand(page: Page): Promise<void> {
  await press(page, 'Paint it by hand');
  await isLaid(page);
  const pen = await PaperPen.over(page);
  await choose(page, 'Tool', 'flat, 25');
  await press(page, 'dripping');
  await press(page, 'low cloud');
  for (let y = 22; y <= 62; y += 13) await pen.fill([22, y, 134, y + 1], 13);
  await choose(page, 'Tool', 'round, size 12');
  await press(page, 'copper');
  await pen.stroke([40, 60, 0.5], [60, 66, 0.9], [84, 62, 0.6]);
  await runTo(page, 'until the sheen goes');
  await press(page, 'clear water');
  await pen.stroke([104, 38, 1], [105, 39, 1], [104, 38, 1]);
  await press(page, 'real time');
  await press(page, 'Gone wrong?');
  await press(page, 'Point at it');
  await pen.stroke([104, 38]);
  await page.waitForFunction(
    () =>
      document.querySelectorAll('[data-testid=outlook]').length > 2 &&
      document.querySelectorAll('[data-testid=outlook]').length ===
        document.querySelectorAll('[data-testid=remedy]').length,
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
    if (name !== 'passes') continue;
    await paintByHand(page);
    await shoot(page, 'painting');
    await press(page, 'Back to the plan');
    await press(page, 'Several at once');
    await write(page, 'kd-batch kd-number-field:nth-of-type(1) input', '12');
    await write(page, 'kd-batch kd-number-field:nth-of-type(3) input', '4');
    await page.waitForFunction(() => /12 copies in .* put in/.test(document.body.innerText));
    await shoot(page, 'several');
    await press(page, 'What if');
    await choose(page, 'What if it were painted', 'on a muggy day');
    await page.waitForSelector('[data-testid=compared]');
    await shoot(page, 'what-if');
    await press(page, 'What if');
  }
  // The batch on its mats has more to cut.
  await page.goto(`${served.url}/card/quince-branch/paper`, { waitUntil: 'networkidle0' });
  await shoot(page, 'paper');
  await page.goto(`${served.url}/rack`, { waitUntil: 'networkidle0' });
  await shoot(page, 'rack');
  await page.goto(`${served.url}/cupboard`, { waitUntil: 'networkidle0' });
  await shoot(page, 'cupboard');
  await page.goto(`${served.url}/rack`, { waitUntil: 'networkidle0' });
  await press(page, 'Throw it away');
  await press(page, 'Yes, throw it away');
  await seeText(page, 'lies in the bin');
  await spoilRow(page, 'plans', 'quince-branch', ['plan', 'climate'], 'mild');
  await page.goto(`${served.url}/safekeeping`, { waitUntil: 'networkidle0' });
  await shoot(page, 'safekeeping');
  for (const fault of page.faults) console.error(fault);
} finally {
  await profile.close();
  await served.close();
}
