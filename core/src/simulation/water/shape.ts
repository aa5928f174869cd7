import * as z from 'zod';

const mm = z.number().min(-10_000).max(10_000);
const size = z.number().positive().max(10_000);
const point = z.tuple([mm, mm]).readonly();

/** A place on the panel, mm from its top left corner. */
export const shapeSchema = z.union([
  z.strictObject({ rect: z.tuple([mm, mm, size, size]).readonly() }),
  z.strictObject({ circle: z.tuple([mm, mm, size]).readonly() }),
  z.strictObject({ polygon: z.array(point).min(3).max(5000).readonly() }),
  z.strictObject({ line: z.array(point).min(2).max(5000).readonly(), widthMm: size }),
]);
export type Shape = z.infer<typeof shapeSchema>;

/** Whether a point lies in a shape, with the shape's bounds `[left, top, right, bottom]`. */
export interface Region {
  readonly bounds: readonly [number, number, number, number];
  readonly holds: (x: number, y: number) => boolean;
  /** How deep inside a point lies, mm, negative outside, where that is easily told. */
  readonly depth?: (x: number, y: number) => number;
}

/** The box round a shape, `[left, top, right, bottom]`, mm. */
export const shapeBounds = (shape: Shape): Region['bounds'] => regionOf(shape).bounds;

/** A shape as a region; polygons by the even-odd rule. */
export function regionOf(shape: Shape): Region {
  if ('rect' in shape) {
    const [x, y, w, h] = shape.rect;
    return {
      bounds: [x, y, x + w, y + h],
      holds: (px, py) => px >= x && px < x + w && py >= y && py < y + h,
      depth: (px, py) => Math.min(px - x, x + w - px, py - y, y + h - py),
    };
  }
  if ('circle' in shape) {
    const [x, y, r] = shape.circle;
    return {
      bounds: [x - r, y - r, x + r, y + r],
      holds: (px, py) => (px - x) ** 2 + (py - y) ** 2 <= r * r,
      depth: (px, py) => r - Math.hypot(px - x, py - y),
    };
  }
  if ('polygon' in shape) return { bounds: boundsOf(shape.polygon, 0), holds: inPolygon(shape.polygon) };
  const half = shape.widthMm / 2;
  return {
    bounds: boundsOf(shape.line, half),
    holds: (x, y) =>
      shape.line.slice(1).some(([bx, by], i) => distanceToSegment(x, y, ...shape.line[i], bx, by) <= half),
  };
}

function boundsOf(points: readonly (readonly [number, number])[], margin: number): Region['bounds'] {
  const xs = points.map(([x]) => x);
  const ys = points.map(([, y]) => y);
  return [
    Math.min(...xs) - margin,
    Math.min(...ys) - margin,
    Math.max(...xs) + margin,
    Math.max(...ys) + margin,
  ];
}

/** Heights whose crossings are kept: cells are asked for row by row, some heights each. */
const HEIGHTS_KEPT = 16;

function inPolygon(points: readonly (readonly [number, number])[]): Region['holds'] {
  const known = new Map<number, readonly number[]>();
  const crossingsAt = (y: number): readonly number[] => {
    const found = known.get(y);
    if (found) return found;
    const crossings: number[] = [];
    for (let i = 0, j = points.length - 1; i < points.length; j = i++) {
      const [xi, yi] = points[i];
      const [xj, yj] = points[j];
      if (yi > y !== yj > y) crossings.push(((xj - xi) * (y - yi)) / (yj - yi) + xi);
    }
    if (known.size === HEIGHTS_KEPT) known.clear();
    known.set(y, crossings);
    return crossings;
  };
  return (x, y) => {
    let inside = false;
    for (const crossing of crossingsAt(y)) if (x < crossing) inside = !inside;
    return inside;
  };
}

/** Distance from a point to a segment. */
export function distanceToSegment(
  x: number,
  y: number,
  ax: number,
  ay: number,
  bx: number,
  by: number,
): number {
  const [dx, dy] = [bx - ax, by - ay];
  const length2 = dx * dx + dy * dy;
  const t = length2 > 0 ? Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / length2)) : 0;
  return Math.hypot(x - ax - t * dx, y - ay - t * dy);
}
