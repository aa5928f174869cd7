import { litArea } from '@kettle/core/order/areas';
import { bounds, type Polygon } from '@kettle/core/kit/geometry';
import { guideLines, type Guide } from '@kettle/core/drawing/guides';
import type { Setting } from '@kettle/core/drawing/lettering';
import { paintedOf, type Plan } from '@kettle/core/document/plan';
import { NOTHING_OVER, type BoardHandle, type BoardOver, type BoardPicture } from '../../panel/board-marks';
import { pathOf } from '../../panel/panel.view';
import { handlesOf } from './guides.view';

/** What lies on the board besides areas and lines: pictures, help for the hand, words, and what the lamp makes of bodies. */
export function sketchMarks(
  plan: Plan,
  settings: ReadonlyMap<string, Setting>,
  pictures: readonly BoardPicture[],
): BoardOver {
  const { panel } = paintedOf(plan);
  const lit = plan.areas.flatMap(({ id }) => litArea(plan, id) ?? []);
  const toned = (parts: readonly Polygon[], tone: BoardOver['tones'][number]['tone']) =>
    parts.map((outline) => ({ path: pathOf(outline), tone }));
  return {
    ...NOTHING_OVER,
    pictures,
    guides: plan.guides.flatMap((guide) => guideLines(guide, panel)),
    words: plan.words.flatMap(({ id }) => {
      const points = settings.get(id)?.letters.flatMap(({ contours }) => contours.flat()) ?? [];
      const paths = settings.get(id)?.letters.map(({ contours }) => pathOf(contours)) ?? [];
      return points.length > 0 ? [{ id, paths, box: bounds([points]) }] : [];
    }),
    tones: lit.flatMap(({ light, dark, shadow }) => [
      ...toned(shadow, 'shadow'),
      ...toned(dark, 'dark'),
      ...toned(light, 'light'),
    ]),
    highlights: lit.flatMap(({ highlight }) => (highlight ? [highlight] : [])),
  };
}

/** Where the guides of a panel can be pulled, and what then becomes of them. */
export function guideHandles(plan: Plan, put: (guide: Guide) => void): BoardHandle[] {
  const { panel } = paintedOf(plan);
  return plan.guides.flatMap((guide) =>
    handlesOf(guide, panel).map(({ at, pulled }) => ({
      at,
      seen: (to) => guideLines(pulled(to), panel),
      put: (to) => put(pulled(to)),
    })),
  );
}
