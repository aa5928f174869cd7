import { liftedResidue } from '../../materials/pigment';
import { addToCell, speciesPlace, takeFilm } from './cell-acts';
import { coverage, coverageThrough, filmShares } from './coverage';
import { evaporationRate } from './evaporation';
import { handLife } from './hand-life';
import { columnOfCell, rowOfCell } from './panel';
import type { ActOf, PanelAct } from './panel-act';
import { touch, type PanelRun } from './panel-run';
import { DROP_DEPTH, spatterDrops, type Drop } from './spatter';
import type { Shape } from './shape';
import { BrushStroke } from './stroke';

/** Does one act to a panel, at the run's present time. Throws `BadInput` on a pigment the run does not hold. */
export function actOnPanel(run: PanelRun, act: PanelAct, field = 'acts'): void {
  const how = ACTS[act.kind] as (run: PanelRun, act: PanelAct, field: string) => void;
  how(run, act, field);
  touch(run);
}

const ACTS: {
  readonly [Kind in PanelAct['kind']]: (run: PanelRun, act: ActOf<Kind>, field: string) => void;
} = {
  water: layFilm,
  wash: (run, act, field) => {
    layFilm(run, act, field, act.band);
  },
  drop: layFilm,
  print: layFilm,

  stroke: (run, act, field) => {
    new BrushStroke(run, act, field).goOn(act.points);
  },

  mist: (run, act, field) => {
    const film = act.filmUm ?? MIST_FILM_UM * (act.coverage ?? 1);
    sprinkle(
      run,
      act,
      field,
      spatterDrops({ tool: 'mister', area: act.area, filmUm: film, seed: seedOf(run) }),
    );
  },
  spatter: (run, act, field) => {
    sprinkle(run, act, field, spatteredDrops(act, run));
  },

  mask: ({ panel }, { shape }) => {
    coverage(panel, shape, (cell, share) => {
      if (share >= 0.5) panel.open[cell] = 0;
    });
  },
  unmask: ({ panel }, { shape }) => {
    coverage(panel, shape, (cell) => {
      panel.open[cell] = 1;
    });
  },

  salt: (run, { points, grainMm }) => {
    const massMg = (SALT_MG_MM3 * Math.PI * grainMm ** 3) / 6;
    run.grains.push(...points.map(([xMm, yMm]) => ({ xMm, yMm, radiusMm: grainMm / 2, massMg })));
  },
  unsalt: (run) => {
    run.grains = [];
  },

  blot: (run, { shape, through, share }) => {
    coverageThrough(run.panel, shape, through, (cell, part) => {
      takeFilm(run, cell, share * part);
    });
  },

  lift: loosen,
  scrub: loosen,

  heat: (run, { seconds, airMs, airTempC, shape = null }) => {
    run.tool = { airMs, airTempC, fromS: run.atS, seconds, untilS: run.atS + seconds, shape };
    const { panel } = run;
    const elsewhere = evaporationRate(run.climate) / evaporationRate(run.climate, run.tool);
    panel.warmth.fill(shape && Number.isFinite(elsewhere) ? elsewhere : 1);
    if (shape)
      coverage(panel, shape, (cell, share) => {
        panel.warmth[cell] += share * (1 - panel.warmth[cell]);
      });
  },
  tilt: (run, { xDeg, yDeg }) => {
    run.tilt = { x: fallOf(xDeg), y: fallOf(yDeg) };
  },
  climate: (run, { climate }) => {
    run.climate = climate;
  },
};

/** Fall of a board, µm/mm. */
const fallOf = (degrees: number): number => 1000 * Math.tan((degrees * Math.PI) / 180);

/** Rock salt, mg/mm³ (halite 2.16 g/cm³). */
const SALT_MG_MM3 = 2.16;

/** A thorough misting, and the film of a spattered drop, µm. */
const MIST_FILM_UM = 30;
const SPATTER_FILM_UM = 10;

/** What happens by chance depends on the panel's seed and on how many acts went before. */
const seedOf = ({ seed, touches }: Pick<PanelRun, 'seed' | 'touches'>): number => seed + 7919 * (touches + 1);

/** The drops that spatter leaves on a panel of this seed after so many touches. */
export const spatteredDrops = (
  { tool, area, shields, coverage: covers, filmUm = SPATTER_FILM_UM }: ActOf<'spatter'>,
  sheet: Pick<PanelRun, 'seed' | 'touches'>,
): Drop[] =>
  spatterDrops({
    ...{ tool, area, shields, seed: seedOf(sheet) },
    ...(covers === undefined ? { filmUm } : { coverage: covers }),
  });

