import { LIGHT_OF_BYTE, TWELVE_BANDS, thinned } from '../../kit/colour';
import {
  groundOf,
  interfaceAt,
  paintRecipe,
  type PaintKernel,
  type PaintRecipe,
  type PaintTile,
} from '../../materials/pigment';
import { done, type Work } from '../../kit/units';
import { PUDDLED_FILM_UM, SHINY_FILM_UM } from './constants';
import { cellAt } from './panel';
import type { PanelRun } from './panel-run';
import { wetLook } from './stages';

/** Ways of looking at a panel: as it is, as it will be dry, dry in greys by lightness alone, and along the light for its sheen. */
export const PAPER_LOOKS = ['now', 'dry', 'value', 'sheen'] as const;
export type PaperLook = (typeof PAPER_LOOKS)[number];

/** Pixels coloured at once. */
const AT_ONCE = 4096;

/** A rectangle of cells. */
export interface CellBox {
  readonly column: number;
  readonly row: number;
  readonly columns: number;
  readonly rows: number;
}

/** Colours parts of a panel as they look now. Everything on it is seen as one film. */
export class PaintedView {
  private recipe: PaintRecipe | null = null;
  private species: readonly number[] = [];
  private readonly dryPaper: Float64Array;
  private readonly wetPaper: Float64Array;

  constructor(
    private readonly run: PanelRun,
    private readonly paint: PaintKernel,
  ) {
    this.dryPaper = thinned(groundOf(run.paper, []), TWELVE_BANDS);
    this.wetPaper = thinned(groundOf(run.paper, [], interfaceAt(1)), TWELVE_BANDS);
  }

  /** A rectangle of cells, `[(row · columns + column) · 4 + channel]`; `masked` shows what is under mask as it is. */
  *colouring(
    { column, row, columns, rows }: CellBox,
    look: PaperLook = 'now',
    masked = false,
  ): Work<Uint8ClampedArray> {
    this.lookUp();
    const rgba = new Uint8ClampedArray(4 * columns * rows);
    const most = Math.max(1, Math.floor(AT_ONCE / columns));
    for (let from = 0; from < rows; from += most) {
      yield from / rows;
      const box = { column, row: row + from, columns, rows: Math.min(most, rows - from) };
      rgba.set(look === 'sheen' ? this.sheen(box) : this.painted(box, look), 4 * columns * from);
    }
    if (look === 'value') greyed(rgba);
    if (masked) this.coverMasked({ column, row, columns, rows }, rgba);
    return rgba;
  }

  /** The same in one go. */
  colour(...asked: Parameters<PaintedView['colouring']>): Uint8ClampedArray {
    return done(this.colouring(...asked));
  }

  /** Only what lies on the panel is coloured. */
  private lookUp(): void {
    const { acting, pigments } = this.run;
    if (this.recipe && this.species === acting) return;
    this.species = acting;
    this.recipe = paintRecipe(pigments.filter((_, i) => acting.includes(i)));
  }

  private painted({ column, row, columns, rows }: CellBox, look: PaperLook): Uint8ClampedArray {
    const { panel, pigments } = this.run;
    const species = this.species.filter((i) => i < pigments.length);
    const pixels = columns * rows;
    const tile: PaintTile = {
      pixels,
      loads: new Float32Array(pixels * species.length),
      wetness: new Float32Array(pixels),
      dryGround: repeated(this.dryPaper, pixels),
      wetGround: repeated(this.wetPaper, pixels),
      rgba: new Uint8ClampedArray(4 * pixels),
    };
    for (let pixel = 0; pixel < pixels; pixel++) {
      const cell = cellAt(panel, column + (pixel % columns), row + Math.floor(pixel / columns));
      if (look === 'now') tile.wetness[pixel] = wetLook(panel.film[cell], panel.paper[cell]);
      for (let i = 0; i < species.length; i++) {
        const at = species[i] * panel.cells + cell;
        tile.loads[i * pixels + pixel] = panel.suspended[at] + panel.deposited[at];
      }
    }
    this.paint.colour(this.recipe!, tile);
    return tile.rgba;
  }

  /**
   * Seen along the light: a film shines, where it is going only the valleys do, damp paper is darker than dry, and where
   * water stands it is a mirror with no grain.
   */
  private sheen({ column, row, columns, rows }: CellBox): Uint8ClampedArray {
    const { panel, paper } = this.run;
    const rgba = new Uint8ClampedArray(4 * columns * rows);
    for (let pixel = 0; pixel < columns * rows; pixel++) {
      const cell = cellAt(panel, column + (pixel % columns), row + Math.floor(pixel / columns));
      const [film, hill] = [panel.film[cell], panel.relief[cell] / paper.reliefUm];
      const matt = MATT + GRAIN * hill - DAMP_DARKENS * wetLook(0, panel.paper[cell]);
      const shines = film > PUDDLED_FILM_UM ? 1 : film <= 0 ? 0 : shineOf(film, hill);
      const grey = matt + shines * (MIRROR - matt);
      rgba.set([grey, grey, grey + 4, 255], 4 * pixel);
    }
    return rgba;
  }

  private coverMasked({ column, row, columns, rows }: CellBox, rgba: Uint8ClampedArray): void {
    const { panel } = this.run;
    for (let pixel = 0; pixel < columns * rows; pixel++) {
      const [x, y] = [column + (pixel % columns), row + Math.floor(pixel / columns)];
      if (panel.open[cellAt(panel, x, y)] > 0) continue;
      const film = (x + y) % 6 < 2 ? MASK_LINE : MASK_FILM;
      for (let channel = 0; channel < 3; channel++) rgba[4 * pixel + channel] = film[channel];
    }
  }
}

/** Bytes of grey along the light: dry paper, its grain, how much damp darkens it, and a mirror. */
const MATT = 176;
const GRAIN = 12;
const DAMP_DARKENS = 70;
const MIRROR = 250;

/** A mask’s film, with the lines it is told by in greys too. */
const MASK_FILM = [230, 214, 173] as const;
const MASK_LINE = [219, 199, 150] as const;

/** A whole film shines with a little grain; a going one in the valleys, the fewer the thinner it is. */
const shineOf = (film: number, hill: number): number =>
  film > SHINY_FILM_UM ? 0.85 - 0.1 * hill : hill < (2 * film) / SHINY_FILM_UM - 1 ? 0.8 : 0.15;

/** Rec. 709 weights of the lightness of linear light (ITU-R BT.709). */
const LUMINANCE = [0.2126, 0.7152, 0.0722] as const;

/** Greys of the same lightness. */
function greyed(rgba: Uint8ClampedArray): void {
  for (let at = 0; at < rgba.length; at += 4) {
    const light = LUMINANCE.reduce((sum, weight, i) => sum + weight * LIGHT_OF_BYTE[rgba[at + i]], 0);
    const grey = 255 * (light <= 0.0031308 ? 12.92 * light : 1.055 * light ** (1 / 2.4) - 0.055);
    rgba[at] = rgba[at + 1] = rgba[at + 2] = grey;
  }
}

function repeated(values: Float64Array, times: number): Float32Array {
  const out = new Float32Array(values.length * times);
  out.set(values);
  for (let filled = values.length; filled < out.length; filled *= 2)
    out.copyWithin(filled, 0, Math.min(filled, out.length - filled));
  return out;
}
