import { cardSizes, type CardSizes } from '../card';
import type { Polygon } from '../geometry';
import { paperById, type Paper } from '../paper';
import { pigmentByCode, type Mix } from '../pigment';
import type { Area } from '../sketch';
import type { Plan, PlannedMix } from './plan';

/** The card's paper, from the copy frozen into the plan. */
export const planPaper = (plan: Plan): Paper => paperById(plan.paper, 'paper', plan.embedded.papers);

/** The sizes of a card, its mounted panel as thick as its paper. */
export const sizesOf = (plan: Plan): CardSizes => cardSizes(plan.card, planPaper(plan).thicknessMm);

/** An area by id; references were checked when the plan was read. */
export const areaOf = (plan: Plan, id: string): Area => plan.areas.find((area) => area.id === id)!;

export const outlineOf = (plan: Plan, id: string): Polygon => areaOf(plan, id).outline;

/** A planned mix by id. */
export const mixOf = (plan: Plan, id: string): PlannedMix => plan.mixes.find((mix) => mix.id === id)!;

/** A planned mix as the pigment model takes it, laid in a film of `filmUm`. */
export function laidMix(plan: Plan, mix: PlannedMix, filmUm: number): Mix {
  return {
    parts: mix.parts.map(({ pigment, parts }) => ({
      pigment: pigmentByCode(pigment, 'pigment', plan.embedded.pigments),
      parts,
    })),
    strength: mix.strength,
    filmUm,
  };
}
