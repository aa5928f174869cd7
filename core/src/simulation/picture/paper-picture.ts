import { TWELVE_BANDS, thinned } from '../../kit/colour';
import { asPart, done, type Work } from '../../kit/units';
import {
  groundOf,
  interfaceAt,
  paintRecipe,
  type PaintKernel,
  type PaintRecipe,
  type PaintTile,
} from '../../materials/pigment';
import { cellAt, wetLook, type PanelEvent, type PanelRun } from '../water';
import { cellZones, densitiesOf, type ZoneDensities } from './densities';
import { edgePixels, matchEdges, type EdgePixels } from './edge-mass';
import { grainOf, type Grain } from './grain';
import { stripValues, type Divided } from './interpolation';
import { alongTheLight, glossOf, greyed, lit, MASK_FILM, MASK_LINE } from './light';
import { depthAt } from './outline-field';
import { layersNear, PaintedOutlines, type PaintedLayer } from './painted-outlines';
import { dividedPixels, type PixelBox } from './zones';
import { partOfRelief, reliefUnder, roughness, type PixelRelief } from './pixel-relief';

/** Ways of looking at a panel: as it is, as it will be dry, dry in greys by lightness alone, and along the light for its sheen. */
export const PAPER_LOOKS = ['now', 'dry', 'value', 'sheen'] as const;
export type PaperLook = (typeof PAPER_LOOKS)[number];

/** Pixels coloured at once. */
const AT_ONCE = 4096;

/** Cells round a box that have a say in it. */
const ROUND_IT = 6;

/** Boxes are kept divided up to so many pixels: a card’s tiles on the screen, or one large box. */
const MOST_KEPT_PX = 900_000;

/** A panel in the course of being painted, and what has happened to it so far. */
export interface Painted {
  readonly run: PanelRun;
  readonly past: readonly PanelEvent[];
}

/** What of a box does not change while nothing is laid: outlines, relief, and which zones each cell has. */
interface Geometry extends Divided {
  /** The layers that divide it. */
  readonly names: string;
  readonly relief: PixelRelief;
  readonly edges: EdgePixels;
  /** Where each cell of its window stands in the panel. */
  readonly panelCells: Int32Array;
}

/** A plane of the panel spread over the zones of its cells. */
interface Plane {
  readonly densities: ZoneDensities;
  readonly grain: Grain | null;
}

/**
 * The picture of a sheet at any fineness: what lies in each cell is kept, and drawn with the exact outlines of what was laid
 * and the sheet’s own relief. Everything on it is seen as one film.
 */
export class PaperPicture {
  private readonly outlines: PaintedOutlines;
  private readonly dryPaper: Float64Array;
  private readonly wetPaper: Float64Array;
  private recipe: PaintRecipe | null = null;
  private species: readonly number[] = [];
  private readonly geometries = new Map<string, Geometry>();
  private relief: { readonly pxPerMm: number; readonly under: PixelRelief } | null = null;
  private grounds: Pick<PaintTile, 'dryGround' | 'wetGround'> | null = null;

  constructor(
    private readonly painted: Painted,
    private readonly paint: PaintKernel,
  ) {
    const { run } = painted;
    this.outlines = new PaintedOutlines(this.sizeMm, run.seed);
    this.dryPaper = thinned(groundOf(run.paper, []), TWELVE_BANDS);
    this.wetPaper = thinned(groundOf(run.paper, [], interfaceAt(1)), TWELVE_BANDS);
  }

  /** The box that holds all of the sheet. */
  whole(pxPerMm: number): PixelBox {
    const { columns, rows, cellMm } = this.run.panel;
    const px = (cells: number): number => Math.max(1, Math.round(cells * cellMm * pxPerMm));
    return { pxPerMm, left: 0, top: 0, columns: px(columns), rows: px(rows) };
  }

