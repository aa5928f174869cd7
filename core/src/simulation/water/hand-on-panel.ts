import { actOnPanel } from './act-on-panel';
import type { PanelAct } from './panel-act';
import type { PanelEvent } from './panel-event';
import { stir, touch, type PanelRun } from './panel-run';
import type { Stage } from './stages';
import { BrushStroke } from './stroke';

/** The hand that does what happens to a panel; strokes that take their time are in it until they end. */
export class HandOnPanel {
  private readonly strokes = new Map<PanelAct, BrushStroke>();

  constructor(private readonly run: PanelRun) {}

  /** Whether a stroke is under way. */
  get isBusy(): boolean {
    return this.strokes.size > 0;
  }

  /** Does one thing at the run's present time. Throws as `actOnPanel`. */
  do({ act, field, points, ends }: PanelEvent): void {
    if (act.kind !== 'stroke' || !points) {
      actOnPanel(this.run, act, field);
      return;
    }
    const begun = this.strokes.get(act);
    const stroke = begun ?? new BrushStroke(this.run, act, field);
    stroke.goOn(points);
    if (ends) this.strokes.delete(act);
    else this.strokes.set(act, stroke);
    // Chance hangs on how many acts went before, not on how often the hand was seen.
    if (begun) stir(this.run);
    else touch(this.run);
  }

  /** A stroke under way is done; the answer is how wet the paper was where it came. */
  end(act: PanelAct): Stage {
    const onto = this.strokes.get(act)?.onto ?? 'dry';
    this.strokes.delete(act);
    return onto;
  }

  letGo(): void {
    this.strokes.clear();
  }
}
