import { readFileSync } from 'node:fs';
import { seeText, type OpenPage } from './browser';
import { boxOf, Pen, type PenPoint } from './hand';

/** What a sketch of many strokes takes of the page's time, ms: a frame's main thread in the middle, and the longest task. */
export interface StrokeTimes {
  readonly doing: 'drawing' | 'pushing' | 'zooming';
  readonly frames: number;
  readonly medianFrameMs: number;
  readonly longestTaskMs: number;
}

const DEMO = JSON.parse(readFileSync('app/public/demo/kettle-in-the-rain.json', 'utf8')) as Record<
  string,
  unknown
>;

type Point = readonly [x: number, y: number, pressure: number];

const strokesOf = (count: number): { id: string; points: Point[] }[] =>
  Array.from({ length: count }, (_, i) => {
    const [x, y] = [4 + (i % 60) * 2.3, 4 + Math.floor(i / 60) * 1.85];
    return {
      id: `line-${i}`,
      points: Array.from({ length: 14 }, (_, n): Point => [
        Math.round(100 * (x + 2 * Math.sin(0.7 * n + i))) / 100,
        Math.round(100 * (y + 0.2 * n)) / 100,
        0.3 + (0.4 * n) / 14,
      ]),
    };
  });

/** A card with much on it, the station it is drawn on, and what stands there once it is open. */
export interface ManyStrokes {
  readonly station: 'sketch' | 'whites';
  readonly seen: string;
  readonly change: object;
}

/** So many lines of pencil. */
export const manyLines = (count: number): ManyStrokes => ({
  station: 'sketch',
  seen: `of ${count} lines`,
  change: { lines: strokesOf(count).map((line) => ({ ...line, kind: 'pencil' })) },
});

/** So many strokes of a masking pen, and so many drops of spatter. */
export const manyMasks = (strokes: number, drops: number): ManyStrokes => ({
  station: 'whites',
  seen: 'In the hand: ruling pen',
  change: {
    resists: [
      {
        ...{ id: 'spray', name: 'spray', tool: 'toothbrush', strokes: [] },
        drops: Array.from({ length: drops }, (_, i) => [
          Math.round(100 * (2 + ((i * 7.31) % 142))) / 100,
          Math.round(100 * (2 + ((i * 3.17) % 95))) / 100,
          0.2 + ((i * 13) % 60) / 100,
        ]),
      },
      { ...{ id: 'pen', name: 'ruling pen', tool: 'ruling-pen', drops: [] }, strokes: strokesOf(strokes) },
    ],
    acts: (DEMO['acts'] as { areas: string[]; chore?: string }[]).map((act) =>
      act.chore === 'mask-on' || act.chore === 'mask-off'
        ? { ...act, areas: [...act.areas, 'spray', 'pen'] }
        : act,
    ),
  },
});

/** Puts a card into the browser's database, as if all on it had been drawn. */
async function put(page: OpenPage, change: object): Promise<void> {
  const plan = { ...DEMO, id: 'many-strokes', title: 'Many strokes', ...change };
  await page.evaluate(async (plan) => {
    const db = await new Promise<IDBDatabase>((resolve, reject) => {
      const opening = indexedDB.open('kettle-drift');
      opening.onsuccess = () => resolve(opening.result);
      opening.onerror = () => reject(opening.error!);
    });
    const all = db.transaction(['plans'], 'readwrite');
    all.objectStore('plans').put({ id: plan.id, plan, seq: 0, changedAt: 0 });
    await new Promise((resolve, reject) => {
      all.oncomplete = resolve;
      all.onabort = reject;
    });
    db.close();
  }, plan);
}

interface TraceEvent {
  readonly name: string;
  readonly ph: string;
  readonly ts: number;
  readonly dur?: number;
  readonly tid: number;
  readonly pid: number;
  readonly args: { readonly name?: string };
}

