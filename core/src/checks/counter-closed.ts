import { widthsOf } from '../areas';
import { maskingTool } from '../masking';
import { areaOf } from '../plan';
import { FINEST_BRUSH_MM, penFor, problemOf } from '../whites';
import type { Check } from './check';

/**
 * The inside of a masked letter must take paint, or it is read as another letter: no counter may be narrower than the
 * mask’s own line, nor than the finest brush.
 */
export const counterClosed: Check = {
  id: 'counter-closed',
  severity: 'look',
  find: ({ plan }) =>
    plan.whites.flatMap((white) => {
      if (white.way !== 'mask') return [];
      const { name, outline } = areaOf(plan, white.area);
      const { counters, narrowestMm } = widthsOf(outline);
      const tool = white.tool ? maskingTool(white.tool) : (penFor(narrowestMm) ?? maskingTool('ruling-pen'));
      const tools = { maskLineMm: tool.leastMm, brushTipMm: FINEST_BRUSH_MM };
      const problem = problemOf({ counters, strokeMm: Infinity }, tools);
      if (problem === null) return [];
      const [{ mm, at }] = counters;
      const limit = Math.max(tools.maskLineMm, tools.brushTipMm);
      const times = (limit / mm).toFixed(1);
      return [
        {
          where: { area: white.area, point: at },
          number: { value: Math.round(100 * mm) / 100, unit: 'mm', limit },
          why:
            problem === 'counter-closed'
              ? `the inside of ${name} is ${mm.toFixed(2)} mm wide; a ${tool.name} closes it with its line of ${tool.leastMm} mm. Letter it ${times} times as high, or with a finer pen.`
              : `no brush gets into the ${mm.toFixed(2)} mm inside of ${name}, and it would stay white. Letter it ${times} times as high, or touch it in with a pen.`,
        },
      ];
    }),
};
