import type { Paper } from '../../materials/paper';
import { FALLING_RATE_SHARE, UPTAKE_GM2, UPTAKE_OFFSET_GM2 } from './constants';

/** What of a paper the water model reads. */
export type WaterPaper = Pick<Paper, 'capacityGm2' | 'uptake'>;

/** Water passing from the film into the paper, g/m²s, at paper water `s`; zero when the paper is full. */
export function absorptionRate(paper: WaterPaper, s: number): number {
  return (paper.uptake * UPTAKE_GM2 * Math.max(0, 1 - s / paper.capacityGm2)) / (s + UPTAKE_OFFSET_GM2);
}

/** Evaporation of paper without a film, g/m²s: the free rate, falling once the paper is below a share of its capacity. */
export function paperEvaporationRate(paper: WaterPaper, s: number, freeRate: number): number {
  return freeRate * Math.min(1, s / (FALLING_RATE_SHARE * paper.capacityGm2));
}
