import { widthsOf } from '../areas';
import { maskingTool } from '../masking';
import { areaOf } from '../plan';
import { penFor } from '../whites';
import type { Check } from './check';

/** A mask is nowhere finer than the line of the tool it is laid with. */
export const maskLineTooFine: Check = {
  id: 'mask-line-too-fine',
  station: 'whites',
  severity: 'look',
  find: ({ plan }) =>
    plan.whites.flatMap((white) => {
      if (white.way !== 'mask') return [];
      const { name, outline } = areaOf(plan, white.area);
      const { narrowestMm } = widthsOf(outline);
      const pen = penFor(narrowestMm);
      const tool = white.tool ? maskingTool(white.tool) : pen;
      if (tool && tool.leastMm <= narrowestMm) return [];
      const finest = tool ?? maskingTool('ruling-pen');
      return [
        {
          where: { area: white.area },
          number: { value: round2(narrowestMm), unit: 'mm', limit: finest.leastMm },
          why: `${name} is ${narrowestMm.toFixed(2)} mm at its narrowest; a ${finest.name} draws ${finest.leastMm} mm.`,
          fix: pen
            ? {
                says: `Mask ${name} with a ${pen.name}`,
                commands: [{ do: 'keep-white' as const, white: { ...white, tool: pen.id } }],
              }
            : {
                says: `Put ${name} on with opaque white afterwards`,
                commands: [{ do: 'keep-white' as const, white: { ...white, way: 'opaque' as const } }],
              },
        },
      ];
    }),
};

const round2 = (value: number): number => Math.round(100 * value) / 100;
