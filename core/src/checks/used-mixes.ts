import type { Pass, Plan, PlannedMix } from '../plan';

/** The mixes that are painted with, and the first pass of each that lies on an area. */
export const usedMixes = (plan: Plan): { mix: PlannedMix; pass: Pass }[] =>
  plan.mixes.flatMap((mix) => {
    const pass = plan.acts.find(
      (act): act is Pass => act.kind === 'pass' && act.mix === mix.id && act.areas.length > 0,
    );
    return pass ? [{ mix, pass }] : [];
  });
