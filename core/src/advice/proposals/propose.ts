import { areasTouch } from '../../order/areas';
import { checkingStops } from '../checks';
import { deltaE00, type Lab } from '../../kit/colour';
import { glazeLab, REFERENCE_FILM_UM, type Mix } from '../../materials/pigment';
import {
  applyCommands,
  colourAt,
  firstFinishing,
  freeId,
  laidMix,
  newPass,
  planPaper,
  type Command,
  type Pass,
  type Plan,
  type PlannedMix,
} from '../../document/plan';
import { layingOut } from '../../order/schedule';
import { asPart, BadInput, done, type Work } from '../../kit/units';
import { coloursOf, keepsWhite, pigmentsOfMix, type Colours } from './colours-of';
import { firstTechnique, furtherTechnique, SAME_COLOUR, type Chosen } from './technique-for';

/** What a plan would be with its passes thought out anew, and the commands that make it so. */
export interface Proposal {
  readonly commands: readonly Command[];
  readonly plan: Plan;
}

/** Stops are mended by their own fixes, at most so many; a plan that needs more is proposed with what is left of them. */
const MOST_FIXES = 30;

/**
 * Proposes the passes of a card from its areas, whites and mixes: light before dark where the painter’s own stacking leaves it
 * open, large washes first, fine things last; what would show through wrongly is painted round. Whites, chores, and what is
 * said of colours stay. Throws `BadInput` where nothing is drawn.
 */
export function* proposing(plan: Plan): Work<Proposal> {
  if (plan.areas.length === 0)
    throw new BadInput('areas', 'nothing is drawn yet: a pass needs an area to lie on');
  const { colours, added } = coloursOf(plan);
  const cleared: Command[] = [
    ...added.map((mix): Command => ({ do: 'put-mix', mix, pigments: pigmentsOfMix(mix) })),
    ...plan.acts
      .filter((act) => act.kind === 'pass' && !keepsWhite(plan, act))
      .map((act): Command => ({ do: 'remove-act', act: act.id })),
  ];
  const bare = applyCommands(plan, cleared).plan;
  yield 0.1;
  const passes = yield* asPart(passesFor(bare, colours, plan), 0.1, 0.3);
  yield 0.3;
  const next = bare.acts.at(firstKept(bare))?.id ?? null;
  const laid: Command[] = passes.map((act) => ({ do: 'add-act', act, before: next }));
  const painted = applyCommands(bare, laid).plan;
  const rounded = yield* asPart(paintedRound(painted, colours), 0.3, 0.4);
  yield 0.4;
  const commands = [...cleared, ...laid, ...rounded];
  return yield* mending(applyCommands(painted, rounded).plan, commands);
}

/** The same in one go. */
export const proposePasses = (plan: Plan): Proposal => done(proposing(plan));

/** Where new passes go: before the first pass that keeps a white, or before finishing. */
function firstKept(plan: Plan): number {
  const kept = plan.acts.findIndex((act) => keepsWhite(plan, act));
  return kept < 0 ? firstFinishing(plan) : kept;
}

/**
 * The passes in their order; areas of one colour that need not wait for one another are one pass. What the painter has said of a
 * colour on an area is kept.
 */
function* passesFor(plan: Plan, colours: Colours, before: Plan): Work<Pass[]> {
  const passes: Pass[] = [];
  const put = (areas: string[], mix: PlannedMix | null, { technique, filmUm }: Chosen): void => {
    const id = freeId([...plan.acts, ...passes], `${areas[0].slice(0, 40)}-${technique}`);
    passes.push(newPass({ id, areas, technique, mix: mix?.id ?? null, filmUm }));
  };
  const coats = yield* asPart(firstCoats(plan, colours), 0, 0.5);
  for (const [i, areas] of coats.entries()) {
    yield 0.5 + (0.5 * i) / coats.length;
    const [mix, ...more] = colours.get(areas[0])!;
    const first =
      said(before, areas[0], mix) ?? (yield* firstTechnique(plan, areas[0], mix, more.length > 0));
    const isWet = first.technique === 'wet-in-wet';
    if (isWet) put(areas, null, { technique: 'pre-wet', filmUm: WETTING_UM });
    put(areas, mix, first);
    const below: Mix[] = [laidMix(plan, mix, first.filmUm)];
    for (const further of more) {
      const chosen = said(before, areas[0], further) ?? furtherTechnique(plan, further, below, isWet);
      put(areas, further, chosen);
      below.push(laidMix(plan, further, chosen.filmUm));
    }
  }
  return passes;
}

