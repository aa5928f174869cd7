import { Line } from 'konva/lib/shapes/Line';
import { Rect } from 'konva/lib/shapes/Rect';
import type { Point } from '@kettle/core/kit/geometry';
import { lineNear, linesWithin, type PencilPoint } from '@kettle/core/drawing/sketch';
import { BoardHands } from './board-hands';
import { guideMark, pickedMark, type BoardHandle, type BoardOver } from './board-marks';
import { KEY_MOVES } from './board-keys';
import { BoardTable } from './board-table';
import type { BoardView } from './board-view';
import { lineColour, lineOutline, type BoardLine } from './line-mark';
import type { PanelDrawing } from './panel.view';

export type BoardTool = 'pencil' | 'rectangle' | 'fill' | 'rub' | 'rub-out' | 'pick' | 'name' | 'board';

/** What the board tells of the hand on it; all in mm on the panel. */
export interface BoardEvents {
  strokeBegins(): void;
  strokeGoesOn(points: readonly PencilPoint[]): void;
  strokeEnds(): void;
  /** The stroke is not meant: a second finger came, or the pen. */
  strokeGivenUp(): void;
  rectangle(x: number, y: number, width: number, height: number): void;
  fill(x: number, y: number): void;
  /** A name is to be written at a place, which lies at `at` on the board, px. */
  name(x: number, y: number, at: readonly [number, number]): void;
  rub(way: readonly Point[]): void;
  rubOut(line: string): void;
  /** Lines are taken up beside those that are, or in their place. */
  pick(lines: readonly string[], beside: boolean): void;
  movePicked(right: number, down: number): void;
  moveWords(words: string, right: number, down: number): void;
}

/** What the hand holds as it comes down on the board; asked then, since it may have taken up another tool a moment ago. */
export interface BoardHeld {
  tool(): BoardTool;
  /** What a line becomes. */
  kind(): BoardLine['kind'];
}

/** Pressure of a mouse, which has none. */
const MOUSE_PRESSURE = 0.5;

/** By how much a pixel of the wheel brings the board nearer. */
const PER_WHEEL_PX = 0.0015;

/** How near a line is taken up, px; a way shorter than this is a press and no pull. */
const NEAR_PX = 9;

/** Width of the rubber, mm. */
export const RUBBER_MM = 4;

/** The board on which a panel is drawn: shows sheet, areas and lines, and follows pen, touch and mouse. */
export class DrawingBoard {
  private tool: BoardTool = 'pencil';
  private kind: BoardLine['kind'] = 'pencil';
  private readonly table: BoardTable;
  private readonly hands: BoardHands;
  private lines: readonly BoardLine[] = [];
  private picked: readonly BoardLine[] = [];
  private way: PencilPoint[] = [];
  /** The hand holds what is taken up: the lines, or some words. */
  private carries: 'lines' | Words | null = null;
  private words: readonly Words[] = [];
  private handles: readonly BoardHandle[] = [];
  /** The place of a guide the hand has hold of. */
  private held: BoardHandle | null = null;

  constructor(
    host: HTMLDivElement,
    private readonly events: BoardEvents,
    private readonly inHand: BoardHeld,
  ) {
    this.table = new BoardTable(host);
    this.hands = new BoardHands(host, {
      down: (event) => this.down(event),
      move: (events) => this.move(events),
      up: (event) => this.up(event),
      giveUp: () => this.giveUp(),
      push: (right, down) => this.table.seenAnew((view) => view.moveBy([right, down])),
      pinch: (before, now) => this.table.seenAnew((view) => view.pinch(before, now)),
      holdsBoard: () => this.inHand.tool() === 'board',
    });
    host.addEventListener('wheel', this.wheel, { passive: false });
    host.addEventListener('keydown', this.key);
  }

  show(
    drawing: PanelDrawing,
    over: BoardOver,
    lines: readonly BoardLine[],
    picked: ReadonlySet<string>,
  ): void {
    this.table.show(drawing, over, lines);
    this.lines = lines;
    this.words = over.words;
    this.handles = over.handles;
    this.picked = picked.size === 0 ? [] : lines.filter(({ id }) => picked.has(id));
    this.showPicked([0, 0]);
  }

  destroy(): void {
    this.hands.destroy();
    this.table.destroy();
  }

  /** Brings the board nearer about a point of the host, px; a factor of 0 shows it whole and straight. */
  bringNearer(factor: number, about?: readonly [number, number]): void {
    this.table.seenAnew((view) => (factor === 0 ? view.whollySeen() : view.bringNearer(factor, about)));
  }

  turn(deg: number): void {
    this.table.seenAnew((view) => view.turn(deg));
  }

  private readonly wheel = (event: WheelEvent): void => {
    event.preventDefault();
    this.bringNearer(Math.exp(-event.deltaY * PER_WHEEL_PX), this.hands.at(event));
  };

  private readonly key = (event: KeyboardEvent): void => {
    const turn = KEY_MOVES[event.key] as ((view: BoardView) => void) | undefined;
    if (!turn) return;
    event.preventDefault();
    this.table.seenAnew(turn);
  };

  private down(event: PointerEvent): void {
    const at = this.pointOf(event);
    this.tool = this.inHand.tool();
    this.kind = this.inHand.kind();
    this.way = [at];
    this.carries = null;
    this.held = this.handleNear(at);
    if (this.held) return;
    if (this.tool === 'fill') this.events.fill(at[0], at[1]);
    else if (this.tool === 'name') this.events.name(at[0], at[1], this.hands.at(event));
    else if (this.tool === 'rub-out') this.rubOut(at);
    else if (this.tool === 'pick') this.takeUp(at, event.shiftKey);
    else if (this.tool === 'pencil') {
      this.events.strokeBegins();
      this.events.strokeGoesOn([at]);
    }
  }

