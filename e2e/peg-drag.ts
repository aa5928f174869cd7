import type { Page } from 'puppeteer-core';
import { station } from './browser';
import { dragFigures, watchDrag, type DragFigures } from './drag-watch';
import { boxOf } from './hand';

const STEPS = 60;
const STEP_MS = 40;

/** Drags the peg of a pass of the open card to and fro and watches when the drift line is drawn anew. */
export async function dragPegAbout(page: Page, pass: string): Promise<DragFigures> {
  await station(page, 'passes');
  const box = await boxOf(page, `[data-peg=${pass}]`);
  await watchDrag(page, 'kd-drift-line svg', 'kd-drift-line svg');
  const from = [box.x + 8, box.y + box.height / 2] as const;
  await page.mouse.move(...from);
  await page.mouse.down();
  for (let i = 1; i <= STEPS; i++) {
    await page.mouse.move(from[0] + 10 + 120 * Math.abs(Math.sin(i / 9)), from[1]);
    await new Promise((resolve) => setTimeout(resolve, STEP_MS));
  }
  await page.keyboard.press('Escape');
  await page.mouse.up();
  return dragFigures(page);
}
