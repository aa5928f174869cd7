import type { PaintKernel } from '@kettle/core/materials/pigment';
import { PaperPicture, type Painted, type PaperLook, type PixelBox } from '@kettle/core/simulation/picture';
import type { Work } from '@kettle/core/kit/units';
import { cellAt, type PanelRun } from '@kettle/core/simulation/water';
import { SCREEN_PX_MM } from './fineness';
import type { PaintedTile } from './painting-api';

/** Side of a tile, cells. */
const TILE = 32;

/** Paper with less water than this looks as it did before, g/m². */
const AT_REST_GM2 = 8;

/** The tiles of a sheet that are not shown as they are; those the brush has touched come first. */
export class TilesInView {
  private readonly view: PaperPicture;
  private readonly across: number;
  private readonly down: number;
  private touched = new Set<number>();
  private stale = new Set<number>();
  /** Tiles that were wet when they were last shown: they change, and once more as they dry. */
  private readonly wet = new Set<number>();
  private look: PaperLook = 'now';
  private masked = true;

  constructor(
    private readonly painted: Painted,
    paint: PaintKernel,
  ) {
    this.view = new PaperPicture(painted, paint);
    this.across = Math.ceil(this.run.panel.columns / TILE);
    this.down = Math.ceil(this.run.panel.rows / TILE);
    this.all();
  }

  private get run(): PanelRun {
    return this.painted.run;
  }

  /** Done before the sheet is painted on. */
  makeReady(): Work<void> {
    return this.view.makeReady(SCREEN_PX_MM);
  }

  /** The pixels of the whole sheet. */
  get whole(): PixelBox {
    return this.view.whole(SCREEN_PX_MM);
  }

  get isAllShown(): boolean {
    return this.touched.size === 0 && this.stale.size === 0;
  }

  seenAs(look: PaperLook, masked: boolean): void {
    [this.look, this.masked] = [look, masked];
    this.all();
  }

  /** All of it may look different. */
  all(): void {
    this.stale = new Set(Array.from({ length: this.across * this.down }, (_, tile) => tile));
  }

  /** The hand was here, mm. */
  touch([left, top, right, bottom]: readonly [number, number, number, number]): void {
    const tile = (mm: number): number => Math.floor(mm / this.run.panel.cellMm / TILE);
    for (let row = Math.max(0, tile(top)); row <= Math.min(this.down - 1, tile(bottom)); row++)
      for (let column = Math.max(0, tile(left)); column <= Math.min(this.across - 1, tile(right)); column++)
        this.touched.add(row * this.across + column);
  }

  /** Time has passed: what is wet looks different. */
  timePasses(): void {
    for (let tile = 0; tile < this.across * this.down; tile++)
      if (this.wet.has(tile) || this.isWet(tile)) this.stale.add(tile);
  }

  /** Some of what is not shown as it is, until `untilMs`; what the hand touched in any case. */
  show(untilMs: number, now: () => number): PaintedTile[] {
    const shown = [...this.touched].map((tile) => this.paint(tile));
    this.touched.clear();
    for (const tile of this.stale) {
      if (now() >= untilMs) break;
      shown.push(this.paint(tile));
    }
    return shown;
  }

  private paint(tile: number): PaintedTile {
    this.stale.delete(tile);
    if (this.isWet(tile)) this.wet.add(tile);
    else this.wet.delete(tile);
    const box = this.pixelsOf(tile);
    return { ...box, rgba: this.view.colour(box, this.look, this.masked) };
  }

  /** The pixels of a tile's cells. */
  private pixelsOf(tile: number): PixelBox {
    const { column, row, columns, rows } = this.boxOf(tile);
    const px = (cell: number): number => Math.round(cell * this.run.panel.cellMm * SCREEN_PX_MM);
    return {
      ...{ pxPerMm: SCREEN_PX_MM, left: px(column), top: px(row) },
      columns: px(column + columns) - px(column),
      rows: px(row + rows) - px(row),
    };
  }

  private boxOf(tile: number) {
    const [column, row] = [(tile % this.across) * TILE, Math.floor(tile / this.across) * TILE];
    const { columns, rows } = this.run.panel;
    return { column, row, columns: Math.min(TILE, columns - column), rows: Math.min(TILE, rows - row) };
  }

  private isWet(tile: number): boolean {
    const { panel } = this.run;
    const { column, row, columns, rows } = this.boxOf(tile);
    for (let y = row; y < row + rows; y++)
      for (let x = column; x < column + columns; x++) {
        const cell = cellAt(panel, x, y);
        if (panel.film[cell] > 0 || panel.paper[cell] > AT_REST_GM2) return true;
      }
    return false;
  }
}