/** How an area is painted with a mix already. */
function said(plan: Plan, area: string, mix: PlannedMix): Chosen | null {
  const pass = plan.acts.find(
    (act) => act.kind === 'pass' && act.mix === mix.id && act.areas.includes(area) && !keepsWhite(plan, act),
  );
  return pass?.kind === 'pass' ? { technique: pass.technique, filmUm: pass.filmUm } : null;
}

/** Clear water that a wash is floated into, µm: more than comes with the brush. */
const WETTING_UM = 80;

/**
 * Areas in the order they are begun: always the palest of those that lie on nothing unpainted; areas of the same mixes are taken
 * with it where they do not touch.
 */
function* firstCoats(plan: Plan, colours: Colours): Work<string[][]> {
  const order: string[][] = [];
  const left = plan.areas.map(({ id }) => id).filter((id) => colours.has(id));
  const lightness = new Map(
    left.map((id) => [
      id,
      glazeLab(planPaper(plan), [laidMix(plan, colours.get(id)![0], REFERENCE_FILM_UM)])[0],
    ]),
  );
  const all = Math.max(1, left.length);
  while (left.length > 0) {
    yield 1 - left.length / all;
    const free = left.filter((id, i) => !left.slice(0, i).some((below) => areasTouch(plan, id, below)));
    const next = free.reduce((a, b) => (lightness.get(b)! > lightness.get(a)! ? b : a));
    const same = free.filter(
      (id) => id === next || (alike(colours.get(id)!, colours.get(next)!) && !areasTouch(plan, id, next)),
    );
    // Two that touch each other cannot both be wet.
    const together = same.filter((id, i) => !same.slice(0, i).some((other) => areasTouch(plan, id, other)));
    order.push(together);
    for (const id of together) left.splice(left.indexOf(id), 1);
  }
  return order;
}

const alike = (one: readonly PlannedMix[], other: readonly PlannedMix[]): boolean =>
  one.length === other.length && one.every(({ id }, i) => id === other[i].id);

/** Areas that would dry in another colour than their mixes have on paper, since something lies under them: painted round. */
function* paintedRound(plan: Plan, colours: Colours): Work<Command[]> {
  const commands: Command[] = [];
  for (const [i, { id }] of plan.areas.entries()) {
    yield i / plan.areas.length;
    const mixes = colours.get(id);
    if (!mixes || plan.whites.some(({ area }) => area === id)) continue;
    if (deltaE00(colourAt(plan, id, plan.acts.length), wantedOf(plan, id, mixes)) <= SAME_COLOUR) continue;
    const white = { area: id, way: 'paint-round', tool: null, wanted: null, edge: 'hard' } as const;
    const named = freeId(plan.whites, `round-${id}`.slice(0, 60));
    commands.push({ do: 'keep-white', white: { id: named, ...white } });
  }
  return commands;
}

/** The colour an area is meant to have when dry: the one said of its only mix, else its own passes on bare paper. */
function wantedOf(plan: Plan, area: string, mixes: readonly PlannedMix[]): Lab {
  if (mixes.length === 1 && mixes[0].wanted !== null) return mixes[0].wanted;
  const own = plan.acts.flatMap((act) =>
    act.kind === 'pass' && act.mix !== null && act.areas.includes(area) && !keepsWhite(plan, act)
      ? [
          laidMix(
            plan,
            plan.mixes.find(({ id }) => id === act.mix)!,
            act.filmUm,
          ),
        ]
      : [],
  );
  return glazeLab(planPaper(plan), own);
}

/** With the fixes of what would stop the work. */
function* mending(plan: Plan, commands: readonly Command[]): Work<Proposal> {
  let [now, all] = [plan, commands];
  for (let i = 0; i < MOST_FIXES; i++) {
    const stops = yield* asPart(checkingStops(now, yield* layingOut(now)), 0.4, 1);
    const fix = stops.find((stop) => stop.fix)?.fix;
    if (!fix) break;
    all = [...all, ...fix.commands];
    now = applyCommands(now, fix.commands).plan;
  }
  return { plan: now, commands: all };
}
