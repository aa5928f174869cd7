import type { Page } from 'puppeteer-core';
import { station } from './browser';
import { boxOf } from './hand';

/** How soon the drift line follows a peg that is dragged, and how long the page was held up, ms. */
export interface PegFigures {
  readonly answers: number;
  readonly medianMs: number;
  readonly p95Ms: number;
  readonly longestTaskMs: number;
}

const STEPS = 60;
const STEP_MS = 40;

interface Watched {
  waits: number[];
  tasks: number[];
}

/** Drags the peg of a pass of the open card to and fro and watches when the drift line is drawn anew. */
export async function dragPegAbout(page: Page, pass: string): Promise<PegFigures> {
  await station(page, 'passes');
  const box = await boxOf(page, `[data-peg=${pass}]`);
  await page.evaluate(() => {
    const watched: Watched = { waits: [], tasks: [] };
    Object.assign(window, { watched });
    let since: number | null = null;
    const line = document.querySelector('kd-drift-line svg')!;
    line.addEventListener('pointermove', () => {
      since ??= performance.now();
    });
    new MutationObserver((changes) => {
      // The cursor follows at once; what is waited for are the pegs.
      if (since === null || !changes.some(({ target }) => (target as Element).closest('[data-peg]'))) return;
      const from = since;
      since = null;
      // What is drawn is seen with the next frame.
      requestAnimationFrame(() => watched.waits.push(performance.now() - from));
    }).observe(line, { subtree: true, attributes: true, childList: true });
    new PerformanceObserver((list) => {
      watched.tasks.push(...list.getEntries().map(({ duration }) => duration));
    }).observe({ entryTypes: ['longtask'] });
  });
  const from = [box.x + 8, box.y + box.height / 2] as const;
  await page.mouse.move(...from);
  await page.mouse.down();
  for (let i = 1; i <= STEPS; i++) {
    await page.mouse.move(from[0] + 10 + 120 * Math.abs(Math.sin(i / 9)), from[1]);
    await new Promise((resolve) => setTimeout(resolve, STEP_MS));
  }
  await page.keyboard.press('Escape');
  await page.mouse.up();
  const { waits, tasks } = await page.evaluate(() => (window as unknown as { watched: Watched }).watched);
  const sorted = [...waits].sort((a, b) => a - b);
  return {
    answers: waits.length,
    medianMs: sorted[Math.floor(sorted.length / 2)],
    p95Ms: sorted[Math.floor(0.95 * sorted.length)],
    longestTaskMs: Math.max(0, ...tasks),
  };
}
