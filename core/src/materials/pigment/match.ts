import { colourGap, deltaE00, gapInWords, hexOf, type ColourGap, type Lab } from '../../kit/colour';
import type { Paper } from '../paper';
import { asPart, done, leastBetween, type Work } from '../../kit/units';
import { filmColourist } from './film-colour';
import { glazeLab, groundOf } from './glaze';
import { atReferenceFilm, pigmentLoads, waterPerPaint, type MixPart } from './mix';
import { loadsOf, mixTable, type MixTable } from './mix-table';
import type { Pigment } from './pigment';
import { MAX_PIGMENTS, type Ratio } from './ratios';
import {
  nearestStrength,
  STRENGTH_STEP,
  strengthAtStep,
  STRENGTHS,
  wantedColour,
  type NearestStrength,
} from './strengths';

/** Ratios of each number of pigments kept from the scan for refining in 36 bands by ΔE00. */
const KEPT = 24;

/** Nor is one kept that the scan finds further off than this, CIE94-like, than the best of its number of pigments. */
const WORTH_REFINING = 1.5;

/** Golden-section rounds in log strength: a few to rank the candidates, more to polish those that are answered. */
const RANKING = { bracket: 0.5 * STRENGTH_STEP, rounds: 4 };
const POLISHING = { bracket: STRENGTH_STEP, rounds: 14 };

/** Candidates of each number of pigments that are polished. */
const POLISHED = 3;

/** A colour further off than this is out of reach. */
export const REACHABLE_DELTA_E = 3;

/** The simple answer may be this much worse than the best, ΔE00. */
const SIMPLE_ALLOWANCE = 0.5;

/** A recipe for a wanted colour and how close it comes. */
export interface MatchedMix {
  readonly parts: readonly MixPart[];
  readonly strength: number;
  readonly waterPerPaint: number;
  /** All pigments together, g/m² at the reference film. */
  readonly pigmentGm2: number;
  readonly wet: { readonly hex: string; readonly lab: Lab };
  readonly dry: { readonly hex: string; readonly lab: Lab };
  readonly deltaE00: number;
  readonly reachable: boolean;
  readonly missing?: ColourGap & { readonly words: string };
}

export interface MatchAnswer {
  readonly best: MatchedMix;
  /** The fewest pigments within half a ΔE00 of the best. */
  readonly simple: MatchedMix;
}

/** What is asked of a search. */
export interface MatchRequest {
  readonly target: Lab;
  readonly palette: readonly Pigment[];
  readonly paper: Paper;
  readonly maxPigments?: number;
}

interface Candidate {
  readonly ratio: Ratio;
  readonly strength: number;
  readonly deltaE: number;
}

/**
 * Which parts of the table's palette, and how much water, dry to the wanted colour? All ratios are scanned in
 * the table, the nearest of each number of pigments refined in strength with 36 bands and ΔE00.
 */
export function* matching(table: MixTable, target: Lab): Work<MatchAnswer> {
  const { colourOf } = filmColourist(table.palette, groundOf(table.paper, []));
  const refine = refiner(table.palette, target, colourOf);
  yield 0;
  const scanned = scan(table, target);
  yield 0.2;
  const ranked = yield* asPart(refine(scanned, RANKING), 0.2, 0.7);
  const polished: Candidate[] = [];
  for (const count of [1, 2, 3]) {
    const from = 0.7 + 0.1 * (count - 1);
    const few = ranked.filter(({ ratio }) => ratio.places.length === count);
    few.sort((a, b) => a.deltaE - b.deltaE);
    polished.push(...(yield* asPart(refine(few.slice(0, POLISHED), POLISHING), from, from + 0.1)));
  }
  const best = closest(polished);
  const near = polished.filter(({ deltaE }) => deltaE <= best.deltaE + SIMPLE_ALLOWANCE);
  const fewest = Math.min(...near.map(({ ratio }) => ratio.places.length));
  const simple = closest(near.filter(({ ratio }) => ratio.places.length === fewest));
  return { best: describe(table, target, best), simple: describe(table, target, simple) };
}

