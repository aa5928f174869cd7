import { deltaE00, type Lab } from '@kettle/core/kit/colour';
import {
  carryOut,
  runUntil,
  sheetLayers,
  type LayerSpan,
  type Remedy,
  type SheetLayer,
} from '@kettle/core/advice/trials';
import { asPart, type Work } from '@kettle/core/kit/units';
import { picturing, type PanelPicture } from '@kettle/core/simulation/picture';
import { cellAt, lookOf, Replay } from '@kettle/core/simulation/water';
import { PRINT_PX_MM, SCREEN_PX_MM } from './fineness';
import type { OpenedSheet } from './painting-api';
import { lastOfAll, PAPER_CAP_BYTES, paperVersion, simulationOf, statesThatFit } from './kept-paper';
import type { StoredPaper } from './paper-store';
import type { SimulationKernels } from './simulation-kernels';

/** A sheet as it is when all on it has dried. */
export interface Morning extends PanelPicture {
  readonly atS: number;
}

/** What comes of a remedy: the dry sheet, and how far the place stands out from what is round it. */
export interface Forecast {
  readonly picture: Morning;
  /** Lightness of its middle, and how far the most different ring of it stands out from the paper about it, ΔE00. */
  readonly lightness: number;
  readonly standsOut: number;
}

/** Opens a sheet apart from the table, as it was kept. */
export function* opened(
  sheet: OpenedSheet,
  kept: StoredPaper | null,
  kernels: SimulationKernels,
): Work<Replay> {
  const replay = new Replay(simulationOf(sheet.trial), kernels.panel, PAPER_CAP_BYTES, sheet.embedded);
  const states = statesThatFit(kept, sheet.trial.acts, paperVersion(sheet.trial, kernels.panel), replay.run);
  if (states) replay.takeBack(states);
  yield* replay.goTo(Math.max(replay.run.atS, sheet.atS ?? lastOfAll(sheet.trial.acts)));
  return replay;
}

/** The sheet next morning. */
export function* morning(
  sheet: OpenedSheet,
  kept: StoredPaper | null,
  kernels: SimulationKernels,
  pxPerMm: number,
): Work<Morning> {
  const replay = yield* opened(sheet, kept, kernels);
  yield* sharesOf(runUntil(replay, 'dry'));
  return yield* dryLook(replay, kernels, pxPerMm);
}

/** What comes of a remedy at a place. */
export function* forecast(
  sheet: OpenedSheet,
  kept: StoredPaper | null,
  kernels: SimulationKernels,
  remedy: Pick<Remedy, 'steps'>,
  place: SheetPlace,
): Work<Forecast> {
  const replay = yield* opened(sheet, kept, kernels);
  yield* sharesOf(carryOut(replay, remedy));
  return { picture: yield* dryLook(replay, kernels, SCREEN_PX_MM), ...standingOut(replay, place) };
}

/** A sheet pass by pass. */
export function* layered(
  sheet: OpenedSheet,
  kernels: SimulationKernels,
  spans: readonly LayerSpan[],
): Work<SheetLayer[]> {
  const replay = new Replay(simulationOf(sheet.trial), kernels.panel, PAPER_CAP_BYTES, sheet.embedded);
  return yield* sheetLayers(replay, kernels.paint, spans, PRINT_PX_MM);
}

/** A place on a sheet: its middle and how far it reaches, mm. */
export interface SheetPlace {
  readonly at: readonly [number, number];
  readonly radiusMm: number;
}

/** A place is looked at in so many rings about its middle, out to twice as far as it reaches. */
const RINGS = 10;

/** How light a place is, and how far any ring of it stands out from the paper about it. */
export function standingOut(
  { run }: Pick<Replay, 'run'>,
  { at: [x, y], radiusMm }: SheetPlace,
): Pick<Forecast, 'lightness' | 'standsOut'> {
  const { panel } = run;
  const look = lookOf(run);
  const sums = Array.from({ length: RINGS }, () => [0, 0, 0, 0]);
  const reach = 2 * radiusMm;
  const cell = (mm: number, most: number): number =>
    Math.min(most - 1, Math.max(0, Math.floor(mm / panel.cellMm)));
  for (let row = cell(y - reach, panel.rows); row <= cell(y + reach, panel.rows); row++)
    for (let column = cell(x - reach, panel.columns); column <= cell(x + reach, panel.columns); column++) {
      const away = Math.hypot((column + 0.5) * panel.cellMm - x, (row + 0.5) * panel.cellMm - y);
      if (away >= reach) continue;
      const ring = sums[Math.floor((RINGS * away) / reach)];
      look(cellAt(panel, column, row)).forEach((value, i) => (ring[i] += value));
      ring[3]++;
    }
  const rings = sums.filter(([, , , count]) => count > 0).map(([l, a, b, n]): Lab => [l / n, a / n, b / n]);
  const about = rings.at(-1)!;
  return {
    lightness: rings[0][0],
    standsOut: Math.max(...rings.map((ring) => deltaE00(ring, about))),
  };
}

function* dryLook(replay: Replay, { paint }: SimulationKernels, pxPerMm: number): Work<Morning> {
  const picture = yield* asPart(picturing(replay, paint, { pxPerMm, look: 'dry' }), 1, 1);
  return { atS: replay.run.atS, ...picture };
}

/** How far a drying is, no end being known: it comes near one. */
function* sharesOf(course: Generator<number, void>): Work<void> {
  let steps = 0;
  while (!course.next().done) yield 1 - 1 / (1 + ++steps / 200);
}
