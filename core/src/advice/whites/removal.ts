import { footprint } from '../../order/areas';
import { polygonArea } from '../../kit/geometry';
import { cardsBegun } from '../../commission/occasion';
import { everMasked, maskOn, nameOf, planPaper, type Plan } from '../../document/plan';
import { LARGE_MASK_CM2, LONGEST_MASK_S } from './ranking';

/** When a mask is on, by the plan’s times, s. */
export interface MaskedFor {
  readonly area: string;
  readonly onS: number;
  readonly offS: number | null;
}

/** How one mask comes off. */
export interface Removal {
  readonly id: string;
  readonly name: string;
  /** When, s from the start; `null` when it stays for good or nothing takes it off. */
  readonly atS: number | null;
  readonly cm2: number;
  /** What speaks for tearing; empty when nothing does. */
  readonly tears: readonly string[];
}

/** Paper sized more weakly than this gives way under rubbing. */
const WEAK_SIZING = 0.5;

/** How each mask of a plan comes off: when, how large, and what may tear. */
export function removals(plan: Plan, masks: readonly MaskedFor[]): Removal[] {
  const weak = planPaper(plan).sizing < WEAK_SIZING;
  return everMasked(plan)
    .filter((id) => !maskOn(plan, id).stays)
    .map((id): Removal => {
      const regions = footprint(plan, id).map((region) => polygonArea(region) / 100);
      const [largest, cm2] = [Math.max(0, ...regions), regions.reduce((sum, part) => sum + part, 0)];
      const laid = masks.find(({ area }) => area === id);
      const onForS = laid && laid.offS !== null ? laid.offS - laid.onS : 0;
      return {
        ...{ id, name: nameOf(plan, id), atS: laid?.offS ?? null, cm2 },
        tears: [
          ...(largest > LARGE_MASK_CM2 ? [`${largest.toFixed(1)} cm² in one part`] : []),
          ...(weak ? ['the paper is weakly sized'] : []),
          ...(onForS > LONGEST_MASK_S ? ['it has been on too long'] : []),
        ],
      };
    });
}

/** How a mask is taken off, in order; what rubs it off is the house’s choice. */
export const removalSteps = ({ removal }: Plan['rules']): string[] => [
  'Wait until paint and paper are bone dry, over the mask and round it: back of the hand, nothing cool.',
  'Blot beads of paint that stand on the mask, or they smear.',
  removal === 'rubber'
    ? 'Begin at an edge with a clean soft rubber, then roll what comes loose away from the painting.'
    : 'Begin at an edge with a rubber, then roll it off with a dry clean finger, away from the painting.',
  'Pull flat, never upwards. Where it resists, stop and look for damp.',
  'Feel for what is left, with closed eyes; a ball of the mask itself takes it up.',
];

/** Masking fluid for all copies of a card, ml: what each mask covers times the coat of its tool. */
export function fluidForAll(plan: Plan): number {
  const copies = cardsBegun(plan.brief);
  const ml = everMasked(plan).reduce((sum, id) => {
    const mm2 = footprint(plan, id).reduce((all, region) => all + polygonArea(region), 0);
    return sum + (mm2 * (maskOn(plan, id).coatUm ?? 0)) / 1e6;
  }, 0);
  return copies * ml;
}
