import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle } from 'puppeteer-core';
import { mergedPicture } from '@kettle/core/files/formats';
import { readHead } from '@kettle/core/drawing/photo';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
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
import { choose, downloads } from './hand';
import { inEvidence } from './in-evidence';
import { isLaid, PaperPen, roughSheet, runTo } from './paper-hand';

let served: Served;
let profile: Profile;
let page: Awaited<ReturnType<typeof openPage>>;
let pen: PaperPen;

beforeAll(async () => {
  served = await serveApp();
});
afterAll(async () => {
  await served.close();
});
beforeEach(async () => {
  profile = await openBrowser();
  page = await openPage(profile, served.url);
  await page.waitForFunction(() => document.body.innerText.includes('Kettle in the rain'));
  await roughSheet(page);
  pen = await PaperPen.over(page);
  return async () => {
    expect(page.faults).toEqual([]);
    await profile.close();
  };
});

const sky = [25, 25, 120, 75] as const;
const undo = () => page.keyboard.press('u');
const acts = (count: number) =>
  page.waitForFunction((n) => document.body.innerText.includes(`${n} act`), {}, count);

/** Width of the sheet, mm. */
const widthOf = (marks: Element): number => (marks as SVGSVGElement).viewBox.baseVal.width;

async function wash(mix: string, box: readonly [number, number, number, number] = sky): Promise<void> {
  await choose(page, 'Tool', 'flat, 25');
  await press(page, 'dripping');
  await press(page, mix);
  for (let y = box[1]; y <= box[3]; y += 14) await pen.fill([box[0], y, box[2], y + 1], 14);
}

