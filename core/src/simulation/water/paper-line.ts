import { settleShort } from './film-line';
import type { FlowNumbers } from './flow-numbers';
import type { Panel } from './panel';

/** The solver's arrays for creep along one line, allocated once. */
export class CreepLine {
  readonly face: Float32Array;
  readonly upper: Float32Array;
  readonly solved: Float32Array;
  constructor(longest: number) {
    this.face = new Float32Array(longest);
    this.upper = new Float32Array(longest);
    this.solved = new Float32Array(longest);
  }
}

/**
 * Water in the paper along one line, by ∂s/∂t = ∇·(D(s/s₀)³∇s), implicit with its diffusivity frozen (Thomas), and
 * written as differences of flow so that none is lost. Water goes under masks as paper does.
 */
export function creepAlong(
  { paper, cellMm }: Panel,
  line: Int32Array,
  { creep, creepReference }: FlowNumbers,
  dtS: number,
  { face, upper, solved }: CreepLine,
): void {
  const n = line.length;
  const scale = (creep * dtS) / (cellMm * cellMm);
  for (let k = 0; k + 1 < n; k++) {
    const mean = (paper[line[k]] + paper[line[k + 1]]) / (2 * creepReference);
    face[k] = scale * mean * mean * mean;
  }
  face[n - 1] = 0;
  let before = 0;
  for (let k = 0; k < n; k++) {
    const cell = line[k];
    const pivot = 1 + before + face[k] - (k > 0 ? before * upper[k - 1] : 0);
    upper[k] = face[k] / pivot;
    solved[k] = (paper[cell] + (k > 0 ? before * solved[k - 1] : 0)) / pivot;
    before = face[k];
  }
  for (let k = n - 2; k >= 0; k--) solved[k] += upper[k] * solved[k + 1];
  before = 0;
  for (let k = 0; k < n; k++) {
    const cell = line[k];
    const through = k + 1 < n ? face[k] * (solved[k] - solved[k + 1]) : 0;
    const left = paper[cell] + before - through;
    const short = k + 1 < n ? Math.min(0, left) : 0;
    paper[cell] = left - short;
    before = through + short;
  }
  settleShort(paper, line);
}
