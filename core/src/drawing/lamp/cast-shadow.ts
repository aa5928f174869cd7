import {
  bounds,
  convexHull,
  middleOf,
  polygonArea,
  type Point,
  type Polygon,
  type Ring,
} from '../../kit/geometry';
import { seen, toLamp, TO_EYE, type Direction, type Form, type Lamp } from './lamp';

/** Points round a circle of a body: enough that its shadow stands off the true one by less than 0.2 %. */
const ROUND = 72;

const circle = (radius: number, up: number): Direction[] =>
  Array.from({ length: ROUND }, (_, i) => {
    const a = (2 * Math.PI * i) / ROUND;
    return [radius * Math.cos(a), up, radius * Math.sin(a)];
  });

/** A body standing on the ground at the origin of the room, in mm, and where that origin is seen on the panel. */
interface Body {
  readonly foot: Point;
  /** Its shadow is the convex hull of the shadows of these points. */
  readonly points: readonly Direction[];
}

/** The body an area is the picture of: as wide and high as it is drawn, as deep as it is wide. */
function bodyOf(form: Exclude<Form, 'ball' | 'flat'>, outline: Polygon): Body {
  const [x, y, width, height] = bounds(outline);
  const radius = width / 2;
  // The near edge of its foot is seen lowest; half its depth behind that stands its middle.
  const foot: Point = [x + radius, y + height - radius * TO_EYE[1]];
  // What is seen of its height: from the far edge of its top, or from its tip, down to the foot's middle.
  const top = form === 'cone' ? height - radius * TO_EYE[1] : height - 2 * radius * TO_EYE[1];
  const up = Math.max(0, top) / TO_EYE[2];
  switch (form) {
    case 'cone':
      return { foot, points: [...circle(radius, 0), [0, up, 0]] };
    case 'cylinder':
      return { foot, points: [...circle(radius, 0), ...circle(radius, up)] };
    case 'box':
      return {
        foot,
        points: [0, up].flatMap((level) =>
          [
            [-radius, -radius],
            [radius, -radius],
            [radius, radius],
            [-radius, radius],
          ].map(([right, near]): Direction => [right, level, near]),
        ),
      };
  }
}

/** The radius of the ball an area is the picture of, mm. */
export const ballRadius = (outline: Polygon): number => Math.sqrt(polygonArea(outline) / Math.PI);

/**
 * The shadow that a body throws on the ground it stands on, as it is seen on the panel, its own place not yet taken out
 * of it; `null` for what lies flat. A point at height h above the ground throws its shadow h/tan of the lamp’s height
 * away from the lamp (parallel light).
 */
export function castShadow(form: Form, outline: Polygon, lamp: Lamp): Ring | null {
  if (form === 'flat') return null;
  const light = toLamp(lamp);
  if (form === 'ball') return ballShadow(middleOf(outline), ballRadius(outline), light);
  const { foot, points } = bodyOf(form, outline);
  return convexHull(points.map((point) => onPanel(foot, onGround(point, light))));
}

/** A ball’s shadow is an ellipse: across the light as wide as the ball, along it so much longer as the light is low. */
function ballShadow([x, y]: Point, radius: number, light: Direction): Ring {
  // The ball touches the ground a radius under its middle.
  const foot: Point = [x, y + radius * TO_EYE[2]];
  const flat = Math.hypot(light[0], light[2]);
  const along: Direction = flat === 0 ? [1, 0, 0] : [light[0] / flat, 0, light[2] / flat];
  const middle = onGround([0, radius, 0], light);
  return Array.from({ length: ROUND }, (_, i) => {
    const a = (2 * Math.PI * i) / ROUND;
    const [far, wide] = [(radius / light[1]) * Math.cos(a), radius * Math.sin(a)];
    return onPanel(foot, [
      middle[0] + far * along[0] - wide * along[2],
      0,
      middle[2] + far * along[2] + wide * along[0],
    ]);
  });
}

const onGround = ([right, up, near]: Direction, light: Direction): Direction => [
  right - (up / light[1]) * light[0],
  0,
  near - (up / light[1]) * light[2],
];

function onPanel([x, y]: Point, point: Direction): Point {
  const [right, down] = seen(point);
  return [x + right, y + down];
}
