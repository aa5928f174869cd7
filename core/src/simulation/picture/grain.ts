import type { Pigment } from '../../materials/pigment';

/** A relief so deep that grains fill half of it, µm (fitted). */
const HALF_FILLED_UM = 30;

/** How grains gather by how strongly a pigment granulates; even a smooth one shows a little of the paper (fitted). */
const GATHERING = 1.3;
const SMOOTH_GRAIN = 0.1;

/** Grains lie in clumps: share of a wash's density by the square of how strongly it granulates (fitted). */
const CLUMPING = 0.07;

/** How a pigment's density follows the paper below the size of a cell: with its height, and with its clumps. */
export interface Grain {
  readonly byHeight: number;
  readonly byClumps: number;
}

/** The grain of a pigment on paper whose relief has this standard deviation, µm. */
export function grainOf({ granulation }: Pick<Pigment, 'granulation'>, reliefUm: number): Grain {
  const gathers = SMOOTH_GRAIN + (1 - SMOOTH_GRAIN) * granulation;
  return {
    byHeight: (reliefUm / (reliefUm + HALF_FILLED_UM)) * gathers ** GATHERING,
    byClumps: CLUMPING * granulation ** 2,
  };
}
