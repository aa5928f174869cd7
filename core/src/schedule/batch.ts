import { copiesOf } from '../amounts';
import type { Evening } from '../occasion';
import { choreOf, handsOn, type Act, type Plan } from '../plan';
import {
  sequence,
  sequenceRequestSchema,
  type Lag,
  type PlacedTask,
  type Sequence,
  type Task,
} from '../sequencing';
import { BadInput, type Work } from '../units';
import { withBreaks, type Break } from './breaks';
import { overEvenings, type BatchEvening } from './over-evenings';
import { lagsOf } from './lags';
import { layOut } from './timeline';

/** All copies of a card, or several cards, painted side by side on the boards there are. */
export interface Batch {
  /** How many sheets; of several cards each is a copy. */
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
  /** How it falls on the painter's evenings; none where no evenings are given, `null` where they run out. */
  readonly evenings: readonly BatchEvening[] | null;
}

/** Done once, however many copies there are. */
const ONCE = 'prepare';

/** Rests longer than this are for the night, not for the table, s. */
const OVERNIGHT_S = 3600;

/** The evenings a painter has, and the day it is. */
interface Days {
  readonly evenings: readonly Evening[];
  readonly today: string;
}

/**
 * Puts all copies and spares of a card in one order, stage by stage where that is quickest: hands, boards and the latest starts
 * of what goes into the wet kept, a break at least every three quarters of an hour; then over the evenings there are. Throws
 * `BadInput` where no order can be.
 */
export function* batchOf(plan: Plan, days: Days): Work<Batch> {
  const part = partOf(plan);
  const copies = copiesOf(plan);
  const alone = yield* ordered([part], 1);
  const all = copies === 1 ? alone : yield* ordered([part], copies);
  return laidOut([part], all, days, { copies, oneByOneS: part.onceS + copies * alone.makespanS });
}

/**
 * Puts several cards, one of each, in one order, so that one is painted while another dries; a copy of the answer is a card, in
 * the order they are given. Hands and boards are those of the first. Throws `BadInput` where no order can be.
 */
export function* togetherOf(plans: readonly Plan[], days: Days): Work<Batch> {
  const parts = plans.map((plan, i) => named(partOf(plan), i + 1));
  let oneByOneS = 0;
  for (const part of parts) oneByOneS += part.onceS + (yield* ordered([part], 1)).makespanS;
  const batch = laidOut(parts, yield* ordered(parts, 1), days, { copies: plans.length, oneByOneS });
  return { ...batch, steps: batch.steps.map(unnamed) };
}

/** What one card adds to an order. */
interface Part {
  readonly plan: Plan;
  readonly tasks: readonly Task[];
  readonly lags: readonly Lag[];
  /** Done before it, once however many copies there are, s. */
  readonly onceS: number;
}

function partOf(plan: Plan): Part {
  const timeline = layOut(plan);
  const acts = plan.acts.filter((act) => !isApart(act));
  if (timeline.never.length > 0 || acts.length === 0)
    throw new BadInput('acts', 'there is nothing to paint, or something never dries in this air');
  return {
    plan,
    tasks: acts.map((act) => ({ id: act.id, handsS: handsOn(plan, act), ...boardOf(act) })),
    lags: lagsOf(plan, timeline, acts),
    onceS: plan.acts
      .filter((act) => act.kind === 'chore' && act.chore === ONCE)
      .reduce((sum, act) => sum + handsOn(plan, act), 0),
  };
}

/** Acts of different cards may have the same id: each is named by its card’s number too. */
const named = ({ tasks, lags, ...part }: Part, card: number): Part => ({
  ...part,
  tasks: tasks.map((task) => ({ ...task, id: `${card} ${task.id}`, card: String(card) })),
  lags: lags.map((lag) => ({ ...lag, from: `${card} ${lag.from}`, to: `${card} ${lag.to}` })),
});

function unnamed({ id, ...step }: PlacedTask): PlacedTask {
  const at = id.indexOf(' ');
  return { ...step, id: id.slice(at + 1), copy: Number(id.slice(0, at)) };
}

function* ordered(parts: readonly Part[], copies: number): Work<Sequence & { readonly makespanS: number }> {
  const { hands, boards } = parts[0].plan.table;
  const tasks = parts.flatMap((part) => part.tasks);
  const found = yield* sequence(
    sequenceRequestSchema.parse({
      ...{ tasks, lags: parts.flatMap(({ lags }) => lags), copies, hands },
      ...(takesBoards(tasks) ? { boards } : {}),
    }),
  );
  const { makespanS } = found;
  if (makespanS === null)
    throw new BadInput('acts', 'its rules cannot hold together in any order; put one card in order first');
  return { ...found, makespanS };
}

function laidOut(
  parts: readonly Part[],
  all: Sequence,
  { evenings, today }: Days,
  batch: Pick<Batch, 'copies' | 'oneByOneS'>,
): Batch {
  const onceS = parts.reduce((sum, part) => sum + part.onceS, 0);
  const lags = parts.flatMap((part) => part.lags);
  const placed = [...all.tasks]
    .sort((a, b) => a.startS - b.startS || a.copy - b.copy)
    .map((task) => ({ ...task, startS: task.startS + onceS, endS: task.endS + onceS }));
  const alone = parts[0].plan.table.hands === 1;
  const { steps, breaks } = alone ? withBreaks(placed, lags) : { steps: placed, breaks: [] };
  return {
    ...{ ...batch, steps, breaks, onceS },
    endS: Math.max(...steps.map(({ endS }) => endS)),
    leastS: onceS + all.lowerBoundS,
    evenings: evenings.length === 0 ? [] : overEvenings(steps, lags, evenings, today),
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

/** What is never taped needs no board. */
const takesBoards = (tasks: readonly Task[]): boolean =>
  ['takes', 'frees'].every((board) => tasks.some((task) => task.board === board));
