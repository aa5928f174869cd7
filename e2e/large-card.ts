import type { Plan } from '@kettle/core/document/plan';
import { seeText, station, type OpenPage } from './browser';
import { putPlans } from './database';
import { longestTask, watchLongTasks } from './long-tasks';

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
  await putPlans(page, [plan]);
  page.setDefaultTimeout(60_000);
  await page.goto(`${url}/card/${plan.id}/brief`);
  await page.waitForSelector('kd-stream .count');
  await watchLongTasks(page);
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
  return { aheadMs, longestTaskMs: await longestTask(page) };
}
