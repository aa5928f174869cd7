import type { PaintKernel } from '@kettle/core/pigment';
import type { PanelKernel } from '@kettle/core/water';

/** The compiled kernels, once they have loaded. */
export interface SimulationKernels {
  readonly panel: PanelKernel;
  readonly paint: PaintKernel;
}
