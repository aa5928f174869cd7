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

/** Starts laid out for the most copies there are, as those of the jobs there are. */
export const startsOfAll = ({ jobs }: Project, starts: Float64Array): Starts =>
  [...starts].filter((_, i) => Math.floor(i / jobs.length) < jobs[i % jobs.length].copies);
