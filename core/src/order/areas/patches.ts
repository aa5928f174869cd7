import { edgeLength, polygonArea, rectangle, type Polygon } from '../../kit/geometry';
import { outlineOf, paintedOf, rimOf, type Plan } from '../../document/plan';
import { drawsLines } from '../../drawing/masking';
import { asPart, done, type Work } from '../../kit/units';
import { common, cutAway, edgeWithin, grown, joined } from './combine';
import { drawnFootprint } from './footprint';
import { apart, boxOf, nearest, type Box } from './gap';

/**
 * A largest part of the sheet over which the same areas and freehand masks lie: what is done to one place of it is done to
 * all of it, so that it has one film, one paper water, one stage.
 */
export interface Patch {
  /** Its place among the patches of its sheet. */
  readonly index: number;
  /** The areas and freehand masks it lies in, in the plan's order; none for paper on which nothing is drawn. */
  readonly under: readonly string[];
  readonly regions: readonly Polygon[];
  readonly mm2: number;
}

/** What is narrower joins a neighbour, mm: no hand paints or spares it by itself. */
const NARROW_MM = 0.5;

/** Where two outlines are meant to be the same, less than this lies between them, mm². */
const SLIVER_MM2 = 1e-3;

/** Neighbours share an edge when they lie so near, mm; cutting rounds to a thousandth. */
const SHARED_MM = 0.01;

/** The sheet of a plan in patches, and what lies near what; kept as long as nothing is drawn anew. */
interface Arrangement {
  readonly resists: Plan['resists'];
  readonly sizes: string;
  readonly patches: readonly Patch[];
  readonly byArea: ReadonlyMap<string, readonly Patch[]>;
  readonly near: Map<number, readonly (readonly number[])[]>;
}
const known = new WeakMap<Plan['areas'], Arrangement>();

function* arranging(plan: Plan): Work<Arrangement> {
  const { panel } = paintedOf(plan);
  const rim = rimOf(plan);
  const sizes = [panel.widthMm, panel.heightMm, rim].join(' ');
  const found = known.get(plan.areas);
  if (found?.resists === plan.resists && found.sizes === sizes) return found;
  const sheet = rectangle(-rim, -rim, panel.widthMm + 2 * rim, panel.heightMm + 2 * rim);
  const patches = yield* overlaying(sheet, [
    ...plan.areas.map(({ id }) => ({ id, regions: [outlineOf(plan, id)] })),
    // Drops keep off specks of paint, and part nothing.
    ...plan.resists.filter(drawsLines).map((resist) => ({ id: resist.id, regions: drawnFootprint(resist) })),
  ]);
  const byArea = new Map<string, Patch[]>();
  for (const patch of patches)
    for (const id of patch.under) {
      const others = byArea.get(id);
      if (others) others.push(patch);
      else byArea.set(id, [patch]);
    }
  const arrangement = { resists: plan.resists, sizes, patches, byArea, near: new Map() };
  known.set(plan.areas, arrangement);
  return arrangement;
}

/** Overlays what is drawn on a plan's sheet, and finds what lies near what, so that whoever asks for it later need not wait. */
export function* findingPatches(plan: Plan): Work<void> {
  yield* asPart(arranging(plan), 0, 0.5);
  yield* asPart(findingNear(plan), 0.5, 1);
}

const arrangementOf = (plan: Plan): Arrangement => done(arranging(plan));

/** The patches of a plan's sheet; together they are the sheet, and no two overlap. */
export const patchesOf = (plan: Plan): readonly Patch[] => arrangementOf(plan).patches;

/** The patches of one area or freehand mask. */
export const patchesIn = (plan: Plan, id: string): readonly Patch[] =>
  arrangementOf(plan).byArea.get(id) ?? [];

/** For each patch, by its index, those that lie nearer to it than the bleed gap of the house, itself among them. */
export const nearPatches = (plan: Plan): readonly (readonly number[])[] => done(findingNear(plan));

function* findingNear(plan: Plan): Work<readonly (readonly number[])[]> {
  const { patches, near } = arrangementOf(plan);
  const { bleedGapMm } = plan.rules;
  const found = near.get(bleedGapMm);
  if (found) return found;
  const boxes = patches.map(({ regions }) => boxOf(regions.flat()));
  const lists = patches.map(({ index }) => [index]);
  for (const one of patches) {
    yield one.index / patches.length;
    for (const other of patches.slice(one.index + 1)) {
      if (apart(boxes[one.index], boxes[other.index]) >= bleedGapMm) continue;
      if (nearest(one.regions, other.regions, bleedGapMm) >= bleedGapMm) continue;
      lists[one.index].push(other.index);
      lists[other.index].push(one.index);
    }
  }
  near.set(bleedGapMm, lists);
  return lists;
}

