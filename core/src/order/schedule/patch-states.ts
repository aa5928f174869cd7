import { common, patchesOf } from '../areas';
import { labOf, type Lab } from '../../kit/colour';
import { interiorPoint, polygonArea, rectangle, type Point } from '../../kit/geometry';
import { glazeReflectance } from '../../materials/pigment';
import { layersAtPlace, paintedOf, planPaper, type Plan } from '../../document/plan';
import { wetLook, type Stage } from '../../simulation/water';
import { stageAt, washAt } from './table';
import { tableAt, type TimelineAtTable } from './timeline';

/** How one patch of the panel is at a moment. */
export interface PatchState {
  readonly id: string;
  /** The areas and freehand masks it lies in, in the plan's order; none for bare ground. */
  readonly areas: readonly string[];
  readonly cm2: number;
  readonly stage: Stage;
  readonly filmUm: number;
  readonly paperGm2: number;
  readonly masked: boolean;
  /** The colour as it looks then, wet or dry. */
  readonly lab: Lab;
  /** A place well inside it, mm from the corner of the panel. */
  readonly probe: Point;
}

/** Every patch of the panel at a time of the plan, s: together they are the panel, and no two overlap. */
export function patchStates(plan: Plan, timeline: TimelineAtTable, atS: number): PatchState[] {
  const { widthMm, heightMm } = paintedOf(plan).panel;
  const panel = rectangle(0, 0, widthMm, heightMm);
  const { washed, masks } = tableAt(plan, timeline, atS);
  const done = timeline.steps.filter(({ endS }) => endS <= atS).length;
  return patchesOf(plan).flatMap(({ index, under, regions: onSheet }): PatchState[] => {
    // The sheet goes on under the tape, or as far as it is trimmed.
    const regions = common(onSheet, [panel]);
    if (regions.length === 0) return [];
    const [widest] = regions.toSorted((one, other) => polygonArea(other) - polygonArea(one));
    const probe = interiorPoint(widest);
    const wash = washed.get(index)?.wash;
    const { filmUm, paperGm2 } = wash ? washAt(wash, atS) : { filmUm: 0, paperGm2: 0 };
    const layers = layersAtPlace(plan, probe, (id) => under.includes(id))[done];
    const wetness = wash ? wetLook(filmUm, paperGm2) : 0;
    return [
      {
        id: `patch-${index}`,
        areas: under,
        cm2: regions.reduce((sum, region) => sum + polygonArea(region), 0) / 100,
        stage: wash ? stageAt(wash, atS) : 'dry',
        filmUm,
        paperGm2,
        masked: under.some((id) => masks.has(id)),
        lab: labOf(glazeReflectance(planPaper(plan), layers, { wetness })),
        probe,
      },
    ];
  });
}
