import { joined, stroked } from '../../order/areas';
import { rectangle, type Polygon } from '../../kit/geometry';
import { brushById, type PanelAct, type Shape } from '../../simulation/water';

/** Points of a circle’s outline. */
const ROUND = 24;

/** What an act of the hand covers on its sheet, mm from the corner, its overlapping parts as one. */
export function coveredBy(act: PanelAct): Polygon[] {
  if (act.kind === 'stroke') return strokeRegion(act);
  if ('shape' in act && act.shape) return joined(regionsOf(act.shape));
  if ('area' in act) return joined(regionsOf(act.area));
  return [];
}

/** The widths of a stroke differ along it: between two places it is as wide as there. */
function strokeRegion({ points, brush: id }: Extract<PanelAct, { kind: 'stroke' }>): Polygon[] {
  const brush = brushById(id);
  const widthAt = (pressure: number): number => brush.tipMm + (brush.widthMm - brush.tipMm) * pressure;
  const spots = [points[0], points.at(-1)!].map(([x, y, pressure]) => disc(x, y, widthAt(pressure) / 2));
  const runs = points.slice(1).flatMap(([x, y, pressure], i) =>
    stroked(
      [
        [
          [points[i][0], points[i][1]],
          [x, y],
        ],
      ],
      widthAt((pressure + points[i][2]) / 2),
    ),
  );
  return joined([...spots, ...runs]);
}

function regionsOf(shape: Shape): Polygon[] {
  if ('rect' in shape) return [rectangle(...shape.rect)];
  if ('circle' in shape) return [disc(...shape.circle)];
  if ('polygon' in shape) return [[[...shape.polygon]]];
  return stroked([shape.line], shape.widthMm);
}

const disc = (x: number, y: number, radius: number): Polygon => [
  Array.from({ length: ROUND }, (_, i) => {
    const turn = (2 * Math.PI * i) / ROUND;
    return [x + radius * Math.cos(turn), y + radius * Math.sin(turn)] as const;
  }),
];
