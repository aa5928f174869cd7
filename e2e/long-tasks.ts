import type { Page } from 'puppeteer-core';

interface Watch {
  longestMs: number;
}

/** From now on the page keeps how long it was held up at most. */
export const watchLongTasks = (page: Page): Promise<void> =>
  page.evaluate(() => {
    const watch = window as unknown as Watch;
    watch.longestMs = 0;
    new PerformanceObserver((list) => {
      for (const { duration } of list.getEntries()) watch.longestMs = Math.max(watch.longestMs, duration);
    }).observe({ entryTypes: ['longtask'] });
  });

/** The longest task since it was watched, or asked last, ms; 0 where none took 50. */
export const longestTask = (page: Page): Promise<number> =>
  page.evaluate(() => {
    const watch = window as unknown as Watch;
    const { longestMs } = watch;
    watch.longestMs = 0;
    return longestMs;
  });
