import { afterAll, beforeAll, expect, it } from 'vitest';
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
import { boxOf, choose, tabTo, write } from './hand';

let served: Served;
let profile: Profile;
let page: OpenPage;

beforeAll(async () => {
  served = await serveApp();
  profile = await openBrowser();
  page = await openPage(profile, served.url);
  await seeText(page, 'Kettle in the rain');
  await station(page, 'passes');
  await page.waitForSelector('[data-peg]');
});

afterAll(async () => {
  await profile.close();
  await served.close();
});

/** Notes of the passes, in order, by what they say is done. */
const titles = (): Promise<string[]> =>
  page.$$eval('.notes [data-pass] .title', (all) => all.map((title) => (title as HTMLElement).innerText));

const seeFinding = (id: string): Promise<unknown> => page.waitForSelector(`[data-finding="${id}"]`);
const seeNoFinding = (id: string): Promise<unknown> =>
  page.waitForFunction((key) => document.querySelector(`[data-finding="${key}"]`) === null, {}, id);

/** Presses the fix of what a check has found. */
const pressFix = (id: string): Promise<void> => page.locator(`[data-finding="${id}"] button`).click();

/** Drags the peg of a pass to so many seconds after the wash it goes into was laid. */
async function dragPeg(pass: string, into: string, afterS: number): Promise<void> {
  const box = await boxOf(page, `[data-peg=${pass}]`);
  const from = [box.x + 8, box.y + box.height / 2] as const;
  const to = await page.evaluate(
    ([act, seconds]) => {
      const line = document.querySelector('kd-drift-line svg')!.getBoundingClientRect();
      const laid = Number(document.querySelector(`[data-act=${String(act)}]`)!.getAttribute('data-laid'));
      const end = Number(document.querySelector('kd-drift-line svg')!.getAttribute('aria-valuemax'));
      const [left, right] = [92, 34];
      return line.left + left + ((laid + Number(seconds)) * (line.width - left - right)) / end;
    },
    [into, afterS],
  );
  await page.mouse.move(...from);
  await page.mouse.down();
  await page.mouse.move(to, from[1] + 3, { steps: 6 });
  if (process.env['SHOT']) await page.screenshot({ path: '/tmp/shot-peg.png' });
  await page.mouse.up();
}

it('passes are proposed, taken in one step, and undone in one', async () => {
  const before = await titles();
  await press(page, 'Propose the passes');
  await seeText(page, 'It would be:');
  await press(page, 'Take these passes');
  await page.waitForFunction(() => !document.body.innerText.includes('It would be:'));
  const proposed = await titles();
  expect(proposed).toContain('Float colour into the pane');
  await page.waitForSelector('[data-peg^=pane-charge]');
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press('u');
  await page.waitForSelector('[data-peg=cloud-charge]');
  expect(await titles()).toEqual(before);
});

it('a peg dragged into damp paper makes a bloom; one press mends it, and both steps are undone', async () => {
  const when = (): Promise<string> =>
    page.$eval('[data-pass=cloud-charge] .how', (how) => (how as HTMLElement).innerText);
  const before = await when();
  await page.locator('[data-pass=cloud-charge] .note').click();
  await choose(page, 'Water', 'a wet brush');
  await dragPeg('cloud-charge', 'rain-wash', 700);
  await seeFinding('backrun-risk');
  await seeFinding('charge-too-late');
  expect(await when()).not.toBe(before);
  await pressFix('backrun-risk');
  await seeNoFinding('backrun-risk');
  await pressFix('charge-too-late');
  await seeNoFinding('charge-too-late');
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press('u');
  await seeFinding('charge-too-late');
  await page.keyboard.press('u');
  await seeFinding('backrun-risk');
  await page.keyboard.press('u');
  await page.keyboard.press('u');
  await seeNoFinding('charge-too-late');
  expect(await when()).toBe(before);
  expect(page.faults).toEqual([]);
});

