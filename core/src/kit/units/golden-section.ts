const GOLDEN = (Math.sqrt(5) - 1) / 2;

/**
 * Where a function of one number is least between two bounds, if it has one valley there (Kiefer 1953).
 * Each round narrows the bracket to 0.618 of its width with one more evaluation.
 */
export function leastBetween(low: number, high: number, rounds: number, f: (x: number) => number): number {
  let a = high - GOLDEN * (high - low);
  let b = low + GOLDEN * (high - low);
  let atA = f(a);
  let atB = f(b);
  for (let round = 0; round < rounds; round++) {
    if (atA < atB) {
      high = b;
      [b, atB] = [a, atA];
      a = high - GOLDEN * (high - low);
      atA = f(a);
    } else {
      low = a;
      [a, atA] = [b, atB];
      b = low + GOLDEN * (high - low);
      atB = f(b);
    }
  }
  return atA < atB ? a : b;
}
