import { dryAt, type LaidWash } from './table';

/**
 * Standard deviation of the logarithm of a day's drying time against the computed one, before anything is learnt of the table's
 * own drying. Ours: four days in five then lie between 0.77 and 1.29 times.
 */
const SCATTER_LOG = 0.2;

/** Half the middle 80 % of a normal distribution, in standard deviations. */
const EIGHTY_PERCENT = 1.2816;

/** Four days in five things dry no quicker and no slower than so many times the computed time. */
const DRYING_BAND = [
  Math.exp(-EIGHTY_PERCENT * SCATTER_LOG),
  Math.exp(EIGHTY_PERCENT * SCATTER_LOG),
] as const;

/** Between which times a wash is dry on four days in five, s from the start; `null` = never in this air. */
export function dryBand(wash: LaidWash): readonly [fromS: number, toS: number] | null {
  const dryS = dryAt(wash);
  if (dryS === null) return null;
  const [quick, slow] = DRYING_BAND.map((factor) => wash.laidS + factor * (dryS - wash.laidS));
  return [quick, slow];
}
