import { namedByPage, withImports } from '../scripts/program-files.mjs';
import type { Profile } from './browser';

/** Bytes over the wire on a very first visit, as the browser counted them (packed bodies with headers). */
export interface FirstVisit {
  /** Page, and the scripts and styles it loads at once. */
  readonly initialScriptsAndStyles: number;
  readonly fonts: number;
  /** Scripts the first screen, the demo card's Passes, loads on demand. */
  readonly lazyScripts: number;
  readonly worker: number;
  readonly other: number;
}

/** Opens the app as nobody has before, and adds up what comes until the demo card stands on the table. */
export async function firstVisit({ browser }: Profile, url: string): Promise<FirstVisit> {
  const page = await browser.newPage();
  const session = await page.createCDPSession();
  await session.send('Network.enable');
  const paths = new Map<string, string>();
  const bytes = new Map<string, number>();
  session.on('Network.responseReceived', ({ requestId, response }) =>
    paths.set(requestId, new URL(response.url).pathname),
  );
  session.on('Network.loadingFinished', ({ requestId, encodedDataLength }) =>
    bytes.set(requestId, encodedDataLength),
  );
  await page.goto(url, { waitUntil: 'networkidle0' });
  await page.waitForSelector('.span[data-act=sill-wash]');
  const worker = await workerBytes(
    url,
    await page.evaluate(() => performance.getEntriesByType('resource').map((e) => e.name)),
  );
  await page.close();
  const initial = withImports(namedByPage());
  const sum = { initialScriptsAndStyles: 0, fonts: 0, lazyScripts: 0, worker, other: 0 };
  for (const [id, path] of paths) {
    const size = bytes.get(id) ?? 0;
    if (path === '/' || initial.has(path.slice(1))) sum.initialScriptsAndStyles += size;
    else if (path.endsWith('.woff2')) sum.fonts += size;
    else if (path.startsWith('/worker-')) continue;
    else if (path.endsWith('.js')) sum.lazyScripts += size;
    else sum.other += size;
  }
  return sum;
}

/** How long it takes until the demo card's passes stand, to a browser that has never been here, ms. */
export async function standsAfterMs({ browser }: Profile, url: string): Promise<number> {
  const page = await browser.newPage();
  const begun = performance.now();
  await page.goto(`${url}/card/kettle-in-the-rain/passes`, { waitUntil: 'domcontentloaded' });
  await page.waitForSelector('.span[data-act=sill-wash]');
  return Math.round(performance.now() - begun);
}

/** A worker's script is fetched outside the page's own network log; asked for again, packed. */
async function workerBytes(url: string, loaded: string[]): Promise<number> {
  const script = loaded.find((name) => /\/worker-[A-Z0-9]+\.js$/.test(name));
  if (!script) return 0;
  const answer = await fetch(new URL(new URL(script).pathname, url), {
    headers: { 'accept-encoding': 'br' },
  });
  return Number(answer.headers.get('content-length')) || (await answer.arrayBuffer()).byteLength;
}
