import { SALT } from '../../document/plan';
import { reachedAt, type LaidWash } from './table';

/** When something may be added to a wash that is still wet, s from the start. */
export interface Window {
  readonly earliestS: number;
  /** `null` = it stays open, since the wash never comes so far in this air. */
  readonly latestS: number | null;
}

/** A drop of colour may still be charged into the first part of the damp stage: it stays close, and does not run back. Ours. */
const EARLY_DAMP = 1 / 3;

/** The window of a technique that goes into its own wet wash; `null` for one that wants dry paper. */
export function windowOf(technique: string, wash: LaidWash): Window | null {
  const [mattS, dampEndS] = [reachedAt(wash, 'damp'), reachedAt(wash, 'cool')];
  switch (technique) {
    case 'wet-in-wet':
    case 'soften':
    case 'mist':
      return { earliestS: wash.laidS, latestS: mattS };
    case 'charge':
      return {
        earliestS: wash.laidS,
        latestS: mattS === null || dampEndS === null ? mattS : mattS + EARLY_DAMP * (dampEndS - mattS),
      };
    case 'second-wet':
      return { earliestS: reachedAt(wash, 'satin') ?? Infinity, latestS: dampEndS };
    case SALT:
      return { earliestS: reachedAt(wash, 'shiny') ?? Infinity, latestS: reachedAt(wash, 'satin') };
    default:
      return null;
  }
}
