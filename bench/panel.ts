import { paperById } from '@kettle/core/materials/paper';
import { pigmentByCode } from '@kettle/core/materials/pigment';
import { layOut, rehearse } from '@kettle/core/order/schedule';
import { done } from '@kettle/core/kit/units';
import {
  actOnPanel,
  panelActSchema,
  passTime,
  simulate,
  startPanel,
  type PanelRun,
} from '@kettle/core/simulation/water';
import { panelKernelFromBuild } from '@kettle/kernels/node';
import { median, medianOf } from './timing';
import { twelvePasses } from './twelve-passes';

/** A 5 × 7 in panel, three pigments on it. */
const WIDTH_MM = 178;
const HEIGHT_MM = 127;
const PIGMENTS = ['PB29', 'PR122', 'PY150'];
const DRY_DOWN_S = 1200;
const WET_STEPS = 41;

const kernel = panelKernelFromBuild();

function wetPanel(cellMm: number, share: number): PanelRun {
  const run = startPanel(
    {
      widthMm: WIDTH_MM,
      heightMm: HEIGHT_MM,
      cellMm,
      paper: paperById('cotton-cold-300'),
      climate: { tempC: 20, rh: 0.5, airMs: 0 },
      seed: 1,
      pigments: PIGMENTS.map((code) => pigmentByCode(code)),
    },
    kernel,
  );
  actOnPanel(
    run,
    panelActSchema.parse({
      atS: 0,
      kind: 'wash',
      shape: { rect: [0, 0, WIDTH_MM * Math.sqrt(share), HEIGHT_MM * Math.sqrt(share)] },
      filmUm: 120,
      pigments: PIGMENTS.map((pigment) => ({ pigment, gm2: 0.6 })),
    }),
  );
  return run;
}

/** Milliseconds of each step until the panel's time reaches `untilS`. */
function stepsOf(run: PanelRun, untilS: number, most = Infinity): number[] {
  const times: number[] = [];
  let begun = performance.now();
  const course = passTime(run, untilS);
  while (times.length < most && !course.next().done) {
    times.push(performance.now() - begun);
    begun = performance.now();
  }
  return times;
}

const sum = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0);

/** Steps and dry-downs at three cell sizes, a quarter wet, and a tilted board; each beside a copy of the panel's memory. */
export function benchPanel(): Record<string, number> {
  const figures: Record<string, number> = {};
  for (const cellMm of [1, 0.5, 0.25]) {
    const name = `${cellMm} mm`;
    const { cells, species } = wetPanel(cellMm, 1).panel;
    const state = new Float32Array(cells * (11 + 2 * species)).fill(1);
    const copy = new Float32Array(state.length);
    const copyMs = medianOf(9, () => {
      copy.set(state);
    });
    const wetStepMs = median(stepsOf(wetPanel(cellMm, 1), 1000, WET_STEPS));
    const dryDown = stepsOf(wetPanel(cellMm, 1), DRY_DOWN_S);
    figures[`${name}: wet step ms`] = wetStepMs;
    figures[`${name}: wet step over copy of the state`] = wetStepMs / copyMs;
    figures[`${name}: ns a cell and step`] = (1e6 * wetStepMs) / cells;
    figures[`${name}: 20 min s`] = sum(dryDown) / 1000;
    figures[`${name}: 20 min steps`] = dryDown.length;
    figures[`${name}: quarter wet over fully wet`] =
      sum(stepsOf(wetPanel(cellMm, 0.25), DRY_DOWN_S)) / sum(dryDown);
  }
  const plan = twelvePasses();
  for (const cellMm of [1, 0.5]) {
    const simulation = rehearse(plan, layOut(plan), { cellMm, seed: 1 });
    figures[`12 passes, ${cellMm} mm: s`] =
      medianOf(cellMm === 1 ? 5 : 3, () => {
        done(simulate(simulation, kernel));
      }) / 1000;
    figures[`12 passes, ${cellMm} mm: strokes`] = simulation.acts.length;
  }
  const tilted = wetPanel(1, 1);
  actOnPanel(tilted, panelActSchema.parse({ atS: 0, kind: 'tilt', xDeg: 3, yDeg: 5 }));
  const steps = stepsOf(tilted, DRY_DOWN_S);
  figures['1 mm, tilted: 20 min s'] = sum(steps) / 1000;
  figures['1 mm, tilted: steps'] = steps.length;
  return figures;
}
