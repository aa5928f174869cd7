import type { Command, Plan, PlannedMix, Start } from '../../document/plan';
import type { Breath, Found } from './check';

/** Makes a pass wait until all it touches is dry. */
export const waitUntilDry = (pass: string): Command => beginAt(pass, 'when-dry');

export const beginAt = (pass: string, start: Start): Command => ({
  do: 'change-pass',
  pass,
  change: { start },
});

/** A strength is found to this share of it: mixes are stirred no finer. */
const FINDS_TO = 0.01;

/** The strength nearest to the first, on the way to the last, at which something holds; `null` where it does not even there. */
export function* strengthWhere(
  from: number,
  to: number,
  holds: (strength: number) => boolean,
): Generator<Breath, number | null> {
  if (!holds(to)) return null;
  let [without, withIt] = [from, to];
  while (Math.abs(withIt - without) > FINDS_TO * withIt) {
    yield null;
    const middle = (without + withIt) / 2;
    if (holds(middle)) withIt = middle;
    else without = middle;
  }
  return withIt;
}

/** A mix of another strength. */
export const remixed = (mix: PlannedMix, strength: number): NonNullable<Found['fix']> => ({
  says: `Mix ${mix.name} ${strength > mix.strength ? 'stronger' : 'weaker'}, ${Math.round(100 * strength)} %`,
  commands: [{ do: 'put-mix', mix: { ...mix, strength }, pigments: [] }],
});

/** The plan as it would be with a mix of another strength: tried a hundred times before one is offered, so nothing else is touched. */
export const withStrength = (plan: Plan, { id }: PlannedMix, strength: number): Plan => ({
  ...plan,
  mixes: plan.mixes.map((mix) => (mix.id === id ? { ...mix, strength } : mix)),
});

/** Mixes are made no weaker than this. */
export const WEAKEST = 0.02;

/** One of some mixes, the first that does it, made as much stronger or weaker as is needed for something to hold. */
export function* mixedUntil(
  plan: Plan,
  mixes: readonly PlannedMix[],
  to: number,
  holds: (changed: Plan) => boolean,
): Generator<Breath, Pick<Found, 'fix'>> {
  for (const mix of mixes) {
    yield null;
    const strength = yield* strengthWhere(mix.strength, to, (tried) => holds(withStrength(plan, mix, tried)));
    if (strength !== null) return { fix: remixed(mix, strength) };
  }
  return {};
}
