import { describe, expect, it } from 'vitest';
import {
  bounds,
  contains,
  distance,
  polygonArea,
  rectangle,
  type Point,
  type Polygon,
  type Ring,
} from '../../kit/geometry';
import { castShadow, seen, shadingOf, toLamp, TO_EYE, type Direction, type Lamp } from '.';

const LAMPS: Lamp[] = [
  { sideDeg: 20, heightDeg: 40 },
  { sideDeg: 150, heightDeg: 25 },
  { sideDeg: -70, heightDeg: 60 },
  { sideDeg: 90, heightDeg: 80 },
  { sideDeg: -140, heightDeg: 15 },
];

const disc = (x: number, y: number, r: number): Polygon => [
  Array.from({ length: 360 }, (_, i): Point => {
    const a = (i * Math.PI) / 180;
    return [x + r * Math.cos(a), y + r * Math.sin(a)];
  }),
];

/** Where a point of a body throws its shadow on the ground, seen on the panel from the body's foot. */
function thrown([right, up, near]: Direction, lamp: Lamp, [x, y]: Point): Point {
  const light = toLamp(lamp);
  const [sx, sy] = seen([right - (up * light[0]) / light[1], 0, near - (up * light[2]) / light[1]]);
  return [x + sx, y + sy];
}

/** How far a set of points reaches outside a ring, mm. */
const outside = (points: readonly Point[], ring: Ring): number =>
  points.filter((p) => !contains([ring], p)).reduce((far, p) => Math.max(far, gapTo(p, ring)), 0);
const gapTo = ([x, y]: Point, ring: Ring): number =>
  Math.min(
    ...ring.map((a, i) => {
      const b = ring[(i + 1) % ring.length];
      const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
      const t = Math.max(0, Math.min(1, ((x - a[0]) * dx + (y - a[1]) * dy) / (dx * dx + dy * dy || 1)));
      return Math.hypot(x - a[0] - t * dx, y - a[1] - t * dy);
    }),
  );

