import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  openBrowser,
  openPage,
  press,
  seeText,
  serveApp,
  station,
  textOf,
  type Profile,
  type Served,
  type OpenPage,
} from './browser';

let served: Served;
let profile: Profile;
let page: OpenPage;

beforeAll(async () => {
  served = await serveApp();
  profile = await openBrowser();
  page = await openPage(profile, served.url);
  await seeText(page, 'Kettle in the rain');
  await station(page, 'sitting');
  await press(page, 'Sit down and start the clock');
});

afterAll(async () => {
  await profile.close();
  await served.close();
});

const act = (): Promise<string> => textOf(page, '[data-testid=act]');
const actIs = (title: string): Promise<unknown> =>
  page.waitForFunction(
    (wanted) => document.querySelector<HTMLElement>('[data-testid=act]')?.innerText === wanted,
    {},
    title,
  );

/** Seconds of the clock that stands in a text, `6:22` or `1:02:03`. */
function secondsIn(text: string): number {
  const [clock] = /\d+(?::\d\d)+/.exec(text) ?? [''];
  return clock.split(':').reduce((sum, part) => 60 * sum + Number(part), 0);
}

describe('a sitting', () => {
  it('goes on at the space bar, one act at a time', async () => {
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    for (const title of [
      'Lay ready: mixes, two jars, tissue',
      'Tape the sheet down',
      'Draw lightly in pencil',
      'Mask the steam',
      'Wash the sill',
    ]) {
      await actIs(title);
      await page.keyboard.press('Space');
    }
    await actIs('Wet the pane');
  });

  it('waits for the mask to set, and its clock runs', async () => {
    await seeText(page, 'Wait for the mask on the steam');
    const first = secondsIn(await textOf(page, '[data-testid=wait]'));
    expect(first).toBeGreaterThan(300);
    await page.waitForFunction(
      (was) => {
        const text = document.querySelector<HTMLElement>('[data-testid=wait]')?.innerText ?? '';
        return text !== was;
      },
      {},
      await textOf(page, '[data-testid=wait]'),
    );
    expect(secondsIn(await textOf(page, '[data-testid=wait]'))).toBeLessThan(first);
  });

  it('does not go on at the space bar while it waits', async () => {
    await page.keyboard.press('Space');
    expect(await act()).toBe('Wet the pane');
  });

  it('is still there, clocks and all, after a reload', async () => {
    const before = secondsIn(await textOf(page, '.wet[data-area=sill] .left'));
    await page.reload({ waitUntil: 'networkidle0' });
    await actIs('Wet the pane');
    const after = secondsIn(await textOf(page, '.wet[data-area=sill] .left'));
    expect(after).toBeLessThanOrEqual(before);
    expect(after).toBeGreaterThan(before - 30);
  });

  it('believes the painter: set now, dry now', async () => {
    await page.keyboard.press('d');
    await page.waitForSelector('[data-testid=done]');
    for (const title of ['Wet the pane', 'Float colour into the pane', 'Charge the pane']) {
      await actIs(title);
      await page.keyboard.press('Space');
    }
    await actIs('Wash the kettle');
    await seeText(page, 'Wait for the pane');
    const predicted = secondsIn(await textOf(page, '[data-testid=wait]'));
    expect(predicted).toBeGreaterThan(1200);
    await page.keyboard.press('d');
    await seeText(page, 'Wait for the sill');
  });

  it('undoes a press by mistake', async () => {
    await page.keyboard.press('u');
    await seeText(page, 'Wait for the pane');
    expect(page.faults).toEqual([]);
  });

  it('shows in the band what is next to be dry', async () => {
    expect(await textOf(page, '.air')).toMatch(/next dry: \w+, \d+:\d\d/);
  });
});