  /** Looks at the sheet’s relief beforehand, so that what is painted first is shown at once. */
  *makeReady(pxPerMm: number): Work<void> {
    yield* this.reliefOf({ ...this.whole(pxPerMm), columns: 1, rows: 1 });
  }

  /** A box of pixels, `[(row · columns + column) · 4 + channel]`; `masked` shows what is under mask as it is. */
  *colouring(box: PixelBox, look: PaperLook = 'now', masked = false): Work<Uint8ClampedArray> {
    this.outlines.follow(this.painted.past);
    const geometry = yield* asPart(this.geometryOf(box), 0, 0.3);
    this.lookUp();
    const planes = this.run.acting
      .filter((i) => i < this.run.pigments.length)
      .map((i) => this.pigmentPlane(geometry, i));
    yield 0.5;
    const wet = look === 'now' || look === 'sheen' ? this.wetPlanes(geometry) : null;
    const rgba = new Uint8ClampedArray(4 * box.columns * box.rows);
    const rowsAtOnce = Math.max(1, Math.floor(AT_ONCE / box.columns));
    for (let row = 0; row < box.rows; row += rowsAtOnce) {
      yield 0.5 + (0.5 * row) / box.rows;
      const strip = { ...box, top: box.top + row, rows: Math.min(rowsAtOnce, box.rows - row) };
      rgba.set(this.strip(geometry, strip, planes, wet, look), 4 * box.columns * row);
    }
    if (look === 'value') greyed(rgba);
    if (masked) this.coverMasked(box, rgba);
    return rgba;
  }

  /** The outlines that divide the sheet now. */
  get layers(): readonly PaintedLayer[] {
    this.outlines.follow(this.painted.past);
    return this.outlines.layers;
  }

  /** The same in one go. */
  colour(...asked: Parameters<PaperPicture['colouring']>): Uint8ClampedArray {
    return done(this.colouring(...asked));
  }

  /** How densely a pigment lies at the pixels of a box, g/m², `[row · columns + column]`. */
  *loads(box: PixelBox, species: number): Work<Float32Array> {
    this.outlines.follow(this.painted.past);
    const geometry = yield* asPart(this.geometryOf(box), 0, 0.6);
    const plane = this.pigmentPlane(geometry, species);
    const values = new Float32Array(box.columns * box.rows);
    return valuesOf(plane, geometry, box, values);
  }

  private pigmentPlane(geometry: Geometry, species: number): Plane {
    const { suspended, deposited, cells } = this.run.panel;
    const from = species * cells;
    const mass = gathered(geometry.panelCells, (cell) => suspended[from + cell] + deposited[from + cell]);
    return {
      densities: this.spread(geometry, mass, true),
      grain: grainOf(this.run.pigments[species], geometry.relief.spreadUm),
    };
  }

  /** Only what lies on the panel is coloured. */
  private lookUp(): void {
    const { acting, pigments } = this.run;
    if (this.recipe && this.species === acting) return;
    this.species = acting;
    this.recipe = paintRecipe(pigments.filter((_, i) => acting.includes(i)));
  }

  private spread(geometry: Geometry, mass: Float32Array, isPaint: boolean): ZoneDensities {
    const densities = densitiesOf(geometry.cells, mass, isPaint);
    if (isPaint) matchEdges(geometry.cells, geometry.edges, densities);
    return densities;
  }

  private wetPlanes(geometry: Geometry): { readonly wetness: Plane; readonly film: Plane } {
    const { film, paper } = this.run.panel;
    const { panelCells } = geometry;
    const films = gathered(panelCells, (cell) => film[cell]);
    const wetness = gathered(panelCells, (cell) => wetLook(film[cell], paper[cell]));
    return {
      wetness: { densities: this.spread(geometry, wetness, false), grain: null },
      film: { densities: this.spread(geometry, films, false), grain: null },
    };
  }

