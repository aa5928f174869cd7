import type { Page } from 'puppeteer-core';
import { press, station } from './browser';
import { boxOf } from './hand';

/** How soon the dish answers to a colour that is dragged, and how long the page was held up, ms. */
export interface DragFigures {
  readonly answers: number;
  readonly medianMs: number;
  readonly p95Ms: number;
  readonly longestTaskMs: number;
}

const STEPS = 40;

/** Between two steps of the hand, ms: so far apart that each has its own answer. */
const STEP_MS = 120;

interface Watched {
  waits: number[];
  tasks: number[];
}

/** Drags a wanted colour across the plane of the open card and watches when its answer stands on the page. */
export async function dragWanted(page: Page): Promise<DragFigures> {
  await station(page, 'colours');
  await press(page, 'Wanted');
  await page.waitForSelector('[data-testid=found]');
  await page.evaluate(() => {
    const watched: Watched = { waits: [], tasks: [] };
    Object.assign(window, { watched });
    let since: number | null = null;
    document.querySelector('[data-testid=plane] svg')!.addEventListener('pointermove', () => {
      since ??= performance.now();
    });
    new MutationObserver(() => {
      if (since === null) return;
      const from = since;
      since = null;
      // What is written is seen with the next frame.
      requestAnimationFrame(() => watched.waits.push(performance.now() - from));
    }).observe(document.querySelector('[data-testid=found]')!, {
      subtree: true,
      characterData: true,
      childList: true,
    });
    new PerformanceObserver((list) => {
      watched.tasks.push(...list.getEntries().map(({ duration }) => duration));
    }).observe({ entryTypes: ['longtask'] });
  });
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
  const { waits, tasks } = await page.evaluate(() => (window as unknown as { watched: Watched }).watched);
  const sorted = [...waits].sort((a, b) => a - b);
  return {
    answers: waits.length,
    medianMs: sorted[Math.floor(sorted.length / 2)],
    p95Ms: sorted[Math.floor(0.95 * sorted.length)],
    longestTaskMs: Math.max(0, ...tasks),
  };
}
