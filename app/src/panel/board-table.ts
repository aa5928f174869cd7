import Konva from 'konva/lib/Core';
import { boardGround, marksOver, type BoardOver } from './board-marks';
import { BoardView, fromSeenTo, sameSeen, type Seen } from './board-view';
import type { BoardLine } from './line-mark';
import { LineSheet } from './line-sheet';
import type { PanelDrawing } from './panel.view';

/** Room round the sheet, px. */
const MARGIN_PX = 28;

/** What is drawn reaches past the host on every side by this share of it, so that a moved board is not bare at once. */
const PAST = 0.25;

/** The board rests when nothing has moved it for so long, ms: then all of it is drawn sharp again. */
const RESTS_MS = 120;

// Here it is said what is drawn, and when; drawing by itself too would do it twice.
Konva.autoDrawEnabled = false;

/**
 * What lies on the board: panel and areas, lines, and above them what the hand is just doing. While the board is moved
 * the first two are moved as one picture; at rest they are drawn anew as they are seen.
 */
export class BoardTable {
  readonly view = new BoardView();
  private readonly table = document.createElement('div');
  private readonly ground = new Konva.Layer({ listening: false });
  private readonly live = new Konva.Layer({ listening: false });
  private readonly below: Konva.Stage;
  private readonly above: Konva.Stage;
  private readonly sheet: LineSheet;
  private readonly resize: ResizeObserver;
  private drawing: PanelDrawing | null = null;
  private over: BoardOver | null = null;
  private lines: readonly BoardLine[] = [];
  /** How the panel was seen when it was last drawn. */
  private drawnAs: Seen | null = null;
  private resting: ReturnType<typeof setTimeout> | undefined;

  constructor(private readonly host: HTMLElement) {
    this.table.style.cssText = `position:absolute;inset:${-100 * PAST}%;pointer-events:none`;
    this.table.style.transformOrigin = '0 0';
    host.append(this.table);
    this.below = stageIn(this.table);
    this.below.add(this.ground);
    this.sheet = new LineSheet(this.table);
    this.above = stageIn(host);
    this.above.add(this.live);
    this.resize = new ResizeObserver(() => this.fit());
    this.resize.observe(host);
  }

  show(drawing: PanelDrawing, over: BoardOver, lines: readonly BoardLine[]): void {
    const newGround = drawing !== this.drawing || over !== this.over;
    this.drawing = drawing;
    this.over = over;
    this.lines = lines;
    if (newGround) this.fit();
    else this.draw();
  }

  /** Shows what the hand is doing, or nothing. */
  showLive(...marks: Konva.Shape[]): void {
    if (marks.length === 0 && !this.live.hasChildren()) return;
    this.live.destroyChildren();
    if (marks.length > 0) this.live.add(...marks);
    this.live.batchDraw();
  }

  /** Sees the board another way; it is drawn anew once it rests. */
  seenAnew(change: (view: BoardView) => void): void {
    change(this.view);
    this.move();
    clearTimeout(this.resting);
    this.resting = setTimeout(() => this.draw(), RESTS_MS);
  }

  destroy(): void {
    clearTimeout(this.resting);
    this.resize.disconnect();
    this.sheet.destroy();
    this.below.destroy();
    this.above.destroy();
    this.table.remove();
  }

  private fit(): void {
    const { drawing, host } = this;
    if (!drawing || host.clientWidth === 0) return;
    const rim = Math.max(0, drawing.rimMm);
    const size = [host.clientWidth, host.clientHeight] as const;
    this.view.fit(size, [drawing.widthMm, drawing.heightMm], rim, MARGIN_PX);
    resize(this.above, size);
    resize(this.below, this.size);
    this.ground.destroyChildren();
    this.ground.add(...boardGround(drawing, rim, this.over), ...(this.over ? marksOver(this.over) : []));
    this.drawnAs = null;
    this.draw();
  }

  /** Draws what is not drawn as it is seen; the lines take some frames, and the rest waits for them. */
  private draw(): void {
    if (this.host.clientWidth === 0) return;
    const { seen } = this.view;
    const [x, y] = this.past;
    const onTable = { ...seen, corner: [seen.corner[0] + x, seen.corner[1] + y] as const };
    this.sheet.show(this.lines, onTable, this.size, () => {
      if (!this.drawnAs || !sameSeen(this.drawnAs, seen)) {
        place(this.ground, onTable);
        // At once, with the lines: a frame later all would be seen to jump.
        this.ground.draw();
        this.drawnAs = seen;
      }
      this.move();
    });
  }

  /** Moves all that is drawn to where it is seen now. */
  private move(): void {
    place(this.live, this.view.seen);
    if (this.live.hasChildren()) this.live.batchDraw();
    if (!this.drawnAs) return;
    const [a, b, c, d, e, f] = fromSeenTo(this.drawnAs, this.view.seen);
    const [x, y] = this.past;
    // The table's own corner lies up and left of the host's.
    const [right, down] = [e + x - a * x - c * y, f + y - b * x - d * y];
    this.table.style.transform = `matrix(${a},${b},${c},${d},${right},${down})`;
  }

  /** How far the table reaches past the host, px. */
  private get past(): readonly [number, number] {
    return [PAST * this.host.clientWidth, PAST * this.host.clientHeight];
  }

  private get size(): readonly [number, number] {
    return [(1 + 2 * PAST) * this.host.clientWidth, (1 + 2 * PAST) * this.host.clientHeight];
  }
}

function stageIn(host: HTMLElement): Konva.Stage {
  const container = document.createElement('div');
  container.style.cssText = 'position:absolute;inset:0;pointer-events:none';
  host.append(container);
  return new Konva.Stage({ container, width: 1, height: 1, listening: false });
}

function resize(stage: Konva.Stage, [width, height]: readonly [number, number]): void {
  if (stage.width() !== width || stage.height() !== height) stage.size({ width, height });
}

function place(layer: Konva.Layer, { corner, scale, turnDeg }: Seen): void {
  layer.position({ x: corner[0], y: corner[1] });
  layer.scale({ x: scale, y: scale });
  layer.rotation(turnDeg);
}
