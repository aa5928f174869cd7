import type { Lab } from '../colour';
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

/** The lightness reachable by lifting dried layers on this paper; each pigment stays as it stains. */
export function liftReach(paper: Paper, layers: readonly Mix[], effort = 1): LiftReach {
  let laid = 0;
  let kept = 0;
  const lifted = layers.map((mix): Mix => {
    const total = mix.parts.reduce((sum, { parts }) => sum + parts, 0);
    const parts = mix.parts.map(({ pigment, parts: n }) => ({
      pigment,
      parts: n * liftedResidue(pigment.staining, paper.sizing, effort),
    }));
    const left = parts.reduce((sum, { parts: n }) => sum + n, 0);
    laid += mix.strength * mix.filmUm;
    kept += (mix.strength * mix.filmUm * left) / total;
    return { ...mix, parts, strength: (mix.strength * left) / total };
  });
  return {
    before: glazeLab(paper, layers),
    after: glazeLab(paper, lifted),
    stays: laid === 0 ? 0 : kept / laid,
  };
}
