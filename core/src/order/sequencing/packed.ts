import type { Starts } from './exact';
import type { Project } from './project';

/** An order of all copies: starts copy by copy, in the order of a copy’s jobs. */
export interface Packed {
  readonly starts: Starts;
  readonly makespanS: number;
}

/** An order in the making: breath is taken after so many jobs, for it may be told to stop. */
export type Packing = Generator<undefined, Packed | null>;
export const JOBS_A_BREATH = 30;

/** How often the hands go from one task to another, the same on another copy being none. */
export function switchesIn({ jobs }: Project, { starts }: Packed): number {
  const ids = Array.from({ length: Math.max(...jobs.map(({ copies }) => copies)) }, (_, copy) =>
    jobs.filter(({ copies }) => copy < copies).map(({ id }) => id),
  ).flat();
  const order = ids.map((_, i) => i).sort((a, b) => starts[a] - starts[b]);
  return order.slice(1).filter((i, n) => ids[i] !== ids[order[n]]).length;
}

/** Starts laid out for the most copies there are, as those of the jobs there are. */
export const startsOfAll = ({ jobs }: Project, starts: Float64Array): Starts =>
  [...starts].filter((_, i) => Math.floor(i / jobs.length) < jobs[i % jobs.length].copies);
