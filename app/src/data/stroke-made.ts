import type { Command, HandAct, Plan } from '@kettle/core/document/plan';
import { smoothLine } from '@kettle/core/drawing/sketch';
import type { StrokePoint } from '@kettle/core/simulation/water';
import type { LostStroke } from './card-archive';

/** What makes of a finished stroke what it was begun as. A fold goes straight from one end to the other. */
export function strokeMade({ stroke: id, as, points, painted }: LostStroke): Command {
  if ('trial' in as) {
    const act = { ...as.stroke, atS: painted[0][3]!, points: [...painted] };
    return { do: 'paint', trial: as.trial, acts: [{ act, onto: 'dry', waterMl: 0 }] };
  }
  if ('resist' in as)
    return { do: 'mask-stroke', resist: as.resist, stroke: { id, points: smoothLine(points) } };
  const drawn = as.line === 'fold' ? [points[0], points.at(-1)!] : smoothLine(points);
  return { do: 'add-line', line: { id, kind: as.line, points: drawn } };
}

/** Whether a stroke is worth keeping, and not in the plan already. */
export function isMissing(
  { lines, resists, trials }: Plan,
  { stroke: id, as, points, painted }: LostStroke,
): boolean {
  if ('trial' in as) {
    const sheet = trials.find((trial) => trial.id === as.trial);
    const isThis = ({ act }: HandAct): boolean => act.kind === 'stroke' && goesThrough(act.points, painted);
    return sheet !== undefined && painted.length > 0 && !sheet.acts.some(isThis);
  }
  return (
    points.length > 1 &&
    !lines.some((line) => line.id === id) &&
    !resists.some(({ strokes }) => strokes.some((stroke) => stroke.id === id))
  );
}

/** Whether a stroke goes through some places from its beginning on, at the same times of the paper. */
const goesThrough = (points: readonly StrokePoint[], places: readonly StrokePoint[]): boolean =>
  places.every((place, i) => place.every((value, k) => points.at(i)?.[k] === value));
