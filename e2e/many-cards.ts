import { readFileSync } from 'node:fs';
import { seeText, type OpenPage } from './browser';
import { putPlans } from './database';

const DEMO = ['kettle-in-the-rain', 'quince-branch', 'heron-at-low-tide'].map(
  (name) => JSON.parse(readFileSync(`app/public/demo/${name}.json`, 'utf8')) as Record<string, unknown>,
);

/** What a studio of many cards takes. */
export interface ManyCards {
  readonly cards: number;
  /** From the address of one card to the card on the table, ms. */
  readonly opensMs: number;
  /** From the address of the rack to the last evening of the last card, ms. */
  readonly eveningsMs: number;
}

/** Puts so many cards beside the demo's, as if they had been made there. */
export const fillStudio = (page: OpenPage, cards: number): Promise<void> =>
  putPlans(
    page,
    Array.from({ length: cards }, (_, i) => ({
      ...DEMO[i % DEMO.length],
      ...{ id: `many-${i}`, title: `Card ${i}` },
    })),
  );

/** Times a full studio: one card opened directly, and the rack's evenings. */
export async function manyCards(page: OpenPage, url: string, cards: number): Promise<ManyCards> {
  await seeText(page, 'Kettle in the rain');
  await fillStudio(page, cards);
  page.setDefaultTimeout(60_000);
  const opens = performance.now();
  await page.goto(`${url}/card/many-${cards - 1}/brief`);
  await page.waitForSelector('kd-stream');
  const opensMs = performance.now() - opens;
  const rack = performance.now();
  await page.goto(`${url}/rack`);
  await page.waitForFunction(
    (wanted) =>
      [...document.querySelectorAll<HTMLElement>('.evening')].filter((p) => p.innerText !== '').length >=
      wanted,
    { polling: 100 },
    cards,
  );
  const eveningsMs = performance.now() - rack;
  return { cards, opensMs: Math.round(opensMs), eveningsMs: Math.round(eveningsMs) };
}
/** What the page's heap and its nodes grew by over so many visits, after everything not needed has been let go. */
export interface Leak {
  readonly visits: number;
  readonly grownMB: number;
  readonly nodes: number;
}

/** So many visits of the rack until all is loaded, */
const RACK_WARM_UP = 6;
/** and of a station until the engine has also compiled what is used often: 1.8 MB of machine code and nothing else. */
const STATIONS_WARM_UP = 96;

/** Goes to and fro within the app, and measures what stays behind. */
export async function leakOf(
  page: OpenPage,
  warmUp: number,
  visits: number,
  visit: (n: number) => Promise<void>,
): Promise<Leak> {
  const session = await page.createCDPSession();
  await session.send('HeapProfiler.enable');
  const measure = async (): Promise<{ heap: number; nodes: number }> => {
    for (let i = 0; i < 3; i++) await session.send('HeapProfiler.collectGarbage');
    const { usedSize } = await session.send('Runtime.getHeapUsage');
    const { nodes } = await session.send('Memory.getDOMCounters');
    return { heap: usedSize, nodes };
  };
  // What is loaded and compiled once is no leak.
  for (let n = 0; n < warmUp; n++) await visit(n);
  const before = await measure();
  for (let n = 0; n < visits; n++) await visit(n);
  const after = await measure();
  return {
    visits,
    grownMB: Math.round((after.heap - before.heap) / 1e4) / 100,
    nodes: after.nodes - before.nodes,
  };
}

const STATIONS = ['brief', 'paper', 'sketch', 'whites', 'colours', 'passes', 'sitting', 'finish'];

/** Visits of the rack, and changes of station, and what they leave behind. */
export async function leaks(
  page: OpenPage,
  visits: number,
  changes: number,
): Promise<Record<string, number>> {
  await seeText(page, 'Kettle in the rain');
  // Nothing of the page may stay in the hand of whoever looks at it.
  const stands = async (selector: string): Promise<void> => {
    const seen = await page.waitForFunction((s) => document.querySelector(s) !== null, {}, selector);
    await seen.dispose();
    await new Promise((resolve) => setTimeout(resolve, 60));
  };
  const goTo = async (path: string, selector: string): Promise<void> => {
    await page.evaluate((to) => {
      history.pushState({}, '', to);
      dispatchEvent(new PopStateEvent('popstate'));
    }, path);
    await stands(selector);
  };
  const rack = await leakOf(page, RACK_WARM_UP, visits, async () => {
    await goTo('/rack', '.stand svg');
    await goTo('/card/quince-branch/brief', '.sentence');
  });
  const stations = await leakOf(page, STATIONS_WARM_UP, changes, (n) => {
    const station = STATIONS[n % STATIONS.length];
    return goTo(`/card/quince-branch/${station}`, `a.here[data-station=${station}]`);
  });
  return {
    ...{ rackVisits: visits, rackGrownMB: rack.grownMB, rackNodes: rack.nodes },
    ...{ stationChanges: changes, stationsGrownMB: stations.grownMB, stationNodes: stations.nodes },
  };
}
