import { areaOf, paintedOf, type Plan } from '../../document/plan';
import { panelSheet, svgPath } from './panel-sheet';

/**
 * A shield of paper for one area at true size: cut out along its edge, the piece covers the area, and the sheet it came from
 * everything else. `reverse` leaves the area open: what is cut out then falls away.
 */
export function shieldSheet(plan: Plan, area: string, reverse: boolean): string {
  const { name, outline } = areaOf(plan, area);
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
