import type { PaintKernel } from '@kettle/core/materials/pigment';
import type { PanelKernel } from '@kettle/core/simulation/water';

/** The compiled kernels, once they have loaded. */
export interface SimulationKernels {
  readonly panel: PanelKernel;
  readonly paint: PaintKernel;
}
