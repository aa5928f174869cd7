import { composing, filledAt, fluidMl } from '@kettle/core/order/areas';
import { cutting, offcutsOf, type CutRequest, type Size } from '@kettle/core/commission/card';
import { checkingAllVariants, checkingStops, unheeded } from '@kettle/core/advice/checks';
import { suggestPalettes, type Mood, type Suggestion } from '@kettle/core/materials/dish';
import type { Point, Polygon } from '@kettle/core/kit/geometry';
import type { Paper } from '@kettle/core/materials/paper';
import {
  boxCache,
  calibrate,
  choosePalette,
  matching,
  tableCache,
  type MatchAnswer,
  type MatchRequest,
  type PaletteAnswer,
  type PaletteRequest,
  type Pigment,
  type ReadSwatch,
} from '@kettle/core/materials/pigment';
import {
  applyCommands,
  planPaper,
  type Command,
  type Plan,
  type Start,
  type Studio,
  type Trial,
} from '@kettle/core/document/plan';
import { cutTemplate } from '@kettle/core/files/prints';
import { proposing } from '@kettle/core/advice/proposals';
import {
  batchOf,
  cheapestWayOut,
  findingWaits,
  inOrder,
  layingOut,
  lookingOn,
  possibleStarts,
  type BetterOrder,
  type PossibleStart,
  withoutTables,
} from '@kettle/core/order/schedule';
import { unpackLines, type PackedLines } from '@kettle/core/drawing/sketch';
import { asPasses } from '@kettle/core/advice/trials';
import { asPart, type Work } from '@kettle/core/kit/units';
import { reachAt, tracingBorders } from '@kettle/core/advice/values';
import { creeping, type LineKernel } from '@kettle/core/simulation/water';
import { fluidForAll, measuringWhite, rankWays, removals } from '@kettle/core/advice/whites';
import { reckoningColours } from './colour-reckoning';
import { atOnce, type Jobs } from './jobs';
import { recall } from './recall';
import type {
  Cutting,
  Deadlock,
  Desk,
  LookAheadAnswer,
  MaskReckoning,
  PackedPlan,
  RankedWhite,
} from './table-api';

function* creepOf(plan: Plan, line: LineKernel): Work<Map<string, number>> {
  const paper = planPaper(plan);
  const films = [...new Set(plan.acts.flatMap((act) => (act.kind === 'pass' ? [act.filmUm] : [])))];
  const creep = new Map<number, number>();
  for (const [i, film] of films.entries()) {
    const work = creeping(paper, film, plan.climate, line);
    creep.set(film, yield* asPart(work, i / films.length, (i + 1) / films.length));
  }
  return new Map(plan.acts.flatMap((act) => (act.kind === 'pass' ? [[act.id, creep.get(act.filmUm)!]] : [])));
}

/** A white nobody has said more of. */
const UNSAID = { wanted: null, edge: 'hard' } as const;

/** Share of a palette's choice that goes into colouring the box. */
const TABLE_SHARE = 0.7;

/** Times, looks and findings; where things meet is found first, so that no check holds the rest up. */
function* lookingAhead(plan: Plan, desk: Desk, line: LineKernel): Work<LookAheadAnswer> {
  yield* asPart(tracingBorders(plan), 0, 0.3);
  const timeline = yield* asPart(layingOut(plan), 0.3, 0.4);
  const looks = yield* asPart(lookingOn(plan, timeline), 0.4, 0.45);
  const waits = yield* asPart(findingWaits(plan, timeline), 0.45, 0.5);
  const findings = yield* asPart(checkingAllVariants(plan, timeline, desk), 0.5, 0.95);
  const creepMm = yield* asPart(creepOf(plan, line), 0.95, 1);
  return {
    timeline: withoutTables(timeline),
    looks,
    findings,
    unheeded: unheeded(plan),
    waits,
    creepMm,
    kernel: line.name,
  };
}

function* findingStarts(plan: Plan, pass: string): Work<PossibleStart[]> {
  const { steps } = yield* layingOut(plan);
  const step = steps.find(({ act }) => act.id === pass);
  return step?.act.kind === 'pass' ? possibleStarts(plan, step.act, step) : [];
}

function* stops(plan: Plan): Work<number> {
  return (yield* checkingStops(plan, yield* layingOut(plan))).length;
}

function* puttingInOrder(plan: Plan): Work<Omit<BetterOrder, 'plan'> | Deadlock | null> {
  const found = yield* inOrder(plan);
  if (found === null) return null;
  if ('conflict' in found) return { ...found, wayOut: yield* cheapestWayOut(plan, found.conflict) };
  const { plan: better, ...order } = found;
  return (yield* stops(better)) > (yield* stops(plan)) ? null : order;
}

function* cuttingUp(request: CutRequest): Work<Cutting> {
  const plan = yield* cutting(request);
  return { ...plan, offcuts: offcutsOf(request, plan) };
}

function* rankingWhites(plan: Plan): Work<RankedWhite[]> {
  const { masks } = yield* layingOut(plan);
  const ranked: RankedWhite[] = [];
  for (const [i, { id }] of plan.areas.entries()) {
    const white = plan.whites.find(({ area }) => area === id) ?? UNSAID;
    const laid = masks.find(({ area }) => area === id);
    const maskedS = laid && laid.offS !== null ? laid.offS - laid.onS : null;
    const [from, to] = [i / plan.areas.length, (i + 1) / plan.areas.length];
    const facts = yield* asPart(measuringWhite(plan, id, white, maskedS), from, to);
    ranked.push({ area: id, facts, ways: rankWays(facts) });
  }
  return ranked;
}

