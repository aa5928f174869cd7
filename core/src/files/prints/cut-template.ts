import { cutOuts } from '../../order/areas';
import { paintedOf, type Plan } from '../../document/plan';
import { panelSheet, svgPath } from './panel-sheet';
import type { PencilPoint } from '../../drawing/sketch';
import { fineText, mmText } from './svg-text';

/** Half the length of the strokes of a register cross, mm. */
const CROSS_MM = 2.5;

/** Holes pricked through at both ends of a fold, mm: the score on the back runs from one to the other. */
const PRICK_MM = 0.4;

/**
 * What is cut out of a panel and folded, at true size and mirrored, to be laid on its back: cut lines with the bridges left
 * standing, folds to be scored with holes at their ends, and at the panel’s corners register crosses to prick through, so
 * that front and back agree. `null` where nothing is cut or folded.
 */
export function cutTemplate(plan: Plan): string | null {
  const { cuts } = cutOuts(plan);
  const folds = plan.lines.filter(({ kind }) => kind === 'fold');
  if (cuts.length + folds.length === 0) return null;
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
      ...cuts.flatMap(({ parts }) => parts.map((part) => `<path class="cut" d="${svgPath(part)}"/>`)),
      ...folds.map(({ points }) => foldMark(points[0], points.at(-1)!)),
      ...crosses,
    ],
  });
}

const foldMark = (...ends: [PencilPoint, PencilPoint]): string =>
  `<path class="fold" d="M${ends.map(([x, y]) => `${fineText(x)} ${fineText(y)}`).join('L')}"/>` +
  ends.map(([x, y]) => `<circle cx="${fineText(x)}" cy="${fineText(y)}" r="${PRICK_MM}"/>`).join('');
