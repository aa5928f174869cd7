import { paperById } from '@kettle/core/materials/paper';
import { pigmentByCode } from '@kettle/core/materials/pigment';
import {
  actOnPanel,
  dry,
  panelActSchema,
  passTime,
  startPanel,
  stageOf,
  type PanelRun,
  type Stage,
} from '@kettle/core/simulation/water';
import { panelKernelFromBuild } from '@kettle/kernels/node';
import type { Measured } from './limits';

const PAPERS = ['cotton-cold-300', 'cotton-hot-300', 'pulp-cold-300'];
const FILMS_UM = [50, 120];
const CLIMATES = [
  { tempC: 20, rh: 0.5, airMs: 0 },
  { tempC: 26, rh: 0.35, airMs: 0.4 },
];

const SIDE_MM = 40;
const kernel = panelKernelFromBuild();

/** Mean film and damp of the middle of the sheet. */
function middle({ panel }: PanelRun): { film: number; damp: number } {
  let [film, damp, cells] = [0, 0, 0];
  for (let cell = 0; cell < panel.cells; cell++) {
    if (panel.open[cell] === 0) continue;
    film += panel.film[cell];
    damp += panel.paper[cell];
    cells++;
  }
  return { film: film / cells, damp: damp / cells };
}

/** When the simulated wash reaches each stage, s. */
function simulatedStages(
  paper: string,
  filmUm: number,
  climate: (typeof CLIMATES)[number],
): Map<Stage, number> {
  const run = startPanel(
    {
      widthMm: SIDE_MM,
      heightMm: SIDE_MM,
      cellMm: 1,
      paper: paperById(paper),
      climate,
      seed: 77,
      pigments: [pigmentByCode('PB29')],
    },
    kernel,
  );
  const shape = { rect: [0, 0, SIDE_MM, SIDE_MM] };
  actOnPanel(
    run,
    panelActSchema.parse({ atS: 0, kind: 'wash', shape, filmUm, pigments: [{ pigment: 'PB29', gm2: 0.5 }] }),
  );
  const reached = new Map<Stage, number>();
  for (const atS of passTime(run, 4 * 3600)) {
    const { film, damp } = middle(run);
    const stage = stageOf(film, damp);
    if (!reached.has(stage)) reached.set(stage, atS);
    if (stage === 'dry') break;
  }
  return reached;
}

/** A flat wash by the drying prediction and by the simulation: matt and dry times, and how far they lie apart. */
export function measureFlatWash(): Measured {
  let worst = 0;
  const table = PAPERS.flatMap((paper) =>
    FILMS_UM.flatMap((filmUm) =>
      CLIMATES.map((climate) => {
        const { satinEndS, coolEndS } = dry({ paper: paperById(paper), filmUm, climate }).stages;
        const simulated = simulatedStages(paper, filmUm, climate);
        const apart = Math.abs(simulated.get('dry')! / coolEndS! - 1);
        const mattApart = Math.abs(simulated.get('damp')! / satinEndS! - 1);
        worst = Math.max(worst, apart, mattApart);
        return {
          paper,
          filmUm,
          ...climate,
          predictedS: { matt: satinEndS, dry: coolEndS },
          simulatedS: { matt: simulated.get('damp'), dry: simulated.get('dry') },
          apart,
          mattApart,
        };
      }),
    ),
  );
  return { figures: { worst, table }, below: { worst: 0.1 } };
}
