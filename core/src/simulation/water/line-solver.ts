/**
 * The physical numbers of one step along a line across a wash's edge, in the order in which the kernel
 * reads them. Length 9.
 */
export interface LineParameters {
  readonly dtS: number;
  readonly cellMm: number;
  readonly creepMm2S: number;
  readonly creepReferenceGm2: number;
  readonly capacityGm2: number;
  /** Uptake numerator, the paper's own factor included, g/m²s·(g/m²). */
  readonly uptakeGm2: number;
  readonly uptakeOffsetGm2: number;
  readonly evaporationGm2S: number;
  /** Paper water below which evaporation falls, g/m². */
  readonly fallingGm2: number;
}

/** Advances film and paper water along a line of cells by `steps` equal steps, in place. */
export interface LineKernel {
  readonly name: 'wasm' | 'plain';
  advance(film: Float64Array, paper: Float64Array, parameters: LineParameters, steps: number): void;
}

/**
 * The plain twin of the compiled kernel: the same scheme, statement by statement, so that the two agree
 * to rounding. A step: exchange with film and air cell by cell, then creep along the line, implicit in the
 * paper water with its diffusivity frozen (one Thomas solve), closed at both ends.
 */
export const plainLineKernel: LineKernel = {
  name: 'plain',
  advance(film, paper, parameters, steps) {
    const n = film.length;
    const scratch = { lower: new Float64Array(n), upper: new Float64Array(n) };
    for (let step = 0; step < steps; step++) {
      exchange(film, paper, parameters);
      creep(paper, parameters, scratch);
    }
  },
};

function exchange(film: Float64Array, paper: Float64Array, p: LineParameters): void {
  for (let i = 0; i < film.length; i++) {
    const s = paper[i];
    if (film[i] > 0) {
      const sinks = ((p.uptakeGm2 * Math.max(0, 1 - s / p.capacityGm2)) / (s + p.uptakeOffsetGm2)) * p.dtS;
      const leaves = p.evaporationGm2S * p.dtS;
      const share = Math.min(1, film[i] / (sinks + leaves));
      film[i] -= (sinks + leaves) * share;
      paper[i] += sinks * share;
      if (share < 1) film[i] = 0;
    } else {
      paper[i] -= Math.min(s, p.evaporationGm2S * Math.min(1, s / p.fallingGm2) * p.dtS);
    }
  }
}

function creep(
  paper: Float64Array,
  p: LineParameters,
  { lower, upper }: { lower: Float64Array; upper: Float64Array },
): void {
  const n = paper.length;
  const scale = (p.creepMm2S * p.dtS) / (p.cellMm * p.cellMm);
  for (let i = 0; i + 1 < n; i++) {
    const mean = (paper[i] + paper[i + 1]) / (2 * p.creepReferenceGm2);
    lower[i] = scale * mean * mean * mean;
  }
  // Thomas: the face between i and i+1 carries lower[i]; the last cell has no face beyond it.
  lower[n - 1] = 0;
  let before = 0;
  for (let i = 0; i < n; i++) {
    const pivot = 1 + before + lower[i] - (i > 0 ? before * upper[i - 1] : 0);
    upper[i] = lower[i] / pivot;
    paper[i] = (paper[i] + (i > 0 ? before * paper[i - 1] : 0)) / pivot;
    before = lower[i];
  }
  for (let i = n - 2; i >= 0; i--) paper[i] += upper[i] * paper[i + 1];
}
