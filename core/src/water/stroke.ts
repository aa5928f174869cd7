import { pigmentByCode } from '../pigment';
import { addToCell, placeOf, takeFilm } from './cell-acts';
import { BRUSH_LOADS, brushById } from './brush';
import { coverage } from './coverage';
import type { ActOf } from './panel-act';
import type { PanelRun } from './panel-run';

/** A full belly lays this film, µm; it falls with what is left in the belly. */
const FULL_FILM_UM = 130;

/** Below this film the hairs touch only the hills of the paper: dry brush. */
const DRY_BRUSH_UM = 30;

/** Beyond this depth a brush pushes a film about rather than adding to it, µm; a thirsty one drinks down to as little. */
const BRUSH_HOLDS_UM = 60;

/** Share of a deeper film's excess that the hairs take up at a touch. */
const PICKS_UP = 0.3;

/** What a brush holds as it goes: water in µl, pigments in µg. */
interface Belly {
  water: number;
  readonly pigments: Float64Array;
}

/**
 * A brush along a line. It gives off film in proportion to what its belly still holds, so that one load exhausts and
 * ends in dry brush on the hills of the paper; over a film deeper than its own it takes paint up. What it holds at the
 * end is rinsed out: it never counts as applied.
 */
export function paintStroke(run: PanelRun, act: ActOf<'stroke'>, field: string): void {
  const brush = brushById(act.brush, `${field}.brush`);
  const { panel } = run;
  const belly = dip(run, act, brush.bellyMl, field);
  const full = brush.bellyMl * 1000;
  const spacing = Math.max(panel.cellMm / 2, 0.25);
  const touched = new Uint8Array(panel.cells);
  for (const [x, y, pressure] of alongPoints(act.points, spacing)) {
    const width = brush.tipMm + (brush.widthMm - brush.tipMm) * pressure;
    const film = (FULL_FILM_UM * belly.water) / full;
    coverage(panel, { circle: [x, y, width / 2] }, (cell, share) => {
      if (panel.open[cell] === 0) return;
      const fresh = share * 255 - touched[cell];
      if (fresh <= 0) return;
      touched[cell] = share * 255;
      touchCell(run, belly, cell, fresh / 255, film);
    });
  }
}

/** Fills the belly: parts at a strength, in so much of its volume. */
function dip(run: PanelRun, act: ActOf<'stroke'>, bellyMl: number, field: string): Belly {
  const water = bellyMl * 1000 * BRUSH_LOADS[act.load];
  const total = act.parts.reduce((sum, { parts }) => sum + parts, 0);
  const pigments = new Float64Array(run.species.length);
  act.parts.forEach(({ pigment, parts }, i) => {
    const place = placeOf(run, pigment, `${field}.parts[${i}].pigment`);
    // A masstone is its load in a 100 µm film: so many g/m² are so many µg in 0.1 µl.
    pigments[place] +=
      (act.strength * pigmentByCode(pigment).masstoneLoadGm2 * (parts / total) * water) / 0.1;
  });
  return { water, pigments };
}

function touchCell(run: PanelRun, belly: Belly, cell: number, share: number, film: number): void {
  const { panel } = run;
  const area = panel.cellMm ** 2;
  const over = panel.film[cell] - Math.max(film, BRUSH_HOLDS_UM);
  if (over > 0) {
    const taken = (PICKS_UP * share * over) / panel.film[cell];
    belly.water += (taken * panel.film[cell] * area) / 1000;
    for (let i = 0; i < run.species.length; i++)
      belly.pigments[i] += taken * panel.suspended[i * panel.cells + cell] * area;
    takeFilm(run, cell, taken);
    return;
  }
  if (belly.water <= 0) return;
  const hills = film < DRY_BRUSH_UM ? hillShare(run, cell, film) : 1;
  const laid = Math.min(film * share * hills, (belly.water * 1000) / area);
  if (laid <= 0) return;
  const used = (laid * area) / 1000 / belly.water;
  const loads = Array.from(belly.pigments, (held, place) => ({ place, gm2: (held * used) / area }));
  belly.water *= 1 - used;
  belly.pigments.forEach((held, i) => {
    belly.pigments[i] = held * (1 - used);
  });
  addToCell(run, cell, laid, loads);
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
    const steps = Math.max(1, Math.ceil(Math.hypot(x - x0, y - y0) / spacing));
    return Array.from({ length: steps }, (_, k) => {
      const t = (k + 1) / steps;
      return [x0 + t * (x - x0), y0 + t * (y - y0), p0 + t * (pressure - p0)] as const;
    });
  });
}
