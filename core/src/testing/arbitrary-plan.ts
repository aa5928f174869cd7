import fc from 'fast-check';
import { rectangle } from '../kit/geometry';
import { MASKING_TOOL_IDS } from '../drawing/masking';
import {
  addArea,
  addMix,
  addPass,
  CHORES,
  LIES,
  mixesOf,
  TECHNIQUES,
  WAYS,
  type Command,
  type Plan,
} from '../document/plan';

const AREAS = ['sky', 'field', 'boat', 'reeds', 'moon'];
const MIXES = ['blue', 'dark', 'lemon'];

const areaId = fc.constantFrom(...AREAS);
const number = (min: number, max: number): fc.Arbitrary<number> => fc.double({ min, max, noNaN: true });

const passId = fc.integer({ min: 1, max: 6 }).map((n) => `pass-${n}`);

/** A stroke of a masking tool down the panel. */
const stroke = (x: number) => ({
  id: `stroke-${x}`,
  points: [[x, 10, 0.2] as const, [x + 3, 45, 0.8] as const],
});

const pass = fc
  .record({
    id: fc.integer({ min: 1, max: 6 }).map((n) => `pass-${n}`),
    area: areaId,
    mix: fc.option(fc.constantFrom(...MIXES)),
    technique: fc.constantFrom(...TECHNIQUES.map(({ id }) => id)),
    filmUm: number(5, 250),
    start: fc.oneof(
      fc.constantFrom('when-dry' as const, 'straight-on' as const),
      fc.record({ atS: number(0, 9000) }),
    ),
    handsS: fc.option(number(5, 400)),
    covers: number(0.01, 1),
    shields: fc.array(
      fc.record({
        area: areaId,
        lies: fc.constantFrom('over' as const, 'round' as const),
        edge: fc.constantFrom('cut' as const, 'torn' as const),
      }),
      { maxLength: 2 },
    ),
    also: fc.array(
      fc.record({
        mix: fc.constantFrom(...MIXES),
        lies: fc.constantFrom(...LIES),
        share: number(0.05, 0.95),
      }),
      { maxLength: 2 },
    ),
  })
  // Clear water is laid alone.
  .map(({ id, area, mix, also, ...rest }) => addPass(id, area, mix, { ...rest, also: mix ? also : [] }));

/** Any command a painter's press could lead to on the test plan; some name things that are not there. */
export const anyCommand: fc.Arbitrary<Command> = fc.oneof(
  fc.string({ minLength: 1, maxLength: 20 }).map((title): Command => ({ do: 'rename', title })),
  number(0, 1).map((rh): Command => ({ do: 'set-climate', change: { rh } })),
  number(1, 35).map((tempC): Command => ({ do: 'set-climate', change: { tempC } })),
  fc
    .constantFrom('side', 'top', 'flat')
    .map((fold): Command => ({ do: 'set-format', change: { fold: fold } })),
  fc
    .record({ id: areaId, x: number(0, 100), y: number(0, 60), w: number(2, 60), h: number(2, 60) })
    .map(({ id, x, y, w, h }) => addArea(id, rectangle(x, y, w, h))),
  areaId.map((area): Command => ({ do: 'remove-area', area })),
  fc.record({ area: areaId, way: fc.constantFrom(...WAYS) }).map(({ area, way }): Command => ({
    do: 'keep-white',
    white: { id: `white-${area}`, area, way, tool: null, wanted: null, edge: 'hard' },
  })),
  fc
    .record({ masked: areaId, on: fc.option(passId), off: fc.option(passId) })
    .map(({ masked, on, off }): Command => ({ do: 'mask-when', masked, on, off })),
  fc
    .record({
      tool: fc.constantFrom(...MASKING_TOOL_IDS),
      n: fc.integer({ min: 1, max: 3 }),
      x: number(0, 140),
    })
    .map(({ tool, n, x }): Command => ({
      do: 'put-resist',
      resist: { id: `hand-${n}`, name: `mask ${n}`, tool, strokes: [stroke(x)], drops: [[x, 30, 0.5]] },
    })),
  fc.record({ n: fc.integer({ min: 1, max: 3 }), x: number(0, 140) }).map(({ n, x }): Command => ({
    do: 'mask-stroke',
    resist: { id: `hand-${n}`, name: 'by hand', tool: 'ruling-pen' },
    stroke: stroke(x),
  })),
  fc.record({ n: fc.integer({ min: 1, max: 3 }), x: number(0, 140) }).map(({ n, x }): Command => ({
    ...{ do: 'lift-mask', resist: `hand-${n}` },
    ...{ strokes: [`stroke-${x}`], drops: [0] },
  })),
  fc.integer({ min: 1, max: 3 }).map((n): Command => ({ do: 'remove-resist', resist: `hand-${n}` })),
  areaId.map((area): Command => ({ do: 'give-up-white', white: `white-${area}` })),
  fc.constantFrom(...MIXES).map((mix): Command => ({ do: 'remove-mix', mix })),
  fc
    .record({ id: fc.constantFrom(...MIXES), strength: number(0.02, 1) })
    .map(({ id, strength }) => addMix(id, strength, 'PB29')),
  pass,
  fc
    .record({ n: fc.integer({ min: 1, max: 2 }), pass: passId, mix: fc.option(fc.constantFrom(...MIXES)) })
    .map(({ n, pass: id, mix }): Command => ({
      do: 'vary',
      variant: {
        ...{ id: `variant-${n}`, name: `variant ${n}`, copies: n },
        changes: [mix ? { do: 'lay-in', pass: id, mix } : { do: 'leave-out', pass: id }],
      },
    })),
  fc.integer({ min: 1, max: 2 }).map((n): Command => ({ do: 'take-variant', variant: `variant-${n}` })),
  fc.integer({ min: 1, max: 6 }).map((n): Command => ({ do: 'remove-act', act: `pass-${n}` })),
  fc
    .shuffledSubarray(['pass-1', 'pass-2', 'prepare', 'tape', 'nobody'])
    .map((order): Command => ({ do: 'order-acts', order })),
  fc
    .record({ n: fc.integer({ min: 1, max: 6 }), to: fc.nat(20) })
    .map(({ n, to }): Command => ({ do: 'move-act', act: `pass-${n}`, to })),
  fc.constantFrom(...CHORES.map(({ id }) => id)).map((chore): Command => ({ do: 'remove-act', act: chore })),
);

/** Would the plan refuse this command, since it names what is not there or is there already? The app never sends such. */
export function isSensible(plan: Plan, command: Command): boolean {
  const has = (list: readonly { id: string }[], id: string): boolean => list.some((entry) => entry.id === id);
  switch (command.do) {
    case 'add-area':
      return !has(plan.areas, command.area.id);
    case 'keep-white':
      return has(plan.areas, command.white.area);
    case 'add-act':
      return (
        !has(plan.acts, command.act.id) &&
        command.act.areas.every((area) => has(plan.areas, area)) &&
        (command.act.kind !== 'pass' || command.act.shields.every(({ area }) => has(plan.areas, area))) &&
        (command.act.kind !== 'pass' || mixesOf(command.act).every((mix) => has(plan.mixes, mix)))
      );
    case 'vary':
      return command.variant.changes.every(
        (change) => has(plan.acts, change.pass) && (change.do === 'leave-out' || has(plan.mixes, change.mix)),
      );
    default:
      return true;
  }
}

/** Plans that come of a painter pressing at random. */
export const anyCommands = fc.array(anyCommand, { minLength: 1, maxLength: 25 });
