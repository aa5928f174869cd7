import {
  Clipper64,
  ClipperOffset,
  ClipType,
  EndType,
  FillRule,
  JoinType,
  PathType,
  PolyTree64,
  type Path64,
  type Paths64,
  type PolyPath64,
} from 'clipper2-ts';
import { distance, ringArea, type Point, type Polygon, type Ring } from '../../kit/geometry';

/** The clipping library reckons in whole numbers; a micrometre is far below any brush. */
const PER_MM = 1000;

/** How far the straight pieces of a rounded corner may stand off its curve, mm. */
const ARC_TOLERANCE_MM = 0.01;

/** A sharp corner is drawn out to at most so many times the distance it is grown by. */
const MITER_LIMIT = 5;

/** All that lies in any of some regions. */
export const joined = (regions: readonly Polygon[]): Polygon[] => combined(ClipType.Union, regions, []);

/** What of some regions is left when others are cut away. */
export const cutAway = (regions: readonly Polygon[], away: readonly Polygon[]): Polygon[] =>
  combined(ClipType.Difference, regions, away);

/** What lies in both. */
export const common = (regions: readonly Polygon[], others: readonly Polygon[]): Polygon[] =>
  combined(ClipType.Intersection, regions, others);

/** What contours enclose, those that run the other way round left out of it; contours of one letter may overlap. */
export function filled(contours: readonly Ring[]): Polygon[] {
  const clipper = new Clipper64();
  clipper.addPaths(contours.map(pathOf), PathType.Subject);
  const tree = new PolyTree64();
  clipper.execute(ClipType.Union, FillRule.NonZero, tree);
  return regionsOf(tree);
}

/** Regions grown by so much on every side, or shrunk by a negative measure, mm; corners come out rounded or sharp. */
export function grown(
  regions: readonly Polygon[],
  mm: number,
  corners: 'rounded' | 'sharp' = 'rounded',
): Polygon[] {
  const offset = offsetter();
  offset.addPaths(
    regions.flatMap(pathsOf),
    corners === 'rounded' ? JoinType.Round : JoinType.Miter,
    EndType.Polygon,
  );
  return offsetBy(offset, mm);
}

/** Lines drawn with a round point of this width, mm. */
export function stroked(lines: readonly (readonly Point[])[], widthMm: number): Polygon[] {
  const offset = offsetter();
  offset.addPaths(lines.map(pathOf), JoinType.Round, EndType.Round);
  return offsetBy(offset, widthMm / 2);
}

/** Length of the edges of one region that lie within another, mm. */
export function edgeWithin(edges: Polygon, region: readonly Polygon[]): number {
  const clipper = new Clipper64();
  clipper.addPaths(
    edges.map((ring) => pathOf([...ring, ring[0]])),
    PathType.Subject,
    true,
  );
  clipper.addPaths(region.flatMap(pathsOf), PathType.Clip);
  const inside: Paths64 = [];
  clipper.execute(ClipType.Intersection, FillRule.NonZero, [], inside);
  return inside.map(pointsOf).reduce((sum, line) => sum + lineLength(line), 0);
}

const lineLength = (line: readonly Point[]): number =>
  line.slice(1).reduce((sum, point, i) => sum + distance(line[i], point), 0);

function combined(how: ClipType, regions: readonly Polygon[], others: readonly Polygon[]): Polygon[] {
  const clipper = new Clipper64();
  clipper.addPaths(regions.flatMap(pathsOf), PathType.Subject);
  clipper.addPaths(others.flatMap(pathsOf), PathType.Clip);
  const tree = new PolyTree64();
  clipper.execute(how, FillRule.NonZero, tree);
  return regionsOf(tree);
}

const offsetter = (): ClipperOffset => new ClipperOffset(MITER_LIMIT, ARC_TOLERANCE_MM * PER_MM);

function offsetBy(offset: ClipperOffset, mm: number): Polygon[] {
  const tree = new PolyTree64();
  offset.execute(mm * PER_MM, tree);
  return regionsOf(tree);
}

/** Rings of a region: the outer one runs the one way round, holes the other. */
const pathsOf = (polygon: Polygon): Paths64 =>
  polygon.map((ring, i) => pathOf(ringArea(ring) > 0 === (i === 0) ? ring : [...ring].reverse()));

const pathOf = (points: readonly Point[]): Path64 =>
  points.map(([x, y]) => ({ x: Math.round(x * PER_MM), y: Math.round(y * PER_MM) }));

const pointsOf = (path: Path64): Ring => path.map(({ x, y }): Point => [x / PER_MM, y / PER_MM]);

/** Outer rings with their holes; what lies within a hole is a region of its own. */
function regionsOf(node: PolyPath64): Polygon[] {
  const outers = Array.from({ length: node.count }, (_, i) => node.child(i));
  return outers.flatMap((outer) => {
    const holes = Array.from({ length: outer.count }, (_, i) => outer.child(i));
    return [
      [pointsOf(outer.poly!), ...holes.map((hole) => pointsOf(hole.poly!))],
      ...holes.flatMap(regionsOf),
    ];
  });
}
