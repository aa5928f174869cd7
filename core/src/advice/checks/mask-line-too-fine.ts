import { measuringWidths } from '../../order/areas';
import { maskingTool } from '../../drawing/masking';
import { areaOf, addArea, smallPlan, type Plan } from '../../document/plan';
import { penFor } from '../whites';
import { inBreaths, type Check } from './check';
import { kept } from './edge-plans';
import { rectangle } from '../../kit/geometry';

/** A mask is nowhere finer than the line of the tool it is laid with. */
export const maskLineTooFine: Check = {
  id: 'mask-line-too-fine',
  name: 'Finer than its masking tool',
  station: 'whites',
  severity: 'look',
  when: 'a mask is narrower somewhere than its tool draws',
  source: 'least lines of masking tools (docs/whites.md)',
  *find({ plan }) {
    for (const white of plan.whites) {
      if (white.way !== 'mask') continue;
      const { name, outline } = areaOf(plan, white.area);
      const { narrowestMm } = yield* inBreaths(measuringWidths(outline));
      const pen = penFor(narrowestMm);
      const tool = white.tool ? maskingTool(white.tool) : pen;
      if (tool && tool.leastMm <= narrowestMm) continue;
      const finest = tool ?? maskingTool('ruling-pen');
      yield {
        where: { area: white.area },
        number: { value: round2(narrowestMm), unit: 'mm', limit: finest.leastMm },
        why: `${name} is ${narrowestMm.toFixed(2)} mm at its narrowest; a ${finest.name} draws ${finest.leastMm} mm.`,
        fix: pen
          ? {
              says: `Mask ${name} with a ${pen.name}`,
              commands: [{ do: 'keep-white', white: { ...white, tool: pen.id } }],
            }
          : {
              says: `Put ${name} on with opaque white afterwards`,
              commands: [{ do: 'keep-white', white: { ...white, way: 'opaque' } }],
            },
      };
    }
  },
  edges: () => {
    const { leastMm } = maskingTool('fine-tip');
    return [{ wrong: maskedStay(leastMm - 0.05), right: maskedStay(leastMm + 0.05) }];
  },
};

/** A stay so wide, masked with a fine tip. */
const maskedStay = (wideMm: number): Plan =>
  smallPlan(addArea('stay', rectangle(20, 10, wideMm, 30)), kept('stay', 'mask', { tool: 'fine-tip' }));

const round2 = (value: number): number => Math.round(100 * value) / 100;
