import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle } from 'puppeteer-core';
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
import { boxOf, choose, downloads, Pen, retype, tabTo, type PenPoint } from './hand';
import { inEvidence } from './in-evidence';

let served: Served;
let profile: Profile;
let page: OpenPage;
const folder = mkdtempSync(join(tmpdir(), 'kettle-trace-'));

beforeAll(async () => {
  served = await serveApp();
  profile = await openBrowser();
  page = await openPage(profile, served.url);
  await seeText(page, 'Kettle in the rain');
  await page.goto(`${served.url}/card/kettle-in-the-rain/sketch`);
  await seeText(page, 'Lines and areas');
});

afterAll(async () => {
  await profile.close();
  await served.close();
});

const field = (label: string): string => `::-p-xpath(//kd-length-field[.//span="${label}"]//input)`;

async function open(name: string, text: string): Promise<void> {
  const path = join(folder, name);
  writeFileSync(path, text);
  const input = (await page.waitForSelector('[data-testid=trace-file]')) as ElementHandle<HTMLInputElement>;
  await input.uploadFile(path);
}

it('words are set, arched, told when they do not fit, and become areas', async () => {
  await press(page, 'Words');
  await press(page, 'Write words');
  await seeText(page, 'Capitals');
  await retype(page, field('line rises by'), '12');
  await retype(page, field('capitals, high'), '30 mm');
  await seeText(page, 'Too long for its line by');
  await choose(page, 'How words 1 stand', 'as high as fills');
  await page.waitForFunction(() => !document.body.innerText.includes('Too long'));
  await retype(page, field('line rises by'), '400');
  await seeText(page, 'arches by');
  await press(page, 'Rub the words out');
  await press(page, 'Rub the words out');
  await seeText(page, 'None yet.');
});

it('words are taken up by hand and pulled to another place, and become areas', async () => {
  await press(page, 'Write words');
  await seeText(page, 'Capitals');
  const down = async (): Promise<number> =>
    Number.parseFloat(await page.$eval(field('and down'), (input) => (input as HTMLInputElement).value));
  const before = await down();
  await press(page, 'Take up lines');
  const pen = await Pen.on(page, '[data-testid=board]');
  await pen.stroke([
    // On the letters, which stand on nine tenths of the panel's height.
    [0.5, 0.78, 0.5],
    [0.5, 0.74, 0.5],
    [0.5, 0.66, 0.5],
  ]);
  await page.waitForFunction(
    (was) => {
      const row = '[data-testid=words] kd-length-row:nth-of-type(2) input';
      const down = [...document.querySelectorAll<HTMLInputElement>(row)].at(1);
      return down !== undefined && Number.parseFloat(down.value) < was - 3;
    },
    {},
    before,
  );
  await press(page, 'Make areas of the letters');
  await press(page, 'Lines and areas');
  await page.waitForSelector('input[aria-label="Name of The kettle is on"]');
});

it('guides are laid, changed and taken away by keys; a round line in the hand is judged by the eye level', async () => {
  await press(page, 'Guides');
  await choose(page, 'Lay a guide', 'rims of a round vessel');
  await retype(page, field('eye level, down'), '-5');
  await seeText(page, 'Take up closed round lines');
  // A round line as high as it is wide agrees with no eye that looks from above.
  const pen = await Pen.on(page, '[data-testid=board]');
  const round: PenPoint[] = Array.from({ length: 61 }, (_, i) => {
    const a = (2 * Math.PI * i) / 60;
    return [0.75 + 0.06 * Math.cos(a), 0.5 + 0.05 * Math.sin(a), 0.5];
  });
  await press(page, 'Pencil');
  await pen.stroke(round);
  await press(page, 'Take up lines');
  await pen.stroke([
    [0.66, 0.42, 0.5],
    [0.75, 0.5, 0.5],
    [0.84, 0.58, 0.5],
  ]);
  await seeText(page, 'too round');
  await press(page, 'A circle round what is in the hand');
  await page.waitForFunction(() => document.querySelectorAll('[data-testid=guide]').length === 2);
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press('u');
  await page.waitForFunction(() => document.querySelectorAll('[data-testid=guide]').length === 1);
});

