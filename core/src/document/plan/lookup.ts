import { cardSizes, croppedFormat, type CardFormat, type CardSizes } from '../../commission/card';
import { contains, type Point, type Polygon } from '../../kit/geometry';
import { maskHolds, maskingTool, maskPieces, type MaskingTool } from '../../drawing/masking';
import { paperById, type Paper } from '../../materials/paper';
import { mediumOf, pigmentByCode, type Mix } from '../../materials/pigment';
import type { Area } from '../../drawing/sketch';
import type { Plan, PlannedMix } from './plan';

/** The card's paper, from the copy frozen into the plan. */
export const planPaper = (plan: Plan): Paper => paperById(plan.paper, 'paper', plan.embedded.papers);

/** How the finished card is made. */
export const formatOf = ({ card, crop }: Pick<Plan, 'card' | 'crop'>): CardFormat =>
  crop ? croppedFormat(card) : card;

/** Whether it is still open which part of the painting will be the card: until then no size of it is known. */
export const stillToCrop = ({ crop }: Pick<Plan, 'crop'>): boolean => crop !== null && crop.chosen === null;

/** The sizes of the finished card, its mounted panel as thick as its paper. */
export const sizesOf = (plan: Plan): CardSizes => cardSizes(formatOf(plan), planPaper(plan).thicknessMm);

/** What is painted: the panel of the card, or the whole painting of which the card is a part; and its sheet. */
export function paintedOf(plan: Plan): Pick<CardSizes, 'panel' | 'paint'> {
  if (!plan.crop) return sizesOf(plan);
  const { widthMm, heightMm } = plan.crop.painting;
  const rim = plan.card.border === 'taped' ? 2 * plan.card.tapeMm : 0;
  return { panel: plan.crop.painting, paint: { widthMm: widthMm + rim, heightMm: heightMm + rim } };
}

/** Rim of the sheet beyond the visible painting on every side, mm. */
export function rimOf(plan: Plan): number {
  const { panel, paint } = paintedOf(plan);
  return (paint.widthMm - panel.widthMm) / 2;
}

/** An area by id; references were checked when the plan was read. */
export const areaOf = (plan: Plan, id: string): Area => plan.areas.find((area) => area.id === id)!;

export const outlineOf = (plan: Plan, id: string): Polygon => areaOf(plan, id).outline;

/** What an area or a freehand mask covers, in pieces that may overlap. */
export function piecesOf(plan: Pick<Plan, 'areas' | 'resists'>, id: string): readonly Polygon[] {
  const area = plan.areas.find((a) => a.id === id);
  return area ? [area.outline] : maskPieces(plan.resists.find((resist) => resist.id === id)!);
}

/** Whether a place lies in an area, or under a freehand mask. */
export function covers(plan: Pick<Plan, 'areas' | 'resists'>, id: string, at: Point): boolean {
  const area = plan.areas.find((a) => a.id === id);
  return area
    ? contains(area.outline, at)
    : maskHolds(
        plan.resists.find((resist) => resist.id === id)!,
        at,
      );
}

/** What an area or a freehand mask is called. */
export const nameOf = (plan: Pick<Plan, 'areas' | 'resists'>, id: string): string =>
  [...plan.areas, ...plan.resists].find((entry) => entry.id === id)!.name;

/** What an area is masked with, or a freehand mask drawn with: the tool said, else a soaped brush. */
export function maskOn(plan: Pick<Plan, 'whites' | 'resists'>, id: string): MaskingTool {
  const said =
    plan.resists.find((resist) => resist.id === id)?.tool ??
    plan.whites.find(({ area }) => area === id)?.tool;
  return maskingTool(said ?? 'pointed-brush');
}

/** A planned mix by id. */
export const mixOf = (plan: Plan, id: string): PlannedMix => plan.mixes.find((mix) => mix.id === id)!;

/** A planned mix as the pigment model takes it, laid in a film of `filmUm`; a medium with more body leaves more of it. */
export function laidMix(plan: Plan, mix: PlannedMix, filmUm: number): Mix {
  return {
    parts: mix.parts.map(({ pigment, parts }) => ({
      pigment: pigmentByCode(pigment, 'pigment', plan.embedded.pigments),
      parts,
    })),
    strength: mix.strength,
    filmUm: filmUm * mediumOf(mix.medium).body,
  };
}
