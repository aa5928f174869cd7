/** Milliseconds that `run` takes. */
export function timeOf(run: () => unknown): number {
  const begun = performance.now();
  run();
  return performance.now() - begun;
}

export const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[values.length >> 1];

/** Median milliseconds of `rounds` runs, after one that warms up. */
export function medianOf(rounds: number, run: () => unknown): number {
  run();
  return median(Array.from({ length: rounds }, () => timeOf(run)));
}
