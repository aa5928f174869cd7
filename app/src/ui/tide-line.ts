/** Steps along an edge between wobbles, px, and how far the rim strays and swells. */
const STEP_PX = 26;
const STRAY_PX = 1.6;
const RIM_PX = 2.2;

/** A small repeatable noise in −1…1, so that a thing keeps its own rim. */
function noise(seed: number, i: number): number {
  const x = Math.sin(seed * 127.1 + i * 311.7) * 43758.5453;
  return 2 * (x - Math.floor(x)) - 1;
}

/**
 * The house mark: the darker rim that a drying wash leaves round itself. An SVG path, to be filled
 * even-odd: a closed outer and inner edge that stray apart and together. Sizes in px.
 */
export function tideLine(width: number, height: number, seed = 1): string {
  const inset = STRAY_PX + 0.5;
  const outer = edge(inset, inset, width - 2 * inset, height - 2 * inset, seed, STRAY_PX);
  const rim = inset + RIM_PX;
  const inner = edge(rim, rim, width - 2 * rim, height - 2 * rim, seed + 7, STRAY_PX * 0.7);
  return `${outer}${inner}`;
}

function edge(x: number, y: number, width: number, height: number, seed: number, stray: number): string {
  const corners: [number, number][] = [
    [x, y],
    [x + width, y],
    [x + width, y + height],
    [x, y + height],
  ];
  const points = corners.flatMap(([ax, ay], side) => {
    const [bx, by] = corners[(side + 1) % 4];
    const steps = Math.max(2, Math.round(Math.hypot(bx - ax, by - ay) / STEP_PX));
    return Array.from({ length: steps }, (_, i): [number, number] => [
      ax + ((bx - ax) * i) / steps + stray * noise(seed, side * 100 + i),
      ay + ((by - ay) * i) / steps + stray * noise(seed, side * 100 + i + 50),
    ]);
  });
  return `${smoothClosed(points)}Z`;
}

/** Quadratic curves through the middles of a closed run of points. */
function smoothClosed(points: readonly (readonly [number, number])[]): string {
  const middle = (i: number): [number, number] => {
    const [a, b] = [points[i % points.length], points[(i + 1) % points.length]];
    return [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
  };
  const at = ([x, y]: readonly [number, number]): string => `${x.toFixed(1)} ${y.toFixed(1)}`;
  return (
    `M${at(middle(0))}` +
    points.map((_, i) => `Q${at(points[(i + 1) % points.length])} ${at(middle(i + 1))}`).join('')
  );
}
