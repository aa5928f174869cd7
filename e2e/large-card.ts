import type { Plan } from '@kettle/core/plan';
import { seeText, station, type openPage } from './browser';

type OpenPage = Awaited<ReturnType<typeof openPage>>;

/** What a large card takes of the page, ms. */
export interface LargeCard {
  /** From a change of its air until its findings stand. */
  readonly aheadMs: number;
  /** The longest the page was held while it was opened at its passes, changed, and worked out anew. */
  readonly longestTaskMs: number;
}

/** Puts a card into the browser's database as if it had been made there, opens it, changes its air, and times what follows. */
export async function largeCard(page: OpenPage, url: string, plan: Plan): Promise<LargeCard> {
  await seeText(page, 'Kettle in the rain');
  await page.evaluate(async (json) => {
    const plan = JSON.parse(json) as Plan;
    const db = await new Promise<IDBDatabase>((resolve, reject) => {
      const opening = indexedDB.open('kettle-drift');
      opening.onsuccess = () => resolve(opening.result);
      opening.onerror = () => reject(opening.error!);
    });
    const writing = db.transaction('plans', 'readwrite');
    writing.objectStore('plans').put({ id: plan.id, plan, seq: 0, changedAt: 0 });
    await new Promise((resolve, reject) => {
      writing.oncomplete = resolve;
      writing.onabort = reject;
    });
    db.close();
  }, JSON.stringify(plan));
  page.setDefaultTimeout(60_000);
  await page.goto(`${url}/card/${plan.id}/brief`);
  await page.waitForSelector('kd-stream .count');
  await page.evaluate(() => {
    const watch = window as unknown as { longestMs: number };
    watch.longestMs = 0;
    new PerformanceObserver((list) => {
      for (const { duration } of list.getEntries()) watch.longestMs = Math.max(watch.longestMs, duration);
    }).observe({ entryTypes: ['longtask'] });
  });
  await station(page, 'passes');
  await page.waitForSelector('kd-drift-line .span');
  await station(page, 'paper');
  const field = (await page.waitForSelector('[data-testid=rh]'))!;
  await field.click({ count: 3 });
  await page.keyboard.type('61');
  const changed = performance.now();
  await page.keyboard.press('Tab');
  await page.waitForSelector('kd-stream nav.old');
  await page.waitForSelector('kd-stream nav:not(.old)');
  const aheadMs = Math.round(performance.now() - changed);
  const longestTaskMs = await page.evaluate(() => (window as unknown as { longestMs: number }).longestMs);
  return { aheadMs, longestTaskMs };
}
