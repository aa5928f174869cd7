import { chance } from '../units';
import { distance, type Point } from './polygon';

export interface Circle {
  readonly centre: Point;
  readonly radiusMm: number;
}

/** Binary dust in the comparison of distances, mm. */
const DUST_MM = 1e-9;

/**
 * The smallest circle round some points, one at least (Welzl 1991, each point in turn made to lie on the rim where it is
 * outside; the points are taken in a shuffled but fixed order, so that the work stays near their number).
 */
export function smallestCircle(points: readonly Point[]): Circle {
  const order = shuffled(points);
  let circle: Circle = { centre: order[0], radiusMm: 0 };
  order.forEach((p, i) => {
    if (isIn(circle, p)) return;
    circle = { centre: p, radiusMm: 0 };
    order.slice(0, i).forEach((q, j) => {
      if (isIn(circle, q)) return;
      circle = across(p, q);
      for (const r of order.slice(0, j)) if (!isIn(circle, r)) circle = through(p, q, r);
    });
  });
  return circle;
}

const isIn = ({ centre, radiusMm }: Circle, point: Point): boolean =>
  distance(centre, point) <= radiusMm + DUST_MM;

const across = (a: Point, b: Point): Circle => ({
  centre: [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2],
  radiusMm: distance(a, b) / 2,
});

/** The circle through three points; across the two furthest apart where they lie in a line. */
function through(a: Point, b: Point, c: Point): Circle {
  const [bx, by, cx, cy] = [b[0] - a[0], b[1] - a[1], c[0] - a[0], c[1] - a[1]];
  const d = 2 * (bx * cy - by * cx);
  if (Math.abs(d) < DUST_MM)
    return [across(a, b), across(a, c), across(b, c)].reduce((x, y) => (y.radiusMm > x.radiusMm ? y : x));
  const [bb, cc] = [bx * bx + by * by, cx * cx + cy * cy];
  const [x, y] = [(cy * bb - by * cc) / d, (bx * cc - cx * bb) / d];
  return { centre: [a[0] + x, a[1] + y], radiusMm: Math.hypot(x, y) };
}

/** The points in another order, always the same. */
function shuffled(points: readonly Point[]): Point[] {
  const order = [...points];
  const random = chance(1);
  for (let i = order.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [order[i], order[j]] = [order[j], order[i]];
  }
  return order;
}
