import { maskingTool, type Resist } from '@kettle/core/drawing/masking';
import { paintedOf, type Command, type Plan } from '@kettle/core/document/plan';
import { spatterDrops, type SpatterRequest } from '@kettle/core/simulation/water';

/** Where masking fluid is spattered, how much of it is covered, and what is kept clean. */
export type MaskSpatter = Pick<SpatterRequest, 'area' | 'coverage' | 'shields' | 'brushSize'>;

const hundredth = (mm: number): number => Math.round(100 * mm) / 100;

/** Throws drops of a mask on the panel, each time others; they join those that are there. */
export function spatterOver(
  plan: Plan,
  held: Pick<Resist, 'id' | 'name' | 'tool'>,
  request: MaskSpatter,
): Command {
  const there = plan.resists.find(({ id }) => id === held.id);
  const drops = there?.drops ?? [];
  const thrown = spatterDrops({
    ...request,
    tool: maskingTool(held.tool).throws ?? 'toothbrush',
    face: paintedOf(plan).panel,
    seed: 1 + drops.length,
  });
  return {
    do: 'put-resist',
    resist: {
      ...{ ...held, strokes: there?.strokes ?? [] },
      drops: [
        ...drops,
        ...thrown.map(
          ({ xMm, yMm, diameterMm }) => [hundredth(xMm), hundredth(yMm), hundredth(diameterMm)] as const,
        ),
      ],
    },
  };
}
