import { glazeLab } from '../../materials/pigment';
import {
  laidMix,
  mixOf,
  planPaper,
  techniqueOf,
  type Pass,
  type Plan,
  type PlannedMix,
  addPass,
  smallPlan,
} from '../../document/plan';
import type { Check } from './check';
import { remixed, strengthWhere } from './fixes';
import { mixFrom } from './edge-plans';

/** A dry colour this much lighter than wanted is seen at once, L*. Our default. */
const LIMIT_L = 5;

/** Watercolour is darker wet than dry: a pass that leaves too little pigment for the colour wanted once it is dry. */
export const driesTooPale: Check = {
  id: 'dries-too-pale',
  name: 'Dries too pale',
  station: 'passes',
  severity: 'look',
  when: `a wash dries over ${LIMIT_L} L* lighter than wanted`,
  source: 'ours',
  *find({ plan }) {
    for (const act of plan.acts) {
      if (act.kind !== 'pass' || act.mix === null || techniqueOf(act.technique).start === 'wet') continue;
      const mix = mixOf(plan, act.mix);
      if (mix.wanted === null) continue;
      const tooLightL = dryLightness(plan, act, mix) - mix.wanted[0];
      if (tooLightL <= LIMIT_L) continue;
      const wantedL = mix.wanted[0];
      const strength = yield* strengthWhere(
        mix.strength,
        1,
        (tried) => dryLightness(plan, act, { ...mix, strength: tried }) <= wantedL,
      );
      yield {
        where: { pass: act.id, area: act.areas.at(0) },
        number: { value: Math.round(10 * tooLightL) / 10, unit: 'L*', limit: LIMIT_L },
        why: `${mix.name} dries ${tooLightL.toFixed(1)} L* lighter than wanted; wet it looks darker than it will be.`,
        ...(strength === null ? {} : { fix: remixed(mix, strength) }),
      };
    }
  },
  edges: () => [{ wrong: paleBy(5.2), right: paleBy(4.8) }],
};

/** A wash that dries so much lighter than wanted, L*. */
function paleBy(tooLightL: number): Plan {
  const laid = (wantedL: number | null): Plan =>
    smallPlan(
      mixFrom('pale', ['PB29'], { strength: 0.2, wanted: wantedL === null ? null : [wantedL, 0, 0] }),
      addPass('wash', 'sky', 'pale'),
    );
  const plan = laid(null);
  const pass = plan.acts.find((act): act is Pass => act.id === 'wash')!;
  return laid(dryLightness(plan, pass, mixOf(plan, 'pale')) - tooLightL);
}

const dryLightness = (plan: Plan, { filmUm }: Pass, mix: PlannedMix): number =>
  glazeLab(planPaper(plan), [laidMix(plan, mix, filmUm)])[0];
