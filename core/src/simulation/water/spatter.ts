import { surfaceNoise } from './noise';
import { chance, normal } from '../../kit/units';
import { regionOf, type Shape } from './shape';

/** A drop that has landed. */
export interface Drop {
  readonly xMm: number;
  readonly yMm: number;
  readonly diameterMm: number;
}

/** Diameters a tool throws: log-normal about a median, cut off at both ends, mm. */
interface Throw {
  readonly medianMm: number;
  readonly sigma: number;
  readonly leastMm: number;
  readonly mostMm: number;
}

/** Bristles flick a fine spray, a tapped brush throws drops, a mister a fog (our defaults within the usual ranges). */
export const THROWS = {
  toothbrush: { medianMm: 0.42, sigma: 0.4, leastMm: 0.2, mostMm: 0.9 },
  'tapped-brush': { medianMm: 1.3, sigma: 0.45, leastMm: 0.6, mostMm: 3 },
  mister: { medianMm: 0.25, sigma: 0.35, leastMm: 0.1, mostMm: 0.6 },
} as const satisfies Record<string, Throw>;
export type SpatterTool = keyof typeof THROWS;

/** The tapped brush the defaults stand for; a larger one throws larger drops, within the ends of its range. */
const USUAL_BRUSH = 8;

/** A torn paper shield lets drops in unevenly along its edge: this far, and on this scale, mm. */
const TORN = { reachMm: 0.8, sizeMm: 1.7 };

/** How a shield's edge is made. */
export interface Shield {
  readonly shape: Shape;
  readonly edge: 'cut' | 'torn';
}

/** A spatter: how much of the area its drops cover, or the mean film they leave. */
export interface SpatterRequest {
  readonly tool: SpatterTool;
  readonly brushSize?: number;
  readonly face?: { readonly widthMm: number; readonly heightMm: number };
  readonly area: Shape;
  readonly coverage?: number;
  readonly filmUm?: number;
  readonly seed: number;
  readonly shields?: readonly Shield[];
}

/** Nothing is spattered so densely that nothing shows between; a share of 1 would need drops without end. */
const DENSEST = 0.99;

/** Mean depth of a small drop that lands, as a share of its diameter (a contact angle of some 40°). */
export const DROP_DEPTH = 0.09;

/**
 * Drops of a spatter. They fall independently of each other, so that covering a share k needs drops of −ln(1 − k) of
 * the area (Boolean model; Matheron 1967). Those on a shield or off the face are lost.
 */
export function spatterDrops(request: SpatterRequest): Drop[] {
  const { tool, area, seed, shields = [], face } = request;
  const random = chance(seed);
  const { medianMm, sigma, leastMm, mostMm } = THROWS[tool];
  const scale = tool === 'tapped-brush' ? Math.cbrt((request.brushSize ?? USUAL_BRUSH) / USUAL_BRUSH) : 1;
  const region = regionOf(area);
  const shieldings = shields.map((shield) => coverOf(shield, seed));
  const [left, top, right, bottom] = region.bounds;
  const box = (right - left) * (bottom - top);
  const covers = -Math.log(1 - Math.min(DENSEST, request.coverage ?? 0)) * box;
  const volume = ((request.filmUm ?? 0) / 1000) * box;
  const drops: Drop[] = [];
  for (let [covered, thrown] = [0, 0]; covered < covers || thrown < volume;) {
    const diameterMm = truncated(random, medianMm * scale, sigma, leastMm, mostMm);
    const spot = (Math.PI * diameterMm ** 2) / 4;
    covered += spot;
    thrown += spot * DROP_DEPTH * diameterMm;
    const xMm = left + random() * (right - left);
    const yMm = top + random() * (bottom - top);
    const onFace = !face || (xMm >= 0 && yMm >= 0 && xMm <= face.widthMm && yMm <= face.heightMm);
    if (onFace && region.holds(xMm, yMm) && !shieldings.some((under) => under(xMm, yMm)))
      drops.push({ xMm, yMm, diameterMm });
  }
  return drops;
}

function truncated(random: () => number, median: number, sigma: number, least: number, most: number): number {
  for (;;) {
    const diameter = median * Math.exp(sigma * normal(random));
    if (diameter >= least && diameter <= most) return diameter;
  }
}

/** Whether a place lies under a shield; a torn one's edge wavers. */
function coverOf({ shape, edge }: Shield, seed: number): (x: number, y: number) => boolean {
  const { holds } = regionOf(shape);
  if (edge === 'cut') return holds;
  const [right, down] = [11, 12].map((layer) => surfaceNoise(TORN.sizeMm, seed + layer));
  return (x, y) => holds(x + TORN.reachMm * right(x, y), y + TORN.reachMm * down(x, y));
}
