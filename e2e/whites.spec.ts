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

let served: Served;
let profile: Profile;
let page: OpenPage;
let pen: Pen;

beforeAll(async () => {
  served = await serveApp();
  profile = await openBrowser();
  page = await openPage(profile, served.url);
  await seeText(page, 'Kettle in the rain');
  await page.goto(`${served.url}/card/kettle-in-the-rain/whites`);
  await seeText(page, 'of 100');
  pen = await Pen.on(page, '[data-testid=board]');
});

afterAll(async () => {
  await profile.close();
  await served.close();
});

const masks = (): Promise<number> => page.$$eval('[data-testid=mask]', (rows) => rows.length);
const saysMask = (words: string): Promise<unknown> =>
  page.waitForFunction(
    (wanted) =>
      [...document.querySelectorAll('[data-testid=mask]')].some((row) => row.textContent.includes(wanted)),
    {},
    words,
  );
const wave = (y: number): PenPoint[] =>
  Array.from({ length: 24 }, (_, i) => [0.25 + 0.02 * i, y + 0.02 * Math.sin(i), 0.2 + 0.02 * i]);

it('a line is masked with the pen, rubbed off whole, and undone', async () => {
  await press(page, 'Masked by hand');
  await pen.stroke(wave(0.25));
  await saysMask('1 stroke.');
  await pen.stroke(wave(0.35));
  await saysMask('2 strokes.');
  await press(page, 'Rub it off');
  await pen.stroke([
    [0.4, 0.31, 0.5],
    [0.4, 0.35, 0.5],
    [0.4, 0.39, 0.5],
  ]);
  await saysMask('1 stroke.');
  await page.keyboard.press('u');
  await saysMask('2 strokes.');
});

it('a stroke with another tool is a mask of its own; a gap in it is told and ringed', async () => {
  await choose(page, 'Take up a tool', 'fine-tip');
  await press(page, 'Mask');
  const box = await boxOf(page, '[data-testid=board]');
  const aspect = box.width / box.height;
  // Nearly round, its ends about a millimetre apart.
  await pen.stroke(
    Array.from({ length: 60 }, (_, i) => {
      const turn = (i / 59) * (2 * Math.PI - 0.21);
      return [0.7 + 0.07 * Math.cos(turn), 0.45 + 0.07 * aspect * Math.sin(turn), 0.5] as const;
    }),
  );
  await page.waitForFunction(() => document.querySelectorAll('[data-testid=mask]').length === 2);
  await saysMask('has a gap of');
});

it('spatter falls into a dragged box, and by numbers off a shield; it has its own times', async () => {
  await choose(page, 'Take up a tool', 'toothbrush');
  await pen.stroke([
    [0.3, 0.3, 0.5],
    [0.4, 0.4, 0.5],
    [0.5, 0.5, 0.5],
  ]);
  await saysMask('drops');
  expect(await masks()).toBe(3);
  await choose(page, 'Spatter over', 'over the pane');
  await choose(page, 'Shield on kettle', 'a torn shield');
  await press(page, 'Spatter');
  const before = await page.$$eval('[data-testid=mask]', (rows) => rows.at(-1)!.textContent);
  await choose(page, 'Mask goes on: toothbrush spatter', 'on after');
  await choose(page, 'Mask comes off: toothbrush spatter', 'off at the end');
  expect(before).toContain('drops');
  await press(page, 'Coming off');
  await seeText(page, 'Masking fluid for all copies');
  await seeText(page, 'toothbrush spatter');
});

it('a white is kept another way, wanted at a lightness, and its finding mended by one press', async () => {
  await press(page, 'Ways');
  await page.waitForFunction(() => document.querySelector('fieldset')?.textContent.includes('leave it bare'));
  await page.$$eval('fieldset:first-of-type label', (labels) => {
    const bare = labels.find((label) => label.textContent.includes('leave it bare'))!;
    bare.closest('details')?.setAttribute('open', '');
    bare.click();
  });
  await seeText(page, 'kettle is to stay bare');
  await press(page, 'Paint round kettle');
  await page.waitForFunction(() => !document.body.innerText.includes('is to stay bare'));
  await retype(page, '[aria-label="As light as, L*: kettle"]', '82');
  await choose(page, 'Edge of kettle', 'a soft edge');
  await seeText(page, 'a soft edge is what lifting leaves');
});

it('the panel is seen after any pass, uncovered; and all whites are kept the best way by one press', async () => {
  await press(page, 'Ways');
  await choose(page, 'When it is seen', 'after: Wash the sill');
  await press(page, 'Uncovered');
  await press(page, 'Masks on');
  await choose(page, 'When it is seen', 'when all is painted');
  const chosen = (): Promise<string[]> =>
    page.$$eval('fieldset', (sets) =>
      sets.map((set) => set.querySelector('input:checked + span strong')?.textContent ?? ''),
    );
  const before = await chosen();
  await page.evaluate(() => {
    for (const label of document.querySelectorAll('fieldset:first-of-type label'))
      if (label.textContent.includes('a line that stays')) (label as HTMLElement).click();
  });
  await page.waitForFunction(() =>
    document.querySelector('fieldset input:checked + span strong')?.textContent.includes('a line that stays'),
  );
  await press(page, 'Keep all of them the best way so');
  await page.waitForFunction(
    () =>
      !document
        .querySelector('fieldset input:checked + span strong')
        ?.textContent.includes('a line that stays'),
  );
  expect((await chosen()).length).toBe(before.length);
});

it('a white that is lifted or covered later has its pass, and a pass names the shields on it', async () => {
  await page.goto(page.url().replace('whites', 'passes'), { waitUntil: 'networkidle0' });
  await page.locator('[data-pass=kettle-wash] .note').click();
  await choose(page, 'Lay on the panel meanwhile', 'over steam');
  await seeText(page, 'Lay a cut shield over the steam first.');
  await press(page, 'Tear it');
  await seeText(page, 'Lay a torn shield over the steam first.');
  await press(page, 'Take it up');
  await page.waitForFunction(() => !document.body.innerText.includes('shield over the steam first'));
  await page.goto(page.url().replace('passes', 'whites'), { waitUntil: 'networkidle0' });
  await seeText(page, 'of 100');
});

it('a shield for an area is printed at true size', async () => {
  const arrived = await downloads(page);
  await page.locator('[aria-label="or its reverse: steam"]').click();
  const shield = new TextDecoder().decode(await arrived('shield for all but steam.svg'));
  expect(shield).toContain('class="shield"');
  expect(shield).toContain('id="ruler"');
});

it('the ways are tried on scrap and shown side by side', async () => {
  await press(page, 'Compared');
  await press(page, 'Try it on scrap');
  await page.waitForFunction(() => document.querySelectorAll('kd-ways-compared figure').length === 4, {
    timeout: 60_000,
  });
  await seeText(page, 'opaque white over it');
});

it('by keys alone: a tool is taken up, a line masked by numbers, the panel seen uncovered', async () => {
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await tabTo(page, 'Uncovered');
  await page.keyboard.press('Enter');
  await page.waitForFunction(
    () =>
      document.querySelector('[aria-label="The panel is seen"] [aria-checked=true]')!.textContent.trim() ===
      'Uncovered',
  );
  await tabTo(page, 'Masked by hand');
  await page.keyboard.press('Enter');
  await choose(page, 'Take up a tool', 'wax');
  await page.waitForSelector('kd-hand-masks kd-length-row');
  await tabTo(page, 'Mask this line');
  await page.keyboard.press('Enter');
  await saysMask('It stays on the paper.');
  expect(page.faults).toEqual([]);
});
