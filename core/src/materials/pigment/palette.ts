import type { Lab } from '../../kit/colour';
import type { Paper } from '../paper';
import { asPart, BadInput, done, type Work } from '../../kit/units';
import { boxCosts, boxTable, type BoxTable } from './box-table';
import { matching, type MatchedMix } from './match';
import { mixTable } from './mix-table';
import { enumeratePalettes, swapPalettes, type PaletteScore } from './palette-search';
import type { Pigment } from './pigment';
import { MAX_PIGMENTS } from './ratios';

/** What a pigment costs besides colour, each in ΔE00 of the mean: how much worse a palette without it may be. */
export interface PaletteTerms {
  /** Codes in the cupboard; null when nothing is known of it. */
  readonly owned: ReadonlySet<string> | null;
  readonly toBuy: number;
  readonly fugitive: number;
  readonly hazard: number;
  /** What other reasons there are against a pigment, by code. */
  readonly used?: ReadonlyMap<string, number>;
}

/** Colour alone decides. */
export const COLOUR_ALONE: PaletteTerms = { owned: null, toBuy: 0, fugitive: 0, hazard: 0 };

/** What is asked of a palette. */
export interface PaletteRequest {
  readonly targets: readonly Lab[];
  readonly size: number;
  /** Codes that are in the palette already. */
  readonly keep?: readonly string[];
  readonly terms?: PaletteTerms;
}

/** The chosen pigments and the mix for every wanted colour. */
export interface PaletteAnswer {
  readonly pigments: readonly Pigment[];
  /** In the order of the wanted colours. */
  readonly mixes: readonly MatchedMix[];
  readonly meanDeltaE: number;
  readonly maxDeltaE: number;
  /** Whether every palette was compared, in the table's mixes; else the best of a search with restarts. */
  readonly exact: boolean;
}

/**
 * Palettes that are matched whole, in all ratios and 36 bands, before one is chosen: the table ranks palettes to
 * some tenths of ΔE00. A small box leaves time for more of them.
 */
const finalistsOf = (palettes: number): number => (palettes <= 1000 ? 12 : 4);

/** More palettes than this are searched instead of compared one by one. */
const MOST_COMPARED = 200_000;

/**
 * Which few pigments of the box give all the wanted colours best, by the mean of their ΔE00 and the terms?
 * Every palette is compared where that is feasible (up to four free places), else greedy choice and swaps from
 * several starts. Throws `BadInput` when the box is too small or does not hold what is to be kept.
 */
export function* choosePalette(table: BoxTable, request: PaletteRequest): Work<PaletteAnswer> {
  const { targets, size, keep = [], terms = COLOUR_ALONE } = request;
  const { box, paper } = table;
  const kept = keep.map((code) => placeIn(box, code));
  if (size > box.length)
    throw new BadInput('size', `${size} pigments are wanted and ${box.length} are there to choose from`);
  if (kept.length > size)
    throw new BadInput('keep', `${kept.length} pigments do not fit a palette of ${size}`);
  const costs = yield* asPart(boxCosts(table, targets), 0, 0.4);
  const free = size - kept.length;
  const palettes = palettesOf(box.length - kept.length, free);
  const exact = palettes <= MOST_COMPARED;
  const finalists = finalistsOf(palettes);
  const task = { size: box.length, kept, free, wanted: targets.length, costs, extra: extraOf(box, terms) };
  const found = exact ? enumeratePalettes(task, finalists) : swapPalettes(task, finalists);
  const answers: { answer: PaletteAnswer; cost: number }[] = [];
  for (const [i, palette] of found.entries()) {
    const [from, to] = [i, i + 1].map((n) => 0.6 + (0.4 * n) / found.length);
    const answer = yield* asPart(matchingAll(box, paper, palette, targets, exact), from, to);
    const extra = palette.places.reduce((sum, place) => sum + task.extra[place], 0);
    answers.push({ answer, cost: answer.meanDeltaE + extra });
  }
  return answers.reduce((a, b) => (b.cost < a.cost ? b : a)).answer;
}

/** Chooses a palette in one go; making the box's table takes a second for a whole box. */
export const choosePaletteFrom = (
  box: readonly Pigment[],
  paper: Paper,
  request: PaletteRequest,
): PaletteAnswer => done(choosePalette(done(boxTable(box, paper)), request));

function placeIn(box: readonly Pigment[], code: string): number {
  const place = box.findIndex((pigment) => pigment.code === code);
  if (place < 0) throw new BadInput('keep', `“${code}” is not among the pigments to choose from`);
  return place;
}

function palettesOf(size: number, count: number): number {
  let ways = 1;
  for (let i = 1; i <= count; i++) ways = (ways * (size - count + i)) / i;
  return ways;
}

function extraOf(box: readonly Pigment[], { owned, toBuy, fugitive, hazard, used }: PaletteTerms): number[] {
  return box.map(
    (pigment) =>
      (owned !== null && !owned.has(pigment.code) ? toBuy : 0) +
      (/^(III|IV|V)\b/.test(pigment.lightfastness) ? fugitive : 0) +
      (pigment.hazard === 'none' ? 0 : hazard) +
      (used?.get(pigment.code) ?? 0),
  );
}

function* matchingAll(
  box: readonly Pigment[],
  paper: Paper,
  { places }: PaletteScore,
  targets: readonly Lab[],
  exact: boolean,
): Work<PaletteAnswer> {
  const pigments = [...places].sort((a, b) => a - b).map((place) => box[place]);
  const table = yield* asPart(mixTable(pigments, paper, MAX_PIGMENTS), 0, 0.5);
  const mixes: MatchedMix[] = [];
  for (const [i, target] of targets.entries()) {
    const [from, to] = [i, i + 1].map((n) => 0.5 + (0.5 * n) / targets.length);
    mixes.push((yield* asPart(matching(table, target), from, to)).best);
  }
  const misses = mixes.map(({ deltaE00 }) => deltaE00);
  return {
    pigments,
    mixes,
    meanDeltaE: misses.reduce((a, b) => a + b, 0) / misses.length,
    maxDeltaE: Math.max(...misses),
    exact,
  };
}