/** The same in one go. */
export const matchIn = (table: MixTable, target: Lab): MatchAnswer => done(matching(table, target));

/** `matchIn` for a palette that has no table yet; its table takes most of the time. */
export function matchColour({
  target,
  palette,
  paper,
  maxPigments = MAX_PIGMENTS,
}: MatchRequest): MatchAnswer {
  return matchIn(done(mixTable(palette, paper, maxPigments)), target);
}

const closest = (candidates: readonly Candidate[]): Candidate =>
  candidates.reduce((a, b) => (b.deltaE < a.deltaE ? b : a));

/** The nearest ratios of each number of pigments, by CIE94-like distance, which ranks well enough to choose by. */
function scan({ ratios, lab }: MixTable, target: Lab): { ratio: Ratio; strength: number }[] {
  const wanted = wantedColour(target);
  const nearest: NearestStrength = { distance2: 0, step: 0 };
  const found = ratios.map((ratio, i) => {
    nearestStrength(lab, i * STRENGTHS.length * 3, STRENGTHS.length, wanted, nearest);
    return { ratio, strength: strengthAtStep(nearest.step), distance2: nearest.distance2 };
  });
  found.sort((a, b) => a.distance2 - b.distance2);
  return [1, 2, 3].flatMap((count) => {
    const few = found.filter(({ ratio }) => ratio.places.length === count).slice(0, KEPT);
    const worth = Math.sqrt(few.at(0)?.distance2 ?? 0) + WORTH_REFINING;
    return few.filter(({ distance2 }) => distance2 <= worth * worth);
  });
}

type Refine = (candidates: readonly Omit<Candidate, 'deltaE'>[], how: typeof RANKING) => Work<Candidate[]>;

/** Candidates refined between two reports of progress. */
const CANDIDATES_A_SLICE = 6;

/** Finds the strength at which each candidate comes nearest, by ΔE00 in 36 bands. */
function refiner(palette: readonly Pigment[], target: Lab, colourOf: (loads: Float64Array) => Lab): Refine {
  const loads = new Float64Array(palette.length);
  return function* (candidates, { bracket, rounds }) {
    const refined: Candidate[] = [];
    for (const [i, { ratio, strength }] of candidates.entries()) {
      if (i % CANDIDATES_A_SLICE === 0) yield i / candidates.length;
      const miss = (log: number): number => {
        loadsOf(palette, ratio, Math.exp(log), loads);
        return deltaE00(target, colourOf(loads));
      };
      const coarse = Math.log(strength);
      const log = leastBetween(coarse - bracket, Math.min(0, coarse + bracket), rounds, miss);
      refined.push(closest([coarse, log].map((at) => ({ ratio, strength: Math.exp(at), deltaE: miss(at) }))));
    }
    return refined;
  };
}

function describe(
  { palette, paper }: MixTable,
  target: Lab,
  { ratio, strength, deltaE }: Candidate,
): MatchedMix {
  const parts = ratio.places.map((place, i) => ({ pigment: palette[place], parts: ratio.parts[i] }));
  const mix = atReferenceFilm(parts, strength);
  const dry = glazeLab(paper, [mix]);
  const wet = glazeLab(paper, [mix], 1);
  const reachable = deltaE <= REACHABLE_DELTA_E;
  const gap = colourGap(dry, target);
  return {
    parts,
    strength,
    waterPerPaint: waterPerPaint(strength),
    pigmentGm2: pigmentLoads(mix).reduce((a, b) => a + b, 0),
    wet: { hex: hexOf(wet), lab: wet },
    dry: { hex: hexOf(dry), lab: dry },
    deltaE00: deltaE,
    reachable,
    ...(reachable ? {} : { missing: { ...gap, words: gapInWords(gap, target) } }),
  };
}
