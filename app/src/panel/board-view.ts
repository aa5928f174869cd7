import type { Placing } from '@kettle/core/drawing/sketch';

type Px = readonly [x: number, y: number];

/** How near the board can be brought: so many times the size at which it is seen whole. */
const NEAREST = 12;

/** How a panel is seen: px per mm, clockwise turn, and where its corner lies in the host. */
export interface Seen {
  readonly scale: number;
  readonly turnDeg: number;
  readonly corner: Px;
}

/** Where a panel lies on the board and how large it is seen: whole and straight at first, then nearer, turned and moved about. */
export class BoardView {
  private host: Px = [1, 1];
  private panel: readonly [widthMm: number, heightMm: number] = [1, 1];
  /** Scale at which the whole sheet is seen, px per mm. */
  private whole = 1;
  private zoom = 1;
  private turnDeg = 0;
  private moved: Px = [0, 0];

  /** Lays a panel with its rim, mm, into a host of a size, px, with `margin` px round it; zoom, turn and place are kept. */
  fit(host: Px, panel: readonly [number, number], rimMm: number, margin: number): void {
    this.host = host;
    this.panel = panel;
    this.whole = Math.min(
      ...([0, 1] as const).map((axis) => (host[axis] - 2 * margin) / (panel[axis] + 2 * rimMm)),
    );
  }

  get seen(): Seen {
    return { scale: this.scale, turnDeg: this.turnDeg, corner: this.over([0, 0]) };
  }

  /** px per mm as it is seen. */
  get scale(): number {
    return this.whole * this.zoom;
  }

  /** The point of the panel, mm, that lies under a point of the host, px. */
  under(at: Px): Px {
    const [x, y] = turnedBy(-this.turnDeg, [
      at[0] - this.host[0] / 2 - this.moved[0],
      at[1] - this.host[1] / 2 - this.moved[1],
    ]);
    return [x / this.scale + this.panel[0] / 2, y / this.scale + this.panel[1] / 2];
  }

  /** The point of the host, px, that lies over a point of the panel, mm. */
  over(at: Px): Px {
    const [x, y] = turnedBy(this.turnDeg, [
      (at[0] - this.panel[0] / 2) * this.scale,
      (at[1] - this.panel[1] / 2) * this.scale,
    ]);
    return [x + this.host[0] / 2 + this.moved[0], y + this.host[1] / 2 + this.moved[1]];
  }

  /** Shows the whole panel, straight. */
  whollySeen(): void {
    [this.zoom, this.turnDeg, this.moved] = [1, 0, [0, 0]];
  }

  /** Brings the board so many times nearer about a point of the host, its middle if none is said; never past whole. */
  bringNearer(factor: number, about: Px = this.middle): void {
    const held = this.under(about);
    this.zoom = Math.min(NEAREST, Math.max(1, this.zoom * factor));
    this.bring(held, about);
    if (this.zoom === 1) this.moved = [0, 0];
  }

  /** Turns the board clockwise about a point of the host. */
  turn(deg: number, about: Px = this.middle): void {
    const held = this.under(about);
    this.turnDeg = (this.turnDeg + deg) % 360;
    this.bring(held, about);
    if (this.zoom === 1) this.moved = [0, 0];
  }

  /** Moves the board by px; seen whole, it stays where it is. */
  moveBy([right, down]: Px): void {
    if (this.zoom > 1) this.moved = [this.moved[0] + right, this.moved[1] + down];
  }

  /** Follows two fingers from where they were to where they are. */
  pinch(before: readonly [Px, Px], now: readonly [Px, Px]): void {
    const [was, is] = [middleOf(before), middleOf(now)];
    const held = this.under(was);
    this.zoom = Math.min(NEAREST, Math.max(1, (this.zoom * spanOf(now)) / Math.max(1, spanOf(before))));
    this.turnDeg = (this.turnDeg + slantOf(now) - slantOf(before)) % 360;
    this.bring(held, is);
    if (this.zoom === 1) this.moved = [0, 0];
  }

  private get middle(): Px {
    return [this.host[0] / 2, this.host[1] / 2];
  }

  /** Moves the board so that a point of the panel, mm, lies under a point of the host. */
  private bring(held: Px, at: Px): void {
    const [x, y] = this.over(held);
    this.moved = [this.moved[0] + at[0] - x, this.moved[1] + at[1] - y];
  }
}

export const sameSeen = (one: Seen, other: Seen): boolean =>
  one.scale === other.scale &&
  one.turnDeg === other.turnDeg &&
  one.corner[0] === other.corner[0] &&
  one.corner[1] === other.corner[1];

/** What takes a picture of the panel as it was once seen to where it is seen now, in px of the host. */
export function fromSeenTo(once: Seen, now: Seen): Placing {
  const factor = now.scale / once.scale;
  const [a, b] = turnedBy(now.turnDeg - once.turnDeg, [factor, 0]);
  return [
    ...([a, b, -b, a] as const),
    now.corner[0] - a * once.corner[0] + b * once.corner[1],
    now.corner[1] - b * once.corner[0] - a * once.corner[1],
  ];
}

function turnedBy(deg: number, [x, y]: Px): Px {
  const [sin, cos] = [Math.sin((deg * Math.PI) / 180), Math.cos((deg * Math.PI) / 180)];
  return [x * cos - y * sin, x * sin + y * cos];
}

const middleOf = ([a, b]: readonly [Px, Px]): Px => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
const spanOf = ([a, b]: readonly [Px, Px]): number => Math.hypot(b[0] - a[0], b[1] - a[1]);
const slantOf = ([a, b]: readonly [Px, Px]): number => (Math.atan2(b[1] - a[1], b[0] - a[0]) * 180) / Math.PI;
