import { edgeLength, polygonArea, rectangle } from '../../kit/geometry';
import { nameOf, outlineOf, addArea, addPass, smallPlan, type Plan } from '../../document/plan';
import { BRUSH_LOADS, brushFor, reachMm } from '../../simulation/water';
import type { Check } from './check';

/** A line longer than its brush reaches breaks off in the middle. */
export const brushDryInLine: Check = {
  id: 'brush-dry-in-line',
  name: 'Brush gives out in a line',
  station: 'passes',
  severity: 'note',
  when: 'a line is longer than its loaded brush reaches',
  source: 'bellies of brushes (docs/painting.md)',
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
  edges: () => [{ wrong: framed(70), right: framed(8) }],
};

/** A line drawn all round what is so high. */
function framed(heightMm: number): Plan {
  const [outer] = rectangle(10, 10, 120, heightMm);
  const [inner] = rectangle(10.6, 10.6, 118.8, heightMm - 1.2);
  return smallPlan(
    addArea('frame', [outer, inner]),
    addPass('frame', 'frame', 'dark', { technique: 'line' }),
  );
}
