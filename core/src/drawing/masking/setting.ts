import type { Climate } from '../../materials/climate';
import { maskSetting } from '../../simulation/water';
import type { MaskingTool } from './tool';

/** What is melted on is cold, and wax is ready, after so long, s. Ours. */
const COLD_S = 60;

/** When what a tool lays is tacky and when it bears a brush, s after it was laid; `null` in air too damp for it ever to. */
export function setsAfter(
  { coatUm }: Pick<MaskingTool, 'coatUm'>,
  climate: Climate,
): { readonly tackyS: number | null; readonly setS: number | null } {
  return coatUm === null ? { tackyS: 0, setS: COLD_S } : maskSetting(climate, coatUm);
}
