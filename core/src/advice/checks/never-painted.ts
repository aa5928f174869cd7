import { patchesIn, reachedBy, type Patch } from '../../order/areas';
import { maskedAfter, addPass, smallPlan, type Command, type Pass, type Plan } from '../../document/plan';
import type { Check } from './check';
import { kept } from './edge-plans';

/** Something is drawn, and in the end it is bare paper though nobody has said it should be. */
export const neverPainted: Check = {
  id: 'never-painted',
  name: 'Never painted',
  station: 'passes',
  severity: 'look',
  when: 'no pass brings paint to an area that is not kept white',
  source: 'what a plan is for',
  *find({ plan }) {
    const painted = yield* paintedPatches(plan);
    // Before anything is painted there is nothing to miss.
    if (painted.size === 0) return;
    for (const { id, name } of plan.areas) {
      if (isSaidBare(plan, id)) continue;
      const patches = patchesIn(plan, id);
      if (patches.length === 0 || patches.some((patch) => painted.has(patch))) continue;
      const white = {
        id: `white-${id}`,
        area: id,
        way: 'bare',
        tool: null,
        wanted: null,
        edge: 'hard',
      } as const;
      yield {
        where: { area: id },
        number: { value: 0, unit: 'passes', limit: 1 },
        why: `no paint comes to ${name}, and nothing is said of keeping it white.`,
        fix: { says: `Keep ${name} bare`, commands: [{ do: 'keep-white', white } satisfies Command] },
      };
    }
  },
  edges: () => [
    {
      wrong: smallPlan(addPass('wash', 'sky', 'blue')),
      right: smallPlan(addPass('wash', 'sky', 'blue'), kept('field', 'bare')),
    },
    {
      wrong: smallPlan(
        addPass('wash', 'sky', 'blue'),
        addPass('wet', 'field', null, { technique: 'pre-wet' }),
      ),
      right: smallPlan(addPass('wash', 'sky', 'blue'), addPass('wet', 'field', 'blue')),
    },
  ],
};

/** Kept white, drawn to lay something on or round it, or painted by a hand whose strokes are known. */
const isSaidBare = (plan: Plan, area: string): boolean =>
  plan.whites.some((white) => white.area === area) ||
  plan.acts.some((act) =>
    act.kind === 'chore'
      ? act.areas.includes(area)
      : act.shields.some((shield) => shield.area === area) ||
        (act.strokes.length > 0 && act.areas.includes(area)),
  );

/** The patches to which any pass brings paint. */
function* paintedPatches(plan: Plan): Generator<null, ReadonlySet<Patch>> {
  const painted = new Set<Patch>();
  for (const [index, act] of plan.acts.entries()) {
    if (!isPaint(act)) continue;
    yield null;
    const masked = maskedAfter(plan.acts, index);
    for (const patch of reachedBy(plan, act, (id) => masked.has(id)).keys()) painted.add(patch);
  }
  return painted;
}

const isPaint = (act: Plan['acts'][number]): act is Pass => act.kind === 'pass' && act.mix !== null;
