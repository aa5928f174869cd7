import type { Mood, Suggestion } from '@kettle/core/dish';
import type { Composition, Filled } from '@kettle/core/areas';
import type { CutPlan, CutRequest, Offcut, Size } from '@kettle/core/card';
import type { CheckContext, Finding } from '@kettle/core/checks';
import type { Point, Polygon } from '@kettle/core/geometry';
import type { PackedResists } from '@kettle/core/masking';
import type { Paper } from '@kettle/core/paper';
import type {
  Calibration,
  MatchAnswer,
  MatchRequest,
  PaletteAnswer,
  PaletteRequest,
  Pigment,
  ReadSwatch,
} from '@kettle/core/pigment';
import type { Command, Plan, Studio } from '@kettle/core/plan';
import type { Batch, BetterOrder, LookFrame, NoOrder, Timeline, WayOut } from '@kettle/core/schedule';
import type { PackedLines } from '@kettle/core/sketch';
import type { RankedWay, Removal, WhiteFacts } from '@kettle/core/whites';
import type { ColourReckoning } from './colour-reckoning';
import type { OnProgress } from './watching';

/** What the worker works out of a plan: times, colours, findings. `revision` says of which state of the plan. */
export interface LookAhead {
  readonly revision: number;
  /** The snapshot all of it belongs to; the plan on the table may be a change further. */
  readonly plan: Plan;
  readonly timeline: Timeline;
  /** Frames of each area's colour, by area id. */
  readonly looks: ReadonlyMap<string, readonly LookFrame[]>;
  readonly findings: readonly Finding[];
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
export type LookAheadAnswer = Omit<LookAhead, 'plan'>;

/**
 * The worker's side of the protocol. Plans come as snapshots with a revision that goes back with the
 * answer, so that a stale one can be dropped; long work reports its progress and can be cancelled.
 */
export interface TableApi {
  /* What is masked freehand comes packed beside the plan, and pencil lines stay at home: both are many. */
  lookAhead(plan: Plan, resists: PackedResists, revision: number, desk: Desk): Promise<LookAheadAnswer>;
  /** What would be done to the plan to give it passes; throws where nothing is drawn. */
  propose(plan: Plan, resists: PackedResists): Promise<readonly Command[]>;
  /** Searches a mix; `null` when cancelled, as with all jobs. `onProgress` hears the share done, 0…1. */
  matchColour(job: number, request: MatchRequest, onProgress: OnProgress): Promise<MatchAnswer | null>;
  /** Chooses the few pigments of a box that give all wanted colours. */
  choosePalette(
    job: number,
    box: readonly Pigment[],
    paper: Paper,
    request: PaletteRequest,
    onProgress: OnProgress,
  ): Promise<PaletteAnswer | null>;
  /** Three palettes of a box for a mood; `null` when cancelled. */
  suggest(
    job: number,
    box: readonly Pigment[],
    paper: Paper,
    mood: Omit<Mood, 'word'>,
    onProgress: OnProgress,
  ): Promise<Suggestion[] | null>;
  /** What a palette reaches at a lightness, as regions of a* and b*. */
  reach(palette: readonly Pigment[], paper: Paper, lightness: number): Promise<Polygon[]>;
  /** How the colours of a card stand to one another, and what of them it takes. */
  reckonColours(plan: Plan, resists: PackedResists, dish: Studio['dish']): Promise<ColourReckoning>;
  /**
   * The acts in a better order; `null` where there is none, or none without a new stop, or when cancelled. Where no order can
   * be, what cannot hold together and the cheapest way out.
   */
  putInOrder(
    job: number,
    plan: Plan,
    resists: PackedResists,
    onProgress: OnProgress,
  ): Promise<Omit<BetterOrder, 'plan'> | Deadlock | null>;
  /** Puts all copies of a card, or one of each of several, in one order; rejects, in words, where none can be. */
  batch(
    job: number,
    plans: readonly Plan[],
    resists: readonly PackedResists[],
    desk: Desk,
    onProgress: OnProgress,
  ): Promise<Batch | null>;
  /** A cutting plan with what is worth keeping of its sheets. Throws `BadInput` for more pieces than anybody cuts. */
  cut(request: CutRequest): Promise<Cutting>;
  /** What a press on a panel fills between lines. */
  fill(lines: PackedLines, at: Point, panel: Size): Promise<Filled | null>;
  /** How a panel is laid out; the plan comes without its lines, which come packed. */
  compose(plan: Plan, lines: PackedLines, darkness: ReadonlyMap<string, number>): Promise<Composition>;
  /** For each area of a plan the ways to keep it light, the best first. */
  rankWhites(plan: Plan, resists: PackedResists): Promise<RankedWhite[]>;
  reckonMasks(plan: Plan, resists: PackedResists): Promise<MaskReckoning>;
  /** Fits a pigment to the painter's own swatches. */
  calibrate(like: Pigment, paper: Paper, swatches: readonly ReadSwatch[]): Promise<Calibration>;
  cancel(job: number): void;
}
