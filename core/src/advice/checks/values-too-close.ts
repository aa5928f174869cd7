import {
  colourAt,
  mixOf,
  nameOf,
  techniqueOf,
  type Plan,
  type PlannedMix,
  addArea,
  addPass,
  smallPlan,
} from '../../document/plan';
import { sharedEdges } from '../values';
import { LOST_EDGE_L } from '../whites';
import type { Breath, Check, Found } from './check';
import { remixed, strengthWhere, WEAKEST, withStrength } from './fixes';
import { uppermost } from './used-mixes';
import { mixFrom } from './edge-plans';
import { rectangle } from '../../kit/geometry';

/** Two painted neighbours so alike in lightness that the edge between them is lost. */
export const valuesTooClose: Check = {
  id: 'values-too-close',
  name: 'Edge lost between neighbours',
  station: 'passes',
  severity: 'note',
  when: `painted neighbours lie under ${LOST_EDGE_L} L* apart`,
  source: 'ours',
  *find({ plan }) {
    // How light metal is hangs on where it is seen from.
    const isPainted = (area: string): boolean => {
      const mix = mixOn(plan, area);
      return mix !== null && mixOf(plan, mix).medium !== 'metallic' && !isIntoWet(plan, area);
    };
    for (const { one, other, lost, differenceL } of sharedEdges(plan))
      if (lost && isPainted(one) && isPainted(other))
        yield {
          ...(yield* mended(plan, one, other)),
          where: { area: other, pair: one },
          number: { value: Math.round(10 * differenceL) / 10, unit: 'L*', limit: LOST_EDGE_L },
          why: `${nameOf(plan, one)} and ${nameOf(plan, other)} differ by ${differenceL.toFixed(1)} L* where they meet: the edge is lost, unless you want it so.`,
        };
  },
  edges: () => [{ wrong: hillAgainstSky(0.2), right: hillAgainstSky(0.9) }],
};

/** A hill in the same blue as the sky it meets, so strong. */
const hillAgainstSky = (strength: number): Plan =>
  smallPlan(
    addArea('hill', rectangle(0, 50, 148, 9)),
    mixFrom('far', ['PB29'], { strength }),
    addPass('sky', 'sky', 'blue'),
    addPass('hill', 'hill', 'far'),
  );

/** The smallest change of strength of one of their mixes that parts two areas; nothing where there is none. */
function* mended(plan: Plan, one: string, other: string): Generator<Breath, Pick<Found, 'fix'>> {
  const lightness = (at: Plan, area: string): number => colourAt(at, area, at.acts.length)[0];
  const [darker, lighter] = lightness(plan, one) < lightness(plan, other) ? [one, other] : [other, one];
  const [deep, pale] = [mixOn(plan, darker), mixOn(plan, lighter)];
  if (deep === null || pale === null || deep === pale) return {};
  const changed: { mix: PlannedMix; strength: number }[] = [];
  for (const [id, to] of [
    [deep, 1],
    [pale, WEAKEST],
  ] as const) {
    const mix = mixOf(plan, id);
    const strength = yield* strengthWhere(mix.strength, to, (tried) => {
      const at = withStrength(plan, mix, inThousandths(tried));
      return lightness(at, lighter) - lightness(at, darker) >= LOST_EDGE_L;
    });
    if (strength !== null) changed.push({ mix, strength: inThousandths(strength) });
  }
  const byHowMuch = ({ mix, strength }: (typeof changed)[number]): number =>
    Math.abs(Math.log(strength / mix.strength));
  const least = changed.sort((a, b) => byHowMuch(a) - byHowMuch(b)).at(0);
  return least ? { fix: remixed(least.mix, least.strength) } : {};
}

const inThousandths = (strength: number): number => Math.round(1000 * strength) / 1000;

/** What is charged into a wet wash has no edge to lose. */
const isIntoWet = (plan: Plan, area: string): boolean => {
  const pass = uppermost(plan, area);
  return pass !== undefined && techniqueOf(pass.technique).start === 'wet';
};

const mixOn = (plan: Plan, area: string): string | null => uppermost(plan, area)?.mix ?? null;
