/** A fit in progress: the parameters and the sum of their squared residuals. */
export interface Fit {
  readonly parameters: readonly number[];
  readonly cost: number;
}

const STEPS = 60;
/** A step that gains less than this share of the cost ends the fit. */
const ENOUGH = 1e-7;
/** Width of the difference quotient, in units of each parameter; parameters are scaled to about one. */
const TINY = 1e-5;

/**
 * Parameters with the least sum of squared residuals near a start (Levenberg 1944, Marquardt 1963), derivatives
 * by difference quotients. Made for a dozen parameters of order one with residuals that pull on all of them.
 */
export function leastSquares(
  start: readonly number[],
  residuals: (parameters: readonly number[]) => readonly number[],
): Fit {
  let parameters = [...start];
  let r = residuals(parameters);
  let cost = squares(r);
  let damping = 1e-3;
  for (let step = 0; step < STEPS; step++) {
    const slopes = parameters.map((_, j) => {
      const moved = residuals(parameters.map((value, i) => (i === j ? value + TINY : value)));
      return r.map((value, i) => (moved[i] - value) / TINY);
    });
    const normal = slopes.map((a) => slopes.map((b) => dot(a, b)));
    const downhill = slopes.map((a) => -dot(a, r));
    const before = cost;
    for (;;) {
      const damped = normal.map((row, i) => row.map((v, j) => (i === j ? v * (1 + damping) + 1e-12 : v)));
      const move = solvePositive(damped, downhill);
      const tried = parameters.map((value, i) => value + move[i]);
      const rTried = residuals(tried);
      const costTried = squares(rTried);
      if (costTried < cost) {
        [parameters, r, cost] = [tried, rTried, costTried];
        damping /= 5;
        break;
      }
      damping *= 4;
      if (damping > 1e8) return { parameters, cost };
    }
    if (before - cost < ENOUGH * before) break;
  }
  return { parameters, cost };
}

const dot = (a: readonly number[], b: readonly number[]): number =>
  a.reduce((sum, value, i) => sum + value * b[i], 0);

const squares = (r: readonly number[]): number => dot(r, r);

/** Solves a symmetric positive definite system by Cholesky's factors. */
function solvePositive(matrix: readonly (readonly number[])[], right: readonly number[]): number[] {
  const n = right.length;
  const factor = matrix.map(() => new Float64Array(n));
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      let rest = matrix[i][j];
      for (let k = 0; k < j; k++) rest -= factor[i][k] * factor[j][k];
      factor[i][j] = i === j ? Math.sqrt(rest) : rest / factor[j][j];
    }
  const half = [...right];
  for (let i = 0; i < n; i++) {
    for (let k = 0; k < i; k++) half[i] -= factor[i][k] * half[k];
    half[i] /= factor[i][i];
  }
  for (let i = n - 1; i >= 0; i--) {
    for (let k = i + 1; k < n; k++) half[i] -= factor[k][i] * half[k];
    half[i] /= factor[i][i];
  }
  return half;
}