describe.each(LAMPS)('with the lamp at $sideDeg°, $heightDeg° high', (lamp) => {
  it('a ball’s shadow holds the shadow of every point of the ball, and no more', () => {
    const r = 12;
    const shadow = castShadow('ball', disc(60, 50, r), lamp)!;
    const foot: Point = [60, 50 + r * TO_EYE[2]];
    const points: Point[] = [];
    for (let i = 0; i <= 90; i++)
      for (let j = 0; j < 180; j++) {
        const [t, p] = [(i * Math.PI) / 90, (j * Math.PI) / 90];
        const [s, c] = [Math.sin(t), Math.cos(t)];
        points.push(thrown([r * s * Math.cos(p), r + r * c, r * s * Math.sin(p)], lamp, foot));
      }
    const [, , width, height] = bounds([shadow]);
    expect(outside(points, shadow)).toBeLessThan(0.01 * Math.max(width, height));
    const [x, y, w, h] = bounds([points]);
    const [sx, sy] = bounds([shadow]);
    for (const off of [x - sx, y - sy, w - width, h - height])
      expect(Math.abs(off)).toBeLessThan(0.01 * width);
  });

  it('cylinder, cone and box throw the shadows of their edges, and none of it towards the lamp', () => {
    const outline = rectangle(50, 20, 20, 40);
    for (const form of ['cylinder', 'cone', 'box'] as const) {
      const shadow = castShadow(form, outline, lamp)!;
      const foot: Point = [60, 60 - 10 * TO_EYE[1]];
      const up = (40 - (form === 'cone' ? 10 : 20) * TO_EYE[1]) / TO_EYE[2];
      const level = (height: number): Point[] =>
        Array.from({ length: 720 }, (_, i) => {
          const a = (i * Math.PI) / 360;
          // A box is as far out as its corners; every point of its sides lies between them.
          const out = form === 'box' ? 10 / Math.max(Math.abs(Math.cos(a)), Math.abs(Math.sin(a))) : 10;
          const narrowed = form === 'cone' ? out * (1 - height / up) : out;
          return thrown([narrowed * Math.cos(a), height, narrowed * Math.sin(a)], lamp, foot);
        });
      const points = [0, 0.25, 0.5, 0.75, 1].flatMap((share) => level(share * up));
      expect(outside(points, shadow)).toBeLessThan(0.05);
      const [x, y, w, h] = bounds([points]);
      const [sx, sy, sw, sh] = bounds([shadow]);
      for (const off of [x - sx, y - sy, w - sw, h - sh])
        expect(Math.abs(off)).toBeLessThan(0.01 * Math.max(sw, sh));
    }
  });

  it('a ball is light where its normals face the lamp: as counting its seen points finds', () => {
    const r = 20;
    const { light, lit, highlight } = shadingOf('ball', disc(50, 50, r), lamp);
    const l = toLamp(lamp);
    let [wrong, all, bright] = [0, 0, 0];
    let mirrored: { at: Point; share: number } = { at: [0, 0], share: -1 };
    for (let x = -r; x <= r; x += 0.25)
      for (let down = -r; down <= r; down += 0.25) {
        if (Math.hypot(x, down) > r - 0.1) continue;
        // The normal whose place on the seen half of the ball is here.
        const depth = Math.sqrt(r * r - x * x - down * down);
        const normal: Direction = [
          x / r,
          (-down * TO_EYE[2] + depth * TO_EYE[1]) / r,
          (down * TO_EYE[1] + depth * TO_EYE[2]) / r,
        ];
        const cosine = normal[0] * l[0] + normal[1] * l[1] + normal[2] * l[2];
        const at: Point = [50 + x, 50 + down];
        all++;
        if (cosine > 0.6) bright++;
        if (cosine > 0.6 !== (light !== null && contains([light], at))) wrong++;
        if (cosine > 0.12 !== (lit !== null && contains([lit], at))) wrong++;
        const half = [l[0] + TO_EYE[0], l[1] + TO_EYE[1], l[2] + TO_EYE[2]];
        const share = (normal[0] * half[0] + normal[1] * half[1] + normal[2] * half[2]) / Math.hypot(...half);
        if (share > mirrored.share) mirrored = { at, share };
      }
    expect(wrong / all).toBeLessThan(0.02);
    if (bright === 0) expect(light).toBeNull();
    expect(distance(highlight!, mirrored.at)).toBeLessThan(0.5);
  });

  it('a cylinder is light in the band whose normals face the lamp', () => {
    const { light, lit } = shadingOf('cylinder', rectangle(0, 0, 40, 60), lamp);
    const l = toLamp(lamp);
    const flat = Math.hypot(l[0], l[2]);
    let wrong = 0;
    for (let x = 0.5; x < 40; x++) {
      const across = (x - 20) / 20;
      const cosine = (across * l[0] + Math.sqrt(1 - across * across) * l[2]) / flat;
      if (cosine > 0.6 !== (light !== null && contains([light], [x, 30]))) wrong++;
      if (cosine > 0.12 !== (lit !== null && contains([lit], [x, 30]))) wrong++;
    }
    expect(wrong).toBeLessThanOrEqual(2);
  });
});

it('the higher the lamp the shorter the shadow, and it always falls away from the lamp', () => {
  const outline = rectangle(50, 20, 20, 40);
  const reach = (heightDeg: number): number => {
    const [x] = bounds([castShadow('box', outline, { sideDeg: 0, heightDeg })!]);
    return 50 - x;
  };
  expect(reach(30)).toBeGreaterThan(reach(60));
  // The box is 40 mm on the panel, its height in the room (40 − 20 sin 20°)/cos 20°; at 45° it falls as far as it is high.
  expect(reach(45)).toBeCloseTo((40 - 20 * TO_EYE[1]) / TO_EYE[2], 6);
  expect(castShadow('flat', outline, LAMPS[0])).toBeNull();
  expect(polygonArea([castShadow('cone', outline, LAMPS[0])!])).toBeGreaterThan(0);
});
