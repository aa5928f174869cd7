import { mkdtempSync, readdirSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { BoundingBox, Page } from 'puppeteer-core';
import { clickFound } from './browser';

/** Chooses an option of the list with this name. */
export async function choose(page: Page, list: string, option: string): Promise<void> {
  const field = `[aria-label="${list}"]`;
  // A list closes as the page is scrolled, and the scrolling that brings it into view is told late.
  await (await page.waitForSelector(field))!.scrollIntoView();
  await boxOf(page, field);
  await clickFound(async () => (await page.waitForSelector(field))!);
  await clickFound(() => page.waitForFunction(optionNamed, {}, option));
  await page.waitForFunction(() => document.querySelector('.p-select-overlay') === null);
}

const optionNamed = (wanted: string): HTMLElement | null =>
  [...document.querySelectorAll<HTMLElement>('[role=option]')].find((o) =>
    o.innerText.trim().startsWith(wanted),
  ) ?? null;

/** Writes into a field as at a keyboard, in place of what stands there. */
export async function write(page: Page, selector: string, text: string): Promise<void> {
  await page.locator(selector).click({ count: 3 });
  await page.keyboard.type(text);
  await page.keyboard.press('Tab');
}

/** The same where what stands above the field still grows, and a click might miss it. */
export async function retype(page: Page, selector: string, text: string): Promise<void> {
  const field = await page.waitForSelector(selector, { visible: true });
  await field!.evaluate((input) => {
    (input as HTMLInputElement).focus();
    (input as HTMLInputElement).select();
  });
  await page.keyboard.type(text);
  await page.keyboard.press('Tab');
}

const MOST_TABS = 120;

/** Goes with the Tab key to the first thing whose name or words begin like this; among radios with the arrows. */
export async function tabTo(page: Page, name: string): Promise<void> {
  for (let tabs = 0; tabs < MOST_TABS; tabs++) {
    await page.keyboard.press('Tab');
    if (await isAt(page, name)) return;
    const along = await radiosTo(page, name);
    for (let n = 0; n < along; n++) await page.keyboard.press('ArrowRight');
    if (along > 0) return;
  }
  throw new Error(`“${name}” is not reached by ${MOST_TABS} tabs`);
}

/** Whether the name or the words of what has the focus begin like this. */
const isAt = (page: Page, name: string): Promise<boolean> =>
  page.evaluate((wanted) => {
    const at = document.activeElement as HTMLElement | null;
    const label = at instanceof HTMLInputElement ? (at.labels?.[0]?.innerText ?? '') : '';
    return [at?.getAttribute('aria-label'), at?.innerText, label].some((words) =>
      words?.trim().startsWith(wanted),
    );
  }, name);

/** How many radios further in the group that has the focus one stands whose words begin like this; 0 if none does. */
const radiosTo = (page: Page, name: string): Promise<number> =>
  page.evaluate((wanted) => {
    const group = document.activeElement?.closest('kd-held-row');
    const radios = [...(group?.querySelectorAll<HTMLElement>('[role=radio]') ?? [])];
    const from = radios.findIndex((radio) => radio === document.activeElement);
    const to = radios.findIndex((radio) => radio.innerText.trim().startsWith(wanted));
    return to < 0 ? 0 : (to - from + radios.length) % radios.length;
  }, name);

/** Where a thing stands on the page, px, once it stands still: a dialog grows as it opens, and a list pushes what is below. */
export async function boxOf(page: Page, selector: string): Promise<BoundingBox> {
  const seen = async (): Promise<BoundingBox> =>
    (await (await page.waitForSelector(selector))!.boundingBox())!;
  for (let before = await seen(); ;) {
    await new Promise((resolve) => setTimeout(resolve, STILL_MS));
    const now = await seen();
    if (
      now.x === before.x &&
      now.y === before.y &&
      now.width === before.width &&
      now.height === before.height
    )
      return now;
    before = now;
  }
}

/** What has not moved for so long stands still. */
const STILL_MS = 120;

/** Points of a pen on the board: fractions of its width and height, and pressure. */
export type PenPoint = readonly [x: number, y: number, pressure: number];

/** A pen on the drawing board, with pressure and tilt, as the browser's own protocol sends it. */
export class Pen {
  private at: PenPoint = [0, 0, 0];

  private constructor(
    private readonly send: (
      type: 'mousePressed' | 'mouseMoved' | 'mouseReleased',
      point: PenPoint,
    ) => Promise<void>,
  ) {}

  static async on(page: Page, selector: string): Promise<Pen> {
    const session = await page.createCDPSession();
    const box = await boxOf(page, selector);
    return new Pen((type, [x, y, force]) =>
      session.send('Input.dispatchMouseEvent', {
        type,
        x: box.x + x * box.width,
        y: box.y + y * box.height,
        button: 'left',
        buttons: type === 'mouseReleased' ? 0 : 1,
        clickCount: 1,
        pointerType: 'pen',
        force,
        tiltX: 20,
        tiltY: -10,
      }),
    );
  }

  async down(point: PenPoint): Promise<void> {
    this.at = point;
    await this.send('mousePressed', point);
  }

  async move(point: PenPoint): Promise<void> {
    this.at = point;
    await this.send('mouseMoved', point);
  }

  async up(): Promise<void> {
    await this.send('mouseReleased', this.at);
  }

  async stroke(points: readonly PenPoint[]): Promise<void> {
    await this.down(points[0]);
    for (const point of points.slice(1)) await this.move(point);
    await this.up();
  }
}

/** A folder into which the page's downloads fall, and the way to wait for one. */
export async function downloads(page: Page): Promise<(ending: string) => Promise<Uint8Array>> {
  const folder = mkdtempSync(join(tmpdir(), 'kettle-files-'));
  const session = await page.browser().target().createCDPSession();
  await session.send('Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: folder });
  return async (ending) => {
    for (let tries = 0; tries < 200; tries++) {
      const name = readdirSync(folder).find((file) => file.endsWith(ending));
      const bytes = name ? new Uint8Array(readFileSync(join(folder, name))) : null;
      if (bytes && bytes.length > 0) return bytes;
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    throw new Error(`no ${ending} file came down within 20 s`);
  };
}
