import { cornersOf, type CardSizes } from '../../commission/card';
import { choreOf, sizesOf, type ChoreAct, type Plan } from '../../document/plan';
import type { Timeline } from '../schedule';
import { formatSpan } from '../../kit/units';

/** One finishing chore in its time. */
export interface FinishingStep {
  readonly act: ChoreAct;
  readonly says: string;
  readonly startS: number;
  readonly endS: number;
  /** Hands idle before it, and the area they wait for. */
  readonly idleS: number;
  readonly waitsFor: string | null;
  /** What it needs by itself afterwards. */
  readonly afterwards: string | null;
  readonly size: string | null;
}

/** The finishing chores of a plan in order, with their waits; those that can never begin are left out. */
export function finishing(plan: Plan, timeline: Timeline): FinishingStep[] {
  const sizes = sizesOf(plan);
  return timeline.steps.flatMap(({ act, startS, endS, waited }) => {
    if (act.kind !== 'chore') return [];
    const chore = choreOf(act.chore);
    if (!chore.finishing) return [];
    return [
      {
        act,
        says: chore.name,
        startS,
        endS,
        idleS: waited ? startS - waited.fromS : 0,
        waitsFor: waited?.area ?? null,
        afterwards: chore.waitS > 0 ? `then leave it ${formatSpan(chore.waitS)}` : null,
        size: sizeFor(act.chore, plan, sizes),
      },
    ];
  });
}

function sizeFor(chore: string, { crop }: Plan, { flat, scores, panel }: CardSizes): string | null {
  if (chore === 'trim' && crop) {
    const chosen = crop.frames.find(({ id }) => id === crop.chosen);
    if (!chosen) return 'choose the crop first, on Paper';
    const corners = cornersOf(panel, chosen).map(([x, y]) => `${x.toFixed(1)} / ${y.toFixed(1)}`);
    return `corners at ${corners.join(', ')} mm from the left / the top of the painting`;
  }
  if (chore === 'trim') return `${flat.widthMm} × ${flat.heightMm} mm`;
  if (chore === 'score' && scores.length > 0)
    return `${scores.map(({ atMm }) => atMm).join(' and ')} mm from the ${scores[0].axis === 'x' ? 'left' : 'top'} edge`;
  return null;
}
