import { asParts, outlineOf, paintedOf, type Plan } from '../../document/plan';
import { listed } from '../../kit/units';
import { panelSheet, svgPath } from './panel-sheet';

/**
 * A shield of paper for an area, or all parts of a thing, at true size: cut out along its edge, the piece covers the area, and the sheet it came from
 * everything else. `reverse` leaves the area open: what is cut out then falls away.
 */
export function shieldSheet(plan: Plan, areas: readonly string[], reverse: boolean): string {
  const outline = areas.flatMap((area) => outlineOf(plan, area));
  const name = listed(asParts(plan, areas).map((part) => part.name));
  const { widthMm, heightMm } = paintedOf(plan).panel;
  const sheet = [
    [0, 0],
    [widthMm, 0],
    [widthMm, heightMm],
    [0, heightMm],
  ] as const;
  const [cut, covered] = [
    `<path class="cut" d="${svgPath(outline)}"/>`,
    reverse ? [sheet, ...outline] : outline,
  ];
  return panelSheet(plan, {
    title: `${plan.title}, shield for ${reverse ? 'all but ' : ''}${name}`,
    mirrored: false,
    // What stays as the shield is hatched by its fill; the knife follows the line.
    drawn: [`<path class="shield" fill-rule="evenodd" d="${svgPath(covered)}"/>`, cut],
  });
}
