import type { Work } from '../units';
import { actOnPanel } from './act-on-panel';
import type { PanelAct } from './panel-act';
import type { PanelKernel } from './panel-kernel';
import { passTime, type PanelRun } from './panel-run';
import { bytesOf, RestartStates, type KeptState } from './restart';
import { openSimulation, type Cupboard, type Simulation } from './simulate';

/** A state is kept before an act when so many steps have passed since the last, and after so many in any case. */
const KEPT_BEFORE_ACT = 40;
const KEPT_AFTER = 120;

interface Kept extends KeptState {
  /** Acts done by then. */
  readonly done: number;
}

/**
 * A simulation that can be gone through at will. Whatever way it is gone, the paper at a step is the same to the last
 * bit as if it had been run once from the start: it stops only at acts and where steps end by themselves. Going back,
 * and changing acts, restart from the last kept state. States are thinned out to keep within `capBytes`.
 */
export class Replay {
  readonly run: PanelRun;
  private acts: readonly { readonly act: PanelAct; readonly field: string }[];
  private done = 0;
  private kept: Kept[];
  private readonly states: RestartStates;

  constructor(
    simulation: Simulation,
    kernel: PanelKernel,
    private readonly capBytes: number,
    cupboard?: Cupboard,
  ) {
    const { run, acts } = openSimulation(simulation, kernel, cupboard);
    this.run = run;
    this.acts = acts;
    this.states = new RestartStates(run);
    this.kept = [{ ...this.states.keep(), done: 0 }];
  }

  /** What the kept states hold, bytes. */
  get keptBytes(): number {
    return bytesOf(this.kept);
  }

  /** Times of the kept states, s. */
  get keptAt(): number[] {
    return this.kept.map(({ atS }) => atS);
  }

  /** Goes to the first end of a step at or after `atS`, with every act up to then done; yields after each step. */
  *goTo(atS: number): Work<void> {
    if (atS < this.run.atS) this.restart((state) => state.atS <= atS);
    const fromS = this.run.atS;
    for (;;) {
      const due = this.acts.at(this.done);
      if (due && due.act.atS <= atS) {
        yield* this.pass(due.act.atS, (reached) => (reached - fromS) / (atS - fromS));
        if (this.run.steps - this.lastKept.steps >= KEPT_BEFORE_ACT) this.keep();
        actOnPanel(this.run, due.act, due.field);
        this.done++;
      } else {
        const nextS = due?.act.atS ?? Infinity;
        yield* this.pass(nextS, (reached) => (reached - fromS) / (atS - fromS), atS);
        return;
      }
    }
  }

  /** Other acts from the first that differs on; the paper goes back to before it. The panel's pigments stay as they are. */
  setActs(acts: readonly PanelAct[]): void {
    const ordered = acts
      .map((act, i) => ({ act, field: `acts[${i}]` }))
      .sort((a, b) => a.act.atS - b.act.atS);
    let same = 0;
    while (
      same < Math.min(ordered.length, this.acts.length) &&
      isSame(ordered[same].act, this.acts[same].act)
    )
      same++;
    const firstS = Math.min(ordered.at(same)?.act.atS ?? Infinity, this.acts.at(same)?.act.atS ?? Infinity);
    // A state at the very time of an act that is no longer may have been cut short by it.
    const cutS = same < this.acts.length ? firstS : Infinity;
    this.acts = ordered;
    this.kept = this.kept.filter(({ done, atS }) => done <= same && atS <= firstS && atS < cutS);
    if (this.done > same || this.run.atS > firstS) this.restart(() => true);
  }

  private get lastKept(): Kept {
    return this.kept.at(-1)!;
  }

  /** Steps until `untilS`, or until the end of the first step at or after `enoughS`. */
  private *pass(untilS: number, share: (atS: number) => number, enoughS = Infinity): Generator<number, void> {
    if (this.run.atS >= enoughS) return;
    for (const reached of passTime(this.run, untilS)) {
      if (this.run.steps - this.lastKept.steps >= KEPT_AFTER) this.keep();
      yield Math.min(1, share(reached));
      if (reached >= enoughS) return;
    }
  }

  private restart(fits: (state: Kept) => boolean): void {
    const from = this.kept.filter(fits).at(-1) ?? this.kept[0];
    this.states.restore(from);
    this.done = from.done;
  }

  private keep(): void {
    if (this.run.steps <= this.lastKept.steps) return;
    this.kept.push({ ...this.states.keep(), done: this.done });
    while (this.kept.length > 2 && this.keptBytes > this.capBytes) this.kept.splice(this.leastMissed(), 1);
  }

  /** The state without which least has to be run again: the first and the last are never given up. */
  private leastMissed(): number {
    const gaps = this.kept.slice(1, -1).map((_, i) => this.kept[i + 2].steps - this.kept[i].steps);
    return 1 + gaps.indexOf(Math.min(...gaps));
  }
}

const isSame = (one: PanelAct, other: PanelAct): boolean => JSON.stringify(one) === JSON.stringify(other);
