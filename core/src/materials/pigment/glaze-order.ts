import { deltaE00, type Lab } from '../../kit/colour';
import type { Paper } from '../paper';
import { BadInput } from '../../kit/units';
import { glazeLab } from './glaze';
import type { Mix } from './mix';

/** More glazes than this are not tried in every order: 120 orders of five. */
export const MAX_GLAZES = 5;

/** Glazes in one order, bottom first, and what they look like dry. */
export interface GlazeOrder {
  /** Places of the glazes as they were given. */
  readonly order: readonly number[];
  readonly lab: Lab;
  /** From the wanted colour, ΔE00. */
  readonly deltaE: number;
}

/**
 * Every order of some glazes over what is already painted, the nearest to the wanted colour first. Throws
 * `BadInput` on `layers` for more than five.
 */
export function glazeOrders(
  paper: Paper,
  painted: readonly Mix[],
  glazes: readonly Mix[],
  wanted: Lab,
): GlazeOrder[] {
  if (glazes.length > MAX_GLAZES)
    throw new BadInput('layers', `at most ${MAX_GLAZES} glazes are tried in every order`);
  return ordersOf(glazes.map((_, i) => i))
    .map((order) => {
      const lab = glazeLab(paper, [...painted, ...order.map((i) => glazes[i])]);
      return { order, lab, deltaE: deltaE00(wanted, lab) };
    })
    .sort((a, b) => a.deltaE - b.deltaE);
}

function ordersOf(places: readonly number[]): number[][] {
  if (places.length === 0) return [[]];
  return places.flatMap((first) =>
    ordersOf(places.filter((place) => place !== first)).map((rest) => [first, ...rest]),
  );
}
