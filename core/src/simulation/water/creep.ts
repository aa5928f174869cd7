import type { Climate } from '../../materials/climate';
import {
  CREEP_MM2_S,
  CREEP_REFERENCE_GM2,
  DRY_PAPER_GM2,
  FALLING_RATE_SHARE,
  UPTAKE_GM2,
  UPTAKE_OFFSET_GM2,
} from './constants';
import { evaporationRate } from './evaporation';
import type { WaterPaper } from './exchange';
import { plainLineKernel, type LineKernel, type LineParameters } from './line-solver';
import { done, type Work } from '../../kit/units';

/** The line: half under the wash, half dry paper. */
const CELL_MM = 0.1;
const HALF_CELLS = 80;
const STEP_S = 0.5;
const STEPS_A_LOOK = 20;

/** Water may creep for this long at most before the search gives up, s. */
const LONGEST_S = 6 * 3600;

/**
 * How far beyond the edge of a wash the paper turns damp before all is dry, mm: two areas parted by less
 * run into one another through the paper. Solved along one line across the edge.
 */
export function* creeping(
  paper: WaterPaper,
  filmUm: number,
  climate: Climate,
  kernel: LineKernel = plainLineKernel,
): Work<number> {
  const film = new Float64Array(2 * HALF_CELLS).fill(filmUm, 0, HALF_CELLS);
  const water = new Float64Array(2 * HALF_CELLS);
  const parameters = lineParameters(paper, climate, STEP_S);
  let farthest = 0;
  for (let time = 0; time < LONGEST_S; time += STEP_S * STEPS_A_LOOK) {
    yield time / LONGEST_S;
    kernel.advance(film, water, parameters, STEPS_A_LOOK);
    farthest = Math.max(farthest, dampReach(water));
    if (film[0] === 0 && water[0] <= DRY_PAPER_GM2) break;
  }
  return farthest;
}

/** The same in one go. */
export const dampCreep = (...asked: Parameters<typeof creeping>): number => done(creeping(...asked));

function dampReach(water: Float64Array): number {
  let last = HALF_CELLS - 1;
  while (last + 1 < water.length && water[last + 1] > DRY_PAPER_GM2) last++;
  return (last + 1 - HALF_CELLS) * CELL_MM;
}

/** The numbers a line kernel needs for this paper and air. */
export function lineParameters(paper: WaterPaper, climate: Climate, dtS: number): LineParameters {
  return {
    dtS,
    cellMm: CELL_MM,
    creepMm2S: CREEP_MM2_S,
    creepReferenceGm2: CREEP_REFERENCE_GM2,
    capacityGm2: paper.capacityGm2,
    uptakeGm2: paper.uptake * UPTAKE_GM2,
    uptakeOffsetGm2: UPTAKE_OFFSET_GM2,
    evaporationGm2S: evaporationRate(climate),
    fallingGm2: FALLING_RATE_SHARE * paper.capacityGm2,
  };
}
