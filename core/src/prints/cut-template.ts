import { cutOuts } from '../areas';
import { paintedOf, type Plan } from '../plan';
import { panelSheet, pathOf } from './panel-sheet';
import { mmText } from './svg-text';

/** Half the length of the strokes of a register cross, mm. */
const CROSS_MM = 2.5;

/**
 * What is cut out of a panel, at true size and mirrored, to be laid on its back: cut lines with the bridges left standing,
 * and at the panel’s corners register crosses to prick through, so that front and back agree. `null` where nothing is cut.
 */
export function cutTemplate(plan: Plan): string | null {
  const { cuts } = cutOuts(plan);
  if (cuts.length === 0) return null;
  const { widthMm, heightMm } = paintedOf(plan).panel;
  const crosses = [0, widthMm].flatMap((x) =>
    [0, heightMm].map(
      (y) =>
        `<path class="register" d="M${mmText(x - CROSS_MM)} ${mmText(y)}H${mmText(x + CROSS_MM)}M${mmText(x)} ${mmText(y - CROSS_MM)}V${mmText(y + CROSS_MM)}"/>`,
    ),
  );
  return panelSheet(plan, {
    ...{ title: `${plan.title}, cutting template for the back`, mirrored: true },
    drawn: [
      ...cuts.flatMap(({ parts }) => parts.map((part) => `<path class="cut" d="${pathOf(part)}"/>`)),
      ...crosses,
    ],
  });
}
