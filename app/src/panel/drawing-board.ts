import Konva from 'konva/lib/Core';
import { Line } from 'konva/lib/shapes/Line';
import { Path } from 'konva/lib/shapes/Path';
import { Rect } from 'konva/lib/shapes/Rect';
import { Text } from 'konva/lib/shapes/Text';
import { getStroke } from 'perfect-freehand';
import { lineUnderRubber, type PencilLine, type PencilPoint } from '@kettle/core/sketch';
import { BoardView } from './board-view';
import type { PanelDrawing } from './panel.view';

export type BoardTool = 'pencil' | 'rectangle' | 'fill' | 'rub-out' | 'board';

/** What the board tells of the hand on it; all in mm on the panel. */
export interface BoardEvents {
  strokeBegins(): void;
  strokeGoesOn(points: readonly PencilPoint[]): void;
  strokeEnds(): void;
  rectangle(x: number, y: number, width: number, height: number): void;
  fill(x: number, y: number): void;
  rubOut(line: string): void;
}

/** Width of a pencil line at the lightest and the heaviest pressure, mm. */
const LIGHTEST_MM = 0.25;
const HEAVIEST_MM = 0.9;

/** Pressure of a mouse, which has none. */
const MOUSE_PRESSURE = 0.5;

/** Room round the sheet, px. */
const MARGIN_PX = 28;

/** By how much a key, and a pixel of the wheel, bring the board nearer; how far an arrow key moves it, px. */
const A_KEY = 1.25;
const PER_WHEEL_PX = 0.0015;
const ARROW_PX = 40;

/** The board on which a panel is drawn: shows sheet, areas and pencil, and follows pen, touch and mouse. */
export class DrawingBoard {
  tool: BoardTool = 'pencil';
  private readonly stage: Konva.Stage;
  private readonly ground = new Konva.Layer({ listening: false });
  private readonly pencil = new Konva.Layer({ listening: false });
  private readonly live = new Konva.Layer({ listening: false });
  private readonly resize: ResizeObserver;
  private drawing: PanelDrawing | null = null;
  private lines: readonly PencilLine[] = [];
  private readonly view = new BoardView();
  /** Where the hand holds the board while it moves it, px. */
  private held: readonly [number, number] | null = null;
  private stroke: PencilPoint[] | null = null;
  private corner: PencilPoint | null = null;

  constructor(
    private readonly host: HTMLDivElement,
    private readonly events: BoardEvents,
  ) {
    this.stage = new Konva.Stage({ container: host, width: 10, height: 10 });
    this.stage.add(this.ground, this.pencil, this.live);
    host.addEventListener('pointerdown', this.down);
    host.addEventListener('pointermove', this.move);
    host.addEventListener('pointerup', this.up);
    host.addEventListener('pointercancel', this.up);
    host.addEventListener('wheel', this.wheel, { passive: false });
    host.addEventListener('keydown', this.key);
    this.resize = new ResizeObserver(() => this.fit());
    this.resize.observe(host);
  }

  show(drawing: PanelDrawing, lines: readonly PencilLine[]): void {
    this.drawing = drawing;
    this.lines = lines;
    this.fit();
  }

  destroy(): void {
    this.resize.disconnect();
    this.stage.destroy();
  }

  private fit(): void {
    const { drawing, host } = this;
    if (!drawing || host.clientWidth === 0) return;
    const rim = Math.max(0, drawing.rimMm);
    this.stage.size({ width: host.clientWidth, height: host.clientHeight });
    const panel = [drawing.widthMm, drawing.heightMm] as const;
    this.view.fit([host.clientWidth, host.clientHeight], panel, rim, MARGIN_PX);
    this.place();
    this.paintGround(drawing, rim);
    this.pencil.destroyChildren();
    for (const { points } of this.lines) this.pencil.add(pencilMark(points));
    this.pencil.batchDraw();
  }

  /** Puts the layers where the board is seen now; nothing is drawn anew. */
  private place(): void {
    const [x, y] = this.view.corner;
    const { scale } = this.view;
    for (const layer of [this.ground, this.pencil, this.live]) {
      layer.position({ x, y });
      layer.scale({ x: scale, y: scale });
      layer.batchDraw();
    }
  }

  /** Brings the board nearer about a point of the host, px; a factor of 0 shows it whole. */
  bringNearer(factor: number, about?: readonly [number, number]): void {
    this.view.bringNearer(factor, about);
    this.place();
  }

  private moveBy(right: number, down: number): void {
    this.view.moveBy([right, down]);
    this.place();
  }

  private readonly wheel = (event: WheelEvent): void => {
    event.preventDefault();
    this.bringNearer(Math.exp(-event.deltaY * PER_WHEEL_PX), this.inHost(event));
  };

  private readonly key = (event: KeyboardEvent): void => {
    const moves: Readonly<Record<string, (() => void) | undefined>> = {
      '+': () => this.bringNearer(A_KEY),
      '-': () => this.bringNearer(1 / A_KEY),
      '0': () => this.bringNearer(0),
      ArrowLeft: () => this.moveBy(ARROW_PX, 0),
      ArrowRight: () => this.moveBy(-ARROW_PX, 0),
      ArrowUp: () => this.moveBy(0, ARROW_PX),
      ArrowDown: () => this.moveBy(0, -ARROW_PX),
    };
    const move = moves[event.key];
    if (!move) return;
    event.preventDefault();
    move();
  };

