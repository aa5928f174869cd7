import { readFileSync } from 'node:fs';
import { seeText, type OpenPage } from './browser';
import { longestTask, watchLongTasks } from './long-tasks';

/** What a rack full of cards takes of the page's time, ms. */
export interface RackTimes {
  readonly cards: number;
  readonly people: number;
  /** The longest task while the cards go up, once the page itself stands. */
  readonly puttingUpMs: number;
  /** The longest task while the rack is scrolled through and a title is written. */
  readonly inUseMs: number;
}

const DEMO = ['kettle-in-the-rain', 'quince-branch', 'heron-at-low-tide'].map(
  (name) => JSON.parse(readFileSync(`app/public/demo/${name}.json`, 'utf8')) as Record<string, unknown>,
);

/** Puts cards and people straight into the browser's database, as if they had been made there. */
async function fill(page: OpenPage, cards: number, people: number): Promise<void> {
  await page.evaluate(
    async (demo, cards, people) => {
      const db = await new Promise<IDBDatabase>((resolve, reject) => {
        const opening = indexedDB.open('kettle-drift');
        opening.onsuccess = () => resolve(opening.result);
        opening.onerror = () => reject(opening.error!);
      });
      const all = db.transaction(['plans', 'notes'], 'readwrite');
      for (let i = 0; i < cards; i++) {
        const plan = { ...demo[i % demo.length], id: `many-${i}`, title: `Card ${i}` };
        all.objectStore('plans').put({ id: plan.id, plan, seq: 0, changedAt: 0 });
      }
      const reading = all.objectStore('notes').get('studio') as IDBRequest<{
        key: string;
        value: Record<string, unknown>;
      }>;
      reading.onsuccess = () => {
        reading.result.value['people'] = Array.from({ length: people }, (_, i) => ({
          ...{ id: `person-${i}`, name: `Person ${i}` },
          days: [{ name: 'birthday', rule: { kind: 'date', month: 1 + (i % 12), day: 1 + (i % 28) } }],
        }));
        all.objectStore('notes').put(reading.result);
      };
      await new Promise((resolve, reject) => {
        all.oncomplete = resolve;
        all.onabort = reject;
      });
      db.close();
    },
    DEMO,
    cards,
    people,
  );
}

/** Fills a rack beside the demo's three cards, opens it, goes through it, and times the page's tasks. */
export async function rackTimes(
  page: OpenPage,
  url: string,
  cards: number,
  people: number,
): Promise<RackTimes> {
  await seeText(page, 'Kettle in the rain');
  await fill(page, cards - DEMO.length, people);
  await page.goto(`${url}/rack`);
  // The page itself, its menu and the first cards stand: what comes now comes of the number of cards.
  await page.waitForSelector('kd-house-menu button');
  await page.waitForSelector('.stand svg');
  await watchLongTasks(page);
  await page.waitForFunction((wanted) => document.querySelectorAll('.stand svg').length >= wanted, {}, cards);
  const puttingUpMs = await longestTask(page);
  await page.evaluate(async () => {
    const rails = document.querySelector('.rails')!;
    for (let step = 0; step < 60; step++) {
      rails.scrollTop += 100;
      await new Promise((resolve) => requestAnimationFrame(resolve));
    }
    rails.scrollTop = 0;
  });
  await page.type('[data-testid=title]', 'One more for the rack');
  return { cards, people, puttingUpMs, inUseMs: await longestTask(page) };
}
