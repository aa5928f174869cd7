import { addToCell, placeOf, takeFilm } from './cell-acts';
import { BRUSH_LOADS, brushById, FULL_FILM_UM } from './brush';
import { coverage } from './coverage';
import type { ActOf } from './panel-act';
import type { PanelRun } from './panel-run';

/** Below this film the hairs touch only the hills of the paper: dry brush. */
const DRY_BRUSH_UM = 30;

/** Beyond this depth a brush pushes a film about rather than adding to it, µm; a thirsty one drinks down to as little. */
const BRUSH_HOLDS_UM = 60;

/** A stroke is laid mark by mark so far apart, as a share of the brush's width. */
const MARKS_APART = 1 / 16;

/** Share of the shallower film that brush and paper exchange at a touch (our default). */
export const EXCHANGES = 0.6;

/** Share of a deeper film's excess that the hairs take up at a touch. */
const PICKS_UP = 0.3;

/** What a brush holds as it goes: water in µl, pigments in µg. */
interface Belly {
  water: number;
  readonly pigments: Float64Array;
  /** What it gives the cell at hand, g/m². */
  readonly loads: { readonly place: number; gm2: number }[];
}

/**
 * A brush along a line. It gives off film in proportion to what its belly still holds, so that one load exhausts and
 * ends in dry brush on the hills of the paper; over a wet film it exchanges paint, and drinks where that is deep. What
 * it holds at the end is rinsed out: it never counts as applied.
 */
export function paintStroke(run: PanelRun, act: ActOf<'stroke'>, field: string): void {
  const brush = brushById(act.brush, `${field}.brush`);
  const { panel } = run;
  const belly = dip(run, act, brush.bellyMl, field);
  const full = brush.bellyMl * 1000;
  const spacing = Math.max(panel.cellMm / 2, brush.widthMm * MARKS_APART);
  // How far each cell has been touched, in bytes, and the film the brush found there.
  const touched = new Uint8Array(panel.cells);
  const found = new Float32Array(panel.cells);
  for (const [x, y, pressure] of alongPoints(act.points, spacing)) {
    const width = brush.tipMm + (brush.widthMm - brush.tipMm) * pressure;
    const film = (FULL_FILM_UM * belly.water) / full;
    coverage(
      panel,
      { circle: [x, y, width / 2] },
      (cell, share) => {
        const fresh = share * WHOLE - touched[cell];
        if (fresh <= 0) return;
        if (touched[cell] === 0) found[cell] = panel.film[cell];
        touched[cell] = share * WHOLE;
        touchCell(run, belly, cell, fresh / WHOLE, film, found[cell]);
      },
      (cell) => touched[cell] === WHOLE || panel.open[cell] === 0,
    );
  }
}

/** A cell touched all over. */
const WHOLE = 255;

/** Fills the belly: parts at a strength, in so much of its volume. */
function dip(run: PanelRun, act: ActOf<'stroke'>, bellyMl: number, field: string): Belly {
  const water = bellyMl * 1000 * (typeof act.load === 'number' ? act.load : BRUSH_LOADS[act.load]);
  const total = act.parts.reduce((sum, { parts }) => sum + parts, 0);
  const pigments = new Float64Array(run.species.length);
  act.parts.forEach(({ pigment, parts }, i) => {
    const place = placeOf(run, pigment, `${field}.parts[${i}].pigment`);
    // A masstone is its load in a 100 µm film: so many g/m² are so many µg in 0.1 µl.
    pigments[place] += (act.strength * run.pigments[place].masstoneLoadGm2 * (parts / total) * water) / 0.1;
  });
  return { water, pigments, loads: Array.from(pigments, (_, place) => ({ place, gm2: 0 })) };
}

/**
 * Hairs on a cell bring its film up to their own, and no further: going twice over a fresh wash adds nothing. With a
 * film that is there already they exchange paint, and of a much deeper one they take up a part.
 */
function touchCell(
  run: PanelRun,
  belly: Belly,
  cell: number,
  share: number,
  film: number,
  there: number,
): void {
  if (there > 0 && film > 0) exchange(run, belly, cell, EXCHANGES * share * Math.min(film, there));
  const over = there - Math.max(film, BRUSH_HOLDS_UM);
  if (over > 0) drink(run, belly, cell, (PICKS_UP * share * over) / there);
  const hills = film < DRY_BRUSH_UM ? hillShare(run, cell, film) : 1;
  if (film > there) give(run, belly, cell, (film - there) * share * hills);
}

/** Film from the belly onto a cell, µm. */
function give(run: PanelRun, belly: Belly, cell: number, filmUm: number): void {
  const area = run.panel.cellMm ** 2;
  const laid = Math.min(filmUm, (belly.water * 1000) / area);
  if (laid <= 0) return;
  const used = (laid * area) / 1000 / belly.water;
  belly.water *= 1 - used;
  for (let i = 0; i < belly.loads.length; i++) {
    belly.loads[i].gm2 = (belly.pigments[i] * used) / area;
    belly.pigments[i] *= 1 - used;
  }
  addToCell(run, cell, laid, belly.loads);
}

/** A share of a cell's film into the belly. */
function drink(run: PanelRun, belly: Belly, cell: number, share: number): void {
  const { panel } = run;
  const area = panel.cellMm ** 2;
  belly.water += (share * panel.film[cell] * area) / 1000;
  for (let i = 0; i < run.species.length; i++)
    belly.pigments[i] += share * panel.suspended[i * panel.cells + cell] * area;
  takeFilm(run, cell, share);
}

/** So much film, µm, goes each way. */
function exchange(run: PanelRun, belly: Belly, cell: number, filmUm: number): void {
  drink(run, belly, cell, filmUm / run.panel.film[cell]);
  give(run, belly, cell, filmUm);
}

/** How much of a cell the hairs touch when they hold little: 1 on a hill, 0 in a valley they pass over. */
function hillShare({ panel, paper }: PanelRun, cell: number, film: number): number {
  if (panel.film[cell] > 0) return 1;
  const lift = paper.reliefUm * (1 - (2 * film) / DRY_BRUSH_UM);
  return Math.min(1, Math.max(0, 0.5 + (panel.relief[cell] - lift) / (0.5 * paper.reliefUm + 1)));
}

/** Points along a line, evenly spaced, pressure between. */
function alongPoints(
  points: readonly (readonly [number, number, number])[],
  spacing: number,
): (readonly [number, number, number])[] {
  if (points.length === 1) return [...points];
  return points.slice(1).flatMap(([x, y, pressure], i) => {
    const [x0, y0, p0] = points[i];
    const steps = Math.max(1, Math.round(Math.hypot(x - x0, y - y0) / spacing));
    return Array.from({ length: steps }, (_, k) => {
      const t = (k + 1) / steps;
      return [x0 + t * (x - x0), y0 + t * (y - y0), p0 + t * (pressure - p0)] as const;
    });
  });
}
