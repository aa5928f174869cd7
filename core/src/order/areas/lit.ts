import { bounds, middleOf, type Point, type Polygon, polygonArea, rectangle } from '../../kit/geometry';
import { castShadow, seen, shadingOf, toLamp, type Lamp } from '../../drawing/lamp';
import { areaOf, paintedOf, type Command, type Plan } from '../../document/plan';
import type { Area } from '../../drawing/sketch';
import { common, cutAway } from './combine';

/** What the lamp makes of one area. Shapes are cut to its outline, its shadow to the panel and away from itself. */
export interface LitArea {
  readonly area: string;
  readonly highlight: Point | null;
  readonly light: readonly Polygon[];
  readonly middle: readonly Polygon[];
  readonly dark: readonly Polygon[];
  readonly shadow: readonly Polygon[];
}

/** A sliver smaller than this is no brushstroke, mm². */
const SLIVER_MM2 = 1;

/** Light, middle, dark and cast shadow of an area that is the picture of a body; `null` for one that is not, or without a lamp. */
export function litArea(plan: Plan, id: string): LitArea | null {
  const { outline, form } = areaOf(plan, id);
  if (!plan.lamp || !form) return null;
  const { highlight, light, lit } = shadingOf(form, outline, plan.lamp);
  const { widthMm, heightMm } = paintedOf(plan).panel;
  const cast = castShadow(form, outline, plan.lamp);
  const lightest = light ? common([outline], [[light]]) : [];
  const all = lit ? common([outline], [[lit]]) : [];
  const shadow = cast ? common(cutAway([[cast]], [outline]), [rectangle(0, 0, widthMm, heightMm)]) : [];
  const kept = (parts: Polygon[]): Polygon[] => parts.filter((part) => polygonArea(part) > SLIVER_MM2);
  return {
    area: id,
    highlight,
    light: kept(lightest),
    middle: kept(cutAway(all, lightest)),
    dark: kept(cutAway([outline], all)),
    shadow: kept(shadow),
  };
}

/** What makes areas of the light: one for each piece of the dark side and of the shadow; shadows lie under all that is drawn. */
export function areasOfLight(plan: Plan, id: string, newId: () => string): Command[] {
  const lit = litArea(plan, id);
  if (!lit) return [];
  const { name } = areaOf(plan, id);
  const named = (what: string) => `${name.slice(0, 40)}, ${what}`;
  const pieces = [
    ...lit.middle.map((outline) => ({ outline, name: named('middle') })),
    ...lit.dark.map((outline) => ({ outline, name: named('shade') })),
    ...lit.shadow.map((outline) => ({ outline, name: named('cast shadow'), shadowOf: id })),
  ];
  return pieces.map((piece): Command => ({ do: 'add-area', area: { id: newId(), ...piece } }));
}

/** A shadow that falls otherwise than the lamp throws it. */
export interface ShadowFinding {
  readonly shadow: string;
  readonly of: string;
  /** How far its way from the foot of its body is off the way the lamp throws it, degrees. */
  readonly offDeg: number;
}

/** A shadow’s way may be so far off before it is seen to be wrong, degrees. Ours. */
export const OFF_DEG = 60;

/** The cast shadows that fall on the wrong side. */
export function shadowFindings(plan: Plan): ShadowFinding[] {
  const { lamp } = plan;
  if (!lamp) return [];
  const thrown = seen(awayFrom(lamp));
  return plan.areas.flatMap((shadow) => {
    const body = plan.areas.find(({ id }) => id === shadow.shadowOf);
    if (!body) return [];
    const [from, to] = [footOf(body), middleOf(shadow.outline)];
    const way = Math.atan2(to[1] - from[1], to[0] - from[0]) - Math.atan2(thrown[1], thrown[0]);
    const offDeg = (Math.abs(Math.atan2(Math.sin(way), Math.cos(way))) * 180) / Math.PI;
    return offDeg > OFF_DEG ? [{ shadow: shadow.id, of: body.id, offDeg }] : [];
  });
}

/** Along the ground away from the lamp. */
function awayFrom(lamp: Lamp): readonly [number, number, number] {
  const [right, , near] = toLamp(lamp);
  return [-right, 0, -near];
}

const footOf = ({ outline }: Area): Point => {
  const [x, y, width, height] = bounds(outline);
  return [x + width / 2, y + height];
};
