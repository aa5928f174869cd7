import { techniqueOf, type TechniqueWindow } from '../../document/plan';
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
  const { window } = techniqueOf(technique);
  if (!window) return null;
  const earliestS = window.from === 'laid' ? wash.laidS : (reachedAt(wash, window.from) ?? Infinity);
  return { earliestS, latestS: closesAt(wash, window.until) };
}

function closesAt(wash: LaidWash, until: TechniqueWindow['until']): number | null {
  if (until !== 'early-damp') return reachedAt(wash, until);
  const [dampS, coolS] = [reachedAt(wash, 'damp'), reachedAt(wash, 'cool')];
  return dampS === null || coolS === null ? dampS : dampS + EARLY_DAMP * (coolS - dampS);
}