  private inHost({ clientX, clientY }: MouseEvent): [number, number] {
    const { left, top } = this.host.getBoundingClientRect();
    return [clientX - left, clientY - top];
  }

  private paintGround(drawing: PanelDrawing, rim: number): void {
    this.ground.destroyChildren();
    this.ground.add(
      new Rect({
        x: -rim,
        y: -rim,
        width: drawing.widthMm + 2 * rim,
        height: drawing.heightMm + 2 * rim,
        fill: '#f6f5f0',
        stroke: '#c9c8c2',
        strokeWidth: 0.3,
      }),
      new Rect({
        width: drawing.widthMm,
        height: drawing.heightMm,
        stroke: '#a9aba6',
        strokeWidth: 0.3,
        dash: [2, 1.4],
      }),
    );
    for (const shape of drawing.shapes)
      this.ground.add(
        new Path({
          data: shape.path,
          fill: shape.fill ?? '#d5e6e6',
          fillRule: 'evenodd',
          opacity: 0.5,
          stroke: '#545d66',
          strokeWidth: 0.4,
        }),
      );
    for (const { name, label } of drawing.shapes)
      this.ground.add(
        new Text({
          text: name,
          x: label[0] - 30,
          y: label[1] - 2.5,
          width: 60,
          align: 'center',
          fontSize: 4.6,
          fontFamily: 'Alegreya Sans',
          fill: '#1c2733',
        }),
      );
    this.ground.batchDraw();
  }

  private readonly down = (event: PointerEvent): void => {
    const moves = event.button === 1 || (event.button === 0 && this.tool === 'board');
    if (event.button !== 0 && !moves) return;
    event.preventDefault();
    this.host.focus({ preventScroll: true });
    this.host.setPointerCapture(event.pointerId);
    if (moves) {
      this.held = this.inHost(event);
      return;
    }
    const at = this.pointOf(event);
    if (this.tool === 'rub-out') this.rub(at);
    else if (this.tool === 'fill') this.events.fill(at[0], at[1]);
    else if (this.tool === 'rectangle') this.corner = at;
    else {
      this.stroke = [at];
      this.events.strokeBegins();
      this.events.strokeGoesOn([at]);
    }
  };

  private readonly move = (event: PointerEvent): void => {
    if (this.held) {
      const [x, y] = this.inHost(event);
      this.moveBy(x - this.held[0], y - this.held[1]);
      this.held = [x, y];
      return;
    }
    if (this.stroke) {
      const fresh = (event.getCoalescedEvents().length > 0 ? event.getCoalescedEvents() : [event]).map((e) =>
        this.pointOf(e),
      );
      this.stroke.push(...fresh);
      this.events.strokeGoesOn(fresh);
      this.showLive(pencilMark(this.stroke));
    } else if (this.corner) {
      const [x, y, width, height] = box(this.corner, this.pointOf(event));
      this.showLive(new Rect({ x, y, width, height, stroke: '#0f5e63', strokeWidth: 0.5 }));
    } else if (this.tool === 'rub-out' && event.buttons === 1) this.rub(this.pointOf(event));
  };

  private readonly up = (event: PointerEvent): void => {
    this.held = null;
    if (this.stroke) {
      this.stroke = null;
      this.events.strokeEnds();
    }
    if (this.corner) {
      this.events.rectangle(...box(this.corner, this.pointOf(event)));
      this.corner = null;
    }
    this.live.destroyChildren();
    this.live.batchDraw();
  };

  private rub([x, y]: PencilPoint): void {
    const line = lineUnderRubber(this.lines, [x, y]);
    if (line) this.events.rubOut(line.id);
  }

  private showLive(mark: Line | Rect): void {
    this.live.destroyChildren();
    this.live.add(mark);
    this.live.batchDraw();
  }

  private pointOf(event: PointerEvent): PencilPoint {
    const pressure =
      event.pointerType === 'mouse' ? MOUSE_PRESSURE : Math.min(1, Math.max(0, event.pressure));
    const [x, y] = this.view.under(this.inHost(event));
    return [rounded(x, 100), rounded(y, 100), rounded(pressure, 1000)];
  }
}

const rounded = (value: number, parts: number): number => Math.round(value * parts) / parts;

function pencilMark(points: readonly PencilPoint[]): Line {
  const outline = getStroke(
    points.map(([x, y, p]) => [x, y, p]),
    {
      size: HEAVIEST_MM,
      thinning: 1 - LIGHTEST_MM / HEAVIEST_MM,
      smoothing: 0.4,
      streamline: 0.2,
      simulatePressure: false,
    },
  );
  return new Line({ points: outline.flat(), closed: true, fill: '#4a525a', opacity: 0.85 });
}

function box(a: PencilPoint, b: PencilPoint): [number, number, number, number] {
  return [Math.min(a[0], b[0]), Math.min(a[1], b[1]), Math.abs(a[0] - b[0]), Math.abs(a[1] - b[1])];
}
