import type { FlowNumbers } from './flow-numbers';
import type { Panel } from './panel';

/**
 * Film and floating pigment along one line of cells, implicit in depth and in concentration. Every face's flow is
 * written as p·h(k) − m·h(k+1) with p, m ≥ 0, its numbers frozen at the step's beginning: the matrix is then an
 * M-matrix, film stays positive and none is lost however long the step (one Thomas solve each). Arrays are
 * allocated once for the longest line; face k lies between cells k and k + 1.
 */
export class FilmLine {
  /** Of each face, mm/s: flow per depth from the left and from the right, and the parts of it that go through the fibres. */
  private readonly p: Float32Array;
  private readonly m: Float32Array;
  private readonly pMesh: Float32Array;
  private readonly mMesh: Float32Array;
  /** Of each face, µm·mm/s: what carries pigment, and its spreading. */
  private readonly carried: Float32Array;
  private readonly spread: Float32Array;
  /** Of each cell: depth before, surface pressure, and the solver's own. */
  private readonly h: Float32Array;
  private readonly pressure: Float32Array;
  private readonly upper: Float32Array;
  private readonly solved: Float32Array;

  constructor(
    longest: number,
    private readonly species: number,
  ) {
    const array = (): Float32Array => new Float32Array(longest);
    this.p = array();
    this.m = array();
    this.pMesh = array();
    this.mMesh = array();
    this.carried = array();
    this.spread = array();
    this.h = array();
    this.pressure = array();
    this.upper = array();
    this.solved = array();
  }

  /**
   * Advances a line in place by `dtS` under a board that falls `tilt` µm/mm along it, pigment spreading as `spreading`
   * has it, mm²/s, `[cell]`; returns its fastest flow, mm/s.
   */
  advance(
    panel: Panel,
    spreading: Float32Array,
    line: Int32Array,
    flow: FlowNumbers,
    dtS: number,
    tilt: number,
  ): number {
    this.enter(panel, line, flow);
    this.openFaces(panel, line, flow, tilt);
    this.moveFilm(panel, line, dtS);
    const fastest = this.flowThrough(panel, spreading, line, flow);
    for (let i = 0; i < this.species; i++) this.movePigment(panel, line, dtS, i);
    return fastest;
  }

  /** Reads depths and concentrations. */
  private enter(panel: Panel, line: Int32Array, { slack }: FlowNumbers): void {
    const n = line.length;
    const { film, suspended, cells } = panel;
    for (let k = 0; k < n; k++) {
      const cell = line[k];
      const h = film[cell];
      this.h[k] = h;
      let pressure = 0;
      if (h > 0)
        for (let i = 0; i < this.species; i++) {
          const c = suspended[i * cells + cell] / h;
          pressure += (c * c) / (c * c + slack * slack);
        }
      this.pressure[k] = pressure;
    }
  }

  /** What every face lets through, from levels, relief, tilt, surface pressure and the contact line. */
  private openFaces(panel: Panel, line: Int32Array, f: FlowNumbers, tilt: number): void {
    const n = line.length;
    const { open, relief, wettability, hold, cellMm } = panel;
    for (let k = 0; k + 1 < n; k++) {
      const [cell, next] = [line[k], line[k + 1]];
      const [h, hn] = [this.h[k], this.h[k + 1]];
      this.p[k] = this.m[k] = this.pMesh[k] = this.mMesh[k] = 0;
      if ((h <= 0 && hn <= 0) || open[cell] * open[next] === 0) continue;
      const mean = 0.5 * (h + hn);
      const follows = (mean * mean) / (mean * mean + f.reliefDepth * f.reliefDepth);
      const drop = h - hn + follows * (relief[cell] - relief[next]);
      const falls = drop + tilt * cellMm;
      const forward = falls >= 0;
      const e = Math.max(0, (forward ? h : hn) - f.heldFilm * hold[forward ? cell : next]);
      const down = forward ? next : cell;
      const passes = passage(forward ? hn : h, forward ? drop : -drop, wettability[down], hold[down], f);
      if (e > 0 && passes > 0) {
        const base = f.levelling * e * e * e;
        const tension = e / f.tensionDepth;
        const d = Math.min(f.fastest, base * (1 + f.tensionGain / (1 + tension * tension)));
        const levels = (d / cellMm) * passes;
        const pulled =
          passes *
          (levelledRelief(d, follows, relief[cell] - relief[next], cellMm) +
            base * tilt +
            (f.pull * e * e * (this.pressure[k] - this.pressure[k + 1])) / cellMm);
        this.p[k] = levels;
        this.m[k] = levels;
        if (pulled > 0) this.p[k] += pulled / Math.max(h, 1);
        else this.m[k] -= pulled / Math.max(hn, 1);
      }
      const wet = Math.min(wettability[cell], wettability[next]);
      const mesh = (f.meshCreep * wet * wet) / cellMm;
      this.pMesh[k] = mesh * (h > f.meshDepth ? f.meshDepth / h : 1);
      this.mMesh[k] = mesh * (hn > f.meshDepth ? f.meshDepth / hn : 1);
    }
  }

