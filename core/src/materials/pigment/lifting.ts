import type { Lab } from '../../kit/colour';
import type { Paper } from '../paper';
import { glazeLab } from './glaze';
import type { Mix } from './mix';

/**
 * A thorough lift (damp brush, loosened, tissue, twice) of a pigment that does not stain leaves e⁻² of it on
 * well-sized cotton. Our own constant: a pigment of staining 0.2 then keeps 20 %, one of 0.9 keeps 82 %.
 */
const THOROUGH_LIFT = 2;

/** Sizing of the cotton papers the constant was set for; a softer-sized sheet holds paint in its fibres. */
const REFERENCE_SIZING = 0.9;

/** Share of a dried pigment that stays after lifting; `effort` 1 is thorough, 0.5 half-hearted. */
export const liftedResidue = (staining: number, sizing: number, effort = 1): number =>
  Math.exp((-THOROUGH_LIFT * effort * (1 - staining) * sizing) / REFERENCE_SIZING);

/** How light dried layers become where they are lifted, and what stays. */
export interface LiftReach {
  readonly before: Lab;
  readonly after: Lab;
  /** Share of all pigment that stays, by parts of masstone. */
  readonly stays: number;
}

/** What stays of a dried layer where it is lifted: each pigment as it stains. */
export function lifted(paper: Paper, mix: Mix, effort = 1): Mix {
  const total = mix.parts.reduce((sum, { parts }) => sum + parts, 0);
  const parts = mix.parts.map(({ pigment, parts: n }) => ({
    pigment,
    parts: n * liftedResidue(pigment.staining, paper.sizing, effort),
  }));
  const left = parts.reduce((sum, { parts: n }) => sum + n, 0);
  return { ...mix, parts, strength: (mix.strength * left) / total };
}

const laidIn = (layers: readonly Mix[]): number =>
  layers.reduce((sum, { strength, filmUm }) => sum + strength * filmUm, 0);

/** The lightness reachable by lifting dried layers on this paper. */
export function liftReach(paper: Paper, layers: readonly Mix[], effort = 1): LiftReach {
  const left = layers.map((mix) => lifted(paper, mix, effort));
  return {
    before: glazeLab(paper, layers),
    after: glazeLab(paper, left),
    stays: layers.length === 0 ? 0 : laidIn(left) / laidIn(layers),
  };
}
