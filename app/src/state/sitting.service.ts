import { computed, inject, Injectable } from '@angular/core';
import { replaySitting, sittingAt } from '@kettle/core/sitting';
import type { SittingEvent } from '@kettle/core/plan';
import { Clock } from './clock.service';
import { PlanStore } from './plan-store';

/** The sitting of the open card: where it stands now, and the presses that move it on. */
@Injectable({ providedIn: 'root' })
export class SittingService {
  private readonly store = inject(PlanStore);
  private readonly clock = inject(Clock);

  /** Worked out once an event; the clocks below run every tick. */
  private readonly replay = computed(() => {
    const plan = this.store.plan();
    return plan?.sitting ? { plan, replay: replaySitting(plan, plan.sitting) } : null;
  });

  /** `null` when nobody sits at this card. */
  readonly now = computed(() => {
    const sitting = this.replay();
    return sitting ? sittingAt(sitting.plan, sitting.replay, this.clock.now()) : null;
  });

  /** The next wet area to be dry; `null` when all is dry. */
  readonly nextDry = computed(() => {
    const wet = (this.now()?.wet ?? []).filter((w) => w.leftS !== null);
    return wet.length === 0 ? null : wet.reduce((a, b) => (b.leftS! < a.leftS! ? b : a));
  });

  sitDown(): void {
    this.store.do({ do: 'sit-down', at: new Date().toISOString() });
  }

  end(): void {
    this.store.do({ do: 'end-sitting' });
  }

  note(kind: SittingEvent['kind'], of: { act?: string; area?: string }): void {
    this.store.do({ do: 'note-event', event: { at: new Date().toISOString(), kind, ...of } });
  }
}
