import { hexOf } from '../../kit/colour';
import { glazeLab } from '../../materials/pigment';
import { planPaper, type Plan, type Trial } from '../../document/plan';
import { pigmentByCode } from '../../materials/pigment';
import { coveredBy } from '../../advice/trials';
import type { ActOf } from '../../simulation/water';

/** The strokes of a sheet as outlines in mm, each in the dry colour of its mix; clear water as a hair line (W3C SVG 2). */
export function strokesSvg(plan: Plan, trial: Trial): string {
  const { widthMm, heightMm } = trial;
  const paths = trial.acts.flatMap(({ act }) =>
    act.kind === 'stroke' ? [pathOf(act, colourOf(plan, act))] : [],
  );
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${widthMm}mm" height="${heightMm}mm" viewBox="0 0 ${widthMm} ${heightMm}">`,
    ...paths,
    '</svg>',
  ].join('\n');
}

/** Films are judged at this depth, µm. */
const FILM_UM = 100;

function colourOf(plan: Plan, { parts, strength }: ActOf<'stroke'>): string | null {
  if (parts.length === 0) return null;
  const known = plan.embedded.pigments;
  const mixed = parts.map(({ pigment, parts: n }, i) => ({
    pigment: pigmentByCode(pigment, `parts[${i}].pigment`, known),
    parts: n,
  }));
  return hexOf(glazeLab(planPaper(plan), [{ parts: mixed, strength, filmUm: FILM_UM }]));
}

function pathOf(act: ActOf<'stroke'>, fill: string | null): string {
  const data = coveredBy(act)
    .flat()
    .map((ring) => `M${ring.map(([x, y]) => `${rounded(x)} ${rounded(y)}`).join('L')}Z`)
    .join('');
  const look = fill ? `fill="${fill}"` : 'fill="none" stroke="#0f5e63" stroke-width="0.2"';
  return `<path ${look} fill-rule="evenodd" d="${data}"/>`;
}

const rounded = (mm: number): number => Math.round(100 * mm) / 100;
