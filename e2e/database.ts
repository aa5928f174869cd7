import type { Page } from 'puppeteer-core';

/** A row of the app's database, as it stands there. */
export const rowOf = (page: Page, table: string, key: string): Promise<unknown> =>
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
  await gone;
  await page.close().catch(() => undefined);
}
