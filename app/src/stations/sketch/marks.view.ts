import { litArea } from '@kettle/core/areas';
import type { Point, Polygon } from '@kettle/core/geometry';
import { guideLines } from '@kettle/core/guides';
import type { Setting } from '@kettle/core/lettering';
import { paintedOf, type Plan } from '@kettle/core/plan';
import { pathOf } from '../../panel/panel.view';

/** What lies on the board besides areas and lines, mm: help for the hand, words, and what the lamp makes of bodies. */
export interface SketchMarks {
  readonly guides: readonly (readonly Point[])[];
  /** Outlines of words as SVG paths, counters running the other way round. */
  readonly words: readonly string[];
  readonly tones: readonly { readonly path: string; readonly tone: 'light' | 'dark' | 'shadow' }[];
  readonly highlights: readonly Point[];
}

export function sketchMarks(plan: Plan, settings: ReadonlyMap<string, Setting>): SketchMarks {
  const { panel } = paintedOf(plan);
  const lit = plan.areas.flatMap(({ id }) => litArea(plan, id) ?? []);
  const toned = (parts: readonly Polygon[], tone: SketchMarks['tones'][number]['tone']) =>
    parts.map((outline) => ({ path: pathOf(outline), tone }));
  return {
    guides: plan.guides.flatMap((guide) => guideLines(guide, panel)),
    words: plan.words.flatMap(({ id }) =>
      (settings.get(id)?.letters ?? []).map(({ contours }) => pathOf(contours)),
    ),
    tones: lit.flatMap(({ light, dark, shadow }) => [
      ...toned(shadow, 'shadow'),
      ...toned(dark, 'dark'),
      ...toned(light, 'light'),
    ]),
    highlights: lit.flatMap(({ highlight }) => (highlight ? [highlight] : [])),
  };
}
