import { glazeLab } from '../../materials/pigment';
import {
  applyCommands,
  areaOf,
  colourAt,
  freeId,
  laidMix,
  layersAt,
  mixOf,
  planPaper,
  techniqueOf,
  type Command,
  type Plan,
} from '../../document/plan';
import type { Check, Found } from './check';

/** A dry colour this much darker than wanted is seen at once, L*. Our default. */
const LIMIT_L = 5;

/**
 * Transparent paint cannot lighten: the predicted dry colour of a pass over what lies under is darker
 * than the colour wanted. Where none is named, wanted is the mix as it looks on bare paper; a glaze, or a
 * colour put into a wet one, is meant to be changed by its ground and is then let be.
 */
export const lighterOverDarker: Check = {
  id: 'lighter-over-darker',
  station: 'colours',
  severity: 'look',
  *find({ plan, timeline }) {
    for (const [index, { act }] of timeline.steps.entries()) {
      if (act.kind !== 'pass' || act.mix === null) continue;
      yield null;
      const mix = mixOf(plan, act.mix);
      if (mix.wanted === null && changedByGround(act.technique)) continue;
      const wantedL = (mix.wanted ?? glazeLab(planPaper(plan), [laidMix(plan, mix, act.filmUm)]))[0];
      for (const area of act.areas) {
        const covered = layersAt(plan, area, index).length;
        if (covered === 0 || layersAt(plan, area, index + 1).length <= covered) continue;
        const reachedL = colourAt(plan, area, index + 1)[0];
        if (wantedL - reachedL <= LIMIT_L) continue;
        yield {
          where: { area, pass: act.id },
          number: { value: round1(wantedL - reachedL), unit: 'L*', limit: LIMIT_L },
          why: `${mix.name} is wanted at L* ${Math.round(wantedL)}, over what lies on ${areaOf(plan, area).name} it dries at ${Math.round(reachedL)}: transparent paint cannot lighten. Keep a white there, lift, or use an opaque.`,
          ...paintedRound(plan, area, index),
        };
      }
    }
  },
};

const changedByGround = (technique: string): boolean =>
  technique === 'glaze' || techniqueOf(technique).start === 'wet';

/** What lies under an area goes round it instead, where that leaves the paper bare for it. */
function paintedRound(plan: Plan, area: string, index: number): Pick<Found, 'fix'> {
  if (plan.whites.some((white) => white.area === area)) return {};
  const white = { area, way: 'paint-round', tool: null, wanted: null, edge: 'hard' } as const;
  const commands: Command[] = [
    { do: 'keep-white', white: { id: freeId(plan.whites, `white-${area}`), ...white } },
  ];
  const changed = applyCommands(plan, commands).plan;
  return layersAt(changed, area, index).length > 0
    ? {}
    : { fix: { says: `Paint round ${areaOf(plan, area).name}`, commands } };
}

const round1 = (value: number): number => Math.round(value * 10) / 10;
