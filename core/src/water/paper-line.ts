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
  start: number,
  apart: number,
  n: number,
  { creep, creepReference }: FlowNumbers,
  dtS: number,
  { face, upper, solved }: CreepLine,
): void {
  const scale = (creep * dtS) / (cellMm * cellMm);
  for (let k = 0, cell = start; k + 1 < n; k++, cell += apart) {
    const mean = (paper[cell] + paper[cell + apart]) / (2 * creepReference);
    face[k] = scale * mean * mean * mean;
  }
  face[n - 1] = 0;
  let before = 0;
  for (let k = 0, cell = start; k < n; k++, cell += apart) {
    const pivot = 1 + before + face[k] - (k > 0 ? before * upper[k - 1] : 0);
    upper[k] = face[k] / pivot;
    solved[k] = (paper[cell] + (k > 0 ? before * solved[k - 1] : 0)) / pivot;
    before = face[k];
  }
  for (let k = n - 2; k >= 0; k--) solved[k] += upper[k] * solved[k + 1];
  before = 0;
  for (let k = 0, cell = start; k < n; k++, cell += apart) {
    const through = k + 1 < n ? face[k] * (solved[k] - solved[k + 1]) : 0;
    const left = paper[cell] + before - through;
    const short = k + 1 < n ? Math.min(0, left) : 0;
    paper[cell] = left - short;
    before = through + short;
  }
  settleShort(paper, start, apart, n);
}
