import type { Climate } from '../../materials/climate';
import { NEVER_S } from './constants';
import { evaporationRate } from './evaporation';

/**
 * Masking fluid as painters brush it on: a 32 µm coat, 45 % water. Latex seals the paper's side, so its water
 * leaves by the air only. Our own defaults; they give the trade's five minutes in an ordinary room.
 */
const COAT_UM = 32;
const WATER_SHARE = 0.45;

/** Of its water, what must be gone before it only takes a print, and before a brush may cross it. */
const TACKY_SHARE = 0.6;

/** When a wet coat of masking fluid turns tacky and when it has set, s; `null` in air too damp for it ever to. */
export function maskSetting(
  climate: Climate,
  coatUm = COAT_UM,
): { tackyS: number | null; setS: number | null } {
  const rate = evaporationRate(climate);
  const setS = (coatUm * WATER_SHARE) / rate;
  if (setS > NEVER_S) return { tackyS: null, setS: null };
  return { tackyS: setS * TACKY_SHARE, setS };
}
