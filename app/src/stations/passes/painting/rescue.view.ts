import { HIDING_WHITE, type Trial } from '@kettle/core/document/plan';
import { remediesFor, SYMPTOMS, type Mishap, type Remedy, type Symptom } from '@kettle/core/advice/trials';
import type { SheetReading } from '../../../workers/painting-api';
import type { Forecast, SheetPlace } from '../../../workers/sheet-jobs';

export const SYMPTOM_CHOICES = [...SYMPTOMS];

/** Less of a pigment than this at a place is not what is seen there, g/m². */
const SEEN_GM2 = 0.02;

/** A remedy brings half of what lies there again. */
const AGAIN = 0.5;

/** What went wrong at a place of a sheet, and what lies there. */
export function mishapAt(
  sheet: Trial,
  symptom: Symptom,
  reading: SheetReading,
  { at, radiusMm }: SheetPlace,
): Mishap {
  const paint = Object.entries(reading.pigments)
    .filter(([, gm2]) => gm2 > SEEN_GM2)
    .map(([pigment, gm2]) => ({ pigment, gm2: AGAIN * gm2 }));
  const white = sheet.pigments.includes(HIDING_WHITE) ? HIDING_WHITE : null;
  return { symptom, stage: reading.stage, at, radiusMm, paint, white };
}

export const remediesAt = (mishap: Mishap): Remedy[] => remediesFor(mishap);

/** How far a place that stands out by this ΔE is seen. */
const HARDLY = 2;
const A_LITTLE = 5;

/** What would come of a remedy. */
export function outcomeInWords({ standsOut, lightness }: Pick<Forecast, 'standsOut' | 'lightness'>): string {
  const seen = standsOut < HARDLY ? 'hardly seen' : standsOut < A_LITTLE ? 'seen a little' : 'stands out';
  return `${seen}, by ${standsOut.toFixed(1)} ΔE; L* ${lightness.toFixed(0)}`;
}