describe('painting by hand', () => {
  inEvidence(
    'water dropped as the sheen goes runs back, undo takes it out, and into a dry wash it does not',
    async () => {
      await wash('low cloud');
      await choose(page, 'Tool', 'round, size 12');
      await press(page, 'kettle shade');
      await pen.stroke([40, 60, 0.8], [50, 62, 0.8]);
      await runTo(page, 'until the sheen goes');
      // A little may still shine where two strokes met.
      let place: [number, number] = [80, 46];
      let before = await pen.feel(place);
      for (const x of [72, 88, 64, 96, 104])
        if (before.stage !== 'damp') before = await pen.feel((place = [x, 46]));
      expect(before.stage).toBe('damp');
      const drop = () => pen.stroke([...place, 1], [place[0] + 1, 47, 1], [...place, 1]);
      await press(page, 'clear water');
      await drop();
      await runTo(page, 'until dry');
      const bloom = await pen.feel(place);
      const beside = await pen.feel([place[0] + 20, 46]);
      expect(bloom.lab[0] - beside.lab[0]).toBeGreaterThan(4);

      await undo();
      await page.waitForFunction(() => !document.body.innerText.includes('the sheet is dry'));
      const again = await pen.feel(place);
      expect(again.fingerprint).toBe(before.fingerprint);

      await runTo(page, 'until dry');
      const dry = await pen.feel(place);
      await drop();
      await runTo(page, 'until dry');
      const after = await pen.feel(place);
      expect(Math.abs(after.lab[0] - dry.lab[0])).toBeLessThan(2);
    },
  );

  inEvidence('a mask line parts two wet colours', async () => {
    await choose(page, 'Tool', 'masking fluid, fine tip');
    await pen.stroke([75, 15], [75, 90]);
    await acts(2);
    await choose(page, 'Tool', 'flat, 25');
    await press(page, 'dripping');
    await press(page, 'low cloud');
    await pen.fill([35, 40, 61, 60], 14);
    await press(page, 'copper');
    await pen.fill([89, 40, 115, 60], 14);
    await runTo(page, 'until dry');
    const [left, right] = [await pen.feel([72, 48]), await pen.feel([78, 48])];
    expect(left.pigments['PB29']).toBeGreaterThan(0.01);
    expect(left.pigments['PO48'] ?? 0).toBe(0);
    expect(right.pigments['PO48']).toBeGreaterThan(0.01);
    expect(right.pigments['PB29'] ?? 0).toBe(0);
  });

  inEvidence('salt stars, damp foam lifts, a tilted board runs to its foot', async () => {
    await wash('low cloud');
    expect((await pen.feel([45, 35])).stage).toMatch(/puddled|shiny/);
    await choose(page, 'Tool', 'salt, a pinch');
    await pen.stroke([95, 38]);
    await acts(6);
    await runTo(page, 'until dry');
    const lightest = async (y: number): Promise<number> => {
      const felt: number[] = [];
      for (let i = 0; i < 6; i++) felt.push((await pen.feel([89 + 2.4 * i, y + 2 * (i % 3)])).lab[0]);
      return Math.max(...felt);
    };
    expect((await lightest(36)) - (await lightest(60))).toBeGreaterThan(0.7);

    const before = await pen.feel([46, 50]);
    await choose(page, 'Tool', 'damp foam');
    await pen.stroke([44, 50], [48, 50]);
    await runTo(page, 'until dry');
    expect((await pen.feel([46, 50])).lab[0] - before.lab[0]).toBeGreaterThan(3);

    const fall = async (): Promise<number> =>
      (await pen.feel([70, 26])).lab[0] - (await pen.feel([70, 84])).lab[0];
    const level = await fall();
    await choose(page, 'Tool', 'the board itself');
    await choose(page, 'The board lies', 'falls 15° to the foot');
    await wash('kettle shade');
    await runTo(page, 'until dry');
    expect((await fall()) - level).toBeGreaterThan(0.7);
  });

  it('is painted on by keys, read in words, and taken over as a pass', async () => {
    await press(page, 'low cloud');
    await page.focus('[data-testid=painting-board]');
    await page.keyboard.press(' ');
    for (let i = 0; i < 6; i++) await page.keyboard.press('ArrowRight');
    await page.keyboard.press(' ');
    await acts(2);
    await page.waitForFunction(() => /under the hand: (puddled|shiny)/.test(document.body.innerText));
    await page.waitForFunction(() => /(puddled|shiny) \d+ %/.test(document.body.innerText));
    await undo();
    await acts(1);
    await page.waitForFunction(() => document.body.innerText.includes('the sheet is dry'));
    await page.keyboard.down('Shift');
    await page.keyboard.press('U');
    await page.keyboard.up('Shift');
    await acts(2);
    await press(page, 'Make these the plan’s passes');
    await page.waitForFunction(() => document.body.innerText.includes('One pass was made'));
    await press(page, 'Back to the plan');
    await page.waitForFunction(() => document.body.innerText.includes('sheet 2 1'));
  });

  inEvidence('is painted on by a finger', async () => {
    await press(page, 'low cloud');
    const at = await page.$eval('.board-sheet', (sheet) => {
      const box = sheet.getBoundingClientRect();
      return [box.x + box.width / 3, box.y + box.height / 3] as const;
    });
    const finger = await page.touchscreen.touchStart(at[0], at[1]);
    for (let i = 1; i <= 10; i++) await finger.move(at[0] + 12 * i, at[1] + 3 * i);
    await finger.end();
    await acts(2);
    await page.waitForFunction(() => /shiny|puddled/.test(document.body.innerText));
  });

  inEvidence(
    'two sheets lie side by side with what differs, and a sheet goes out in files and comes back',
    async () => {
      await press(page, 'low cloud');
      await pen.stroke([40, 40], [80, 42]);
      await acts(2);
      await press(page, 'Sheets');
      await press(page, 'Beside the one on the table');
      const told = await page.waitForSelector('[data-testid=difference]', { timeout: 60_000 });
      expect(await told!.evaluate((element) => element.textContent)).toMatch(
        /^ ?\d+ % of the sheet looks different/,
      );
      await page.keyboard.press('Escape');
      await page.waitForFunction(() => document.querySelector('.p-dialog-mask') === null);

      const arrived = await downloads(page);
      await press(page, 'Picture, true size');
      const { widthPx, dpi } = readHead(await arrived('.png'));
      expect((25.4 * widthPx) / dpi!).toBeCloseTo(await page.$eval('.board-marks', widthOf), 0);
      await press(page, 'Its strokes');
      expect(new TextDecoder().decode(await arrived('.svg'))).toMatch(/<path fill="#[0-9a-f]{6}"/);
      await press(page, 'Picture pass by pass');
      const layered = await arrived('.ora');
      expect(readHead(mergedPicture(layered)).widthPx).toBe(widthPx);

      const file = join(mkdtempSync(join(tmpdir(), 'kettle-ora-')), 'sheet.ora');
      writeFileSync(file, layered);
      await press(page, 'Back to the plan');
      await station(page, 'sketch');
      await press(page, 'Tracing');
      const input = (await page.waitForSelector(
        '[data-testid=picture-file]',
      )) as ElementHandle<HTMLInputElement>;
      await input.uploadFile(file);
      await seeText(page, 'sheet.ora');
    },
  );

  inEvidence('what would help is tried, and comes as it was told', async () => {
    await wash('low cloud');
    await runTo(page, 'until the sheen goes');
    await choose(page, 'Tool', 'round, size 12');
    await press(page, 'clear water');
    await pen.stroke([80, 46, 1], [81, 47, 1], [80, 46, 1]);
    await press(page, 'Gone wrong?');
    await press(page, 'Point at it');
    await seeText(page, 'Now point at it on the sheet');
    await pen.stroke([80, 46]);
    await page.waitForFunction(
      () => {
        const told = document.querySelectorAll('[data-testid=outlook]').length;
        return told >= 3 && told === document.querySelectorAll('[data-testid=remedy]').length;
      },
      { timeout: 60_000 },
    );
    const told = await page.$eval('[data-remedy=tissue] [data-testid=outlook]', (element) =>
      Number(element.getAttribute('data-lightness')),
    );
    await page.locator('[data-remedy=tissue] button').click();
    await page.waitForFunction(
      () =>
        document.querySelectorAll('[data-testid=remedy]').length === 0 &&
        document.body.innerText.includes('the sheet is dry'),
      { timeout: 60_000 },
    );
    const done = await pen.feel([80, 46]);
    expect(Math.abs(done.lab[0] / told - 1)).toBeLessThan(0.05);
  });

  inEvidence('a tab closed in mid-stroke gives the same paper when it is opened again', async () => {
    await choose(page, 'Tool', 'round, size 12');
    await press(page, 'low cloud');
    await pen.stroke([40, 40], [80, 42]);
    await pen.down([40, 60]);
    for (let x = 40; x < 70; x += 2) {
      await pen.move([x, 60]);
      await new Promise((resolve) => setTimeout(resolve, 25));
    }
    // Longer than the last places may stay in memory alone.
    await new Promise((resolve) => setTimeout(resolve, 600));
    await page.evaluate(() => {
      window.onbeforeunload = null;
    });
    await page.goto(`${served.url}/rack`, { waitUntil: 'networkidle0' });
    await page.goto(`${served.url}/card/kettle-in-the-rain/passes`, { waitUntil: 'networkidle0' });
    await press(page, 'Paint it by hand');
    await isLaid(page);
    await acts(3);
    const kept = await pen.feel([60, 60]);
    expect(kept.stage).toMatch(/shiny|puddled|satin/);
    await press(page, 'Back to the plan');
    await page.evaluate(async () => {
      await new Promise((resolve) => {
        const gone = indexedDB.deleteDatabase('kettle-drift-papers');
        gone.onsuccess = gone.onblocked = resolve;
      });
    });
    await page.reload({ waitUntil: 'networkidle0' });
    await press(page, 'Paint it by hand');
    await isLaid(page);
    expect((await pen.feel([60, 60])).fingerprint).toBe(kept.fingerprint);
  });
});