/** Main thread of the page by frames, out of the browser's own trace. */
function framesOf(trace: Uint8Array, doing: StrokeTimes['doing']): StrokeTimes {
  const { traceEvents } = JSON.parse(new TextDecoder().decode(trace)) as { traceEvents: TraceEvent[] };
  const drawn = traceEvents.filter(({ name }) => name === 'FireAnimationFrame');
  // The page's own thread is the one that fires its frames.
  const main = drawn[0];
  const ofPage = traceEvents.filter(({ pid, tid }) => pid === main.pid && tid === main.tid);
  const tasks = ofPage.filter(({ name, ph }) => name === 'RunTask' && ph === 'X');
  const begins = ofPage
    .filter(({ name }) => name === 'FireAnimationFrame')
    .map(({ ts }) => ts)
    .filter((ts, i, all) => i === 0 || ts - all[i - 1] > 1000);
  const frames = begins
    .slice(1)
    .map((end, i) =>
      tasks
        .filter(({ ts }) => ts >= begins[i] && ts < end)
        .reduce((sum, { dur }) => sum + (dur ?? 0) / 1000, 0),
    );
  const sorted = [...frames].sort((a, b) => a - b);
  return {
    doing,
    frames: frames.length,
    medianFrameMs: sorted[Math.floor(sorted.length / 2)],
    longestTaskMs: Math.max(...tasks.map(({ dur }) => (dur ?? 0) / 1000)),
  };
}

/** Opens a card of many strokes, draws more, pushes and zooms the board, and times the page's main thread. */
export async function strokeTimes(page: OpenPage, url: string, many: ManyStrokes): Promise<StrokeTimes[]> {
  await seeText(page, 'Kettle in the rain');
  await put(page, many.change);
  await page.goto(`${url}/card/many-strokes/${many.station}`);
  await seeText(page, many.seen);
  await settled(page);
  // A frame is a frame even where nothing asks for one.
  await page.evaluate(`(function tick() { requestAnimationFrame(tick); })()`);
  const pen = await Pen.on(page, '[data-testid=board]');
  const box = await boxOf(page, '[data-testid=board]');
  const timed = async (doing: StrokeTimes['doing'], act: () => Promise<void>): Promise<StrokeTimes> => {
    await page.tracing.start({
      categories: ['devtools.timeline', 'toplevel', 'disabled-by-default-devtools.timeline'],
    });
    await act();
    await settled(page);
    return framesOf((await page.tracing.stop())!, doing);
  };
  const wave = (y: number): PenPoint[] =>
    Array.from({ length: 60 }, (_, i) => [0.15 + i * 0.011, y + 0.05 * Math.sin(i / 4), 0.5]);
  const times = [
    await timed('drawing', async () => {
      for (const y of [0.3, 0.4, 0.5, 0.6]) await pen.stroke(wave(y));
      // So many that the card is saved whole in between.
      for (let i = 0; i < 40; i++) await pen.stroke(wave(0.1 + i / 50).slice(0, 6));
    }),
  ];
  await page.mouse.move(box.x + 0.5 * box.width, box.y + 0.5 * box.height);
  times.push(
    await timed('zooming', async () => {
      for (let turn = 0; turn < 30; turn++) await page.mouse.wheel({ deltaY: turn < 20 ? -60 : 60 });
    }),
  );
  await page.mouse.down({ button: 'middle' });
  times.push(
    await timed('pushing', async () => {
      for (let step = 0; step < 60; step++)
        await page.mouse.move(
          box.x + (0.5 + 0.2 * Math.sin(step / 8)) * box.width,
          box.y + (0.5 + step / 300) * box.height,
        );
    }),
  );
  await page.mouse.up({ button: 'middle' });
  return times;
}

/** What follows an act has been drawn and saved. */
const settled = (page: OpenPage): Promise<void> =>
  page.evaluate(() => new Promise<void>((resolve) => setTimeout(resolve, 1200)));
