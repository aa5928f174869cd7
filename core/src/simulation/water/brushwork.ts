import {
  bounds,
  clearanceIn,
  edgeLength,
  gapBetween,
  polygonArea,
  type Point,
  type Polygon,
} from '../../kit/geometry';
import { asPart, done, type Work } from '../../kit/units';
import { BRUSHES, meanFilmUm, reachMm, widthAt, type Brush } from './brush';

/** What a hand is asked to cover. */
export interface Brushwork {
  readonly outline: Polygon;
  /** What it goes round: whites that are left bare. */
  readonly round: readonly Polygon[];
  readonly brush: Brush;
  /** Mean film wanted over the area, µm. */
  readonly filmUm: number;
  /** What lies in the brush at a place: a stroke ends where that changes. Always the same where nothing is said. */
  readonly laidAt?: (at: Point) => unknown;
}

/** One stroke of a hand: where it goes, with pressure 0…1, and how full the brush comes to it, as a share of its belly. */
export interface HandStroke {
  readonly points: readonly (readonly [xMm: number, yMm: number, pressure: number])[];
  readonly load: number;
}

/** Neighbouring strokes lie this far apart, as a share of the width; the rest overlaps. */
const APART = 0.8;

/**
 * Where strokes overlap the fuller one counts, and what the paper has drunk meanwhile is made up: washes come out so
 * much fuller than their strokes (measured on flat washes of 60 to 110 µm), so a hand takes that much less.
 */
const OVERLAID = 1.1;

/** A line round an edge is cut in with this share of the brush's width. */
const CUTTING_IN = 0.5;

/** Strokes are planned from point to point so far apart, mm. */
const POINT_MM = 1;

/** A brush is loaded again when it has gone this share of the way on which its film falls to 1/e. */
const RELOADS_AT = 0.7;

/** A brush has a point to cut in with if that is no wider than this share of it. */
const POINTED = 0.3;

/** The brush a hand would take for an area: the widest pointed one no wider than half of its mean width (area over edge). */
export function brushFor(outline: Polygon): Brush {
  const widest = polygonArea(outline) / edgeLength(outline);
  const byWidth = BRUSHES.filter(({ tipMm, widthMm }) => tipMm <= POINTED * widthMm).sort(
    (a, b) => b.widthMm - a.widthMm,
  );
  return byWidth.find(({ widthMm }) => widthMm <= widest) ?? byWidth.at(-1)!;
}

/**
 * An area turned into strokes as a hand would lay them: across in lines one below the other, all in one direction along
 * the longer side, and round every edge with the point of the brush, round whites too, as the lines come down to it, so
 * that what is wet stays wet. The brush is loaded again when it gives out, and pressed less where the area is narrow.
 * Each stroke's mean film is the one wanted, as far as the belly goes. The same area always gives the same strokes.
 */
export function* brushing({ outline, round: whites, brush, filmUm, laidAt }: Brushwork): Work<HandStroke[]> {
  const round = whites.filter((white) => gapBetween(white, outline) === 0);
  const room = clearanceIn(outline, round);
  const edges = yield* asPart(cutIn([...outline, ...round.flat()], brush, room), 0, 0.5);
  const across = yield* asPart(lines(outline, brush, room), 0.5, 1);
  const paths = [...edges, ...across]
    .flatMap((path) => (laidAt ? byWhatIsLaid(path, laidAt) : [path]))
    .flatMap((path) => byLoads(path, brush));
  const down = isWide(outline) ? 1 : 0;
  const height = (path: Path): number => path.reduce((sum, point) => sum + point[down], 0) / path.length;
  return paths
    .sort((one, other) => height(one) - height(other))
    .map((points) => ({
      points,
      load: Math.min(1, filmUm / OVERLAID / meanFilmUm(brush, lengthOf(points), meanWidth(points, brush))),
    }));
}

/** The same in one go. */
export const brushwork = (asked: Brushwork): HandStroke[] => done(brushing(asked));

function isWide(outline: Polygon): boolean {
  const [, , width, height] = bounds(outline);
  return width >= height;
}

type Path = HandStroke['points'];

/** Pressure at which a brush makes a mark of this width; its point where that is too narrow. */
const pressureFor = (brush: Brush, widthMm: number): number =>
  Math.min(1, Math.max(0, (widthMm - brush.tipMm) / (brush.widthMm - brush.tipMm)));

/** Half the width of a line cut in along an edge, mm. */
const cuttingRadius = (brush: Brush): number => Math.max(brush.tipMm, CUTTING_IN * brush.widthMm) / 2;

