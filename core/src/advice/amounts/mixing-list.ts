import { mediumOf, pigmentByCode, REFERENCE_FILM_UM } from '../../materials/pigment';
import {
  variantsOf,
  outlineOf,
  techniqueOf,
  type Pass,
  type Plan,
  type PlannedMix,
  type Studio,
} from '../../document/plan';
import { BRUSH_LOADS, brushFor } from '../../simulation/water';
import { done, type Work } from '../../kit/units';
import { paintByMix } from './usage';

/** How much of one mix a whole batch takes, and how it is mixed. */
export interface MixAmount {
  readonly mix: string;
  /** What all passes leave on all copies, ml. */
  readonly usedMl: number;
  /** What is to be mixed: what is used, what is rinsed out of brushes, what stays in the wells. */
  readonly mixMl: number;
  readonly lostMl: number;
  readonly waterMl: number;
  /** Paint of each pigment as it comes from pan, tube or bottle, ml, and the dry pigment in it, g. */
  readonly paint: readonly { readonly pigment: string; readonly ml: number; readonly dryG: number }[];
  /** Loaded brushes of what a hand would take for its areas. */
  readonly brushLoads: number;
  /** Wells it fills. */
  readonly wells: number;
  /** What is missing of it, ml, where the painter has said how much is mixed; 0 where it is enough. */
  readonly shortMl: number;
  /** It has to stand ready before anything is wetted: it goes into the wet, and there is no time then to mix more. */
  readonly beforeWetting: boolean;
}

/** What every mix of a plan takes for all copies and spares, each as it is painted, in the order of the mixes; those no pass uses are left out. */
export function* reckoningAmounts(plan: Plan, dish: Studio['dish']): Work<MixAmount[]> {
  const uses: { act: Pass; mix: string; ml: number }[] = [];
  const kinds = variantsOf(plan);
  for (const [n, { copies, plan: own }] of kinds.entries())
    for (const [index, act] of own.acts.entries()) {
      if (act.kind !== 'pass') continue;
      yield (n + index / own.acts.length) / kinds.length;
      for (const [mix, ml] of paintByMix(own, index)) uses.push({ act, mix, ml: copies * ml });
    }
  return plan.mixes.flatMap((mix): MixAmount[] => {
    const own = uses.filter((use) => use.mix === mix.id);
    if (own.length === 0) return [];
    const usedMl = own.reduce((sum, { ml }) => sum + ml, 0);
    const { mixMl, wells } = poured(usedMl, dish);
    return [
      {
        ...{ mix: mix.id, usedMl, mixMl, lostMl: mixMl - usedMl, wells },
        waterMl: mixMl * (1 - mix.strength),
        paint: paintIn(plan, mix, mixMl),
        brushLoads: own.reduce((sum, { act, ml }) => sum + ml / loadOf(plan, act), 0),
        shortMl: mix.mixedMl === null ? 0 : Math.max(0, mixMl - mix.mixedMl),
        beforeWetting: own.some(({ act }) => techniqueOf(act.technique).start === 'wet'),
      },
    ];
  });
}

/** The same in one go. */
export const mixingList = (plan: Plan, dish: Studio['dish']): MixAmount[] =>
  done(reckoningAmounts(plan, dish));

/** How much has to be poured for so much on the paper: brushes are rinsed, and a rest stays in every well. */
function poured(
  usedMl: number,
  { wellMl, leftMl, rinsed }: Studio['dish'],
): { mixMl: number; wells: number } {
  const takenMl = usedMl / (1 - rinsed);
  const holds = Math.max(wellMl - leftMl, wellMl * LEAST_USABLE);
  const wells = Math.max(1, Math.ceil(takenMl / holds - 1e-9));
  return { mixMl: takenMl + wells * Math.min(leftMl, wellMl - holds), wells };
}

/** Of a well at least this share comes out, or nothing could be painted from it. */
const LEAST_USABLE = 0.2;

function paintIn(plan: Plan, { parts, strength, medium }: PlannedMix, mixMl: number): MixAmount['paint'] {
  const all = parts.reduce((sum, { parts: n }) => sum + n, 0);
  return parts.map(({ pigment: code, parts: n }) => {
    const ml = (mixMl * strength * n) / all;
    const { masstoneLoadGm2 } = pigmentByCode(code, 'pigment', plan.embedded.pigments);
    // A film of 1 µm on 1 m² is 1 ml.
    return { pigment: code, ml, dryG: (ml * masstoneLoadGm2 * mediumOf(medium).body) / REFERENCE_FILM_UM };
  });
}

/** What a loaded brush gives on the areas of a pass, ml: the brush a hand would take for the largest of them. */
function loadOf(plan: Plan, { areas }: Pass): number {
  const brushes = areas.map((area) => brushFor(outlineOf(plan, area)));
  return BRUSH_LOADS.loaded * Math.max(...brushes.map(({ bellyMl }) => bellyMl), 0.01);
}
