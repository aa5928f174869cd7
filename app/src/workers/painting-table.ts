import type { HandAct } from '@kettle/core/document/plan';
import type { Pigment } from '@kettle/core/materials/pigment';
import { asPart, done, type Work } from '@kettle/core/kit/units';
import {
  brushById,
  fingerprintOf,
  isReached,
  PaperClock,
  probe,
  Replay,
  setOut,
  sharesOfStages,
  stageAtPoint,
  type ActOf,
  type AskedAct,
  type ClockOrder,
  type PanelAct,
  type Shape,
  type Stage,
} from '@kettle/core/simulation/water';
import type { PaperLook } from '@kettle/core/simulation/picture';
import type {
  AskedStroke,
  OpenedSheet,
  BrushPlace,
  ReadySheet,
  SheetReading,
  PaintingEvent,
} from './painting-api';
import {
  lastOfAll,
  markOfActs,
  PAPER_CAP_BYTES,
  paperVersion,
  simulationOf,
  statesThatFit,
} from './kept-paper';
import type { StoredPaper } from './paper-store';
import { middleOfBox, reachOf } from './place-of';
import type { SimulationKernels } from './simulation-kernels';
import { TilesInView } from './tiles-in-view';

/** What the table needs of the world. */
export interface TableWorld {
  readonly kernels: SimulationKernels;
  readonly now: () => number;
  readonly tell: (news: PaintingEvent) => void;
}

/** So many of the last states are kept between two openings. */
const STATES_KEPT = 6;

/** Time given to colouring after a step, ms: less while a brush is on the paper. */
const COLOURS_MS = { painting: 6, waiting: 14 };

/** Time given to running ahead before the hand is looked for again, ms. */
const AHEAD_MS = 30;

/** A stroke is taken on no oftener than this, ms: more the screen does not show. */
const FRAME_MS = 30;

/** With the clock running and no step due, it is looked again after so long, ms. */
const RESTS_MS = 4;

/** The stages of the sheet are counted no oftener than this, ms. */
const STAGES_EVERY_MS = 250;

/** The stroke under way, and where it has come. */
interface Stroke {
  readonly act: ActOf<'stroke'>;
  readonly waterBefore: number;
  readonly reachMm: number;
}

/**
 * One sheet under the hand. `turn` does what is due: what the hand has done since, a step of the paper, some of the
 * colouring; it never holds the worker up for longer than a step takes.
 */
export class PaintingTable {
  private readonly replay: Replay;
  private readonly tiles: TilesInView;
  private readonly clock: PaperClock;
  private acts: readonly HandAct[];
  private rate = 0;
  private ahead: Extract<ClockOrder, { until: unknown }>['until'] | null = null;
  private stroke: Stroke | null = null;
  private waiting: BrushPlace[] = [];
  private fresh: ActOf<'stroke'>['points'] = [];
  private stages: Readonly<Record<Stage, number>>;
  private stagesAtMs = -Infinity;
  /** Places strokes have gone through: they wet the paper in no time of its own. */
  private strokePlaces = 0;
  private strokeShownMs = -Infinity;
  /** When of the paper they were counted. */
  private counted = '';
  private told = '';
  /** Who waits for the paper to be so far. */
  private arrived: () => void = () => undefined;
  /** A step was taken, and what it changed is not shown. */
  private coloursNext = false;

  constructor(
    private readonly sheet: OpenedSheet,
    private readonly world: TableWorld,
  ) {
    const { trial, embedded } = sheet;
    this.acts = trial.acts;
    this.replay = new Replay(simulationOf(trial), world.kernels.panel, PAPER_CAP_BYTES, embedded);
    this.tiles = new TilesInView(this.replay, world.kernels.paint);
    this.clock = new PaperClock(world.now(), 0);
    this.stages = sharesOfStages(this.run);
  }

  private get run(): Replay['run'] {
    return this.replay.run;
  }

  /** Brings the paper to where it was left, from what was kept of it or by painting it again. */
  *ready(kept: StoredPaper | null): Work<ReadySheet> {
    const states = statesThatFit(kept, this.acts, this.version, this.run);
    if (states) this.replay.takeBack(states);
    const lastS = this.sheet.atS ?? lastOfAll(this.acts);
    yield* this.replay.goTo(Math.max(this.run.atS, lastS));
    yield* asPart(this.tiles.makeReady(), 1, 1);
    this.tiles.all();
    this.restart();
    const { columns, rows } = this.tiles.whole;
    return { columns, rows, atS: this.run.atS, fromAnew: kept !== null && states === null };
  }

