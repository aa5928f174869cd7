import { readFileSync } from 'node:fs';
import { press, seeText, type OpenPage } from './browser';
import { boxOf } from './hand';

/** How a fully wet 5 × 7 in sheet follows the pen. */
export interface PaintingSpeed {
  readonly cellMm: number;
  readonly places: number;
  /** From the pen to the first change of the paper under it, in the next frame, ms. */
  readonly medianMs: number;
  readonly p95Ms: number;
  /** The paper’s clock against the wall’s while strokes lasted. */
  readonly realTime: number;
  readonly longestTaskMs: number;
}

const WIDTH_MM = 178;
const HEIGHT_MM = 127;

const DEMO = JSON.parse(readFileSync('app/public/demo/kettle-in-the-rain.json', 'utf8')) as {
  readonly mixes: readonly { readonly parts: readonly { readonly pigment: string }[] }[];
  readonly palette: readonly string[];
} & Record<string, unknown>;

/** Three pigments of the demo card’s dish lie in the wash, and it is painted on with them. */
const PIGMENTS = [
  ...new Set([...DEMO.mixes.flatMap(({ parts }) => parts.map(({ pigment }) => pigment)), ...DEMO.palette]),
].slice(0, 3);

/** The demo card painted at this size, with a sheet that is wet all over. */
export const wetCard = (cellMm: number, acts: readonly object[] = []) => ({
  ...DEMO,
  ...{ id: `wet-${cellMm * 100}`, title: 'Wet all over' },
  crop: { painting: { widthMm: WIDTH_MM, heightMm: HEIGHT_MM }, frames: [], chosen: null },
  trials: [
    {
      ...{ id: 'wet', name: 'wet all over', note: '', cellMm, seed: 1 },
      ...{ widthMm: WIDTH_MM, heightMm: HEIGHT_MM, paper: DEMO['paper'], climate: DEMO['climate'] },
      pigments: PIGMENTS,
      acts: [
        {
          ...{ onto: 'dry', waterMl: 2 },
          act: {
            ...{ atS: 0, kind: 'wash', filmUm: 150, shape: { rect: [0, 0, WIDTH_MM, HEIGHT_MM] } },
            pigments: PIGMENTS.map((pigment) => ({ pigment, gm2: 0.1 })),
          },
        },
        ...acts,
      ],
    },
  ],
});

/** Puts a card into the browser’s database and lays its sheet on the painting table. */
export async function layCard(page: OpenPage, url: string, plan: { readonly id: string }): Promise<void> {
  await page.evaluate(async (card) => {
    const db = await new Promise<IDBDatabase>((resolve, reject) => {
      const opening = indexedDB.open('kettle-drift');
      opening.onsuccess = () => {
        resolve(opening.result);
      };
      opening.onerror = () => {
        reject(opening.error!);
      };
    });
    const all = db.transaction(['plans'], 'readwrite');
    all.objectStore('plans').put({ id: card.id, plan: card, seq: 0, changedAt: 0 });
    await new Promise((resolve, reject) => {
      all.oncomplete = resolve;
      all.onabort = reject;
    });
    db.close();
  }, plan);
  await page.goto(`${url}/card/${plan.id}/passes`, { waitUntil: 'networkidle0' });
  await page.waitForFunction(() => document.body.innerText.includes('Paint it by hand'));
  await press(page, 'Paint it by hand');
  await page.waitForFunction(() => document.querySelector('[data-at-s]') !== null, { timeout: 120_000 });
}

