import type { CutPlan, Offcut } from '@kettle/core/commission/card';
import type { CheckContext, Finding } from '@kettle/core/advice/checks';
import type { PackedResists } from '@kettle/core/drawing/masking';
import type { Plan } from '@kettle/core/document/plan';
import type { IdleWait, LookFrame, NoOrder, Timeline, WayOut } from '@kettle/core/order/schedule';
import type { RankedWay, Removal, WhiteFacts } from '@kettle/core/advice/whites';

/** A plan on its way to the worker: what is masked freehand goes packed beside it, and pencil lines stay at home; both are many. */
export interface PackedPlan {
  readonly plan: Plan;
  readonly resists: PackedResists;
}

/** What the worker works out of a plan: times, colours, findings. `revision` says of which state of the plan. */
export interface LookAhead {
  readonly revision: number;
  /** The snapshot all of it belongs to; the plan on the table may be a change further. */
  readonly plan: Plan;
  readonly timeline: Timeline;
  /** Frames of each area's colour, by area id. */
  readonly looks: ReadonlyMap<string, readonly LookFrame[]>;
  readonly findings: readonly Finding[];
  /** Checks that this plan turns off. */
  readonly unheeded: readonly { readonly id: string; readonly name: string }[];
  /** What could be done in the waits of the hands. */
  readonly waits: readonly IdleWait[];
  /** How far damp creeps past the edge of each pass's wash, mm, by pass id. */
  readonly creepMm: ReadonlyMap<string, number>;
  /** Which kernel computed the creep. */
  readonly kernel: 'wasm' | 'plain';
}

/** Rules of a plan that cannot hold together in any order, and the cheapest way out of them. */
export interface Deadlock extends NoOrder {
  readonly wayOut: WayOut | null;
}

/** An area with the ways to keep it light, and what they were judged by. */
export interface RankedWhite {
  readonly area: string;
  readonly facts: WhiteFacts;
  readonly ways: readonly RankedWay[];
}

/** What the masks of a card take, and how they come off. */
export interface MaskReckoning {
  /** Fluid of each freehand mask on one card, ml, by its id. */
  readonly ml: ReadonlyMap<string, number>;
  /** Fluid of all masks for all copies, ml. */
  readonly allMl: number;
  readonly removals: readonly Removal[];
}

/** How sheets are cut, and what is left of them. */
export interface Cutting extends CutPlan {
  readonly offcuts: readonly Offcut[];
}

/** The table it is painted at. */
export type Desk = NonNullable<CheckContext['desk']>;

/** The answer as the worker sends it; the snapshot need not travel back. */
export type LookAheadAnswer = Omit<LookAhead, 'plan' | 'revision'>;