  /**
   * Does one thing that is due, a step or some colouring, so that the hand is looked for between any two; answers how long
   * there is nothing to do, ms.
   */
  turn(): number {
    // What the hand has just done is shown before the paper takes its next step, as often as the screen can show it.
    const nowMs = this.world.now();
    if (nowMs - this.strokeShownMs >= FRAME_MS && this.takeStroke()) {
      this.tell(this.tiles.show(0, this.world.now));
      // From when it is shown: where that takes long, the paper still takes its steps.
      this.strokeShownMs = this.world.now();
      return 0;
    }
    const stepped = !this.coloursNext && (this.ahead ? this.runAhead() : this.stepIfDue());
    this.coloursNext = stepped;
    if (stepped) {
      this.tiles.timePasses();
      return 0;
    }
    const colours = this.stroke ? COLOURS_MS.painting : COLOURS_MS.waiting;
    this.tell(this.tiles.show(this.world.now() + colours, this.world.now));
    if (!this.tiles.isAllShown || this.isDue()) return 0;
    if (this.counted !== this.now) {
      this.stagesAtMs = -Infinity;
      this.tell([]);
    }
    if (this.replay.packNext()) return 0;
    return this.rate === 0 && !this.stroke ? Infinity : RESTS_MS;
  }

  begin(asked: AskedStroke, place: BrushPlace): void {
    if (this.stroke) this.endStroke();
    const nowS = this.run.atS;
    const [x, y, pressure] = place;
    const brush = brushById(asked.brush);
    const act: ActOf<'stroke'> = { ...asked, atS: nowS, points: [[x, y, pressure, nowS]] };
    const waterBefore = this.waterMl;
    this.replay.doNow(act, true);
    this.stroke = { act, waterBefore, reachMm: brush.widthMm / 2 + this.run.panel.cellMm };
    this.fresh.push(...act.points);
    this.touched([place], brush.widthMm / 2);
    this.ahead = null;
    this.arrived();
    this.clock.run(1, this.world.now(), nowS);
  }

  goOn(places: readonly BrushPlace[]): void {
    if (this.stroke) this.waiting.push(...places);
  }

  end(): HandAct | null {
    this.takeStroke();
    return this.endStroke();
  }

  /** The stroke under way has never been. */
  giveUp(): void {
    if (!this.stroke) return;
    this.endStroke();
    this.setActs(this.acts.length - 1, []);
  }

  act(asked: AskedAct): HandAct {
    if (this.stroke) this.end();
    const act: PanelAct = { ...asked, atS: this.run.atS };
    const [waterBefore, place] = [this.waterMl, reachOf(act)];
    const onto = place ? stageAtPoint(this.run, ...middleOfBox(place)) : 'dry';
    this.replay.doNow(act);
    const done: HandAct = { act, onto, waterMl: this.waterMl - waterBefore };
    this.acts = [...this.acts, done];
    if (place) this.tiles.touch(place);
    else this.tiles.all();
    return done;
  }

  setActs(after: number, acts: readonly HandAct[]): void {
    const gone = this.acts[after] as HandAct | undefined;
    const nowS = this.run.atS;
    // A stroke under way meanwhile has never been.
    this.stroke = null;
    this.waiting = [];
    this.acts = [...this.acts.slice(0, after), ...acts];
    this.replay.setActs(this.acts.map(({ act }) => act));
    // What is taken back takes the paper to when it began; what comes again, to when it was done.
    const untilS = acts.length > 0 ? lastOfAll(acts) : Math.min(nowS, gone?.act.atS ?? nowS);
    this.runOn(untilS);
  }

  setOut(pigments: readonly Pigment[]): void {
    setOut(this.run, pigments);
  }

  /** Runs ahead until something is so; resolves then, or when the clock is told otherwise. */
  runTo(until: 'matt' | 'dry'): Promise<void> {
    this.setClock({ until });
    return new Promise((resolve) => {
      this.arrived = resolve;
    });
  }

  setClock(order: ClockOrder): void {
    this.arrived();
    if ('rate' in order) {
      this.ahead = null;
      this.rate = order.rate;
    } else {
      this.ahead = order.until;
    }
    this.restart();
  }

  look(look: PaperLook, masked: boolean): void {
    this.tiles.seenAs(look, masked);
  }

  read(shape: Shape): SheetReading {
    return { ...probe(this.run, 'here', shape), fingerprint: fingerprintOf(this.run) };
  }

