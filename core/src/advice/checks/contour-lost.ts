import { nameOf } from '../../document/plan';
import { LOST_EDGE_L, lostContour } from '../whites';
import type { Check } from './check';
import { mixedUntil } from './fixes';
import { mixesBySize } from './used-mixes';

/** More of a contour than this gone, and a thing is not seen as itself. Ours. */
const SHARE = 0.5;

/** A white that looked clear under its mask vanishes when it is revealed on a ground as light: a white sail on a white sky. */
export const contourLost: Check = {
  id: 'contour-lost',
  station: 'whites',
  severity: 'look',
  *find({ plan }) {
    for (const { area, edge } of plan.whites) {
      if (edge === 'soft') continue;
      yield null;
      const lost = lostContour(plan, area);
      if (lost.share <= SHARE) continue;
      const percent = Math.round(100 * lost.share);
      yield {
        where: { area, ...(lost.at ? { point: lost.at } : {}) },
        number: { value: percent, unit: '%', limit: 100 * SHARE },
        why: `${percent} % of the edge of ${nameOf(plan, area)} differs from what is round it by less than ${LOST_EDGE_L} L* when all is uncovered: it vanishes.`,
        ...(yield* mixedUntil(
          plan,
          mixesBySize(plan),
          1,
          (changed) => lostContour(changed, area).share <= SHARE,
        )),
      };
    }
  },
};
