import type { FlowNumbers, StepNumbers } from './flow-numbers';
import { FilmLine } from './film-line';
import { creepAlong, CreepLine } from './paper-line';
import { cellAt, PLANES, type Panel, type PanelGrid } from './panel';
import type { PanelKernel, StepReport } from './panel-kernel';
import { exchangeCells } from './cell-exchange';
import { findRims } from './rim';
import { spreadingOf } from './spreading';

/** Cells beyond the last wet one that a sweep takes in: a front gets no further in a step. */
const MARGIN = 4;

/** The panel kernel in plain code: to check the compiled one by, and where that does not load. */
export const plainPanelKernel: PanelKernel = {
  name: 'plain',
  version: 'plain',

  panel(grid: PanelGrid): Panel {
    const planes = Object.fromEntries(PLANES.map((name) => [name, new Float32Array(grid.cells)]));
    return {
      ...grid,
      ...(planes as Record<(typeof PLANES)[number], Float32Array>),
      suspended: new Float32Array(grid.cells * grid.species),
      deposited: new Float32Array(grid.cells * grid.species),
    };
  },

  step(panel, species, flow, step, order): StepReport {
    if (step.rims) findRims(panel, flow);
    const spreading = spreadingOf(panel, flow);
    panel.speed.fill(0);
    const fastest = Math.max(
      ...(order === 'across-first' ? ['across', 'down'] : ['down', 'across']).map((way) =>
        sweep(panel, spreading, flow, step, way as Way),
      ),
    );
    if (step.creepS > 0) creep(panel, flow, step.creepS);
    return { fastest, ...exchangeCells(panel, species, flow, step) };
  },
};

type Way = 'across' | 'down';

type Lines = Readonly<Record<Way, readonly Int32Array[]>>;

const linesOfPanels = new WeakMap<PanelGrid, Lines>();

/** The cells of every line of a panel, worked out once. */
function linesOf(grid: PanelGrid): Lines {
  const known = linesOfPanels.get(grid);
  if (known) return known;
  const { columns, rows } = grid;
  const lines: Lines = {
    across: Array.from({ length: rows }, (_, row) =>
      Int32Array.from({ length: columns }, (_, column) => cellAt(grid, column, row)),
    ),
    down: Array.from({ length: columns }, (_, column) =>
      Int32Array.from({ length: rows }, (_, row) => cellAt(grid, column, row)),
    ),
  };
  linesOfPanels.set(grid, lines);
  return lines;
}

/** The part of a line on which something happens: from the first to the last cell that `acts`, and a margin. */
function actingPart(line: Int32Array, acts: (cell: number) => boolean): Int32Array | null {
  const first = line.findIndex(acts);
  if (first < 0) return null;
  const last = line.findLastIndex(acts);
  return line.subarray(Math.max(0, first - MARGIN), Math.min(line.length, last + MARGIN + 1));
}

/** Moves film and pigment along every line of one direction; returns the fastest flow, mm/s. */
function sweep(
  panel: Panel,
  spreading: Float32Array,
  flow: FlowNumbers,
  step: StepNumbers,
  way: Way,
): number {
  const scratch = new FilmLine(Math.max(panel.columns, panel.rows), panel.species);
  const tilt = way === 'across' ? step.tiltX : step.tiltY;
  let fastest = 0;
  for (const line of linesOf(panel)[way]) {
    const part = actingPart(line, (cell) => panel.film[cell] > 0);
    if (part) fastest = Math.max(fastest, scratch.advance(panel, spreading, part, flow, step.dtS, tilt));
  }
  return fastest;
}

/** Moves water in the paper along every line, across and then down. */
function creep(panel: Panel, flow: FlowNumbers, dtS: number): void {
  const scratch = new CreepLine(Math.max(panel.columns, panel.rows));
  for (const way of ['across', 'down'] as const)
    for (const line of linesOf(panel)[way]) {
      const part = actingPart(line, (cell) => panel.paper[cell] > 0);
      if (part) creepAlong(panel, part, flow, dtS, scratch);
    }
}
