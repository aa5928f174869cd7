import { gapBetween } from '../geometry';
import { outlineOf } from './lookup';
import type { Plan } from './plan';

const cache = new WeakMap<Plan['areas'], Map<string, number>>();

/** Gap between two areas of a plan in mm, kept as long as the areas are the same. */
function gap(plan: Plan, one: string, other: string): number {
  const gaps = cache.get(plan.areas) ?? new Map<string, number>();
  cache.set(plan.areas, gaps);
  const key = one < other ? `${one} ${other}` : `${other} ${one}`;
  let known = gaps.get(key);
  if (known === undefined) gaps.set(key, (known = gapBetween(outlineOf(plan, one), outlineOf(plan, other))));
  return known;
}

/** Two areas touch when they overlap or their gap is below the bleed gap of the house. */
export const areasTouch = (plan: Plan, one: string, other: string): boolean =>
  one === other || gap(plan, one, other) < plan.rules.bleedGapMm;

/** Those of `others` that touch any of `areas`. */
export const touchingAreas = (plan: Plan, areas: readonly string[], others: readonly string[]): string[] =>
  others.filter((other) => areas.some((area) => areasTouch(plan, area, other)));
