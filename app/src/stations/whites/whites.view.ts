import type { Plan, White } from '@kettle/core/plan';
import { formatSpan } from '@kettle/core/units';
import { isCrossed, waysOfKeeping, type WayOfKeeping } from '@kettle/core/whites';
import { maskSetting } from '@kettle/core/water';

/** One area with the way it is kept, if it is, and the ways it could be. */
export interface WhiteRow {
  readonly area: string;
  readonly name: string;
  readonly white: White | null;
  readonly ways: readonly WayOfKeeping[];
}

/** Every area, those kept first. */
export function whiteRows(plan: Plan): WhiteRow[] {
  const rows = plan.areas.map(({ id, name, outline }) => {
    return {
      area: id,
      name,
      white: plan.whites.find((w) => w.area === id) ?? null,
      ways: waysOfKeeping(outline, isCrossed(plan, id)),
    };
  });
  return [...rows.filter((row) => row.white), ...rows.filter((row) => !row.white)];
}

/** How long masking fluid needs in this air, in words. */
export function maskAnswer(plan: Plan): string {
  const { tackyS, setS } = maskSetting(plan.climate);
  if (setS === null || tackyS === null) return 'In air this damp masking fluid does not set.';
  return `Masking fluid is tacky after ${formatSpan(tackyS)} and set after ${formatSpan(setS)} in this air.`;
}
