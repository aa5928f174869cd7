import { edgeLength, polygonArea } from '../../kit/geometry';
import { nameOf, outlineOf } from '../../document/plan';
import { BRUSH_LOADS, brushFor, reachMm } from '../../simulation/water';
import type { Check } from './check';

/** A line longer than its brush reaches breaks off in the middle. */
export const brushDryInLine: Check = {
  id: 'brush-dry-in-line',
  station: 'passes',
  severity: 'note',
  find: ({ plan }) =>
    plan.acts.flatMap((act) => {
      if (act.kind !== 'pass' || act.technique !== 'line') return [];
      return act.areas.flatMap((area) => {
        const outline = outlineOf(plan, area);
        const brush = brushFor(outline);
        // A drawn line is about half as long as its outline, there and back.
        const lineMm = edgeLength(outline) / 2;
        const wideMm = Math.max(brush.tipMm, polygonArea(outline) / lineMm);
        const reaches = BRUSH_LOADS.loaded * reachMm(brush, wideMm);
        if (lineMm <= reaches) return [];
        return [
          {
            where: { area, pass: act.id },
            number: { value: Math.round(lineMm), unit: 'mm', limit: Math.round(reaches) },
            why: `${nameOf(plan, area)} is ${Math.round(lineMm)} mm long; a loaded ${brush.name} draws ${Math.round(reaches)} mm. Reload where lines cross, or take a longer hair.`,
          },
        ];
      });
    }),
};