  /** How a box is divided; that of the boxes asked for last is kept while no outline changes in it. */
  private *geometryOf(box: PixelBox): Work<Geometry> {
    const { run } = this;
    const { surface } = run.paper;
    const wider = this.withMargin(box);
    const { pxPerMm, left, top, columns, rows } = wider;
    const layers = layersNear(
      this.outlines.layers,
      ...([left / pxPerMm, top / pxPerMm, (left + columns) / pxPerMm, (top + rows) / pxPerMm] as const),
    );
    const key = [pxPerMm, left, top, columns, rows].join(' ');
    const names = layers.map(({ name }) => name).join(' ');
    const known = this.geometries.get(key);
    if (known?.names === names) return known;
    const relief = known?.relief ?? (yield* asPart(this.reliefOf(wider), 0, 0.4));
    const pixels = dividedPixels(wider, layers, (at) => roughness(surface, relief.height[at]));
    yield 0.8;
    const cells = cellZones(run.panel, wider, pixels);
    const divided = { box: wider, pixels, cells, pxPerCell: run.panel.cellMm * pxPerMm };
    const { column, row, columns: across, rows: down } = cells.window;
    const panelCells = Int32Array.from({ length: across * down }, (_, cell) =>
      cellAt(run.panel, column + (cell % across), row + Math.floor(cell / across)),
    );
    const geometry = { ...divided, names, relief, panelCells, edges: edgePixels(divided) };
    this.keep(key, geometry);
    return geometry;
  }

  private keep(key: string, geometry: Geometry): void {
    this.geometries.delete(key);
    this.geometries.set(key, geometry);
    let kept = 0;
    for (const { box } of this.geometries.values()) kept += box.columns * box.rows;
    for (const [oldest, { box }] of this.geometries) {
      if (kept <= MOST_KEPT_PX || oldest === key) break;
      kept -= box.columns * box.rows;
      this.geometries.delete(oldest);
    }
  }

  /** A box with what has a say in it. */
  private withMargin({ pxPerMm, ...box }: PixelBox): PixelBox {
    const whole = this.whole(pxPerMm);
    const round = Math.ceil(ROUND_IT * this.run.panel.cellMm * pxPerMm);
    const left = Math.max(0, box.left - round);
    const top = Math.max(0, box.top - round);
    return {
      ...{ pxPerMm, left, top },
      columns: Math.min(whole.columns, box.left + box.columns + round) - left,
      rows: Math.min(whole.rows, box.top + box.rows + round) - top,
    };
  }

  /** The relief under a box: a part of the whole sheet’s, which never changes and is kept. */
  private *reliefOf(box: PixelBox): Work<PixelRelief> {
    const whole = this.whole(box.pxPerMm);
    if (this.relief?.pxPerMm !== box.pxPerMm)
      this.relief = { pxPerMm: box.pxPerMm, under: yield* reliefUnder(this.run, whole) };
    return partOfRelief(this.relief.under, whole, box);
  }

  /** Some rows of pixels, seen by one look. */
  private strip(
    geometry: Geometry,
    strip: PixelBox,
    planes: readonly Plane[],
    wet: ReturnType<PaperPicture['wetPlanes']> | null,
    look: PaperLook,
  ): Uint8ClampedArray {
    const { box, relief } = geometry;
    const pixels = strip.columns * strip.rows;
    const film =
      wet && !wet.film.densities.isNone
        ? valuesOf(wet.film, geometry, strip, new Float32Array(pixels))
        : null;
    const wetness = wet
      ? valuesOf(wet.wetness, geometry, strip, new Float32Array(pixels))
      : new Float32Array(pixels);
    if (look === 'sheen') return alongTheLight(film, wetness, partOfRelief(relief, box, strip).height);
    const tile: PaintTile = {
      ...{ pixels, wetness: look === 'now' ? wetness : new Float32Array(pixels) },
      loads: new Float32Array(pixels * planes.length),
      ...this.groundsOf(pixels),
      rgba: new Uint8ClampedArray(4 * pixels),
    };
    for (const [i, plane] of planes.entries())
      valuesOf(plane, geometry, strip, tile.loads.subarray(i * pixels, (i + 1) * pixels));
    this.paint.colour(this.recipe!, tile);
    const { pxPerMm } = strip;
    const { widthMm, heightMm } = this.sizeMm;
    let pixel = 0;
    for (let row = 0; row < strip.rows; row++) {
      let here = (strip.top - box.top + row) * box.columns + strip.left - box.left;
      const y = (strip.top + row + 0.5) / pxPerMm / heightMm;
      for (let column = 0; column < strip.columns; column++, pixel++, here++) {
        const depth = film ? film[pixel] : 0;
        lit(tile.rgba, 4 * pixel, relief.slope[here], depth);
        if (depth <= 0) continue;
        const x = (strip.left + column + 0.5) / pxPerMm / widthMm;
        glossOf(tile.rgba, 4 * pixel, depth, relief.height[here], x, y);
      }
    }
    return tile.rgba;
  }

