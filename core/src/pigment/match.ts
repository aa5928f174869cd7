import { colourGap, deltaE00, gapInWords, hexOf, type ColourGap, type Lab } from '../colour';
import type { Paper } from '../paper';
import { glazeLab } from './glaze';
import { pigmentLoads, REFERENCE_FILM_UM, waterPerPaint, type Mix, type MixPart } from './mix';
import type { Pigment } from './pigment';

/** Parts of one mix never sum to more: beyond it nobody counts drops. */
export const MAX_PARTS = 8;
export const MAX_PIGMENTS = 3;

/** The first scan tries these strengths, from masstone to the palest tint, evenly in the logarithm. */
const STRENGTHS: readonly number[] = Array.from({ length: 12 }, (_, step) => 0.02 ** (step / 11));

/** Ratios kept from the scan for refining; the scan's ranking is coarse in strength. */
const KEPT = 48;

/** Ratios tried between two reports of progress, some 5 ms. */
const RATIOS_A_SLICE = 8;

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

interface Candidate {
  readonly parts: readonly MixPart[];
  readonly strength: number;
  readonly deltaE: number;
}

/** What is asked of a search. */
export interface MatchRequest {
  readonly target: Lab;
  readonly palette: readonly Pigment[];
  readonly paper: Paper;
  readonly maxPigments?: number;
}

/**
 * Which parts of the palette, and how much water, dry to the wanted colour on this paper?
 * Plain search: every whole-number ratio of up to `maxPigments`, twelve strengths each, the best
 * refined in strength. Colours are compared dry, by ΔE00. Yields the share done, 0…1, every few
 * milliseconds, so that a worker can report it and be stopped.
 */
export function* searchMix({
  target,
  palette,
  paper,
  maxPigments = MAX_PIGMENTS,
}: MatchRequest): Generator<number, MatchAnswer> {
  const ratios = mixRatios(palette, maxPigments);
  const coarse: Candidate[] = [];
  for (const [i, parts] of ratios.entries()) {
    if (i % RATIOS_A_SLICE === 0) yield i / ratios.length;
    coarse.push(bestStrength(target, parts, paper));
  }
  const refined = keepBestOfEachCount(coarse).map((candidate) => refineStrength(target, candidate, paper));
  const best = closest(refined);
  const allowed = best.deltaE + SIMPLE_ALLOWANCE;
  const fewest = Math.min(...refined.filter((c) => c.deltaE <= allowed).map((c) => c.parts.length));
  const simple = closest(refined.filter((c) => c.parts.length === fewest));
  return { best: describe(target, best, paper), simple: describe(target, simple, paper) };
}

/** Runs `searchMix` to its end. */
export function matchColour(request: MatchRequest): MatchAnswer {
  const search = searchMix(request);
  let step = search.next();
  while (!step.done) step = search.next();
  return step.value;
}

function closest(candidates: readonly Candidate[]): Candidate {
  return candidates.reduce((a, b) => (b.deltaE < a.deltaE ? b : a));
}

function keepBestOfEachCount(candidates: readonly Candidate[]): Candidate[] {
  const counts = [...new Set(candidates.map((c) => c.parts.length))];
  return counts.flatMap((count) =>
    candidates
      .filter((c) => c.parts.length === count)
      .sort((a, b) => a.deltaE - b.deltaE)
      .slice(0, KEPT),
  );
}

/** All ratios in lowest terms of up to `maxPigments` of the palette, parts summing to at most eight. */
export function mixRatios(palette: readonly Pigment[], maxPigments: number): MixPart[][] {
  const ratios: MixPart[][] = [];
  const extend = (chosen: MixPart[], from: number, left: number): void => {
    if (chosen.length > 0 && chosen.map((c) => c.parts).reduce(greatestDivisor) === 1) ratios.push(chosen);
    if (chosen.length === maxPigments) return;
    for (let i = from; i < palette.length; i++)
      for (let parts = 1; parts <= left; parts++)
        extend([...chosen, { pigment: palette[i], parts }], i + 1, left - parts);
  };
  extend([], 0, MAX_PARTS);
  return ratios;
}

function greatestDivisor(a: number, b: number): number {
  return b === 0 ? a : greatestDivisor(b, a % b);
}

const atReferenceFilm = (parts: readonly MixPart[], strength: number): Mix => ({
  parts,
  strength,
  filmUm: REFERENCE_FILM_UM,
});

function missBy(target: Lab, parts: readonly MixPart[], strength: number, paper: Paper): number {
  return deltaE00(target, glazeLab(paper, [atReferenceFilm(parts, strength)]));
}

function bestStrength(target: Lab, parts: readonly MixPart[], paper: Paper): Candidate {
  return closest(
    STRENGTHS.map((strength) => ({ parts, strength, deltaE: missBy(target, parts, strength, paper) })),
  );
}

/** Golden-section search in log strength between the neighbours of the coarse best (Kiefer 1953). */
function refineStrength(target: Lab, coarse: Candidate, paper: Paper): Candidate {
  const golden = (Math.sqrt(5) - 1) / 2;
  const step = Math.log(STRENGTHS[0] / STRENGTHS[1]);
  let low = Math.log(coarse.strength) - step;
  let high = Math.min(0, Math.log(coarse.strength) + step);
  const miss = (log: number): number => missBy(target, coarse.parts, Math.exp(log), paper);
  for (let round = 0; round < 14; round++) {
    const a = high - golden * (high - low);
    const b = low + golden * (high - low);
    if (miss(a) < miss(b)) high = b;
    else low = a;
  }
  const strength = Math.exp((low + high) / 2);
  const refined = { parts: coarse.parts, strength, deltaE: missBy(target, coarse.parts, strength, paper) };
  return closest([coarse, refined]);
}

function describe(target: Lab, { parts, strength, deltaE }: Candidate, paper: Paper): MatchedMix {
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