/** Follows the pen from its events to the pixels under it. */
async function watch(page: OpenPage): Promise<void> {
  await page.evaluate(() => {
    const sheet = document.querySelector<HTMLCanvasElement>('.board-sheet')!;
    const pen = sheet.getContext('2d')!;
    const shown = pen.getImageData(0, 0, sheet.width, sheet.height).data;
    const waiting: { at: number; ms: number }[] = [];
    const taken: number[] = [];
    const longest = { ms: 0 };
    Object.assign(window, { taken, longest });
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries()) longest.ms = Math.max(longest.ms, entry.duration);
    }).observe({ type: 'longtask' });
    const put = pen.putImageData.bind(pen);
    pen.putImageData = (...args: unknown[]) => {
      const [pixels, left, top] = args as [ImageData, number, number];
      put(pixels, left, top);
      for (let i = 0; i < pixels.width * pixels.height; i++) {
        const at = 4 * ((top + Math.floor(i / pixels.width)) * sheet.width + left + (i % pixels.width));
        let change = 0;
        for (let channel = 0; channel < 3; channel++) {
          change += Math.abs(shown[at + channel] - pixels.data[4 * i + channel]);
          shown[at + channel] = pixels.data[4 * i + channel];
        }
        if (change < 6) continue;
        for (let k = waiting.length - 1; k >= 0; k--)
          if (waiting[k].at === at) {
            const [{ ms }] = waiting.splice(k, 1);
            requestAnimationFrame(() => taken.push(performance.now() - ms));
          }
      }
    };
    for (const kind of ['pointerdown', 'pointermove'] as const)
      document.querySelector('[data-testid=painting-board]')!.addEventListener(
        kind,
        (event) => {
          const { clientX, clientY, timeStamp, buttons } = event as PointerEvent;
          if (buttons === 0) return;
          const box = sheet.getBoundingClientRect();
          const column = Math.floor(((clientX - box.x) / box.width) * sheet.width);
          const row = Math.floor(((clientY - box.y) / box.height) * sheet.height);
          waiting.push({ at: 4 * (row * sheet.width + column), ms: timeStamp });
        },
        true,
      );
  });
}

const STROKES = 14;
const PLACES = 60;
const EVERY_MS = 14;

/** Paints strokes of dark colour all over a wet sheet, as a pen sends them. */
export async function paintingSpeed(
  page: OpenPage,
  url: string,
  cellMm: number,
  strokes = STROKES,
): Promise<PaintingSpeed> {
  await seeText(page, 'Kettle in the rain');
  await layCard(page, url, wetCard(cellMm));
  await press(page, 'low cloud');
  await watch(page);
  const session = await page.createCDPSession();
  const box = await boxOf(page, '.board-sheet');
  const send = (type: 'mousePressed' | 'mouseMoved' | 'mouseReleased', x: number, y: number) =>
    session.send('Input.dispatchMouseEvent', {
      ...{ type, x: box.x + x * box.width, y: box.y + y * box.height, button: 'left' as const },
      ...{ buttons: type === 'mouseReleased' ? 0 : 1, clickCount: 1, pointerType: 'pen', force: 0.7 },
    });
  const atS = (): Promise<number> =>
    page.$eval('[data-at-s]', (element) => Number(element.getAttribute('data-at-s')));
  let [paperS, wallS] = [0, 0];
  for (let stroke = 0; stroke < strokes; stroke++) {
    const y = 0.1 + (0.8 * stroke) / strokes;
    await send('mousePressed', 0.1, y);
    await new Promise((resolve) => setTimeout(resolve, 150));
    const [fromS, fromMs] = [await atS(), performance.now()];
    for (let place = 1; place <= PLACES; place++) {
      const due = fromMs + place * EVERY_MS;
      await send('mouseMoved', 0.1 + (0.8 * place) / PLACES, y + 0.02 * Math.sin(place / 4));
      await new Promise((resolve) => setTimeout(resolve, Math.max(0, due - performance.now())));
    }
    [paperS, wallS] = [paperS + (await atS()) - fromS, wallS + (performance.now() - fromMs) / 1000];
    await send('mouseReleased', 0.9, y);
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  const { taken, longest } = await page.evaluate(() => {
    const { taken, longest } = window as unknown as { taken: number[]; longest: { ms: number } };
    return { taken, longest };
  });
  const sorted = [...taken].sort((a, b) => a - b);
  return {
    cellMm,
    places: sorted.length,
    medianMs: sorted[Math.floor(sorted.length / 2)],
    p95Ms: sorted[Math.floor(0.95 * sorted.length)],
    realTime: paperS / wallS,
    longestTaskMs: longest.ms,
  };
}
