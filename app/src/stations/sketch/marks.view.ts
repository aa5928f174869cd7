import { litArea } from '@kettle/core/areas';
import { bounds, type Polygon } from '@kettle/core/geometry';
import { guideLines } from '@kettle/core/guides';
import type { Setting } from '@kettle/core/lettering';
import { paintedOf, type Plan } from '@kettle/core/plan';
import type { BoardOver } from '../../panel/board-marks';
import { pathOf } from '../../panel/panel.view';

/** What lies on the board besides areas and lines: help for the hand, words, and what the lamp makes of bodies. */
export function sketchMarks(plan: Plan, settings: ReadonlyMap<string, Setting>): BoardOver {
  const { panel } = paintedOf(plan);
  const lit = plan.areas.flatMap(({ id }) => litArea(plan, id) ?? []);
  const toned = (parts: readonly Polygon[], tone: BoardOver['tones'][number]['tone']) =>
    parts.map((outline) => ({ path: pathOf(outline), tone }));
  return {
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