/** A patch as it is cut out: its index comes when all are. */
type Piece = Omit<Patch, 'index'> & { readonly box: Box };

/** Shapes by name, overlaid on a sheet. */
export function* overlaying(
  sheet: Polygon,
  shapes: readonly { readonly id: string; readonly regions: readonly Polygon[] }[],
): Work<Patch[]> {
  let pieces: readonly Piece[] = [pieceUnder([], [sheet])];
  for (const [n, { id, regions }] of shapes.entries()) {
    if (regions.length === 0) continue;
    const box = boxOf(regions.flat());
    const cut: Piece[] = [];
    for (const piece of pieces) {
      if (apart(piece.box, box) > 0) cut.push(piece);
      else {
        yield n / shapes.length;
        cut.push(...parted(piece, id, regions));
      }
    }
    pieces = cut;
  }
  const left = yield* withoutNarrow(pieces);
  return left.map(({ under, regions, mm2 }, index) => ({ index, under, regions, mm2 }));
}

const pieceUnder = (under: readonly string[], regions: readonly Polygon[]): Piece => ({
  under,
  regions,
  box: boxOf(regions.flat()),
  mm2: surfaceOf(regions),
});

const surfaceOf = (regions: readonly Polygon[]): number =>
  regions.reduce((sum, region) => sum + polygonArea(region), 0);

/** What of a piece lies in a shape and what does not; whole where one of them is nothing to speak of. */
function parted(piece: Piece, id: string, shape: readonly Polygon[]): Piece[] {
  const inside = common(piece.regions, shape);
  if (surfaceOf(inside) < SLIVER_MM2) return [piece];
  const under = [...piece.under, id];
  const outside = cutAway(piece.regions, shape);
  if (surfaceOf(outside) < SLIVER_MM2) return [{ ...piece, under }];
  return [pieceUnder(under, inside), pieceUnder(piece.under, outside)];
}

/** The largest circle in a shape has a radius of no less than its area over the length of its edge; most need no closer look. */
const isNarrow = ({ regions, mm2 }: Piece): boolean =>
  mm2 / edgesOf(regions) < NARROW_MM / 2 && grown(regions, -NARROW_MM / 2).length === 0;

const edgesOf = (regions: readonly Polygon[]): number =>
  regions.reduce((sum, region) => sum + edgeLength(region), 0);

/** Narrow pieces joined each to the neighbour with which it shares most edge, unless it is all that is left of an area. */
function* withoutNarrow(pieces: readonly Piece[]): Work<readonly Piece[]> {
  const left = new Set(pieces);
  /** Pieces of each area that are left. */
  const counts = new Map<string, number>();
  for (const id of pieces.flatMap(({ under }) => under)) counts.set(id, (counts.get(id) ?? 0) + 1);
  const narrow: Piece[] = [];
  for (const piece of pieces) {
    yield 1;
    if (isNarrow(piece)) narrow.push(piece);
  }
  narrow.sort((a, b) => a.mm2 - b.mm2);
  for (const piece of narrow) {
    yield 1;
    if (!left.has(piece) || piece.under.some((id) => counts.get(id) === 1)) continue;
    left.delete(piece);
    const host = neighbourOf(left, piece);
    if (host === null) left.add(piece);
    else {
      for (const id of piece.under) counts.set(id, counts.get(id)! - 1);
      left.delete(host);
      left.add(pieceUnder(host.under, joined([...host.regions, ...piece.regions])));
    }
  }
  return [...left];
}

/** Of other pieces the one that shares most edge with a piece; `null` where none does. */
function neighbourOf(others: ReadonlySet<Piece>, piece: Piece): Piece | null {
  const reach = grown(piece.regions, SHARED_MM);
  let [host, most]: [Piece | null, number] = [null, 0];
  for (const other of others) {
    if (apart(other.box, piece.box) > SHARED_MM) continue;
    const shared = other.regions.reduce((sum, region) => sum + edgeWithin(region, reach), 0);
    if (shared > most) [host, most] = [other, shared];
  }
  return host;
}
