import { copiesOf } from '../amounts';
import { choreOf, handsOn, type Act, type Plan } from '../plan';
import { sequence, sequenceRequestSchema, type PlacedTask } from '../sequencing';
import { BadInput, type Work } from '../units';
import { withBreaks, type Break } from './breaks';
import { lagsOf } from './lags';
import { layOut } from './timeline';

/** All copies of a card painted side by side on the boards there are. */
export interface Batch {
  readonly copies: number;
  /** Every act on every copy, the earliest first, after what is done once for all. Copies are counted from 1. */
  readonly steps: readonly PlacedTask[];
  readonly breaks: readonly Break[];
  /** What is done once, before the first copy, s. */
  readonly onceS: number;
  readonly endS: number;
  /** No order can end earlier. */
  readonly leastS: number;
  /** The same copies one after another, each when the one before it is done, s. */
  readonly oneByOneS: number;
}

/** Done once, however many copies there are. */
const ONCE = 'prepare';

/** Rests longer than this are for the night, not for the table, s. */
const OVERNIGHT_S = 3600;

/**
 * Puts all copies and spares of a card in one order, stage by stage where that is quickest: hands, boards and the latest starts
 * of what goes into the wet kept, a break at least every three quarters of an hour. Throws `BadInput` where no order can be.
 */
export function* batchOf(plan: Plan): Work<Batch> {
  const timeline = layOut(plan);
  const acts = plan.acts.filter((act) => !isApart(act));
  if (timeline.never.length > 0 || acts.length === 0)
    throw new BadInput('acts', 'there is nothing to paint, or something never dries in this air');
  const copies = copiesOf(plan);
  const lags = lagsOf(plan, timeline, acts);
  const ask = (n: number) =>
    sequenceRequestSchema.parse({
      tasks: acts.map((act) => ({ id: act.id, handsS: handsOn(plan, act), ...boardOf(act) })),
      lags,
      copies: n,
      hands: plan.table.hands,
      ...(takesBoards(acts) ? { boards: plan.table.boards } : {}),
    });
  const alone = yield* sequence(ask(1));
  const all = copies === 1 ? alone : yield* sequence(ask(copies));
  if (alone.makespanS === null || all.makespanS === null)
    throw new BadInput(
      'acts',
      `no order keeps all of this: ${(alone.conflict ?? all.conflict ?? []).join(', ')}`,
    );
  const onceS = plan.acts
    .filter((act) => act.kind === 'chore' && act.chore === ONCE)
    .reduce((sum, act) => sum + handsOn(plan, act), 0);
  const placed = [...all.tasks]
    .sort((a, b) => a.startS - b.startS || a.copy - b.copy)
    .map((task) => ({ ...task, startS: task.startS + onceS, endS: task.endS + onceS }));
  const { steps, breaks } = plan.table.hands === 1 ? withBreaks(placed, lags) : { steps: placed, breaks: [] };
  return {
    ...{ copies, steps, breaks, onceS },
    endS: Math.max(...steps.map(({ endS }) => endS)),
    leastS: onceS + all.lowerBoundS,
    oneByOneS: onceS + copies * alone.makespanS,
  };
}

const isApart = (act: Act): boolean =>
  act.kind === 'chore' && (act.chore === ONCE || choreOf(act.chore).waitS >= OVERNIGHT_S);

const boardOf = (act: Act): { board?: 'takes' | 'frees' } =>
  act.kind === 'chore' && act.chore === 'tape'
    ? { board: 'takes' }
    : act.kind === 'chore' && act.chore === 'untape'
      ? { board: 'frees' }
      : {};

/** A card that is never taped needs no board. */
const takesBoards = (acts: readonly Act[]): boolean =>
  ['tape', 'untape'].every((chore) => acts.some((act) => act.kind === 'chore' && act.chore === chore));
