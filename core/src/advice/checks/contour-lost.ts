import { nameOf, addArea, addPass, smallPlan, type Command, type Plan } from '../../document/plan';
import { LOST_EDGE_L, lostContour } from '../whites';
import type { Check } from './check';
import { mixedUntil } from './fixes';
import { mixesBySize, uppermost } from './used-mixes';
import { kept, mixFrom } from './edge-plans';
import { rectangle } from '../../kit/geometry';

/** More of a contour than this gone, and a thing is not seen as itself. Ours. */
const SHARE = 0.5;

/** A white that looked clear under its mask vanishes when it is revealed on a ground as light: a white sail on a white sky. */
export const contourLost: Check = {
  id: 'contour-lost',
  name: 'White lost on its ground',
  station: 'whites',
  severity: 'look',
  when: `over ${100 * SHARE} % of the edge of a white differs by less than ${LOST_EDGE_L} L* from its ground`,
  source: 'ours',
  *find({ plan }) {
    for (const { area, edge } of plan.whites) {
      // What is painted when it is uncovered is an area like any other.
      if (edge === 'soft' || uppermost(plan, area)) continue;
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
  edges: () => [{ wrong: nightDownTo(29), right: nightDownTo(31) }],
};

/** A masked boat from 20 to 40 mm, on a pale sky with night from above down to so far. */
const nightDownTo = (y: number): Plan =>
  smallPlan(
    addArea('night', rectangle(0, 0, 148, y)),
    ...[{ do: 'remove-area', area: 'boat' } satisfies Command, addArea('boat', rectangle(60, 20, 20, 20))],
    mixFrom('mist', ['PB29'], { strength: 0.01 }),
    addPass('sky', 'sky', 'mist'),
    addPass('night', 'night', 'dark'),
    kept('boat', 'mask'),
  );