it('the lamp is lit, turned by keys, makes areas of shade, and says when a shadow falls wrongly', async () => {
  await press(page, 'Lamp');
  await press(page, 'Put it out');
  await press(page, 'Light the lamp');
  await choose(page, 'What sill is the picture of', 'lying flat');
  await page.locator('[aria-label="Make areas of its shade: kettle"]').click();
  const bulb = (await page.waitForSelector('kd-lamp .bulb'))!;
  await bulb.evaluate((circle) => (circle as SVGCircleElement).focus());
  for (let step = 0; step < 26; step++) await page.keyboard.press('ArrowLeft');
  await seeText(page, 'off the way the lamp throws');
  await page.keyboard.press('ArrowUp');
  await seeText(page, 'how high it stands: 50°');
});

it('a hostile drawing is stripped and told; a damaged one lays nothing', async () => {
  await press(page, 'Tracing');
  await open(
    'hostile.svg',
    '<svg xmlns="http://www.w3.org/2000/svg" width="60mm" height="40mm" viewBox="0 0 60 40"><script>document.title="taken"</script>' +
      '<path onload="x()" d="M5 5C20 0 40 0 55 5"/><rect x="10" y="10" width="20" height="10"/></svg>',
  );
  await seeText(page, 'hostile.svg: 2 lines at true size. Left out: a script, a handler.');
  expect(await page.title()).not.toContain('taken');
  await open('broken.svg', '<svg xmlns="http://www.w3.org/2000/svg"><path d="M0 0');
  await seeText(page, 'Nothing was laid on the panel.');
});

inEvidence('an area is cut out of the card, and its template is mirrored for the back', async () => {
  await press(page, 'Lines and areas');
  await choose(page, 'Reshape kettle', 'cut it out of the card');
  await seeText(page, 'Cut out. Backing');
  const arrived = await downloads(page);
  await page.goto(`${served.url}/card/kettle-in-the-rain/finish`);
  await page.locator('[data-testid=template]').click();
  const template = new TextDecoder().decode(await arrived('cutting template.svg'));
  expect(template).toContain('scale(-1 1)');
  expect(template.split('class="cut"')).toHaveLength(2);
});

it('the trace sheet taken from Finish opens in another card just as it was', async () => {
  const arrived = await downloads(page);
  await page.goto(`${served.url}/card/kettle-in-the-rain/finish`);
  await page.locator('[data-testid=trace]').click();
  const sheet = new TextDecoder().decode(await arrived('trace sheet.svg'));
  const [lines, areas] = ['class="pencil"', 'class="area"'].map((mark) => sheet.split(mark).length - 1);
  await page.goto(`${served.url}/card/heron-at-low-tide/sketch`);
  await press(page, 'Tracing');
  await open('sheet.svg', sheet);
  await seeText(page, `sheet.svg: ${lines} lines and ${areas} areas, just as they were.`);
  expect(page.faults).toEqual([]);
});

it('an area is named by writing on it, and the panel is judged', async () => {
  await page.goto(`${served.url}/card/kettle-in-the-rain/sketch`);
  await press(page, 'Write a name');
  const box = await boxOf(page, '[data-testid=board]');
  await page.mouse.click(box.x + 0.5 * box.width, box.y + 0.15 * box.height);
  await page.waitForSelector('[aria-label="Name of this area"]');
  await page.keyboard.type('rainy pane');
  await page.keyboard.press('Enter');
  await page.waitForSelector('input[aria-label="Name of rainy pane"]');
  await press(page, 'Judge');
  await seeText(page, 'Quiet room for words');
  await page.waitForSelector('[aria-label="the panel in three tones"]');
});

it('every leaf is reached by keys', async () => {
  for (const leaf of ['Words', 'Guides', 'Lamp', 'Judge', 'Tracing']) {
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await tabTo(page, leaf);
    await page.keyboard.press('Enter');
    await page.waitForFunction(
      (name) => document.querySelector('.leaves [aria-checked=true]')?.textContent.trim() === name,
      {},
      leaf,
    );
  }
  await tabTo(page, 'Lay a drawing on the panel');
});
