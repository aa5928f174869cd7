import type { Page } from 'puppeteer-core';
import { applyPatches, enablePatches, type Patch } from 'immer';
import type { Plan } from '@kettle/core/document/plan';

enablePatches();

/** A row of the app's database, as it stands there. */
export const rowOf = (page: Page, table: string, key: IDBValidKey): Promise<unknown> =>
  page.evaluate(
    (table, key) =>
      new Promise((resolve, reject) => {
        const opening = indexedDB.open('kettle-drift');
        opening.onerror = () => reject(opening.error!);
        opening.onsuccess = () => {
          const getting = opening.result
            .transaction(table)
            .objectStore(table)
            .get(key) as IDBRequest<unknown>;
          getting.onsuccess = () => {
            opening.result.close();
            resolve(getting.result);
          };
        };
      }),
    table,
    key,
  );

/** Puts cards into the app's database as if they had been made there. */
export const putPlans = (page: Page, plans: readonly { readonly id: string }[]): Promise<void> =>
  page.evaluate(
    async (plans) => {
      const db = await new Promise<IDBDatabase>((resolve, reject) => {
        const opening = indexedDB.open('kettle-drift');
        opening.onsuccess = () => resolve(opening.result);
        opening.onerror = () => reject(opening.error!);
      });
      const writing = db.transaction('plans', 'readwrite');
      for (const plan of plans) writing.objectStore('plans').put({ id: plan.id, plan, seq: 0, changedAt: 0 });
      await new Promise((resolve, reject) => {
        writing.oncomplete = resolve;
        writing.onabort = reject;
      });
      db.close();
    },
    plans as { id: string }[],
  );

/** How many rows a table of the app's database has. */
export const rowsIn = (page: Page, table: string): Promise<number> =>
  page.evaluate(
    (table) =>
      new Promise<number>((resolve, reject) => {
        const opening = indexedDB.open('kettle-drift');
        opening.onerror = () => reject(opening.error!);
        opening.onsuccess = () => {
          const counting = opening.result.transaction(table).objectStore(table).count();
          counting.onsuccess = () => {
            opening.result.close();
            resolve(counting.result);
          };
        };
      }),
    table,
  );

/** Changes one value of a row of the app's database behind its back. */
export const spoilRow = (
  page: Page,
  table: string,
  key: string,
  path: readonly string[],
  value: unknown,
): Promise<unknown> =>
  page.evaluate(
    (table, key, path, value) =>
      new Promise((resolve, reject) => {
        const opening = indexedDB.open('kettle-drift');
        opening.onerror = () => reject(opening.error!);
        opening.onsuccess = () => {
          const writing = opening.result.transaction(table, 'readwrite');
          const store = writing.objectStore(table);
          const getting = store.get(key) as IDBRequest<Record<string, unknown>>;
          getting.onsuccess = () => {
            const row = getting.result;
            const inner = path.slice(0, -1).reduce((at, part) => at[part] as Record<string, unknown>, row);
            inner[path.at(-1)!] = value;
            store.put(row);
          };
          writing.oncomplete = () => {
            opening.result.close();
            resolve(null);
          };
        };
      }),
    table,
    key,
    path,
    value,
  );

/** Ends the tab's process at once: no unload, no farewell to the app. */
export async function kill(page: Page): Promise<void> {
  const session = await page.createCDPSession();
  const gone = new Promise((resolve) => page.once('error', resolve));
  void session.send('Page.crash').catch(() => undefined);
  // A process that goes too fast for its end to be told is gone all the same.
  await Promise.race([gone, new Promise((resolve) => setTimeout(resolve, 3000))]);
  await Promise.race([
    page.close().catch(() => undefined),
    new Promise((resolve) => setTimeout(resolve, 3000)),
  ]);
}

/** Puts a row into the app's database behind its back. */
export const putRow = (page: Page, table: string, row: object): Promise<unknown> =>
  page.evaluate(
    (table, row) =>
      new Promise((resolve, reject) => {
        const opening = indexedDB.open('kettle-drift');
        opening.onerror = () => reject(opening.error!);
        opening.onsuccess = () => {
          const writing = opening.result.transaction(table, 'readwrite');
          writing.objectStore(table).put(row);
          writing.oncomplete = () => {
            opening.result.close();
            resolve(null);
          };
        };
      }),
    table,
    row,
  );

/** A card as the database holds it now: what was saved whole, and the journal behind it. */
export async function planAt(page: Page, id: string): Promise<Plan> {
  const { saved, entries } = (await page.evaluate(
    (id) =>
      new Promise((resolve, reject) => {
        const opening = indexedDB.open('kettle-drift');
        opening.onerror = () => reject(opening.error!);
        opening.onsuccess = () => {
          const reading = opening.result.transaction(['plans', 'journal']);
          const plan = reading.objectStore('plans').get(id) as IDBRequest<Record<string, unknown>>;
          const journal = reading.objectStore('journal').getAll() as IDBRequest<
            { planId: string; seq: number }[]
          >;
          reading.oncomplete = () => {
            opening.result.close();
            if ((plan.result as object | undefined) === undefined) {
              reject(new Error(`there is no card ${id}`));
              return;
            }
            const { lines, ...row } = plan.result as {
              lines?: { ids: string[]; counts: Int32Array; values: Float64Array };
            };
            const packed = lines && { ids: lines.ids, counts: [...lines.counts], values: [...lines.values] };
            resolve({
              saved: { ...row, packed },
              entries: journal.result.filter(({ planId }) => planId === id),
            });
          };
        };
      }),
    id,
  )) as {
    saved: { plan: Plan; seq: number; packed?: { ids: string[]; counts: number[]; values: number[] } };
    entries: { seq: number; patches: Patch[] }[];
  };
  let at = 0;
  const lines = saved.packed?.ids.map((line, i) => ({
    id: line,
    points: Array.from({ length: saved.packed!.counts[i] }, () => saved.packed!.values.slice(at, (at += 3))),
  }));
  const whole = { ...saved.plan, ...(lines ? { lines } : {}) } as Plan;
  return entries
    .filter(({ seq }) => seq > saved.seq)
    .sort((a, b) => a.seq - b.seq)
    .reduce((plan, { patches }) => applyPatches(plan, patches), whole);
}
