import type { PaintKernel } from '@kettle/core/materials/pigment';
import { cellAt, PaintedView, type PanelRun, type PaperLook } from '@kettle/core/simulation/water';
import type { PaintedTile } from './painting-api';

/** Side of a tile, cells. */
const TILE = 32;

/** Paper with less water than this looks as it did before, g/m². */
const AT_REST_GM2 = 8;

/** The tiles of a sheet that are not shown as they are; those the brush has touched come first. */
export class TilesInView {
  private readonly view: PaintedView;
  private readonly across: number;
  private readonly down: number;
  private touched = new Set<number>();
  private stale = new Set<number>();
  /** Tiles that were wet when they were last shown: they change, and once more as they dry. */
  private readonly wet = new Set<number>();
  private look: PaperLook = 'now';
  private masked = true;

  constructor(
    private readonly run: PanelRun,
    paint: PaintKernel,
  ) {
    this.view = new PaintedView(run, paint);
    this.across = Math.ceil(run.panel.columns / TILE);
    this.down = Math.ceil(run.panel.rows / TILE);
    this.all();
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
    const box = this.boxOf(tile);
    return { ...box, rgba: this.view.colour(box, this.look, this.masked) };
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
