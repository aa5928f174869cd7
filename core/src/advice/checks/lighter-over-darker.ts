import { glazeLab, REFERENCE_FILM_UM } from '../../materials/pigment';
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
  addPass,
  smallPlan,
} from '../../document/plan';
import type { Check, Found } from './check';
import { mixFrom } from './edge-plans';
import { uppermost } from './used-mixes';

/** A dry colour this much darker than wanted is seen at once, L*. Our default. */
const LIMIT_L = 5;

/** Paint through which less than this of its ground's darkness is seen covers it: undiluted titanium white may go over dark. Ours. */
const SHOWS = 0.25;

/**
 * Transparent paint cannot lighten: the predicted dry colour of a pass over what lies under is darker
 * than the colour wanted. Where none is named, wanted is the mix as it looks on bare paper, unless it is the darker
 * anyway; a glaze, or a colour put into a wet one, is meant to be changed by its ground and is then let be.
 */
export const lighterOverDarker: Check = {
  id: 'lighter-over-darker',
  name: 'Light over dark',
  station: 'colours',
  severity: 'look',
  when: `what is laid dries over ${LIMIT_L} L* darker than wanted, for what lies under it`,
  source: 'ours',
  *find({ plan, timeline }) {
    for (const [index, { act }] of timeline.steps.entries()) {
      if (act.kind !== 'pass' || act.mix === null) continue;
      yield null;
      const mix = mixOf(plan, act.mix);
      if (mix.wanted === null && techniqueOf(act.technique).showsGround) continue;
      const paper = planPaper(plan);
      const ownL = glazeLab(paper, [laidMix(plan, mix, act.filmUm)])[0];
      const wantedL = mix.wanted?.[0] ?? ownL;
      const deepestL = glazeLab(paper, [laidMix(plan, mix, Math.max(act.filmUm, REFERENCE_FILM_UM))])[0];
      for (const area of act.areas) {
        const covered = layersAt(plan, area, index).length;
        if (covered === 0 || layersAt(plan, area, index + 1).length <= covered) continue;
        const [groundL, reachedL] = [index, index + 1].map((count) => colourAt(plan, area, count)[0]);
        if (wantedL - reachedL <= LIMIT_L) continue;
        // A second coat of the same is meant to be darker.
        const below = uppermost({ acts: plan.acts.slice(0, index) }, area);
        if (mix.wanted === null && below?.mix === act.mix) continue;
        // Dark over pale is no mistake, however thin the dark is laid.
        if (mix.wanted === null && deepestL - groundL <= LIMIT_L) continue;
        if (ownL - reachedL < SHOWS * (ownL - groundL)) continue;
        yield {
          where: { area, pass: act.id },
          number: { value: round1(wantedL - reachedL), unit: 'L*', limit: LIMIT_L },
          why: `${mix.name} is wanted at L* ${Math.round(wantedL)}, over what lies on ${areaOf(plan, area).name} it dries at ${Math.round(reachedL)}: transparent paint cannot lighten. Keep a white there, lift, or use an opaque.`,
          ...paintedRound(plan, area, index),
        };
      }
    }
  },
  edges: () => {
    const reachedL = reachedOver(overDark(null));
    return [{ wrong: overDark(reachedL + 5.2), right: overDark(reachedL + 4.8) }];
  },
};

/** Lemon laid over a dark sky, wanted so light. */
const overDark = (wantedL: number | null): Plan =>
  smallPlan(
    mixFrom('lemon', ['PY3'], { strength: 0.2, wanted: wantedL === null ? null : [wantedL, 0, 0] }),
    addPass('dark', 'sky', 'dark'),
    addPass('light', 'sky', 'lemon'),
  );

const reachedOver = (plan: Plan): number => colourAt(plan, 'sky', plan.acts.length)[0];

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
