import { chromaOf, type Lab } from '../../kit/colour';

/** Strengths a mix is tabulated at, from masstone to the palest tint, evenly in the logarithm. */
export const STRENGTHS: readonly number[] = Array.from({ length: 12 }, (_, step) => 0.01 ** (step / 11));

/** Between two strengths of the table, in the logarithm. */
export const STRENGTH_STEP = Math.log(STRENGTHS[0] / STRENGTHS[1]);

/** A wanted colour with what the scan of a table needs of it. */
export interface WantedColour {
  readonly lab: Lab;
  /** Unit vector of its hue in the a*b* plane, and what a step of chroma and of hue counts there (CIE94). */
  readonly hueA: number;
  readonly hueB: number;
  readonly perChroma: number;
  readonly perHue: number;
}

/** Prepares a wanted colour for scanning: CIE94's weights of chroma and hue (Alman 1993). */
export function wantedColour(lab: Lab): WantedColour {
  const chroma = chromaOf(lab);
  return {
    lab,
    hueA: chroma > 0 ? lab[1] / chroma : 1,
    hueB: chroma > 0 ? lab[2] / chroma : 0,
    perChroma: 1 / (1 + 0.045 * chroma),
    perHue: 1 / (1 + 0.015 * chroma),
  };
}

/** Nearest point of a run of strengths: squared distance, and the strength as a fraction of a step. */
export interface NearestStrength {
  distance2: number;
  step: number;
}

/**
 * Where does a mix come nearest to the wanted colour as it is thinned? `table` holds L*a*b* at `count`
 * strengths from index `at`; between two of them the path is taken as straight. The answer is written to `out`.
 */
export function nearestStrength(
  table: Float32Array,
  at: number,
  count: number,
  wanted: WantedColour,
  out: NearestStrength,
): void {
  const { lab, hueA, hueB, perChroma, perHue } = wanted;
  out.distance2 = Infinity;
  let l0 = 0;
  let c0 = 0;
  let h0 = 0;
  for (let step = 0; step < count; step++) {
    const i = at + 3 * step;
    const a = table[i + 1] - lab[1];
    const b = table[i + 2] - lab[2];
    const l1 = table[i] - lab[0];
    const c1 = (a * hueA + b * hueB) * perChroma;
    const h1 = (b * hueA - a * hueB) * perHue;
    let share = 1;
    if (step > 0) {
      const dl = l1 - l0;
      const dc = c1 - c0;
      const dh = h1 - h0;
      const along = dl * dl + dc * dc + dh * dh;
      share = along > 0 ? Math.min(1, Math.max(0, -(l0 * dl + c0 * dc + h0 * dh) / along)) : 1;
      l0 += share * dl;
      c0 += share * dc;
      h0 += share * dh;
    } else {
      l0 = l1;
      c0 = c1;
      h0 = h1;
    }
    const distance2 = l0 * l0 + c0 * c0 + h0 * h0;
    if (distance2 < out.distance2) {
      out.distance2 = distance2;
      out.step = step > 0 ? step - 1 + share : 0;
    }
    l0 = l1;
    c0 = c1;
    h0 = h1;
  }
}

/** The strength at a fraction of a step of the table. */
export const strengthAtStep = (step: number): number => Math.exp(-STRENGTH_STEP * step);
