import type { Command, Plan } from '@kettle/core/plan';
import { smoothLine, type PencilPoint } from '@kettle/core/sketch';
import type { StrokeAs } from './database';

/** What makes of a finished stroke what it was begun as. A fold goes straight from one end to the other. */
export function strokeMade(id: string, as: StrokeAs, points: readonly PencilPoint[]): Command {
  if ('resist' in as)
    return { do: 'mask-stroke', resist: as.resist, stroke: { id, points: smoothLine(points) } };
  const drawn = as.line === 'fold' ? [points[0], points.at(-1)!] : smoothLine(points);
  return { do: 'add-line', line: { id, kind: as.line, points: drawn } };
}

/** Whether a stroke is in the plan already. */
export const holdsStroke = ({ lines, resists }: Plan, id: string): boolean =>
  lines.some((line) => line.id === id) ||
  resists.some(({ strokes }) => strokes.some((stroke) => stroke.id === id));
