import { deltaE00, type Lab } from '../../kit/colour';
import type { Paper } from '../paper';
import { leastBetween } from '../../kit/units';
import { glazeLab } from './glaze';
import { REFERENCE_FILM_UM, waterPerPaint, type Mix, type MixPart } from './mix';

/** No wash is weaker than one of paint in two hundred. */
const WEAKEST = 0.005;

/** Strengths tried before refining: the distance to a colour may have two valleys. */
const TRIED = 24;
const ROUNDS = 24;

/** How strong to paint, what it must look like while it shines, and what it dries to. */
export interface StrengthAnswer {
  readonly strength: number;
  readonly waterPerPaint: number;
  readonly wet: Lab;
  readonly dry: Lab;
  /** From the wanted colour, dry, ΔE00. */
  readonly deltaE: number;
}

/**
 * How strong must this mix be laid over what is already painted to dry to the wanted colour? It looks darker
 * while wet: `wet` is what to paint to.
 */
export function strengthFor(
  wanted: Lab,
  parts: readonly MixPart[],
  paper: Paper,
  painted: readonly Mix[] = [],
  filmUm = REFERENCE_FILM_UM,
): StrengthAnswer {
  const layers = (log: number): Mix[] => [...painted, { parts, strength: Math.exp(log), filmUm }];
  const miss = (log: number): number => deltaE00(wanted, glazeLab(paper, layers(log)));
  const step = -Math.log(WEAKEST) / (TRIED - 1);
  const tried = Array.from({ length: TRIED }, (_, i) => Math.log(WEAKEST) + i * step);
  const coarse = tried.reduce((a, b) => (miss(b) < miss(a) ? b : a));
  const log = leastBetween(
    Math.max(Math.log(WEAKEST), coarse - step),
    Math.min(0, coarse + step),
    ROUNDS,
    miss,
  );
  const strength = Math.exp(log);
  return {
    strength,
    waterPerPaint: waterPerPaint(strength),
    wet: glazeLab(paper, layers(log), 1),
    dry: glazeLab(paper, layers(log)),
    deltaE: miss(log),
  };
}