  /** The paper under so many pixels, dry and wet. */
  private groundsOf(pixels: number): Pick<PaintTile, 'dryGround' | 'wetGround'> {
    if (this.grounds?.wetGround.length !== pixels * this.wetPaper.length)
      this.grounds = {
        dryGround: repeated(this.dryPaper, pixels),
        wetGround: repeated(this.wetPaper, pixels),
      };
    return this.grounds;
  }

  get run(): PanelRun {
    return this.painted.run;
  }

  private get sizeMm() {
    const { columns, rows, cellMm } = this.run.panel;
    return { widthMm: columns * cellMm, heightMm: rows * cellMm };
  }

  /** What is under mask, with the lines it is told by in greys too. */
  private coverMasked({ pxPerMm, left, top, columns, rows }: PixelBox, rgba: Uint8ClampedArray): void {
    const { mask } = this.outlines;
    if (!mask) return;
    for (let row = 0; row < rows; row++)
      for (let column = 0; column < columns; column++) {
        const [xMm, yMm] = [(left + column + 0.5) / pxPerMm, (top + row + 0.5) / pxPerMm];
        const share = Math.min(1, Math.max(0, 0.5 + depthAt(mask, xMm, yMm) * pxPerMm));
        if (share === 0) continue;
        const film = (xMm + yMm) % LINES_MM < LINES_MM / 3 ? MASK_LINE : MASK_FILM;
        const at = 4 * (row * columns + column);
        for (let channel = 0; channel < 3; channel++)
          rgba[at + channel] += share * (film[channel] - rgba[at + channel]);
      }
  }
}

/** A mask's lines lie so far apart, mm. */
const LINES_MM = 3;

/** Something of some cells of the panel. */
function gathered(cells: Int32Array, of: (cell: number) => number): Float32Array {
  const values = new Float32Array(cells.length);
  for (let i = 0; i < cells.length; i++) values[i] = of(cells[i]);
  return values;
}

/** A plane at the pixels of a strip, written into `values`. */
function valuesOf(
  { densities, grain }: Plane,
  geometry: Geometry,
  strip: PixelBox,
  values: Float32Array,
): Float32Array {
  if (densities.isNone) return values;
  stripValues(geometry, strip, densities, values);
  if (!grain) return values;
  const { box, relief } = geometry;
  let to = 0;
  for (let row = 0; row < strip.rows; row++) {
    let at = (strip.top - box.top + row) * box.columns + strip.left - box.left;
    for (let column = 0; column < strip.columns; column++, at++, to++) {
      const grains = 1 - grain.byHeight * relief.below[at] + grain.byClumps * relief.clumps[at];
      values[to] *= grains > 0 ? grains : 0;
    }
  }
  return values;
}

function repeated(values: Float64Array, times: number): Float32Array {
  const out = new Float32Array(values.length * times);
  out.set(values);
  for (let filled = values.length; filled < out.length; filled *= 2)
    out.copyWithin(filled, 0, Math.min(filled, out.length - filled));
  return out;
}