  private move(events: readonly PointerEvent[]): void {
    const fresh = events.map((event) => this.pointOf(event));
    this.way.push(...fresh);
    if (this.held) {
      const [x, y] = fresh.at(-1)!;
      this.table.showLive(...this.held.seen([x, y]).map(guideMark));
      return;
    }
    switch (this.tool) {
      case 'pencil':
        this.events.strokeGoesOn(fresh);
        this.table.showLive(
          new Line({
            ...{
              points: lineOutline(this.way, this.kind),
              closed: true,
              fill: lineColour({ kind: this.kind }),
            },
          }),
        );
        break;
      case 'rub':
        this.table.showLive(
          new Line({
            ...{ points: this.way.flatMap(([x, y]) => [x, y]), stroke: '#f6f5f0', strokeWidth: RUBBER_MM },
            ...{ lineCap: 'round', lineJoin: 'round', opacity: 0.85 },
          }),
        );
        break;
      case 'rectangle':
        this.showBox();
        break;
      case 'pick':
        if (this.carries === 'lines') this.showPicked(this.pull());
        else if (this.carries) this.showWords(this.carries, this.pull());
        else this.showBox();
        break;
      case 'rub-out':
        this.rubOut(fresh.at(-1)!);
        break;
    }
  }

  private up(event: PointerEvent): void {
    const { way } = this;
    this.way = [];
    this.table.showLive();
    if (way.length === 0) return;
    const [from, to] = [way[0], way.at(-1)!];
    if (this.held) {
      if (this.isPull(from, to)) this.held.put([to[0], to[1]]);
      this.held = null;
      return;
    }
    switch (this.tool) {
      case 'pencil':
        this.events.strokeEnds();
        break;
      case 'rub':
        this.events.rub(way.map(([x, y]): Point => [x, y]));
        break;
      case 'rectangle':
        this.events.rectangle(...box(from, to));
        break;
      case 'pick':
        if (this.carries === 'lines') {
          if (this.isPull(from, to)) this.events.movePicked(to[0] - from[0], to[1] - from[1]);
        } else if (this.carries) {
          if (this.isPull(from, to)) this.events.moveWords(this.carries.id, to[0] - from[0], to[1] - from[1]);
        } else
          this.events.pick(
            this.isPull(from, to) ? linesWithin(this.lines, box(from, to)) : [],
            event.shiftKey,
          );
        break;
    }
    this.showPicked([0, 0]);
  }

  private giveUp(): void {
    this.way = [];
    this.table.showLive();
    if (this.held) this.held = null;
    else if (this.tool === 'pencil') this.events.strokeGivenUp();
    this.showPicked([0, 0]);
  }

  /** Takes up the line under the hand, or the words; a line that is held already is carried with the others. */
  private takeUp([x, y]: PencilPoint, beside: boolean): void {
    const line = lineNear(this.lines, [x, y], NEAR_PX / this.table.view.scale);
    if (!line) {
      this.carries = this.words.findLast(({ box }) => isIn(box, x, y)) ?? null;
      return;
    }
    this.carries = 'lines';
    if (!this.picked.includes(line)) this.events.pick([line.id], beside);
  }

  private handleNear([x, y]: PencilPoint): BoardHandle | null {
    const reach = NEAR_PX / this.table.view.scale;
    return this.handles.find(({ at }) => Math.hypot(at[0] - x, at[1] - y) < reach) ?? null;
  }

  private rubOut([x, y]: PencilPoint): void {
    const line = lineNear(this.lines, [x, y], NEAR_PX / this.table.view.scale);
    if (line) this.events.rubOut(line.id);
  }

  private pull(): [number, number] {
    const [from, to] = [this.way[0], this.way.at(-1)!];
    return [to[0] - from[0], to[1] - from[1]];
  }

  private isPull(from: PencilPoint, to: PencilPoint): boolean {
    return Math.hypot(to[0] - from[0], to[1] - from[1]) * this.table.view.scale > NEAR_PX / 2;
  }

  private showBox(): void {
    const [x, y, width, height] = box(this.way[0], this.way.at(-1)!);
    this.table.showLive(new Rect({ x, y, width, height, stroke: '#0f5e63', strokeWidth: 0.5 }));
  }

  private showWords({ box: [x, y, width, height] }: Words, [right, down]: readonly [number, number]): void {
    this.table.showLive(
      new Rect({
        x: x + right,
        y: y + down,
        width,
        height,
        stroke: '#0f5e63',
        strokeWidth: 0.5,
        dash: [1.6, 1.2],
      }),
    );
  }

  private showPicked(by: readonly [number, number]): void {
    this.table.showLive(...(this.picked.length > 0 ? [pickedMark(this.picked, by)] : []));
  }

  private pointOf(event: PointerEvent): PencilPoint {
    const pressure = event.pointerType === 'pen' ? Math.min(1, Math.max(0, event.pressure)) : MOUSE_PRESSURE;
    const [x, y] = this.table.view.under(this.hands.at(event));
    return [rounded(x, 100), rounded(y, 100), rounded(pressure, 1000)];
  }
}

type Words = BoardOver['words'][number];

const isIn = ([left, top, width, height]: Words['box'], x: number, y: number): boolean =>
  x >= left && x <= left + width && y >= top && y <= top + height;

const rounded = (value: number, parts: number): number => Math.round(value * parts) / parts;

function box(a: PencilPoint, b: PencilPoint): [number, number, number, number] {
  return [Math.min(a[0], b[0]), Math.min(a[1], b[1]), Math.abs(a[0] - b[0]), Math.abs(a[1] - b[1])];
}
