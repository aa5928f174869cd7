// An hour of painting on a 5 × 7 in sheet at 0.5 mm: what going back, opening again and all that is kept take, in a
// process of its own; prints figures as JSON.
import { performance } from 'node:perf_hooks';
import type { HandAct } from '@kettle/core/document/plan';
import { done } from '@kettle/core/kit/units';
import { loadPaintKernel, panelKernelFromBuild } from '@kettle/kernels/node';
import { PaintingTable } from '../../app/src/workers/painting-table';
import type { OpenedSheet, BrushPlace } from '../../app/src/workers/painting-api';
import type { StoredPaper } from '../../app/src/workers/paper-store';
import { kettleInTheRain } from '../../demo/kettle-in-the-rain';

const MB = 1e6;
const HOUR_S = 3600;
const STROKES = 90;
const PLACES = 20;

const plan = kettleInTheRain();
const kernels = { panel: panelKernelFromBuild(), paint: await loadPaintKernel() };
const PIGMENTS = plan.palette.slice(0, 3);
const blank = {
  ...{ id: 'hour', name: 'an hour', note: '', widthMm: 178, heightMm: 127, cellMm: 0.5, seed: 1 },
  ...{ paper: plan.paper, climate: plan.climate, pigments: PIGMENTS, acts: [] },
};
const sheetOf = (acts: HandAct[]): OpenedSheet => ({
  trial: { ...blank, acts },
  embedded: plan.embedded,
  key: 'hour',
  atS: null,
});
const open = (acts: HandAct[], kept: StoredPaper | null): PaintingTable => {
  const table = new PaintingTable(sheetOf(acts), {
    kernels,
    now: () => performance.now(),
    tell: () => undefined,
  });
  done(table.ready(kept));
  return table;
};
const here = { circle: [60, 60, 2] as const };
const msOf = (work: () => void): number => {
  const begun = performance.now();
  work();
  return performance.now() - begun;
};

const before = process.memoryUsage().rss;
const table = open([], null);
const acts: HandAct[] = [];
let most = 0;
let undoMs = 0;
for (let stroke = 0; stroke < STROKES; stroke++) {
  const y = 8 + ((stroke * 37) % 110);
  const parts = [{ pigment: PIGMENTS[stroke % PIGMENTS.length], parts: 1 }];
  table.begin({ kind: 'stroke', brush: 'round-12', load: 'dripping', dips: true, parts, strength: 0.15 }, [
    10,
    y,
    0.9,
  ]);
  for (let place = 1; place <= PLACES; place++) {
    table.goOn([[10 + (150 * place) / PLACES, y + 3 * Math.sin(place), 0.9] as BrushPlace]);
    table.turn();
    table.stepNow();
  }
  acts.push(table.end()!);
  // The last stroke but one is taken back wet, and brought again.
  if (stroke === STROKES - 1) {
    const last = acts.at(-1)!;
    undoMs = msOf(() => table.setActs(acts.length - 1, []));
    table.setActs(acts.length - 1, [last]);
  }
  table.runOn(((stroke + 1) * HOUR_S) / STROKES);
  most = Math.max(most, process.memoryUsage().rss);
}
const kept = table.toKeep()!;
const paper = table.read(here).fingerprint;
const stored = structuredClone(kept);
let again: PaintingTable | null = null;
const reopenMs = msOf(() => {
  again = open(structuredClone(acts), stored);
});
console.log(
  JSON.stringify({
    strokes: acts.length,
    paperS: acts.at(-1)!.act.atS,
    undoMs,
    reopenMs,
    samePaper: again!.read(here).fingerprint === paper ? 1 : 0,
    keptMB:
      kept.states.reduce(
        (sum, { tiles }) =>
          sum +
          tiles.reduce((bytes, { packed }) => bytes + packed.lower.byteLength + packed.upper.byteLength, 0),
        0,
      ) / MB,
    grownMB: (most - before) / MB,
  }),
);
