// How much memory a 5 × 7 in panel with 36 kept moments takes, in a process of its own; prints figures as JSON.
import { layOut, moments, rehearse } from '@kettle/core/order/schedule';
import { done } from '@kettle/core/kit/units';
import { pictureOf, type PanelPicture } from '@kettle/core/simulation/picture';
import { Replay } from '@kettle/core/simulation/water';
import { MOMENT_PX_MM } from '../../app/src/workers/fineness';
import { loadPaintKernel, panelKernelFromBuild } from '@kettle/kernels/node';
import { MOST_MOMENTS, STATES_CAP_BYTES } from '../../app/src/workers/painted-ahead';
import { twelvePasses } from '../../bench/twelve-passes';

const MB = 1e6;

const plan = twelvePasses();
const timeline = layOut(plan);
const paint = await loadPaintKernel();
const before = process.memoryUsage().rss;
const replay = new Replay(
  rehearse(plan, timeline, { cellMm: 0.25, seed: 1 }),
  panelKernelFromBuild(),
  STATES_CAP_BYTES,
  plan.embedded,
);
const pictures: PanelPicture[] = [];
let most = 0;
for (const atS of moments(timeline, MOST_MOMENTS)) {
  done(replay.goTo(atS));
  pictures.push(pictureOf(replay, paint, { pxPerMm: MOMENT_PX_MM }));
  most = Math.max(most, process.memoryUsage().rss);
}
console.log(
  JSON.stringify({
    moments: pictures.length,
    cells: replay.run.panel.cells,
    keptStates: replay.keptAt.length,
    statesMB: replay.keptBytes / MB,
    picturesMB: pictures.reduce((sum, { rgba }) => sum + rgba.length, 0) / MB,
    grownMB: (most - before) / MB,
  }),
);
