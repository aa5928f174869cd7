import { deedOf } from '../../document/plan';
import type { Timeline } from './timeline';

/**
 * Times at which a plan is worth a look, s, in order: when each pass has just been laid, and between, evenly, from the
 * first wash until all is dry; and at last when all is done, masks off too; at most `most`.
 */
export function moments({ steps, washes }: Timeline, most: number): number[] {
  const laid = steps.flatMap(({ act, endS }) => (act.kind === 'pass' ? [endS] : [])).slice(0, most);
  if (laid.length === 0) return [];
  const doneS = steps.flatMap(({ act, endS }) => (deedOf(act) === 'unmasks' ? [endS] : []));
  const dryS = Math.max(...washes.map(({ untilS }) => untilS), ...laid, ...doneS);
  const spare = most - laid.length;
  const between = Array.from({ length: spare }, (_, i) => laid[0] + ((i + 1) * (dryS - laid[0])) / spare);
  return [...new Set([...laid, ...between])].sort((a, b) => a - b);
}
