import type { Project } from './project';

/** Times nearer than this are the same, s: sums carry rounding. */
export const EPSILON_S = 1e-6;

/**
 * The longest ways between the starts of jobs, the beginning (0) and the end (`jobs + 1`): at least so much later must one
 * start than the other. `d[i · size + j]`, −∞ where nothing is said. (Bartusch, Möhring and Radermacher 1988.)
 */
export class Distances {
  private constructor(
    readonly size: number,
    readonly d: Float64Array,
  ) {}

  /** All that the lags of a project say; `null` when they cannot hold together, whatever the hands. */
  static of({ jobs, arcs }: Project): Distances | null {
    const size = jobs.length + 2;
    const d = new Float64Array(size * size).fill(-Infinity);
    const end = size - 1;
    const raise = (from: number, to: number, weight: number): void => {
      d[from * size + to] = Math.max(d[from * size + to], weight);
    };
    for (let i = 0; i < size; i++) raise(i, i, 0);
    raise(0, end, 0);
    jobs.forEach(({ handsS }, i) => {
      raise(0, i + 1, 0);
      raise(i + 1, end, handsS);
    });
    for (const { from, to, weightS } of arcs) raise(from + 1, to + 1, weightS);
    for (let via = 0; via < size; via++)
      for (let from = 0; from < size; from++) {
        const first = d[from * size + via];
        if (first === -Infinity) continue;
        for (let to = 0; to < size; to++) {
          const way = first + d[via * size + to];
          if (way > d[from * size + to]) d[from * size + to] = way;
        }
      }
    for (let i = 0; i < size; i++) if (d[i * size + i] > EPSILON_S) return null;
    return new Distances(size, d);
  }

  copy(): Distances {
    return new Distances(this.size, Float64Array.from(this.d));
  }

  at(from: number, to: number): number {
    return this.d[from * this.size + to];
  }

  /** Says besides that `to` starts at least so much later than `from`; `false` when that cannot be. */
  add(from: number, to: number, weight: number): boolean {
    const { size, d } = this;
    if (d[from * size + to] >= weight - EPSILON_S) return true;
    if (d[to * size + from] + weight > EPSILON_S) return false;
    for (let a = 0; a < size; a++) {
      const first = d[a * size + from] + weight;
      if (first === -Infinity) continue;
      for (let b = 0; b < size; b++) {
        const way = first + d[to * size + b];
        if (way > d[a * size + b]) d[a * size + b] = way;
      }
    }
    return true;
  }
}
