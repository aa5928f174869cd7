import type { Pigment } from '../../materials/pigment';
import type { Plan } from './plan';

/** Freezes pigments into the plan; one that is there stays as it was, unless its spectra have been measured anew. */
export function embed(plan: Plan, pigments: readonly Pigment[]): void {
  for (const pigment of pigments) {
    const at = plan.embedded.pigments.findIndex(({ code }) => code === pigment.code);
    if (at < 0) plan.embedded.pigments.push(pigment);
    else if (plan.embedded.pigments[at].revision < pigment.revision) plan.embedded.pigments[at] = pigment;
  }
}

/** Pigments the mixes of a plan are made of. */
export const mixedFrom = (plan: Plan): string[] =>
  plan.mixes.flatMap((mix) => mix.parts.map((part) => part.pigment));

/** What no mix, dish or trial sheet uses any longer is not kept with the plan. */
export function dropUnused(plan: Plan): void {
  const used = new Set([
    ...plan.palette,
    ...mixedFrom(plan),
    ...plan.trials.flatMap(({ pigments }) => pigments),
  ]);
  const papers = new Set([plan.paper, ...plan.trials.map(({ paper }) => paper)]);
  plan.embedded.pigments = plan.embedded.pigments.filter((p) => used.has(p.code));
  plan.embedded.papers = plan.embedded.papers.filter((p) => papers.has(p.id));
}
