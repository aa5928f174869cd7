import { glazeLab, pigmentByCode, REFERENCE_FILM_UM } from '../../materials/pigment';
import { polygonArea } from '../../kit/geometry';
import {
  isPaintedRound,
  laidMix,
  LIFT,
  newMix,
  OPAQUE,
  planPaper,
  type Act,
  type Pass,
  type Plan,
  type PlannedMix,
} from '../../document/plan';

/** Which mixes go on which area, the first laid first. */
export type Colours = ReadonlyMap<string, readonly PlannedMix[]>;

/** A card nobody has said a colour of is thought out in one grey of two opposites. */
const GREY: PlannedMix = newMix({
  ...{ id: 'value-grey', name: 'grey, for the values', strength: 0.2 },
  parts: [
    { pigment: 'PB29', parts: 3 },
    { pigment: 'PBr7-burnt-sienna', parts: 2 },
  ],
});

/** Passes by which a white is kept, or won back, belong to the white. */
export const keepsWhite = (plan: Plan, act: Act): boolean =>
  act.kind === 'pass' &&
  (act.technique === LIFT || act.technique === OPAQUE) &&
  act.areas.length === 1 &&
  plan.whites.some(
    ({ area, way }) => area === act.areas[0] && way === (act.technique === LIFT ? 'lift' : 'opaque'),
  );

/**
 * The mixes of every area that is to be painted: those it is painted with already; else a mix that is called like it; else the
 * mixes that are left, the palest on the largest. Areas kept white stay so. New mixes are those no plan has yet.
 */
export function coloursOf(plan: Plan): { readonly colours: Colours; readonly added: readonly PlannedMix[] } {
  const mixes = plan.mixes.length > 0 ? plan.mixes : [GREY];
  const colours = new Map<string, PlannedMix[]>();
  for (const { id } of plan.areas) {
    const painted = plan.acts.filter(
      (act): act is Pass =>
        act.kind === 'pass' && act.mix !== null && act.areas.includes(id) && !keepsWhite(plan, act),
    );
    const used = [...new Set(painted.map(({ mix }) => mix))];
    if (used.length > 0)
      colours.set(
        id,
        used.map((mix) => mixes.find((m) => m.id === mix)!),
      );
  }
  const open = plan.areas.filter(({ id }) => !colours.has(id) && !staysWhite(plan, id));
  for (const { id, name } of open) {
    const called = mixes.find((mix) => alike(mix.name, name));
    if (called) colours.set(id, [called]);
  }
  const bySize = open
    .filter(({ id }) => !colours.has(id))
    .sort((a, b) => polygonArea(b.outline) - polygonArea(a.outline));
  const given = new Set([...colours.values()].flat());
  const left = mixes.filter((mix) => !given.has(mix));
  const palestFirst = (left.length > 0 ? left : [...mixes]).sort(
    (a, b) => lightness(plan, b) - lightness(plan, a),
  );
  bySize.forEach(({ id }, i) => colours.set(id, [palestFirst[Math.min(i, palestFirst.length - 1)]]));
  return { colours, added: plan.mixes.length > 0 ? [] : [GREY] };
}

/** Pigments of mixes that are added to a plan. */
export const pigmentsOfMix = ({ parts }: PlannedMix) => parts.map(({ pigment }) => pigmentByCode(pigment));

/** A white that keeps the paper, not a colour. */
const staysWhite = (plan: Plan, id: string): boolean =>
  plan.whites.some(
    ({ area, way, wanted }) => area === id && wanted === null && (way === 'mask' || isPaintedRound(way)),
  );

/** Words of two letters and fewer say nothing of a thing. */
const words = (name: string): string[] =>
  name
    .toLowerCase()
    .split(/[^\p{L}]+/u)
    .filter((word) => word.length > 2);

const alike = (one: string, other: string): boolean => {
  const others = words(other);
  return words(one).some((word) => others.includes(word));
};

function lightness(plan: Plan, mix: PlannedMix): number {
  const pigments = [...plan.embedded.pigments, ...pigmentsOfMix(GREY)];
  const at: Plan = { ...plan, embedded: { ...plan.embedded, pigments } };
  return glazeLab(planPaper(plan), [laidMix(at, mix, REFERENCE_FILM_UM)])[0];
}
