import type { Work } from '../../kit/units';
import { HandOnPanel } from './hand-on-panel';
import type { ActOf, PanelAct, StrokePoint } from './panel-act';
import { eventsOf, type PanelEvent } from './panel-event';
import type { PanelKernel } from './panel-kernel';
import { passTime, type PanelRun } from './panel-run';
import { keptBytes, RestartStates, type KeptState } from './restart';
import type { Stage } from './stages';
import { openSimulation, type Stock, type Simulation } from './simulate';

/** A state is kept before an act when so many steps have passed since the last, and after so many in any case. */
const KEPT_BEFORE_ACT = 40;
const KEPT_AFTER = 120;

/** Where fewer states than this have room as they are, they are packed as they come. */
const ROOM_FOR = 20;

/** A state of a replay, and how far its acts were done by then. */
export interface RestartMoment extends KeptState {
  /** Events done. */
  readonly done: number;
}

/**
 * A simulation that can be gone through at will. Whatever way it is gone, the paper at a step is the same to the last
 * bit as if it had been run once from the start: it stops only at acts and where steps end by themselves. Going back,
 * and changing acts, restart from the last kept state. States are thinned out to keep within `capBytes`.
 */
export class Replay {
  readonly run: PanelRun;
  private events: PanelEvent[];
  private done = 0;
  private kept: RestartMoment[];
  private readonly states: RestartStates;
  private readonly hand: HandOnPanel;

  constructor(
    simulation: Simulation,
    kernel: PanelKernel,
    private readonly capBytes: number,
    cupboard?: Stock,
  ) {
    const { run, acts } = openSimulation(simulation, kernel, cupboard);
    this.run = run;
    this.hand = new HandOnPanel(run);
    this.events = eventsOf(acts);
    this.states = new RestartStates(run);
    this.kept = [{ ...this.states.keep(), done: 0 }];
  }

  /** What the kept states hold, bytes. */
  get keptBytes(): number {
    return keptBytes(this.kept);
  }

  /** How many things have happened so far: acts, and parts of strokes. */
  get happened(): number {
    return this.done;
  }

  /** What has happened so far, in its order. */
  get past(): readonly PanelEvent[] {
    return this.events.slice(0, this.done);
  }

  /** Whether acts are still to be done. */
  get moreToCome(): boolean {
    return this.done < this.events.length;
  }

  /** Times of the kept states, s. */
  get keptAt(): number[] {
    return this.kept.map(({ atS }) => atS);
  }

  /** The kept states, to be kept elsewhere. */
  get keptStates(): readonly RestartMoment[] {
    return this.kept;
  }

  /** Goes to the first end of a step at or after `atS`, with every act up to then done; yields after each step. */
  *goTo(atS: number): Work<void> {
    if (atS < this.run.atS) this.restart((state) => state.atS <= atS);
    const fromS = this.run.atS;
    for (const reached of this.advance(atS)) yield Math.min(1, (reached - fromS) / (atS - fromS));
    if (ROOM_FOR * this.states.rawBytes > this.capBytes) while (this.states.packNext());
  }

  /** The same forwards, and yields the time reached: after each step, and after each act or part of a stroke. */
  *advance(atS: number): Generator<number, void> {
    for (;;) {
      const due = this.events.at(this.done);
      if (due && due.atS <= atS) {
        yield* this.pass(due.atS);
        if (this.run.steps - this.lastKept.steps >= KEPT_BEFORE_ACT) {
          this.keep();
          yield this.run.atS;
        }
        this.hand.do(due);
        this.done++;
        yield this.run.atS;
      } else {
        yield* this.pass(due?.atS ?? Infinity, atS);
        return;
      }
    }
  }

  /**
   * Does an act at the present, before whatever is still to come; a stroke may go on after it. A state is kept first, to
   * go back to. Throws `BadInput` on a pigment the panel does not hold, and then nothing was done.
   */
  doNow(act: PanelAct, goesOn = false): void {
    this.keep();
    const points = act.kind === 'stroke' && act.points[0].length === 4 ? act.points.slice() : null;
    this.happen({ atS: this.run.atS, act, field: 'act', points, ends: !goesOn });
  }

  /** Takes a stroke that was begun on through more places, at the present. */
  goOn(
    stroke: ActOf<'stroke'>,
    places: readonly (readonly [x: number, y: number, pressure: number])[],
  ): void {
    const points = places.map(([x, y, pressure]): StrokePoint => [x, y, pressure, this.run.atS]);
    stroke.points.push(...points);
    this.happen({ atS: this.run.atS, act: stroke, field: 'act', points, ends: false });
  }

