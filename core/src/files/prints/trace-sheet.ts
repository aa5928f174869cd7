import { bounds, interiorPoint } from '../../kit/geometry';
import type { Setting } from '../../drawing/lettering';
import { asParts, outlineOf, type Plan } from '../../document/plan';
import { OWN_SHEET } from '../../drawing/tracing';
import { panelSheet, svgPath } from './panel-sheet';
import { escapeXml, fineText, mmText } from './svg-text';

/** What a trace sheet can be besides as it is. */
export interface SheetChoices {
  /** The words of the plan as they stand. */
  readonly settings?: ReadonlyMap<string, Setting>;
  /** Left and right changed over, for a sheet whose back is rubbed with pencil; then nothing is named. */
  readonly mirrored?: boolean;
}

const NO_WORDS: ReadonlyMap<string, Setting> = new Map();

/**
 * The panel at true size as SVG in mm, to be printed at 100 % and traced over a lit pad: sheet to be
 * painted, visible panel, areas with their names, pencil lines, and a ruler bar to check the printer by.
 */
export function traceSheet(plan: Plan, { settings = NO_WORDS, mirrored = false }: SheetChoices = {}): string {
  const areas = plan.areas.map(
    ({ name, outline }) => `<path class="area" data-name="${escapeXml(name)}" d="${svgPath(outline)}"/>`,
  );
  const names = mirrored ? [] : namesOf(plan);
  const lines = plan.lines.map(
    ({ kind, points }) =>
      `<polyline class="pencil" data-kind="${kind}" data-pressure="${points.map(([, , p]) => fineText(p)).join(' ')}" points="${points.map(([x, y]) => `${fineText(x)},${fineText(y)}`).join(' ')}"/>`,
  );
  const words = plan.words.flatMap(({ id }) =>
    (settings.get(id)?.letters ?? []).map(({ contours }) => `<path class="words" d="${svgPath(contours)}"/>`),
  );
  return panelSheet(plan, {
    ...{ title: `${plan.title}, trace sheet at true size`, mirrored, marked: `${OWN_SHEET}="1"` },
    drawn: [...areas, ...names, ...lines, ...words],
  });
}

/** Names stand on their areas; that of a thing once, below it, where it hides none of its parts. */
const namesOf = (plan: Plan): string[] =>
  asParts(
    plan,
    plan.areas.map(({ id }) => id),
  ).map(({ name, members }) => {
    const outlines = members.map((member) => outlineOf(plan, member));
    if (outlines.length === 1) return label(name, interiorPoint(outlines[0]));
    const [x, y, width, height] = bounds([outlines.flatMap(([ring]) => ring)]);
    return label(name, [x + width / 2, y + height + BELOW_MM]);
  });

/** How far below a thing its name stands, mm. */
const BELOW_MM = 4;

const label = (name: string, [x, y]: readonly [number, number]): string =>
  `<text x="${mmText(x)}" y="${mmText(y)}" text-anchor="middle">${escapeXml(name)}</text>`;
