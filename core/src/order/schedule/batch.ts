import type { Evening } from '../../commission/occasion';
import {
  deedOf,
  choreOf,
  handsOn,
  variantsOf,
  type Act,
  type PaintedVariant,
  type Plan,
} from '../../document/plan';
import {
  sequence,
  sequenceRequestSchema,
  type Lag,
  type PlacedTask,
  type Sequence,
  type Task,
} from '../sequencing';
import { BadInput, type Work } from '../../kit/units';
import { withBreaks, type Break } from './breaks';
import { overEvenings, type BatchEvening } from './over-evenings';
import { lagsOf } from './lags';
import { layOut } from './timeline';

/** All copies of a card, or of several, painted side by side on the boards there are. */
export interface Batch {
  /** How many sheets. */
  readonly copies: number;
  /** Every act on every copy, the earliest first, after what is done once for all. Copies are counted from 1, as `copiesInTurn` has them. */
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

/** Rests longer than this are for the night, not for the table, s. */
const OVERNIGHT_S = 3600;

/** The evenings a painter has, and the day it is. */
interface Days {
  readonly evenings: readonly Evening[];
  readonly today: string;
}

/** Of every copy of some cards of which kind it is: card by card, those painted as planned first. */
export const copiesInTurn = (plans: readonly Plan[]): PaintedVariant[] =>
  plans.flatMap(variantsOf).flatMap((kind) => Array.from({ length: kind.copies }, () => kind));

/**
 * Puts all copies and spares of a card, or of several, in one order, stage by stage where that is quickest and one card in the
 * waits of another: hands, boards and the latest starts of what goes into the wet kept, a break at least every three quarters
 * of an hour; then over the evenings there are. Hands and boards are those of the first card. Throws `BadInput` where no order
 * can be.
 */
export function* batchOf(plans: readonly Plan[], { evenings, today }: Days): Work<Batch> {
  const parts = plans.flatMap(partsOf).map(named);
  const { hands, boards } = plans[0].table;
  const onceS = parts.reduce((sum, part) => sum + part.onceS, 0);
  let oneByOneS = onceS;
  for (const part of parts)
    oneByOneS += part.copies * (yield* ordered([{ ...part, copies: 1 }], hands, boards)).makespanS;
  const all = yield* ordered(parts, hands, boards);
  const lags = parts.flatMap((part) => part.lags);
  const placed = [...all.tasks]
    .sort((a, b) => a.startS - b.startS || a.copy - b.copy)
    .map((task) => ({ ...task, startS: task.startS + onceS, endS: task.endS + onceS }));
  const { steps, breaks } = hands === 1 ? withBreaks(placed, lags) : { steps: placed, breaks: [] };
  return {
    ...{ copies: copiesInTurn(plans).length, oneByOneS, breaks, onceS },
    steps: steps.map((step) => unnamed(step, parts)),
    endS: Math.max(...steps.map(({ endS }) => endS)),
    leastS: onceS + all.lowerBoundS,
    evenings: evenings.length === 0 ? [] : overEvenings(steps, lags, evenings, today),
  };
}

/** What the copies of one kind add to an order. */
interface Part {
  /** Of its card. */
  readonly title: string;
  readonly copies: number;
  readonly tasks: readonly Task[];
  readonly lags: readonly Lag[];
  /** Done before the first of all copies, s. */
  readonly onceS: number;
}

/** What is prepared for a card is prepared for all its kinds. */
const partsOf = (plan: Plan): Part[] =>
  variantsOf(plan).map((kind, i) => ({ ...partOf(kind), onceS: i === 0 ? preparingS(plan) : 0 }));

const preparingS = (plan: Plan): number =>
  plan.acts
    .filter((act) => act.kind === 'chore' && choreOf(act.chore).oncePerBatch)
    .reduce((sum, act) => sum + handsOn(plan, act), 0);

function partOf({ plan, copies }: PaintedVariant): Omit<Part, 'onceS'> {
  const timeline = layOut(plan);
  const acts = plan.acts.filter((act) => !isApart(act));
  if (timeline.never.length > 0 || acts.length === 0)
    throw new BadInput(
      'acts',
      `on “${plan.title}” there is nothing to paint, or something never dries in this air`,
    );
  return {
    ...{ title: plan.title, copies },
    tasks: acts.map((act) => ({ id: act.id, handsS: handsOn(plan, act), ...boardOf(act) })),
    lags: lagsOf(plan, timeline, acts),
  };
}

/** Acts of different kinds may have the same id: each is named by the number of its kind too. */
const named = (part: Part, kind: number): Part => ({
  ...part,
  tasks: part.tasks.map((task) => ({ ...task, id: `${kind} ${task.id}`, card: String(kind) })),
  lags: part.lags.map((lag) => ({ ...lag, from: `${kind} ${lag.from}`, to: `${kind} ${lag.to}` })),
});

function unnamed({ id, copy, ...step }: PlacedTask, parts: readonly Part[]): PlacedTask {
  const at = id.indexOf(' ');
  const before = parts.slice(0, Number(id.slice(0, at))).reduce((sum, { copies }) => sum + copies, 0);
  return { ...step, id: id.slice(at + 1), copy: before + copy };
}

function* ordered(
  parts: readonly Part[],
  hands: number,
  boards: number,
): Work<Sequence & { readonly makespanS: number }> {
  const tasks = parts.flatMap((part) => part.tasks.map((task) => ({ ...task, copies: part.copies })));
  const copies = Math.max(...parts.map((part) => part.copies));
  const found = yield* sequence(
    sequenceRequestSchema.parse({
      ...{ tasks, lags: parts.flatMap(({ lags }) => lags), copies, hands },
      ...(takesBoards(tasks) ? { boards } : {}),
    }),
  );
  const { makespanS } = found;
  if (makespanS === null)
    throw new BadInput(
      'acts',
      `the rules of “${parts[0].title}” cannot hold together in any order; put that card in order first, by itself`,
    );
  return { ...found, makespanS };
}

const isApart = (act: Act): boolean =>
  act.kind === 'chore' &&
  (choreOf(act.chore).oncePerBatch === true || choreOf(act.chore).waitS >= OVERNIGHT_S);

const boardOf = (act: Act): { board?: 'takes' | 'frees' } =>
  deedOf(act) === 'tapes' ? { board: 'takes' } : deedOf(act) === 'untapes' ? { board: 'frees' } : {};

/** What is never taped needs no board. */
const takesBoards = (tasks: readonly Task[]): boolean =>
  ['takes', 'frees'].every((board) => tasks.some((task) => task.board === board));
