import type { Point } from '../../kit/geometry';

/** More pigments than this are not set out on one dish. */
export const DISH_HOLDS = 6;

/** A pigment on the rim, with the hue it is ordered by, degrees; `null` for a grey. */
export interface SetOut {
  readonly code: string;
  readonly hueDeg: number | null;
}

/** A mix in the dish. */
export interface Poured {
  readonly id: string;
  readonly parts: readonly { readonly pigment: string; readonly parts: number }[];
  /** Concentration 0…1. */
  readonly strength: number;
}

/** Where all lies on a dish of radius 1, its middle at the origin, down is positive. */
export interface DishLayout {
  readonly pigments: readonly { readonly code: string; readonly at: Point }[];
  readonly mixes: readonly { readonly id: string; readonly at: Point }[];
}

/** Paint from the tube lies so far out, the thinnest stain so near the middle, where the clear water is. */
const TUBE_AT = 0.72;
const STAIN_AT = 0.2;
const THINNEST = 0.01;

/** Pigments lie on the rim, mixes no nearer to one another than this. */
const RIM_AT = 0.93;
export const WELL_APART = 0.33;

/** How often mixes that lie over one another are moved apart, each round by half of what is missing. */
const ROUNDS = 200;

const TURN = 2 * Math.PI;

/**
 * How a dish is laid out so that nearness means mixing and the way from the rim to the middle means water: pigments stand
 * round the rim in the order that leaves every mix nearest to what it is made of (all orders are compared), each mix lies in
 * the direction of its parts and as far in as it is thin; mixes that would lie over one another give way along their ring.
 */
export const dishLayout = (pigments: readonly SetOut[], mixes: readonly Poured[]): DishLayout =>
  onRim(bestOrder(pigments, mixes), mixes);

/** The same with the pigments in a given order round the rim. */
export function onRim(order: readonly string[], mixes: readonly Poured[]): DishLayout {
  const angleOf = new Map(order.map((code, i) => [code, (TURN * i) / order.length - TURN / 4]));
  const wells = mixes.map(({ id, parts, strength }) => ({
    id,
    angle: between(
      parts.flatMap(({ pigment, parts: n }) => {
        const angle = angleOf.get(pigment);
        return angle === undefined ? [] : [{ angle, weight: n }];
      }),
    ),
    radius: radiusOf(strength),
  }));
  moveApart(wells);
  return {
    pigments: order.map((code) => ({ code, at: polar(angleOf.get(code)!, RIM_AT) })),
    mixes: wells.map(({ id, angle, radius }) => ({ id, at: polar(angle, radius) })),
  };
}

/** How far from the middle paint of a strength lies: evenly by the logarithm, as a dilution is seen. */
export function radiusOf(strength: number): number {
  const share = 1 - Math.log(Math.max(THINNEST, strength)) / Math.log(THINNEST);
  return STAIN_AT + share * (TUBE_AT - STAIN_AT);
}

/** The other way round: how strong paint is that lies so far from the middle. */
export function strengthFromMiddle(radius: number): number {
  const share = (radius - STAIN_AT) / (TUBE_AT - STAIN_AT);
  return Math.min(1, Math.max(THINNEST, Math.exp((1 - share) * Math.log(THINNEST))));
}

const polar = (angle: number, radius: number): Point => [radius * Math.cos(angle), radius * Math.sin(angle)];

/** The turn from one angle to another, the shorter way round, radians. */
const turnTo = (from: number, to: number): number => {
  const turn = (((to - from) % TURN) + TURN) % TURN;
  return turn > TURN / 2 ? turn - TURN : turn;
};

interface Pull {
  readonly angle: number;
  readonly weight: number;
}

const strain = (angle: number, pulls: readonly Pull[]): number =>
  pulls.reduce((sum, pull) => sum + pull.weight * turnTo(angle, pull.angle) ** 2, 0);

/**
 * The angle nearest to several by their weights (Fréchet mean on a circle): on each arc between the points opposite to them
 * the mean is a plain one, so the best of those plain means is it. Opposites in equal parts lie clockwise of the first.
 */
function between(pulls: readonly Pull[]): number {
  if (pulls.length === 0) return 0;
  const total = pulls.reduce((sum, { weight }) => sum + weight, 0);
  const [{ angle: first }] = pulls;
  const candidates = Array.from({ length: pulls.length }, (_, k) => {
    const turns = pulls.map((pull) => ({ ...pull, turn: turnTo(first, pull.angle) }));
    turns.sort((a, b) => a.turn - b.turn);
    const sum = turns.reduce((s, { turn, weight }, i) => s + weight * (turn + (i < k ? TURN : 0)), 0);
    return first + sum / total;
  });
  return candidates.reduce((a, b) => (strain(b, pulls) < strain(a, pulls) - 1e-9 ? b : a));
}

/** The order round the rim with the least strain of all mixes; with none, that of the hues. The first stays the first. */
function bestOrder(pigments: readonly SetOut[], mixes: readonly Poured[]): string[] {
  const byHue = [...pigments].sort((a, b) => (a.hueDeg ?? 999) - (b.hueDeg ?? 999)).map(({ code }) => code);
  if (byHue.length < 4 || byHue.length > DISH_HOLDS || mixes.length === 0) return byHue;
  const strainOf = (order: readonly string[]): number => {
    const angles = new Map(order.map((code, i) => [code, (TURN * i) / order.length]));
    return mixes.reduce((sum, { parts }) => {
      const total = parts.reduce((all, { parts: n }) => all + n, 0);
      const pulls = parts.flatMap(({ pigment, parts: n }) => {
        const angle = angles.get(pigment);
        return angle === undefined ? [] : [{ angle, weight: n / total }];
      });
      return sum + strain(between(pulls), pulls);
    }, 0);
  };
  const [first, ...others] = byHue;
  let best = { order: byHue, strain: strainOf(byHue) };
  for (const rest of ordersOf(others)) {
    const order = [first, ...rest];
    const tried = strainOf(order);
    if (tried < best.strain - 1e-9) best = { order, strain: tried };
  }
  return best.order;
}

function ordersOf(list: readonly string[]): string[][] {
  if (list.length < 2) return [[...list]];
  return list.flatMap((head, i) =>
    ordersOf([...list.slice(0, i), ...list.slice(i + 1)]).map((rest) => [head, ...rest]),
  );
}

/** Moves wells apart along their rings. Radii say how much water is in them and stay. */
function moveApart(wells: { angle: number; readonly radius: number }[]): void {
  for (let round = 0; round < ROUNDS; round++) {
    let moved = false;
    for (let i = 0; i < wells.length; i++)
      for (let k = i + 1; k < wells.length; k++) {
        const [one, other] = [wells[i], wells[k]];
        const [a, b] = [polar(one.angle, one.radius), polar(other.angle, other.radius)];
        const missing = WELL_APART - Math.hypot(a[0] - b[0], a[1] - b[1]);
        if (missing <= 1e-6) continue;
        moved = true;
        const way = turnTo(one.angle, other.angle) < 0 ? -1 : 1;
        one.angle -= (way * missing) / 2 / Math.max(STAIN_AT, one.radius);
        other.angle += (way * missing) / 2 / Math.max(STAIN_AT, other.radius);
      }
    if (!moved) return;
  }
}