function* reckoningMasks(plan: Plan): Work<MaskReckoning> {
  const { masks } = yield* layingOut(plan);
  const ml = new Map<string, number>();
  for (const [i, resist] of plan.resists.entries()) {
    yield i / plan.resists.length;
    ml.set(resist.id, fluidMl(plan, resist));
  }
  return { ml, allMl: fluidForAll(plan), removals: removals(plan, masks) };
}

/** What the worker does when asked, given the compiled kernel once it has loaded. In one piece: a table of what it answers. */
export function tableJobs(kernel: Promise<LineKernel>) {
  const tableFor = tableCache();
  const boxFor = boxCache();
  const unpacked = recall();

  return {
    async lookAhead({ card, desk }: { card: PackedPlan; desk: Desk }): Promise<Work<LookAheadAnswer>> {
      return lookingAhead(unpacked(card), desk, await kernel);
    },

    /** What would be done to the plan to give it passes; throws where nothing is drawn. */
    *propose(card: PackedPlan): Work<readonly Command[]> {
      return (yield* proposing(unpacked(card))).commands;
    },

    /** When a pass may begin for a reason that is seen on the paper. */
    starts: ({ card, pass }: { card: PackedPlan; pass: string }) => findingStarts(unpacked(card), pass),

    /** The times if a pass begins otherwise. */
    beginAt: ({ card, pass, start }: { card: PackedPlan; pass: string; start: Start }) =>
      layingOut(applyCommands(unpacked(card), [{ do: 'change-pass', pass, change: { start } }]).plan),

    /** The strokes of a sheet painted by hand as passes of the plan. */
    asPasses: ({ card, sheet }: { card: PackedPlan; sheet: Trial }) =>
      atOnce(() => asPasses(unpacked(card), sheet)),

    /** What is cut out and folded, as a template to lay on the card; `null` where nothing is. */
    cutTemplate: (plan: Plan) => atOnce(() => cutTemplate(plan)),

    /** The acts in a better order; `null` where there is none without a new stop. Where no order can be, what cannot hold together. */
    putInOrder: (card: PackedPlan) => puttingInOrder(unpacked(card)),

    /** All copies of a card, or one of each of several, in one order. Throws `BadInput` where none can be. */
    batch: ({ cards, desk }: { cards: readonly PackedPlan[]; desk: Desk }) =>
      batchOf(cards.map(unpacked), desk),

    *matchColour(request: MatchRequest): Work<MatchAnswer> {
      const table = yield* asPart(tableFor(request), 0, TABLE_SHARE);
      return yield* asPart(matching(table, request.target), TABLE_SHARE, 1);
    },

    /** The few pigments of a box that give all wanted colours. */
    *choosePalette({ box, paper, request }: BoxOn & { request: PaletteRequest }): Work<PaletteAnswer> {
      const table = yield* asPart(boxFor(box, paper), 0, TABLE_SHARE);
      return yield* asPart(choosePalette(table, request), TABLE_SHARE, 1);
    },

    /** Three palettes of a box for a mood. */
    *suggest({ box, paper, mood }: BoxOn & { mood: Omit<Mood, 'word'> }): Work<Suggestion[]> {
      const table = yield* asPart(boxFor(box, paper), 0, TABLE_SHARE);
      return yield* asPart(suggestPalettes(table, mood), TABLE_SHARE, 1);
    },

    /** What a palette reaches at some lightnesses, as regions of a* and b*. */
    *reach({
      palette,
      paper,
      levels,
    }: {
      palette: readonly Pigment[];
      paper: Paper;
      levels: readonly number[];
    }) {
      const table = yield* tableFor({ palette, paper });
      const regions: Polygon[][] = [];
      for (const lightness of levels) regions.push(yield* reachAt(table, lightness));
      return regions;
    },

    reckonColours: ({ card, dish }: { card: PackedPlan; dish: Studio['dish'] }) =>
      reckoningColours(unpacked(card), dish),

    /** A cutting plan with what is worth keeping of its sheets. Throws `BadInput` for more pieces than anybody cuts. */
    cut: cuttingUp,

    /** What a press on a panel fills between lines. */
    fill: ({ lines, at, panel }: { lines: PackedLines; at: Point; panel: Size }) =>
      atOnce(() => filledAt(unpackLines(lines), at, panel)),

    /** How a panel is laid out; the plan comes without its lines, which come packed. */
    compose: ({
      plan,
      lines,
      darkness,
    }: {
      plan: Plan;
      lines: PackedLines;
      darkness: ReadonlyMap<string, number>;
    }) => composing({ ...plan, lines: unpackLines(lines) }, darkness),

    /** For each area of a plan the ways to keep it light, the best first. */
    rankWhites: (card: PackedPlan) => rankingWhites(unpacked(card)),

    reckonMasks: (card: PackedPlan) => reckoningMasks(unpacked(card)),

    /** Fits a pigment to the painter's own swatches. */
    calibrate: ({
      like,
      paper,
      swatches,
    }: {
      like: Pigment;
      paper: Paper;
      swatches: readonly ReadSwatch[];
    }) => atOnce(() => calibrate(like, paper, swatches)),
  } satisfies Jobs;
}

/** A paint box, and the paper it is tried on. */
interface BoxOn {
  readonly box: readonly Pigment[];
  readonly paper: Paper;
}

export type TableJobs = ReturnType<typeof tableJobs>;
