import { chromaOf, hueApart, type Lab } from '../../kit/colour';
import type { Paper } from '../paper';
import { glazeLab } from './glaze';
import type { Mix } from './mix';

/** Below this chroma a colour counts as grey. */
export const GREY_CHROMA = 18;

/** A colour so much darker than the paper has its full chroma to show; the paler, the less makes it a colour, L*. Ours. */
const FULL_DEPTH_L = 30;

/** Whether a colour counts as grey on paper so light: a pale salmon has little chroma, and is no grey. */
export const isGrey = (lab: Lab, bareL: number): boolean =>
  chromaOf(lab) < GREY_CHROMA * Math.min(1, Math.max(0, bareL - lab[0]) / FULL_DEPTH_L);

/** Ingredients greyer than this have no colour to lose. */
const LEAST_CHROMA = 8;

/** A loss of lightness of this share counts in full. */
const FULL_LOSS_OF_LIGHT = 0.2;

/** Muddiness under which a mix is clean, and under which it is muted; our own bounds on our own scale. */
const CLEAN_BELOW = 0.4;
export const MUTED_BELOW = 0.65;

/** Two hues at least so far apart grey each other, degrees; opposite would be 180. */
export const NEAR_COMPLEMENTS = 120;

/** What a mix makes of its ingredients: still clean, muted, a grey of two opposites, or mud. */
export type Verdict = 'clean' | 'muted' | 'neutral' | 'mud';

export interface Muddiness {
  /** Share of the ingredients' colour that is lost, and of their light, 0…1. */
  readonly muddiness: number;
  readonly verdict: Verdict;
  readonly dry: Lab;
}

/**
 * How much colour and light do the ingredients of a mix take from each other, against each alone at the same
 * strength? A grey that is `wanted` is never called mud.
 */
export function muddinessOf(mix: Mix, paper: Paper, wanted: Lab | null = null): Muddiness {
  const total = mix.parts.reduce((sum, { parts }) => sum + parts, 0);
  const alone = mix.parts.map((part) => ({
    lab: glazeLab(paper, [{ ...mix, parts: [part] }]),
    share: part.parts / total,
  }));
  const mean = (of: (lab: Lab) => number): number =>
    alone.reduce((sum, { lab, share }) => sum + share * of(lab), 0);
  const dry = glazeLab(paper, [mix]);
  const chroma = mean(chromaOf);
  const light = mean(([l]) => l);
  const lostChroma = Math.max(0, 1 - chromaOf(dry) / Math.max(chroma, LEAST_CHROMA));
  const lostLight = Math.max(0, (light - dry[0]) / light);
  const muddiness =
    chroma < LEAST_CHROMA ? 0 : lostChroma * (0.75 + 0.25 * Math.min(1, lostLight / FULL_LOSS_OF_LIGHT));
  const hues = alone.map(({ lab }) => lab);
  const opposites = hues.length === 2 && hueApart(hues[0], hues[1]) >= NEAR_COMPLEMENTS;
  const [bareL] = glazeLab(paper, []);
  const greyWanted = wanted !== null && isGrey(wanted, bareL);
  return { muddiness, verdict: verdictOf(muddiness, isGrey(dry, bareL), opposites || greyWanted), dry };
}

function verdictOf(muddiness: number, grey: boolean, meantToBeGrey: boolean): Verdict {
  if (muddiness < CLEAN_BELOW) return 'clean';
  if (muddiness <= MUTED_BELOW || !grey) return 'muted';
  return meantToBeGrey ? 'neutral' : 'mud';
}