  /** The stroke is done, and states may be kept again; the answer is how wet the paper was where it came. */
  endStroke(stroke: PanelAct): Stage {
    const onto = this.hand.end(stroke);
    const last = this.events.findLastIndex(({ act }) => act === stroke);
    if (last >= 0) this.events[last] = { ...this.events[last], ends: true };
    return onto;
  }

  /**
   * Other acts from the first that differs on; the paper goes back to before it. The panel's pigments stay as they are. The answer
   * is the time until which everything is as it was, s; without end where no act differs.
   */
  setActs(acts: readonly PanelAct[]): number {
    const ordered = acts
      .map((act, i) => ({ act, field: `acts[${i}]` }))
      .sort((a, b) => a.act.atS - b.act.atS);
    const events = eventsOf(ordered);
    const isSame = sameness();
    let same = 0;
    while (same < Math.min(events.length, this.events.length) && isSame(events[same], this.events[same]))
      same++;
    const firstS = Math.min(events.at(same)?.atS ?? Infinity, this.events.at(same)?.atS ?? Infinity);
    // A state at the very time of an act that is no longer may have been cut short by it.
    const gone = same < this.events.length;
    this.events = events;
    this.hand.letGo();
    this.kept = this.kept.filter(
      ({ done, atS, rest }) => done <= same && (gone && rest.cutShort ? atS < firstS : atS <= firstS),
    );
    if (this.done > same || this.run.atS > firstS) this.restart(() => true);
    return firstS;
  }

  /** Packs one more of what was kept in haste; `false` when all is packed. */
  packNext(): boolean {
    return this.states.packNext();
  }

  /** Keeps the present, if no stroke is under way. */
  keep(): void {
    if (this.run.steps <= this.lastKept.steps || this.hand.isBusy) return;
    this.kept.push({ ...this.states.keep(), done: this.done });
    while (this.kept.length > 2 && this.keptBytes > this.capBytes) this.kept.splice(this.leastMissed(), 1);
  }

  /** States kept earlier of the same acts; the paper goes to the last of them. */
  takeBack(states: readonly RestartMoment[]): void {
    this.kept = [this.kept[0], ...states.filter(({ steps }) => steps > 0)];
    this.restart(() => true);
  }

  private get lastKept(): RestartMoment {
    return this.kept.at(-1)!;
  }

  /** Does what was not planned, and enters it among what was. */
  private happen(event: PanelEvent): void {
    this.hand.do(event);
    const last = this.events.at(this.done - 1);
    if (this.done > 0 && last?.act === event.act && last.atS === event.atS) {
      const points = [...(last.points ?? []), ...(event.points ?? [])];
      this.events[this.done - 1] = { ...event, points };
    } else this.events.splice(this.done++, 0, event);
  }

  /** Steps until `untilS`, or until the end of the first step at or after `enoughS`. */
  private *pass(untilS: number, enoughS = Infinity): Generator<number, void> {
    if (this.run.atS >= enoughS) return;
    for (const reached of passTime(this.run, untilS)) {
      if (this.run.steps - this.lastKept.steps >= KEPT_AFTER) this.keep();
      yield reached;
      if (reached >= enoughS) return;
    }
  }

  private restart(fits: (state: RestartMoment) => boolean): void {
    const from = this.kept.filter(fits).at(-1) ?? this.kept[0];
    this.states.restore(from);
    this.done = from.done;
    this.hand.letGo();
  }

  /** The state without which least has to be run again: the first and the last are never given up. */
  private leastMissed(): number {
    const gaps = this.kept.slice(1, -1).map((_, i) => this.kept[i + 2].steps - this.kept[i].steps);
    return 1 + gaps.indexOf(Math.min(...gaps));
  }
}

/** Whether two events are the same; acts that come from elsewhere are compared by what they say, each only once. */
function sameness(): (one: PanelEvent, other: PanelEvent) => boolean {
  const texts = new Map<PanelAct, string>();
  const textOf = (act: PanelAct): string => {
    const text = texts.get(act) ?? JSON.stringify(act);
    texts.set(act, text);
    return text;
  };
  return (one, other) =>
    one.atS === other.atS &&
    one.points?.length === other.points?.length &&
    (one.act === other.act || textOf(one.act) === textOf(other.act));
}
