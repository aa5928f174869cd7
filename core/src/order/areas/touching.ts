import { polygonArea, rectangle, type Polygon } from '../../kit/geometry';
import { drawsLines } from '../../drawing/masking';
import { paintedOf, piecesOf, type Plan } from '../../document/plan';
import { common, cutAway, grown, joined } from './combine';
import { footprint } from './footprint';
import { gapToMask, nearest } from './gap';
import type { Patch } from './patches';

/** What a plan’s areas and freehand masks make of one another, kept as long as they are the same. */
interface Known {
  readonly gaps: Map<string, number>;
  readonly parted: Map<string, boolean>;
}
const cache = new WeakMap<Plan['areas'], { resists: Plan['resists']; known: Known }>();

function knownOf({ areas, resists }: Plan): Known {
  const found = cache.get(areas);
  if (found?.resists === resists) return found.known;
  const known: Known = { gaps: new Map(), parted: new Map() };
  cache.set(areas, { resists, known });
  return known;
}

function keptIn<T>(map: Map<string, T>, key: string, find: () => T): T {
  const known = map.get(key);
  if (known !== undefined) return known;
  const value = find();
  map.set(key, value);
  return value;
}

const pair = (one: string, other: string): string => (one < other ? `${one} ${other}` : `${other} ${one}`);

/** Gap between what lies nearest of two, mm; nothing is measured beyond the bleed gap. */
const gap = (plan: Plan, one: string, other: string): number =>
  keptIn(knownOf(plan).gaps, `${pair(one, other)} ${plan.rules.bleedGapMm}`, () => {
    const mask = plan.resists.find(({ id }) => id === one || id === other);
    if (!mask) return nearest(piecesOf(plan, one), piecesOf(plan, other), plan.rules.bleedGapMm);
    return gapToMask(piecesOf(plan, mask.id === one ? other : one), mask, plan.rules.bleedGapMm);
  });

/**
 * Two areas touch when they overlap or their gap is below the bleed gap of the house, and no barrier lies between: what is
 * masked, or kept off by wax or a resist line, from end to end of where they are so near.
 */
export function areasTouch(
  plan: Plan,
  one: string,
  other: string,
  barriers: readonly string[] = [],
): boolean {
  if (one === other) return true;
  if (gap(plan, one, other) >= plan.rules.bleedGapMm) return false;
  const between = barriers.filter(
    (id) =>
      isLine(plan, id) &&
      id !== one &&
      id !== other &&
      gap(plan, id, one) === 0 &&
      gap(plan, id, other) === 0,
  );
  const key = [pair(one, other), plan.rules.bleedGapMm, ...between].join(' ');
  const parted = (): boolean => areParted(plan, footprint(plan, one), footprint(plan, other), between);
  return between.length === 0 || !keptIn(knownOf(plan).parted, key, parted);
}

/** Barriers that lie between two patches which are near each other, if they cut every way between them. */
export function patchesParted(plan: Plan, one: Patch, other: Patch, barriers: readonly string[]): boolean {
  if (one === other || barriers.length === 0) return false;
  const near = (id: string, patch: Patch): boolean =>
    keptIn(ofPatch(patch).near, id, () => nearest(footprint(plan, id), patch.regions, SLIVER_MM2) === 0);
  const between = barriers.filter(
    (id) => isLine(plan, id) && [one, other].every((patch) => !patch.under.includes(id) && near(id, patch)),
  );
  if (between.length === 0) return false;
  const key = [other.index, plan.rules.bleedGapMm, ...between].join(' ');
  return keptIn(ofPatch(one).parted, key, () => areParted(plan, one.regions, other.regions, between));
}

/** What barriers make of a patch: a sheet of another size has patches of its own. */
const knownOfPatches = new WeakMap<
  Patch,
  { readonly near: Map<string, boolean>; readonly parted: Map<string, boolean> }
>();

function ofPatch(patch: Patch): {
  readonly near: Map<string, boolean>;
  readonly parted: Map<string, boolean>;
} {
  const known = knownOfPatches.get(patch) ?? { near: new Map(), parted: new Map() };
  knownOfPatches.set(patch, known);
  return known;
}

const isLine = ({ resists }: Plan, id: string): boolean => {
  const mask = resists.find((resist) => resist.id === id);
  return mask === undefined || drawsLines(mask);
};

/** A barrier is laid over both areas’ edges; a sliver smaller than this is no way through, mm². */
const SLIVER_MM2 = 1e-3;

/** Whether barriers cut every way between some regions and others, over what is wetted and over the dry paper near both. */
function areParted(
  plan: Plan,
  some: readonly Polygon[],
  others: readonly Polygon[],
  barriers: readonly string[],
): boolean {
  const { widthMm, heightMm } = paintedOf(plan).panel;
  const reach = plan.rules.bleedGapMm;
  const near = common(grown(some, reach), grown(others, reach));
  const wet = common(joined([...some, ...others, ...near]), [rectangle(0, 0, widthMm, heightMm)]);
  const ways = cutAway(wet, joined(barriers.flatMap((id) => footprint(plan, id))));
  return !ways.some((way) => reaches(way, some) && reaches(way, others));
}

const reaches = (way: Polygon, regions: readonly Polygon[]): boolean =>
  common([way], regions).some((part) => polygonArea(part) > SLIVER_MM2);

/** Those of `others` that touch any of `areas`, with barriers between them as they lie. */
export const touchingAreas = (
  plan: Plan,
  areas: readonly string[],
  others: readonly string[],
  barriers: readonly string[] = [],
): string[] => others.filter((other) => areas.some((area) => areasTouch(plan, area, other, barriers)));