  /** The paper as it is, for the next opening; `null` while a stroke is under way. */
  toKeep(): StoredPaper | null {
    if (this.stroke) return null;
    this.replay.keep();
    while (this.replay.packNext());
    return {
      ...{ key: this.sheet.key, version: this.version, acts: this.acts.length },
      ...{ actsMark: markOfActs(this.acts, this.run), states: this.replay.keptStates.slice(-STATES_KEPT) },
    };
  }

  private get version(): string {
    return paperVersion(this.sheet.trial, this.world.kernels.panel);
  }

  /** Tells one state of the paper from another. */
  private get now(): string {
    return [this.run.steps, this.run.touches, this.replay.happened, this.strokePlaces].join(' ');
  }

  /** Water on the sheet, ml, but for what the air took. */
  private get waterMl(): number {
    const { ledger, panel } = this.run;
    return ((ledger.waterApplied - ledger.waterRemoved) * panel.cellMm ** 2) / 1e6;
  }

  /** Lays what the pen has done since the last look. */
  private takeStroke(): boolean {
    const { stroke, waiting } = this;
    if (!stroke || waiting.length === 0) return false;
    this.waiting = [];
    this.strokePlaces += waiting.length;
    const before = stroke.act.points.at(-1)!;
    const from = stroke.act.points.length;
    this.replay.goOn(stroke.act, waiting);
    this.fresh.push(...stroke.act.points.slice(from));
    this.touched([[before[0], before[1], before[2]], ...waiting], stroke.reachMm);
    return true;
  }

  private endStroke(): HandAct | null {
    const { stroke } = this;
    if (!stroke) return null;
    this.stroke = null;
    this.waiting = [];
    this.fresh = [];
    const done: HandAct = {
      act: stroke.act,
      onto: this.replay.endStroke(stroke.act),
      waterMl: this.waterMl - stroke.waterBefore,
    };
    this.acts = [...this.acts, done];
    this.restart();
    return done;
  }

  private touched(places: readonly BrushPlace[], reach: number): void {
    const [xs, ys] = [places.map(([x]) => x), places.map(([, y]) => y)];
    this.tiles.touch([
      Math.min(...xs) - reach,
      Math.min(...ys) - reach,
      Math.max(...xs) + reach,
      Math.max(...ys) + reach,
    ]);
  }

  private restart(): void {
    this.clock.run(this.stroke ? 1 : this.rate, this.world.now(), this.run.atS);
  }

  /** Takes a step, due or not. */
  stepNow(): void {
    this.replay.advance(this.run.atS + 1e-6).next();
    this.clock.reached(this.world.now(), this.run.atS);
  }

  /** Lets the paper’s time pass up to a time, at once. */
  runOn(atS: number): void {
    done(this.replay.goTo(atS));
    this.tiles.all();
    this.restart();
  }

  private isDue(): boolean {
    if (this.ahead) return true;
    return this.clock.rate > 0 && this.clock.dueS(this.world.now()) >= this.run.atS + this.run.nextS;
  }

  private stepIfDue(): boolean {
    if (!this.isDue()) return false;
    this.stepNow();
    return true;
  }

  private isReached(until: NonNullable<PaintingTable['ahead']>): boolean {
    return isReached(this.run, until, this.replay.moreToCome);
  }

  private runAhead(): boolean {
    const until = this.ahead!;
    const endMs = this.world.now() + AHEAD_MS;
    const course = this.replay.advance(Infinity);
    while (!this.isReached(until) && this.world.now() < endMs) course.next();
    this.clock.reached(this.world.now(), this.run.atS);
    if (this.isReached(until)) {
      this.ahead = null;
      this.rate = 0;
      this.stagesAtMs = -Infinity;
      this.restart();
      this.arrived();
    }
    return true;
  }

  private tell(tiles: PaintingEvent['tiles']): void {
    const nowMs = this.world.now();
    if (nowMs - this.stagesAtMs > STAGES_EVERY_MS) {
      this.stages = sharesOfStages(this.run);
      this.stagesAtMs = nowMs;
      this.counted = this.now;
    }
    const [stroke, { atS }] = [this.fresh, this.run];
    const told = [atS, this.rate, this.ahead === null, this.counted].join(' ');
    if (tiles.length === 0 && stroke.length === 0 && told === this.told) return;
    this.told = told;
    this.fresh = [];
    this.world.tell({
      ...{ atS, rate: this.rate, reachedRate: this.clock.reachedRate(nowMs) },
      ...{ runsAhead: this.ahead !== null, stages: this.stages, tiles, stroke },
    });
  }
}
