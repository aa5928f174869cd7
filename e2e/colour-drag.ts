import type { Page } from 'puppeteer-core';
import { press, station } from './browser';
import { dragFigures, watchDrag, type DragFigures } from './drag-watch';
import { boxOf } from './hand';

const STEPS = 40;

/** Between two steps of the hand, ms: so far apart that each has its own answer. */
const STEP_MS = 120;

/** Drags a wanted colour across the plane of the open card and watches when its answer stands on the page. */
export async function dragWanted(page: Page): Promise<DragFigures> {
  await station(page, 'colours');
  await press(page, 'Wanted');
  await page.waitForSelector('[data-testid=found]');
  await watchDrag(page, '[data-testid=plane] svg', '[data-testid=found]');
  const box = await boxOf(page, '[data-testid=plane] svg');
  const at = (i: number): [number, number] => {
    const turn = (2 * Math.PI * i) / 13;
    const out = 0.12 + (0.25 * i) / STEPS;
    return [
      box.x + box.width * (0.5 + out * Math.cos(turn)),
      box.y + box.height * (0.5 + out * Math.sin(turn)),
    ];
  };
  await page.mouse.move(...at(0));
  await page.mouse.down();
  for (let i = 1; i <= STEPS; i++) {
    await page.mouse.move(...at(i));
    await new Promise((resolve) => setTimeout(resolve, STEP_MS));
  }
  await page.mouse.up();
  return dragFigures(page);
}
