import type { Paper } from '../paper';
import type { Work } from '../../kit/units';
import { filmColourist } from './film-colour';
import { groundOf } from './glaze';
import type { Pigment } from './pigment';
import { MAX_PIGMENTS, mixRatios, type Ratio } from './ratios';
import { STRENGTHS } from './strengths';

/** Every mix of a palette on one paper, dry: made once, asked for every wanted colour. */
export interface MixTable {
  readonly palette: readonly Pigment[];
  readonly paper: Paper;
  readonly ratios: readonly Ratio[];
  /** L*a*b*, `[(ratio · 12 + strength) · 3 + axis]`. */
  readonly lab: Float32Array;
}

/** Ratios coloured between two reports of progress, some 2 ms. */
const RATIOS_A_SLICE = 32;

/** Colours every whole-number ratio of up to `maxPigments` of the palette at twelve strengths, in 36 bands. */
export function* mixTable(
  palette: readonly Pigment[],
  paper: Paper,
  maxPigments = MAX_PIGMENTS,
): Work<MixTable> {
  const ratios = mixRatios(palette.length, maxPigments);
  const lab = new Float32Array(ratios.length * STRENGTHS.length * 3);
  const { tintsOf } = filmColourist(palette, groundOf(paper, []));
  const loads = new Float64Array(palette.length);
  for (let i = 0; i < ratios.length; i++) {
    if (i % RATIOS_A_SLICE === 0) yield i / ratios.length;
    loadsOf(palette, ratios[i], 1, loads);
    tintsOf(loads, STRENGTHS, lab, i * STRENGTHS.length * 3);
  }
  return { palette, paper, ratios, lab };
}

/** Writes the loads of a ratio at the reference film, g/m² of each pigment of the palette. */
export function loadsOf(
  palette: readonly Pigment[],
  { places, parts }: Ratio,
  strength: number,
  loads: Float64Array,
): void {
  let total = 0;
  for (const n of parts) total += n;
  loads.fill(0);
  for (let i = 0; i < places.length; i++)
    loads[places[i]] = (strength * palette[places[i]].masstoneLoadGm2 * parts[i]) / total;
}