function layFilm(
  run: PanelRun,
  {
    shape,
    filmUm,
    pigments,
  }: { shape: Shape; filmUm: number; pigments: readonly { pigment: string; gm2: number }[] },
  field: string,
  band?: ActOf<'wash'>['band'],
): void {
  const loads = pigments.map(({ pigment, gm2 }, i) => ({
    place: speciesPlace(run, pigment, `${field}.pigments[${i}].pigment`),
    gm2,
  }));
  const { cellMm } = run.panel;
  const depth = (cell: number): number =>
    band ? inBand(band, (rowOfCell(run.panel, cell) + 0.5) * cellMm) : 1;
  const shares = filmShares(run.panel, shape, depth);
  const strength = band ? strengths(run, shares) : () => 1;
  for (const [cell, share] of shares) {
    if (share <= 0) continue;
    addToCell(
      run,
      cell,
      filmUm * share,
      loads.map(({ place, gm2 }) => ({ place, gm2: gm2 * share * strength(cell) })),
    );
  }
}

/** How strong a hand's mix is in each cell of what it lays at once, so that on the whole it is as strong as it was mixed. */
function strengths({ panel, seed }: PanelRun, shares: ReadonlyMap<number, number>): (cell: number) => number {
  const life = handLife(seed);
  const at = (cell: number): number =>
    life((columnOfCell(panel, cell) + 0.5) * panel.cellMm, (rowOfCell(panel, cell) + 0.5) * panel.cellMm);
  let [laid, lived] = [0, 0];
  for (const [cell, share] of shares) {
    laid += share;
    lived += share * at(cell);
  }
  const mean = laid > 0 ? lived / laid : 1;
  return (cell) => at(cell) / mean;
}

/** How much of a band is laid at a level: neighbours that share their outer levels add to one. */
function inBand([from, full, thins, to]: NonNullable<ActOf<'wash'>['band']>, level: number): number {
  const rises = full > from ? (level - from) / (full - from) : level >= from ? 1 : 0;
  const falls = to > thins ? (to - level) / (to - thins) : level < to ? 1 : 0;
  return Math.max(0, Math.min(1, rises, falls));
}

/** Lays drops: domes of the volume each has, spread over its footprint. */
function sprinkle(
  run: PanelRun,
  { pigments }: { pigments: readonly { pigment: string; gm2: number }[] },
  field: string,
  drops: readonly Drop[],
): void {
  const loads = pigments.map(({ pigment, gm2 }, i) => ({
    place: speciesPlace(run, pigment, `${field}.pigments[${i}].pigment`),
    gm2,
  }));
  for (const { xMm, yMm, diameterMm } of drops) {
    const depth = DROP_DEPTH * diameterMm * 1000;
    const cells: [number, number][] = [];
    coverage(run.panel, { circle: [xMm, yMm, diameterMm / 2] }, (cell, share) => cells.push([cell, share]));
    for (const [cell, share] of cells)
      addToCell(
        run,
        cell,
        depth * share,
        loads.map(({ place, gm2 }) => ({ place, gm2: gm2 * share })),
      );
  }
}

/** A wet brush loosens what lies on the paper, as far as it does not stain, and a tissue takes it up. */
function loosen(
  run: PanelRun,
  { shape, through, strength }: { shape: Shape; through?: Shape; strength: number },
): void {
  const { panel, ledger, pigments, paper } = run;
  coverageThrough(panel, shape, through, (cell, share) => {
    if (panel.open[cell] === 0) return;
    takeFilm(run, cell, share);
    pigments.forEach(({ staining }, i) => {
      const at = i * panel.cells + cell;
      const gone = panel.deposited[at] * share * (1 - liftedResidue(staining, paper.sizing, strength));
      panel.deposited[at] -= gone;
      ledger.removed[i] += gone;
    });
    const damp = Math.min(LIFTING_WETS_GM2 * share * strength, panel.capacity[cell] - panel.paper[cell]);
    if (damp > 0) {
      panel.paper[cell] += damp;
      ledger.waterApplied += damp;
    }
  });
}

/** Water a lifting brush leaves in the paper after the tissue, g/m² (our default). */
const LIFTING_WETS_GM2 = 20;
