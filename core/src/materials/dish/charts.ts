import type { Lab } from '../../kit/colour';
import type { Paper } from '../paper';
import { atReferenceFilm, glazeLab, muddinessOf, type Pigment, type Verdict } from '../pigment';

/** Parts of one pigment to another along a row of the mixing chart. */
export const CHART_PARTS: readonly (readonly [one: number, other: number])[] = [
  [4, 0],
  [3, 1],
  [2, 2],
  [1, 3],
  [0, 4],
];

/** Strengths of the tints, from the tube down. */
export const TINT_STRENGTHS: readonly number[] = [1, 0.5, 0.25, 0.12, 0.06];

/** Strength at which pairs and glazes are compared: milky, where hues show best. */
export const CHART_STRENGTH = 0.3;

/** Two pigments mixed step by step. */
export interface PairRow {
  readonly one: string;
  readonly other: string;
  /** Dry colours in the order of `CHART_PARTS`. */
  readonly labs: readonly Lab[];
  /** What becomes of them in equal parts. */
  readonly verdict: Verdict;
}

/** Every pair of a palette in steps, dry on this paper. */
export const mixingChart = (paper: Paper, palette: readonly Pigment[]): PairRow[] =>
  palette.flatMap((one, i) =>
    palette.slice(i + 1).map((other) => {
      const of = ([a, b]: readonly [number, number]): { pigment: Pigment; parts: number }[] =>
        [
          { pigment: one, parts: a },
          { pigment: other, parts: b },
        ].filter(({ parts }) => parts > 0);
      return {
        ...{ one: one.code, other: other.code },
        labs: CHART_PARTS.map((parts) => glazeLab(paper, [atReferenceFilm(of(parts), CHART_STRENGTH)])),
        verdict: muddinessOf(atReferenceFilm(of([1, 1]), CHART_STRENGTH), paper).verdict,
      };
    }),
  );

/** Every pigment laid over every dried one: `rows[under][over]`, in the order of the palette. */
export const glazeChart = (paper: Paper, palette: readonly Pigment[]): Lab[][] => {
  const film = (pigment: Pigment) => atReferenceFilm([{ pigment, parts: 1 }], CHART_STRENGTH);
  return palette.map((under) => palette.map((over) => glazeLab(paper, [film(under), film(over)])));
};

/** Every pigment from masstone to stain: `rows[pigment]`, in the order of `TINT_STRENGTHS`. */
export const tintChart = (paper: Paper, palette: readonly Pigment[]): Lab[][] =>
  palette.map((pigment) =>
    TINT_STRENGTHS.map((strength) => glazeLab(paper, [atReferenceFilm([{ pigment, parts: 1 }], strength)])),
  );
