import type { PaintedTile, BrushPlace } from '../workers/painting-api';
import { BoardHands } from './board-hands';
import { KEY_MOVES } from './board-keys';
import { BoardView } from './board-view';

/** How the tool in the hand is followed: as it goes, as a way that is done when it lifts, where it is put down, or not at all. */
export type Follows = 'as-it-goes' | 'way' | 'spot' | 'board';

/** What the board tells of the hand on it; places are mm from the sheet's corner. */
export interface PaintingEvents {
  begins(place: BrushPlace): void;
  goesOn(places: readonly BrushPlace[]): void;
  ends(): void;
  givenUp(): void;
  /** A way along which, or a spot on which, the tool was used. */
  used(way: readonly BrushPlace[]): void;
  /** An edge of the board was lifted: how far it falls, degrees. */
  tilted(xDeg: number, yDeg: number): void;
  /** Where the hand is; `null` off the sheet. */
  over(at: readonly [number, number] | null): void;
  /** How hard a pen presses, its tilt counted in. */
  pressure(event: PointerEvent): number;
}

/** The board reaches past the sheet by this much, mm; there it is taken to be tilted. */
const RIM_MM = 9;

/** Room round the board, px. */
const MARGIN_PX = 10;

/** Of a pull at the board's edge so many px lift it by a degree, and no further than this. */
const PX_A_DEGREE = 6;
const STEEPEST_DEG = 35;

/** An arrow key moves the hand so far, mm, with Shift so far. */
const KEY_MM = 2;
const SHIFT_MM = 10;
const KEY_PRESSURE = 0.5;

const PER_WHEEL_PX = 0.0015;
const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** The board with a simulated sheet on it: shows what the worker paints, and follows pen, touch, mouse and keys. */
export class PaintingBoard {
  follows: Follows = 'as-it-goes';
  /** Width of the tool’s mark, mm, shown about the hand. */
  reachMm = 6;
  private readonly view = new BoardView();
  private readonly table = document.createElement('div');
  private readonly sheet = document.createElement('canvas');
  private readonly pen = this.sheet.getContext('2d')!;
  private readonly marks = document.createElementNS(SVG, 'svg');
  private readonly way = document.createElementNS(SVG, 'polyline');
  private readonly frames = document.createElementNS(SVG, 'g');
  private readonly ring = document.createElementNS(SVG, 'circle');
  private readonly hands: BoardHands;
  private readonly resize: ResizeObserver;
  private size: readonly [number, number] = [1, 1];
  private cellMm = 1;
  private places: BrushPlace[] = [];
  private tilting: {
    readonly edge: readonly [number, number];
    readonly from: readonly [number, number];
  } | null = null;
  private keyAt: readonly [number, number] | null = null;
  private keyDown = false;
  private readonly listening = new AbortController();

  constructor(
    private readonly host: HTMLElement,
    private readonly events: PaintingEvents,
  ) {
    this.table.className = 'board-table';
    this.sheet.className = 'board-sheet';
    this.marks.classList.add('board-marks');
    this.way.classList.add('board-way');
    this.ring.classList.add('board-ring');
    this.frames.classList.add('board-frames');
    this.marks.append(this.frames, this.way, this.ring);
    host.append(this.table, this.sheet, this.marks);
    this.hands = new BoardHands(host, {
      down: (event) => this.down(event),
      move: (events) => this.move(events),
      up: () => this.up(),
      giveUp: () => this.giveUp(),
      push: (right, down) => this.seenAnew((view) => view.moveBy([right, down])),
      pinch: (before, now) => this.seenAnew((view) => view.pinch(before, now)),
      holdsBoard: () => this.follows === 'board',
    });
    const on = { signal: this.listening.signal };
    host.addEventListener('wheel', (event) => this.wheel(event), { ...on, passive: false });
    host.addEventListener('keydown', (event) => this.key(event), on);
    host.addEventListener('pointermove', (event) => this.hover(event), on);
    host.addEventListener('pointerleave', () => this.events.over(null), on);
    this.resize = new ResizeObserver(() => this.fit());
    this.resize.observe(host);
  }

