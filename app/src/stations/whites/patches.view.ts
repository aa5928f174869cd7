import type { Plan } from '@kettle/core/document/plan';
import type { Simulation } from '@kettle/core/simulation/water';
import { COMPARED, comparison, type WhiteFacts } from '@kettle/core/advice/whites';
import { WAY_NAMES } from './whites.view';

/** Coats of opaque white where no number of them would be enough. */
const TRIED_COATS = 2;

/** The patches on which the ways of keeping a white are tried, and whether anything crosses it at all. */
export function patchesFor(
  plan: Plan,
  area: string,
  { coats, crossings }: Pick<WhiteFacts, 'coats' | 'crossings'>,
): {
  readonly crossed: boolean;
  readonly patches: readonly { readonly name: string; readonly simulation: Simulation }[];
} {
  return {
    crossed: crossings > 0,
    patches: COMPARED.map((way) => ({
      name: WAY_NAMES[way],
      simulation: comparison(plan, area, way, coats ?? TRIED_COATS),
    })),
  };
}
