import { deltaE00, type Lab } from '@kettle/core/colour';
import {
  carryOut,
  runUntil,
  sheetLayers,
  type LayerSpan,
  type Remedy,
  type SheetLayer,
} from '@kettle/core/trials';
import type { Work } from '@kettle/core/units';
import { pictureOf, probe, Replay, type PanelPicture, type Shape } from '@kettle/core/water';
import type { OpenedSheet } from './painting-api';
import { lastOfAll, PAPER_CAP_BYTES, paperVersion, simulationOf, statesThatFit } from './kept-paper';
import type { StoredPaper } from './paper-store';
import type { SimulationKernels } from './simulation-jobs';

/** A sheet as it is when all on it has dried. */
export interface Morning extends PanelPicture {
  readonly atS: number;
}

/** What comes of a remedy: the dry sheet, and how far the place stands out from what is round it. */
export interface Forecast {
  readonly picture: Morning;
  /** Lightness of the place, and its difference from a ring about it, ΔE00. */
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
): Work<Morning> {
  const replay = yield* opened(sheet, kept, kernels);
  yield* sharesOf(runUntil(replay, 'dry'));
  return dryLook(replay, kernels);
}

/** What comes of a remedy at a place. */
export function* forecast(
  sheet: OpenedSheet,
  kept: StoredPaper | null,
  kernels: SimulationKernels,
  remedy: Pick<Remedy, 'steps'>,
  place: Place,
): Work<Forecast> {
  const replay = yield* opened(sheet, kept, kernels);
  yield* sharesOf(carryOut(replay, remedy));
  return { picture: dryLook(replay, kernels), ...standingOut(replay, place) };
}

/** A sheet pass by pass. */
export function* layered(
  sheet: OpenedSheet,
  kernels: SimulationKernels,
  spans: readonly LayerSpan[],
): Work<SheetLayer[]> {
  const replay = new Replay(simulationOf(sheet.trial), kernels.panel, PAPER_CAP_BYTES, sheet.embedded);
  return yield* sheetLayers(replay, kernels.paint, spans);
}

/** A place on a sheet: its middle and how far it reaches, mm. */
export interface Place {
  readonly at: readonly [number, number];
  readonly radiusMm: number;
}

/** How far a place stands out from a ring about it. */
export function standingOut(
  { run }: Pick<Replay, 'run'>,
  { at, radiusMm }: Place,
): Pick<Forecast, 'lightness' | 'standsOut'> {
  const circle = (radius: number): Shape => ({ circle: [at[0], at[1], radius] });
  const [inner, outer] = [circle(radiusMm), circle(2 * radiusMm)].map(
    (shape) => probe(run, 'place', shape).lab,
  );
  // The outer circle holds the inner one: a quarter of it.
  const ring: Lab = [0, 1, 2].map((i) => (4 * outer[i] - inner[i]) / 3) as unknown as Lab;
  return { lightness: inner[0], standsOut: deltaE00(ring, inner) };
}

function dryLook(replay: Replay, { paint }: SimulationKernels): Morning {
  return { atS: replay.run.atS, ...pictureOf(replay.run, paint, true) };
}

/** How far a drying is, no end being known: it comes near one. */
function* sharesOf(course: Generator<number, void>): Work<void> {
  let steps = 0;
  for (const _ of course) yield 1 - 1 / (1 + ++steps / 200);
}
