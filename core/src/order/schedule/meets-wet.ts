import { touchingAreas } from '../areas';
import type { Pass, Plan } from '../../document/plan';
import type { Stage } from '../../simulation/water';
import { stageAt, type LaidWash } from './table';
import type { Timeline } from './timeline';

/** A pass that comes to paper still wet from an earlier one. */
export interface MeetsWet {
  readonly pass: Pass;
  readonly startS: number;
  /** The area that is wet, and its wash. */
  readonly area: string;
  readonly wash: LaidWash;
  readonly stage: Stage;
  /** Whether it is one of the areas the pass itself paints; else it only touches one. */
  readonly own: boolean;
}

/** Every meeting of a pass with an area that is not dry as it begins, in order; no barrier lies between them. */
export const meetsWet = (plan: Plan, { steps }: Timeline): MeetsWet[] =>
  steps.flatMap(({ act, startS, before }) => {
    if (act.kind !== 'pass') return [];
    const wet = touchingAreas(plan, act.areas, [...before.washes.keys()], [...before.masks.keys()]);
    return wet.flatMap((area): MeetsWet[] => {
      const wash = before.washes.get(area)!;
      const stage = stageAt(wash, startS);
      return stage === 'dry' ? [] : [{ pass: act, startS, area, wash, stage, own: act.areas.includes(area) }];
    });
  });