  /** Lays a sheet of so many pixels on the board. */
  lay(widthMm: number, heightMm: number, columns: number, rows: number): void {
    this.size = [widthMm, heightMm];
    this.cellMm = widthMm / columns;
    [this.sheet.width, this.sheet.height] = [columns, rows];
    this.marks.setAttribute('viewBox', `0 0 ${widthMm} ${heightMm}`);
    this.marks.style.width = `${widthMm}px`;
    this.marks.style.height = `${heightMm}px`;
    this.table.style.width = `${widthMm + 2 * RIM_MM}px`;
    this.table.style.height = `${heightMm + 2 * RIM_MM}px`;
    this.fit();
  }

  /** Shows parts of the sheet as they look now. */
  paint(tiles: readonly PaintedTile[]): void {
    for (const { left, top, columns, rows, rgba } of tiles) {
      const pixels = new ImageData(columns, rows);
      pixels.data.set(rgba);
      this.pen.putImageData(pixels, left, top);
    }
  }

  /** Shows where the painting may be cropped, mm. */
  showFrames(frames: readonly (readonly (readonly [number, number])[])[]): void {
    this.frames.replaceChildren(
      ...frames.map((corners) => {
        const frame = document.createElementNS(SVG, 'polygon');
        frame.setAttribute('points', corners.map(([x, y]) => `${x},${y}`).join(' '));
        return frame;
      }),
    );
  }

  bringNearer(factor: number): void {
    this.seenAnew((view) => (factor === 0 ? view.whollySeen() : view.bringNearer(factor)));
  }

  turn(deg: number): void {
    this.seenAnew((view) => view.turn(deg));
  }

  destroy(): void {
    this.listening.abort();
    this.hands.destroy();
    this.resize.disconnect();
    for (const part of [this.table, this.sheet, this.marks]) part.remove();
  }

  private down(event: PointerEvent): void {
    const at = this.view.under(this.hands.at(event));
    const edge = this.edgeAt(at);
    if (edge) {
      this.tilting = { edge, from: this.hands.at(event) };
      return;
    }
    this.putDown([...at, this.events.pressure(event)]);
  }

  private putDown(place: BrushPlace): void {
    this.places = [place];
    if (this.follows === 'as-it-goes') this.events.begins(place);
    else if (this.follows === 'way') this.showWay();
  }

  private move(events: readonly PointerEvent[]): void {
    if (this.tilting || this.places.length === 0) return;
    this.goOn(events.map((event) => [...this.view.under(this.hands.at(event)), this.events.pressure(event)]));
  }

  private goOn(places: readonly BrushPlace[]): void {
    this.places.push(...places);
    if (this.follows === 'as-it-goes') this.events.goesOn(places);
    else if (this.follows === 'way') this.showWay();
  }

  private up(): void {
    if (this.tilting) {
      this.tilting = null;
      return;
    }
    const { places } = this;
    this.places = [];
    this.showWay();
    if (places.length === 0) return;
    if (this.follows === 'as-it-goes') this.events.ends();
    else if (this.follows !== 'board') this.events.used(this.follows === 'spot' ? [places.at(-1)!] : places);
  }

  private giveUp(): void {
    const begun = this.places.length > 0;
    [this.places, this.tilting] = [[], null];
    this.showWay();
    if (begun && this.follows === 'as-it-goes') this.events.givenUp();
  }

  private hover(event: PointerEvent): void {
    if (this.tilting) {
      this.pullEdge(this.hands.at(event));
      return;
    }
    const at = this.view.under(this.hands.at(event));
    this.showHand(at);
    this.events.over(this.isOn(at) ? at : null);
  }

  /** Lifts the edge that is held as far as it is pulled outwards; inwards lays it down. */
  private pullEdge([x, y]: readonly [number, number]): void {
    const { edge, from } = this.tilting!;
    const pulled = (x - from[0]) * edge[0] + (y - from[1]) * edge[1];
    const deg = Math.min(STEEPEST_DEG, Math.max(0, Math.round(pulled / PX_A_DEGREE)));
    this.events.tilted(-edge[0] * deg || 0, -edge[1] * deg || 0);
  }

