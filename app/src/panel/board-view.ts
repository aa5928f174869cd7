type Px = readonly [x: number, y: number];

/** How near the board can be brought: so many times the size at which it is seen whole. */
const NEAREST = 12;

/** Where a panel lies on the board and how large it is seen: whole at first, then nearer, and moved about. */
export class BoardView {
  private host: Px = [1, 1];
  private panel: readonly [widthMm: number, heightMm: number] = [1, 1];
  /** Scale at which the whole sheet is seen, px per mm. */
  private whole = 1;
  private zoom = 1;
  private moved: Px = [0, 0];

  /** Lays a panel with its rim, mm, into a host of a size, px, with `margin` px round it; zoom and place are kept. */
  fit(host: Px, panel: readonly [number, number], rimMm: number, margin: number): void {
    this.host = host;
    this.panel = panel;
    this.whole = Math.min(
      ...([0, 1] as const).map((axis) => (host[axis] - 2 * margin) / (panel[axis] + 2 * rimMm)),
    );
  }

  /** px per mm as it is seen. */
  get scale(): number {
    return this.whole * this.zoom;
  }

  /** Where the panel's corner lies in the host, px. */
  get corner(): Px {
    return [this.cornerOn(0), this.cornerOn(1)];
  }

  /** The point of the panel, mm, that lies under a point of the host, px. */
  under(at: Px): readonly [number, number] {
    return [(at[0] - this.cornerOn(0)) / this.scale, (at[1] - this.cornerOn(1)) / this.scale];
  }

  /** Brings the board so many times nearer about a point of the host, its middle if none is said; never past whole. */
  bringNearer(factor: number, about: Px = [this.host[0] / 2, this.host[1] / 2]): void {
    const zoom = Math.min(NEAREST, Math.max(1, this.zoom * factor));
    const grown = zoom / this.zoom;
    const kept = (axis: 0 | 1): number => {
      const fromMiddle = about[axis] - this.host[axis] / 2;
      return (this.moved[axis] - fromMiddle) * grown + fromMiddle;
    };
    this.moved = zoom === 1 ? [0, 0] : [kept(0), kept(1)];
    this.zoom = zoom;
  }

  /** Moves the board by px; seen whole, it stays where it is. */
  moveBy([right, down]: Px): void {
    if (this.zoom > 1) this.moved = [this.moved[0] + right, this.moved[1] + down];
  }

  private cornerOn(axis: 0 | 1): number {
    return (this.host[axis] - this.panel[axis] * this.scale) / 2 + this.moved[axis];
  }
}