  /** Solves the depths and writes them as differences of flow, so that no water is lost. */
  private moveFilm({ film, cellMm }: Panel, line: Int32Array, dtS: number): void {
    const n = line.length;
    const r = dtS / cellMm;
    let left = 0;
    let back = 0;
    for (let k = 0; k < n; k++) {
      const right = k + 1 < n ? r * (this.p[k] + this.pMesh[k]) : 0;
      const rightBack = k + 1 < n ? r * (this.m[k] + this.mMesh[k]) : 0;
      // Row k: (1 + right + back) h(k) − left h(k−1) − rightBack h(k+1) = old.
      const pivot = 1 + right + back - (k > 0 ? left * this.upper[k - 1] : 0);
      this.upper[k] = rightBack / pivot;
      this.solved[k] = (this.h[k] + (k > 0 ? left * this.solved[k - 1] : 0)) / pivot;
      left = right;
      back = rightBack;
    }
    for (let k = n - 2; k >= 0; k--) this.solved[k] += this.upper[k] * this.solved[k + 1];
    let before = 0;
    for (let k = 0; k < n; k++) {
      const cell = line[k];
      let through = 0;
      if (k + 1 < n) {
        const bulk = this.p[k] * this.solved[k] - this.m[k] * this.solved[k + 1];
        const mesh = this.pMesh[k] * this.solved[k] - this.mMesh[k] * this.solved[k + 1];
        this.carried[k] = bulk;
        this.spread[k] = mesh;
        through = bulk + mesh;
      }
      // Rounding may leave a cell a little short; it then gives its neighbour so much less, and nothing is made.
      const left = this.h[k] + r * (before - through);
      const short = k + 1 < n ? Math.min(0, left) : 0;
      film[cell] = left - short;
      before = through + short / r;
    }
    settleShort(film, line);
  }

  /**
   * Speeds, what carries pigment over each face, and how it spreads there. Carrying it upwind spreads it already, as half the
   * flow over a face would: only what is wanting of its own spreading comes on top (hybrid scheme; Patankar 1980). Returns
   * the fastest flow, mm/s.
   */
  private flowThrough(panel: Panel, spreading: Float32Array, line: Int32Array, f: FlowNumbers): number {
    const n = line.length;
    const { film, speed, cellMm } = panel;
    let fastest = 0;
    let before = 0;
    for (let k = 0; k < n; k++) {
      const cell = line[k];
      let u = 0;
      if (k + 1 < n) {
        const next = line[k + 1];
        const [bulk, mesh] = [this.carried[k], this.spread[k]];
        const [h, hn] = [film[cell], film[next]];
        const depth = bulk >= 0 ? h : hn;
        u = depth > f.movingFilm ? Math.abs(bulk) / depth : 0;
        if (u > fastest) fastest = u;
        const carried = bulk + f.meshCarries * mesh;
        const spreads = (0.5 * (spreading[cell] + spreading[next]) * Math.min(h, hn)) / cellMm;
        this.spread[k] = Math.max(0, spreads - 0.5 * Math.abs(carried));
        this.carried[k] = carried;
      }
      speed[cell] = Math.hypot(speed[cell], Math.max(before, u));
      before = u;
    }
    return fastest;
  }

  /** Carries one pigment, implicit and upwind, so that it stays positive and none is lost. */
  private movePigment(panel: Panel, line: Int32Array, dtS: number, pigment: number): void {
    const n = line.length;
    const { suspended, film, cells, cellMm } = panel;
    const r = dtS / cellMm;
    const from = pigment * cells;
    let left = 0;
    let back = 0;
    for (let k = 0; k < n; k++) {
      const flows = k + 1 < n ? this.carried[k] : 0;
      const spreads = k + 1 < n ? this.spread[k] : 0;
      const right = r * (Math.max(0, flows) + spreads);
      const rightBack = r * (Math.max(0, -flows) + spreads);
      // Row k in concentration: (h + right + back) C(k) − left C(k−1) − rightBack C(k+1) = what was there.
      const h = film[line[k]];
      const pivot = h + right + back - (k > 0 ? left * this.upper[k - 1] : 0);
      const inverse = pivot > TINY ? 1 / pivot : 0;
      this.upper[k] = rightBack * inverse;
      this.solved[k] = (suspended[from + line[k]] + (k > 0 ? left * this.solved[k - 1] : 0)) * inverse;
      left = right;
      back = rightBack;
    }
    for (let k = n - 2; k >= 0; k--) this.solved[k] += this.upper[k] * this.solved[k + 1];
    let before = 0;
    for (let k = 0; k < n; k++) {
      const at = from + line[k];
      const flows = k + 1 < n ? this.carried[k] : 0;
      const spreads = k + 1 < n ? this.spread[k] : 0;
      const through =
        k + 1 < n
          ? (Math.max(0, flows) + spreads) * this.solved[k] -
            (Math.max(0, -flows) + spreads) * this.solved[k + 1]
          : 0;
      const left = suspended[at] + r * (before - through);
      const short = k + 1 < n ? Math.min(0, left) : 0;
      suspended[at] = left - short;
      before = through + short / r;
    }
    settleShort(suspended, line, from);
  }
}

/** A cell without film has no concentration, µm. */
const TINY = 1e-12;

/** What the last cell of a line is short of, the cells before it make up. */
export function settleShort(plane: Float32Array, line: Int32Array, from = 0): void {
  for (let k = line.length - 1; k > 0 && plane[from + line[k]] < 0; k--) {
    plane[from + line[k - 1]] += plane[from + line[k]];
    plane[from + line[k]] = 0;
  }
}

const levelledRelief = (d: number, follows: number, fall: number, cellMm: number): number =>
  (d * follows * fall) / cellMm;

/** What a face lets through of the flow that falls over it: all into a film, none before a bead breaks out onto bare paper. */
function passage(
  depthBelow: number,
  drop: number,
  wettability: number,
  hold: number,
  f: FlowNumbers,
): number {
  if (depthBelow > f.heldFilm * hold) return 1;
  const dryness = 1 - wettability;
  const bead = (f.beadDamp + dryness * dryness * f.beadDry) * hold;
  return drop > bead ? Math.max(f.leastPassage, wettability) : 0;
}