  private readonly wheel = (event: WheelEvent): void => {
    event.preventDefault();
    this.seenAnew((view) => view.bringNearer(Math.exp(-event.deltaY * PER_WHEEL_PX), this.hands.at(event)));
  };

  private key(event: KeyboardEvent): void {
    const arrow = ARROWS[event.key] as readonly [number, number] | undefined;
    if (arrow && this.follows !== 'board') this.keyMoves(arrow, event.shiftKey ? SHIFT_MM : KEY_MM);
    else if (event.key === ' ' && this.follows !== 'board') this.keyPresses();
    else {
      const turn = KEY_MOVES[event.key] as ((view: BoardView) => void) | undefined;
      if (!turn) return;
      this.seenAnew(turn);
    }
    event.preventDefault();
    event.stopPropagation();
  }

  private keyMoves([right, down]: readonly [number, number], mm: number): void {
    const [x, y] = this.keyAt ?? [this.size[0] / 2, this.size[1] / 2];
    const at = [within(x + right * mm, this.size[0]), within(y + down * mm, this.size[1])] as const;
    this.keyAt = at;
    this.showHand(at);
    this.events.over(at);
    if (this.keyDown) this.goOn([[...at, KEY_PRESSURE]]);
  }

  private keyPresses(): void {
    const at = this.keyAt ?? ([this.size[0] / 2, this.size[1] / 2] as const);
    this.keyAt = at;
    if (this.keyDown) {
      this.keyDown = false;
      this.up();
      return;
    }
    this.putDown([...at, KEY_PRESSURE]);
    if (this.follows === 'spot') this.up();
    else this.keyDown = true;
  }

  /** The edge of the board a point lies on, as the way outwards; none on the sheet or past the board. */
  private edgeAt([x, y]: readonly [number, number]): readonly [number, number] | null {
    const [width, height] = this.size;
    const past = [-x, x - width, -y, y - height];
    const most = Math.max(...past);
    if (most < 0 || most > RIM_MM + 2) return null;
    return (
      [
        [-1, 0],
        [1, 0],
        [0, -1],
        [0, 1],
      ] as const
    )[past.indexOf(most)];
  }

  private isOn([x, y]: readonly [number, number]): boolean {
    return x >= 0 && y >= 0 && x <= this.size[0] && y <= this.size[1];
  }

  private showWay(): void {
    this.way.setAttribute(
      'points',
      this.follows === 'way' ? this.places.map(([x, y]) => `${x},${y}`).join(' ') : '',
    );
    this.way.setAttribute('stroke-width', String(this.reachMm));
  }

  private showHand([x, y]: readonly [number, number]): void {
    this.ring.setAttribute('cx', String(x));
    this.ring.setAttribute('cy', String(y));
    this.ring.setAttribute('r', String(this.follows === 'board' ? 0 : this.reachMm / 2));
  }

  private fit(): void {
    if (this.host.clientWidth === 0) return;
    this.view.fit([this.host.clientWidth, this.host.clientHeight], this.size, RIM_MM, MARGIN_PX);
    this.place();
  }

  private seenAnew(change: (view: BoardView) => void): void {
    change(this.view);
    this.place();
  }

  private place(): void {
    const { scale, turnDeg, corner } = this.view.seen;
    const at = (by: number, [right, down]: readonly [number, number]): string =>
      `translate(${corner[0]}px,${corner[1]}px) rotate(${turnDeg}deg) scale(${by}) translate(${right}px,${down}px)`;
    this.sheet.style.transform = at(scale * this.cellMm, [0, 0]);
    this.marks.style.transform = at(scale, [0, 0]);
    this.table.style.transform = at(scale, [-RIM_MM, -RIM_MM]);
  }
}

const SVG = 'http://www.w3.org/2000/svg';

const within = (value: number, most: number): number => Math.min(most, Math.max(0, value));
