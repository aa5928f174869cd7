import { hexOf, type Light } from '@kettle/core/kit/colour';
import { glazeLab } from '@kettle/core/materials/pigment';
import { layersAt, planPaper, type Plan } from '@kettle/core/document/plan';
import { lightnessOfTone, toneOf } from '@kettle/core/advice/values';
import { panelDrawing, type PanelDrawing } from '../../panel/panel.view';

/** How the card is looked at: as it is, or squinting, in so many tones. */
export type Squint = 'open' | 3 | 5;

/** The finished card under a lamp, dry and uncovered, its pencil rubbed out. */
export function cardLook(plan: Plan, light: Light, squint: Squint): PanelDrawing {
  const paper = planPaper(plan);
  const drawing = panelDrawing({ ...plan, lines: [] }, null);
  return {
    ...drawing,
    shapes: drawing.shapes.map((shape) => {
      const lab = glazeLab(paper, layersAt(plan, shape.id, plan.acts.length), 0, light);
      const fill =
        squint === 'open' ? hexOf(lab) : hexOf([lightnessOfTone(toneOf(lab[0], squint), squint), 0, 0]);
      return { ...shape, fill };
    }),
  };
}
