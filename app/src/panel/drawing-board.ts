import Konva from 'konva/lib/Core';
import { Line } from 'konva/lib/shapes/Line';
import { Path } from 'konva/lib/shapes/Path';
import { Rect } from 'konva/lib/shapes/Rect';
import { Text } from 'konva/lib/shapes/Text';
import { getStroke } from 'perfect-freehand';
import { lineUnderRubber, type PencilLine, type PencilPoint } from '@kettle/core/sketch';
import type { PanelDrawing } from './panel.view';

export type BoardTool = 'pencil' | 'rectangle' | 'rub-out';

/** What the board tells of the hand on it; all in mm on the panel. */
export interface BoardEvents {
  strokeBegins(): void;
  strokeGoesOn(points: readonly PencilPoint[]): void;
  strokeEnds(): void;
  rectangle(x: number, y: number, width: number, height: number): void;
  rubOut(line: string): void;
}

/** Width of a pencil line at the lightest and the heaviest pressure, mm. */
const LIGHTEST_MM = 0.25;
const HEAVIEST_MM = 0.9;

/** Pressure of a mouse, which has none. */
const MOUSE_PRESSURE = 0.5;

/** Room round the sheet, px. */
const MARGIN_PX = 28;

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
  private scale = 1;
  private offset: readonly [number, number] = [0, 0];
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
    const [width, height] = [drawing.widthMm + 2 * rim, drawing.heightMm + 2 * rim];
    this.scale = Math.min(
      (host.clientWidth - 2 * MARGIN_PX) / width,
      (host.clientHeight - 2 * MARGIN_PX) / height,
    );
    this.offset = [
      (host.clientWidth - drawing.widthMm * this.scale) / 2,
      (host.clientHeight - drawing.heightMm * this.scale) / 2,
    ];
    this.stage.size({ width: host.clientWidth, height: host.clientHeight });
    for (const layer of [this.ground, this.pencil, this.live]) {
      layer.position({ x: this.offset[0], y: this.offset[1] });
      layer.scale({ x: this.scale, y: this.scale });
    }
    this.paintGround(drawing, rim);
    this.pencil.destroyChildren();
    for (const { points } of this.lines) this.pencil.add(pencilMark(points));
    this.pencil.batchDraw();
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
    if (event.button !== 0) return;
    event.preventDefault();
    this.host.setPointerCapture(event.pointerId);
    const at = this.pointOf(event);
    if (this.tool === 'rub-out') this.rub(at);
    else if (this.tool === 'rectangle') this.corner = at;
    else {
      this.stroke = [at];
      this.events.strokeBegins();
      this.events.strokeGoesOn([at]);
    }
  };

  private readonly move = (event: PointerEvent): void => {
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
    const bounds = this.host.getBoundingClientRect();
    const pressure =
      event.pointerType === 'mouse' ? MOUSE_PRESSURE : Math.min(1, Math.max(0, event.pressure));
    const at = (px: number, axis: 0 | 1): number =>
      Math.round(((px - this.offset[axis]) / this.scale) * 100) / 100;
    return [
      at(event.clientX - bounds.left, 0),
      at(event.clientY - bounds.top, 1),
      Math.round(pressure * 1000) / 1000,
    ];
  }
}

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
