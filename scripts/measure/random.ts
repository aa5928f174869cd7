/** A small repeatable sequence of numbers 0…1 (Park & Miller 1988). */
export function randomFrom(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state * 16807) % 2147483647;
    return state / 2147483647;
  };
}

export const mean = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0) / values.length;

/** Standard deviation over the mean. */
export function variationOf(values: readonly number[]): number {
  const average = mean(values);
  return Math.sqrt(mean(values.map((value) => (value - average) ** 2))) / average;
}

/** The value below which `share` of the values lie. */
export function quantile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(share * (sorted.length - 1))];
}