/** Points along edges that are found before anybody may stop it. */
const POINTS_AT_ONCE = 40;

/** Lines along every ring, moved inwards by half their width; broken off where there is no room. */
function* cutIn(rings: Polygon, brush: Brush, room: (point: Point) => number): Work<Path[]> {
  const radius = cuttingRadius(brush);
  const paths: Path[] = [];
  let found = 0;
  for (const [n, ring] of rings.entries()) {
    const along: [number, number, number][] = [];
    for (const [i, a] of ring.entries()) {
      const b = ring[(i + 1) % ring.length];
      const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
      const steps = Math.max(1, Math.round(length / POINT_MM));
      const side: Point = length > 0 ? [-(b[1] - a[1]) / length, (b[0] - a[0]) / length] : [0, 0];
      for (let k = 0; k < steps; k++) {
        if (found++ % POINTS_AT_ONCE === 0) yield (n + i / ring.length) / rings.length;
        const t = k / steps;
        const on: Point = [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])];
        const sides = [1, -1].map((way): Point => [
          on[0] + way * radius * side[0],
          on[1] + way * radius * side[1],
        ]);
        const inner = room(sides[0]) > room(sides[1]) ? sides[0] : sides[1];
        along.push([...inner, room(inner)]);
      }
    }
    if (along.length > 0) along.push(along[0]);
    paths.push(...runsOf(along, brush, radius));
  }
  return paths;
}

/** Lines across the longer side of the area, one below the other. */
function* lines(outline: Polygon, brush: Brush, room: (point: Point) => number): Work<Path[]> {
  const [x, y, width, height] = bounds(outline);
  const wide = isWide(outline);
  const [along, across] = wide ? [width, height] : [height, width];
  const radius = brush.widthMm / 2;
  const count = Math.max(1, Math.ceil((across - 2 * radius) / (APART * brush.widthMm)) + 1);
  const first = count === 1 ? across / 2 : radius;
  const apart = count === 1 ? 0 : (across - 2 * radius) / (count - 1);
  const paths: Path[] = [];
  for (let line = 0; line < count; line++) {
    yield line / count;
    const down = first + line * apart;
    const points = Array.from(
      { length: Math.ceil(along / POINT_MM) + 1 },
      (_, k): [number, number, number] => {
        const on = Math.min(along, k * POINT_MM);
        const point: Point = wide ? [x + on, y + down] : [x + down, y + on];
        return [...point, room(point)];
      },
    );
    paths.push(...runsOf(points, brush, radius));
  }
  return paths;
}

/** Splits points with their room into the runs where a brush has room, pressed as far as there is. */
function runsOf(
  points: readonly (readonly [number, number, number])[],
  brush: Brush,
  radius: number,
): Path[] {
  const runs: [number, number, number][][] = [[]];
  for (const [x, y, room] of points) {
    const half = Math.min(radius, room);
    if (half < brush.tipMm / 2) {
      if (runs.at(-1)!.length > 0) runs.push([]);
    } else runs.at(-1)!.push([x, y, pressureFor(brush, 2 * half)]);
  }
  return runs.filter((run) => run.length > 0);
}

/** Cuts a path where another mix is to be laid; both reach to where they meet. */
function byWhatIsLaid(path: Path, laidAt: (at: Point) => unknown): Path[] {
  const pieces: [number, number, number][][] = [];
  let last: unknown;
  for (const [x, y, pressure] of path) {
    const laid = laidAt([x, y]);
    if (pieces.length > 0) pieces.at(-1)!.push([x, y, pressure]);
    if (pieces.length === 0 || laid !== last) pieces.push([[x, y, pressure]]);
    last = laid;
  }
  return path.length === 1 ? pieces : pieces.filter((piece) => piece.length > 1);
}

/** Cuts a path where the brush would be loaded again. */
function byLoads(path: Path, brush: Brush): Path[] {
  const most = RELOADS_AT * reachMm(brush, meanWidth(path, brush));
  const pieces = Math.max(1, Math.ceil(lengthOf(path) / most));
  const each = Math.ceil((path.length - 1) / pieces);
  return each <= 0
    ? [path]
    : Array.from({ length: Math.ceil((path.length - 1) / each) }, (_, i) =>
        path.slice(i * each, (i + 1) * each + 1),
      );
}

const meanWidth = (path: Path, brush: Brush): number =>
  path.reduce((sum, [, , pressure]) => sum + widthAt(brush, pressure), 0) / path.length;

export const lengthOf = (path: Path): number =>
  path.slice(1).reduce((sum, [x, y], i) => sum + Math.hypot(x - path[i][0], y - path[i][1]), 0);
