import { shapeBounds, type PanelAct } from '@kettle/core/simulation/water';

/** The box an act of the hand reaches, `[left, top, right, bottom]`, mm; `null` where it is the whole sheet or none of it. */
export function reachOf(act: PanelAct): readonly [number, number, number, number] | null {
  if ('shape' in act && act.shape) return shapeBounds(act.shape);
  if ('area' in act) return shapeBounds(act.area);
  if (act.kind !== 'salt') return null;
  const [xs, ys] = [act.points.map(([x]) => x), act.points.map(([, y]) => y)];
  return [Math.min(...xs) - 1, Math.min(...ys) - 1, Math.max(...xs) + 1, Math.max(...ys) + 1];
}

export const middleOfBox = ([left, top, right, bottom]: readonly [number, number, number, number]) =>
  [(left + right) / 2, (top + bottom) / 2] as const;
