import type { FlowNumbers, SpeciesNumbers, StepNumbers } from './flow-numbers';
import type { Panel, PanelGrid } from './panel';

/** What a step did. */
export interface StepReport {
  /** Water gone to the air, µm summed over the cells. */
  readonly evaporated: number;
  /** Fastest flow across a face that moves more than a thin film, mm/s. */
  readonly fastest: number;
  /** Cells with a film, and the most water in the paper, g/m²: what the next step's length hangs on. */
  readonly filmed: number;
  readonly dampest: number;
}

/** Which way the film is swept first; alternated, so that neither direction is favoured. */
export type SweepOrder = 'across-first' | 'down-first';

/** Moves water and pigment on a panel; a compiled and a plain twin of the same scheme. */
export interface PanelKernel {
  readonly name: 'simd' | 'plain';
  /** Of its program: papers made by another are not the same to the last bit. */
  readonly version: string;
  /** A panel whose planes the kernel can work on, all zero. */
  panel(grid: PanelGrid): Panel;
  /** One step: rim, film and pigment across and down, creep in the paper, exchange cell by cell. */
  step(
    panel: Panel,
    species: readonly SpeciesNumbers[],
    flow: FlowNumbers,
    step: StepNumbers,
    order: SweepOrder,
  ): StepReport;
}
