import { addToCell, speciesPlace, takeFilm } from './cell-acts';
import { BRUSH_LOADS, brushById, FULL_FILM_UM, widthAt, type Brush } from './brush';
import { coverage } from './coverage';
import type { ActOf, StrokePoint } from './panel-act';
import type { BrushLeft, PanelRun } from './panel-run';
import { stageOf, type Stage } from './stages';

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

/** A brush squeezed out drinks down to this film, µm, and this share of what is above it at a touch (our default). */
const THIRSTY_LEAVES_UM = 12;
const THIRSTY_TAKES = 0.7;

/** One whose belly is emptier than this lays less than a film: it is thirsty, µm. */
const THIRSTY_UM = 4;

/** What a brush holds as it goes: water in µl, pigments in µg. */
interface Belly {
  water: number;
  readonly pigments: Float64Array;
  /** What it gives the cell at hand, g/m². */
  readonly loads: { readonly place: number; gm2: number }[];
}

/** When a cell was touched that was not. */
const NEVER = -Infinity;

/** A cell the brush has left for so long is new to it when it comes back, s. */
const FORGETS_S = 0.5;

/**
 * A brush along a line. It gives off film in proportion to what its belly still holds, so that one load exhausts and
 * ends in dry brush on the hills of the paper; over a wet film it exchanges paint, and drinks where that is deep. What
 * it holds at the end is left in it: it never counts as applied.
 */
export class BrushStroke {
  private readonly brush: Brush;
  private readonly belly: Belly;
  private readonly spacing: number;
  /** How far each cell has been touched, in bytes, the film the brush found there, and when, s. */
  private readonly touched: Uint8Array;
  private readonly found: Float32Array;
  private readonly touchedAt: Float32Array;
  private last: StrokePoint | null = null;
  /** What the brush met where it had not been: cells with a film and without, their film and paper water summed up. */
  private readonly met = { filmed: 0, bare: 0, filmUm: 0, paperGm2: 0 };

  /** Throws `BadInput` on an unknown brush, and on a pigment the panel does not hold. */
  constructor(
    private readonly run: PanelRun,
    act: ActOf<'stroke'>,
    field: string,
  ) {
    const { panel, left } = run;
    this.brush = brushById(act.brush, `${field}.brush`);
    this.belly =
      !act.dips && left?.brush === act.brush ? asLeft(left) : dip(run, act, this.brush.bellyMl, field);
    this.spacing = Math.max(panel.cellMm / 2, this.brush.widthMm * MARKS_APART);
    this.touched = new Uint8Array(panel.cells);
    this.found = new Float32Array(panel.cells);
    this.touchedAt = new Float32Array(panel.cells).fill(NEVER);
  }

  /** Takes the brush on through some places, at the run's present time. */
  goOn(points: readonly StrokePoint[]): void {
    for (const point of points) {
      if (this.last) for (const place of between(this.last, point, this.spacing)) this.mark(place);
      else this.mark(point);
      this.last = point;
    }
    const { water, pigments } = this.belly;
    this.run.left = { brush: this.brush.id, water, pigments: [...pigments] };
  }

  /** How wet the paper was, on the whole, where the brush came. */
  get onto(): Stage {
    const { filmed, bare, filmUm, paperGm2 } = this.met;
    // A little film may be the stroke's own, run ahead of the brush.
    if (filmed > bare) return stageOf(filmUm / filmed, 0);
    return bare === 0 ? 'dry' : stageOf(0, paperGm2 / bare);
  }

  private meets(cell: number): void {
    const { panel } = this.run;
    // A place come back to has the stroke's own paint on it.
    if (this.touchedAt[cell] !== NEVER) return;
    if (panel.film[cell] > 0) {
      this.met.filmed++;
      this.met.filmUm += panel.film[cell];
    } else {
      this.met.bare++;
      this.met.paperGm2 += panel.paper[cell];
    }
  }

  private mark([x, y, pressure]: StrokePoint): void {
    const { run, brush, belly, touched, found, touchedAt } = this;
    const { panel } = run;
    const nowS = Math.fround(run.atS);
    const width = widthAt(brush, pressure);
    const film = (FULL_FILM_UM * belly.water) / (brush.bellyMl * 1000);
    coverage(
      panel,
      { circle: [x, y, width / 2] },
      (cell, share) => {
        if (nowS - touchedAt[cell] > FORGETS_S) touched[cell] = 0;
        const fresh = share * WHOLE - touched[cell];
        if (touched[cell] === 0) {
          found[cell] = panel.film[cell];
          this.meets(cell);
        }
        touchedAt[cell] = nowS;
        if (fresh <= 0) return;
        touched[cell] = share * WHOLE;
        touchCell(run, belly, cell, fresh / WHOLE, film, found[cell]);
      },
      (cell) => {
        if (panel.open[cell] === 0) return true;
        if (touched[cell] !== WHOLE || nowS - touchedAt[cell] > FORGETS_S) return false;
        touchedAt[cell] = nowS;
        return true;
      },
    );
  }
}

const asLeft = ({ water, pigments }: BrushLeft): Belly => ({
  water,
  pigments: Float64Array.from(pigments),
  loads: pigments.map((_, place) => ({ place, gm2: 0 })),
});

/** A cell touched all over. */
const WHOLE = 255;

/** Fills the belly: parts at a strength, in so much of its volume. */
function dip(run: PanelRun, act: ActOf<'stroke'>, bellyMl: number, field: string): Belly {
  const water = bellyMl * 1000 * (typeof act.load === 'number' ? act.load : BRUSH_LOADS[act.load]);
  const total = act.parts.reduce((sum, { parts }) => sum + parts, 0);
  const pigments = new Float64Array(run.species.length);
  act.parts.forEach(({ pigment, parts }, i) => {
    const place = speciesPlace(run, pigment, `${field}.parts[${i}].pigment`);
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
  const [leaves, takes] =
    film < THIRSTY_UM ? [THIRSTY_LEAVES_UM, THIRSTY_TAKES] : [Math.max(film, BRUSH_HOLDS_UM), PICKS_UP];
  if (there > leaves) drink(run, belly, cell, (takes * share * (there - leaves)) / there);
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

/** Places from one point to another, evenly spaced, the first left out, pressure between. */
function between([x0, y0, p0]: StrokePoint, [x, y, p]: StrokePoint, spacing: number): StrokePoint[] {
  const steps = Math.max(1, Math.round(Math.hypot(x - x0, y - y0) / spacing));
  return Array.from({ length: steps }, (_, k) => {
    const t = (k + 1) / steps;
    return [x0 + t * (x - x0), y0 + t * (y - y0), p0 + t * (p - p0)];
  });
}
