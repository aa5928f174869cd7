import { packLines, unpackLines, type PackedLines } from '../sketch';
import type { Resist } from './resist';

/** Freehand masks as a few flat arrays, which are copied fast from one place to another; nothing of them is rounded. */
export interface PackedResists {
  readonly heads: readonly (Pick<Resist, 'id' | 'name' | 'tool'> & {
    /** How many strokes and drops are its own, in the order they stand. */
    readonly strokes: number;
    readonly drops: number;
  })[];
  readonly strokes: PackedLines;
  /** x, y and diameter of all drops one after another. */
  readonly drops: Float64Array;
}

export function packResists(resists: readonly Resist[]): PackedResists {
  return {
    heads: resists.map(({ id, name, tool, strokes, drops }) => ({
      ...{ id, name, tool },
      ...{ strokes: strokes.length, drops: drops.length },
    })),
    // Strokes have places and pressures as lines have; what they are drawn with is said once for all.
    strokes: packLines(
      resists.flatMap(({ strokes }) => strokes.map((stroke) => ({ ...stroke, kind: 'pencil' }))),
    ),
    drops: Float64Array.from(resists.flatMap(({ drops }) => drops.flat())),
  };
}

export function unpackResists({ heads, strokes, drops }: PackedResists): Resist[] {
  const all = unpackLines(strokes);
  let [stroke, drop] = [0, 0];
  return heads.map((head) => ({
    ...{ id: head.id, name: head.name, tool: head.tool },
    strokes: all.slice(stroke, (stroke += head.strokes)).map(({ id, points }) => ({ id, points })),
    drops: Array.from({ length: head.drops }, () => {
      const at = 3 * drop++;
      return [drops[at], drops[at + 1], drops[at + 2]] as const;
    }),
  }));
}