it('twelve copies are put in order with breaks, by keys alone, and it is undone', async () => {
  await tabTo(page, 'Several at once');
  await page.keyboard.press('Enter');
  await seeText(page, '1 copy in');
  await tabTo(page, 'Copies');
  await page.keyboard.type('12');
  await tabTo(page, 'Boards');
  await page.keyboard.type('4');
  await page.keyboard.press('Tab');
  await page.waitForFunction(() => /12 copies in .* put in/.test(document.body.innerText));
  const stages = await page.$$eval('kd-batch li', (all) =>
    all.map((stage) => (stage as HTMLElement).innerText),
  );
  expect(stages.some((stage) => stage.includes('Rest'))).toBe(true);
  expect(stages.some((stage) => stage.includes('Float colour into the pane'))).toBe(true);
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press('u');
  await page.keyboard.press('u');
  await seeText(page, '1 copy in');
  await press(page, 'Several at once');
});

it('what would be on a muggy day is shown beside what is planned, and taken and undone in one step', async () => {
  await press(page, 'What if');
  await choose(page, 'What if it were painted', 'on a muggy day');
  await page.waitForSelector('[data-testid=compared]');
  const dry = await page.$eval('[data-testid=compared] tbody tr', (row) =>
    [...row.querySelectorAll('td')].map((cell) => cell.innerText),
  );
  expect(dry[0]).not.toBe(dry[1]);
  await press(page, 'Plan it so');
  await seeText(page, '22 °C · 80 %');
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press('u');
  await seeText(page, '19.4 °C · 54 %');
  expect(page.faults).toEqual([]);
});

it('rules that cannot hold together are told with a way out, which is taken and undone', async () => {
  await station(page, 'whites');
  await choose(page, 'Mask goes on: steam', 'on after: Wet the pane');
  await station(page, 'passes');
  await seeFinding('charge-too-late');
  await press(page, 'Put in order');
  await seeText(page, 'These cannot hold together');
  const rules = await page.$$eval('kd-order li', (all) => all.map((rule) => (rule as HTMLElement).innerText));
  expect(rules).toHaveLength(3);
  expect(rules.some((rule) => rule.includes('has set'))).toBe(true);
  await seeText(page, '“Mask the steam” before “Wet the pane”');
  await press(page, 'Do that');
  await seeNoFinding('charge-too-late');
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press('u');
  await seeFinding('charge-too-late');
  await page.keyboard.press('u');
  await seeNoFinding('charge-too-late');
  expect(page.faults).toEqual([]);
});

it('another card is painted in the waits of this one', async () => {
  await press(page, 'Several at once');
  await seeText(page, '1 copy in');
  await choose(page, 'Painted together with', 'Heron at low tide');
  await page.waitForFunction(() =>
    /Kettle in the rain and Heron at low tide in .* one after the other/.test(document.body.innerText),
  );
  await tabTo(page, 'Boards');
  await page.keyboard.type('2');
  await page.keyboard.press('Tab');
  await page.waitForFunction(() =>
    [...document.querySelectorAll('kd-batch ol li')].some((stage) =>
      (stage as HTMLElement).innerText.includes('Heron at low tide'),
    ),
  );
  expect(await page.$$eval('kd-batch .evenings li', (all) => all.length)).toBeGreaterThan(0);
  await press(page, 'Without it');
  await seeText(page, '1 copy in');
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press('u');
  await press(page, 'Several at once');
});

it('some copies are painted otherwise, one pass in two mixes, and all of it is undone', async () => {
  await press(page, 'Several at once');
  await seeText(page, '1 copy in');
  await press(page, 'Paint some otherwise');
  await seeText(page, '1 “kind 1”');
  await write(page, '[data-testid=variant] kd-number-field input', '2');
  await choose(page, 'A pass that is painted otherwise', 'Float colour');
  await page.waitForFunction(() => /2 copies in/.test(document.body.innerText));
  await choose(page, 'How: Float colour into the pane', 'in kettle shade');
  await seeText(page, '2 “kind 1”');
  await press(page, 'Several at once');
  await page.locator('[data-pass=rain-wash] .note').click();
  await choose(page, 'Another mix in the same pass', 'kettle shade');
  await seeText(page, 'kettle shade at the bottom');
  await choose(page, 'How much of it is kettle shade', 'half of it');
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  for (let steps = 0; steps < 6; steps++) await page.keyboard.press('u');
  await page.waitForFunction(() => !document.body.innerText.includes('kettle shade at the bottom'));
  await press(page, 'Several at once');
  await page.waitForFunction(() => document.querySelector('[data-testid=variant]') === null);
  expect(page.faults).toEqual([]);
});
