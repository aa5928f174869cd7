import { computed, effect, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { filter, from, switchMap, take } from 'rxjs';
import type { ClockJump } from '@kettle/core/kit/clock';
import type { SittingEvent } from '@kettle/core/document/plan';
import { formatSpan } from '@kettle/core/kit/units';
import { Clock } from './clock.service';
import { Messages } from './messages.service';
import { PlanStore } from './plan-store';

/** The sitting of the open card: where it stands now, and the presses that move it on. */
@Injectable({ providedIn: 'root' })
export class SittingService {
  private readonly messages = inject(Messages);
  private readonly store = inject(PlanStore);
  private readonly clock = inject(Clock);

  /** How sittings go; fetched when the first one is seen, since most pages have none. */
  private readonly course = signal<typeof import('@kettle/core/order/sitting') | null>(null);

  /** Worked out once an event; the clocks below run every tick. */
  private readonly replay = computed(() => {
    const [plan, course] = [this.store.plan(), this.course()];
    return plan?.sitting && course
      ? { plan, course, replay: course.replaySitting(plan, plan.sitting) }
      : null;
  });

  /** `null` when nobody sits at this card. */
  readonly now = computed(() => {
    const sitting = this.replay();
    return sitting ? sitting.course.sittingAt(sitting.plan, sitting.replay, this.clock.now()) : null;
  });

  /** The next wet area to be dry; `null` when all is dry. */
  readonly nextDry = computed(() => {
    const wet = (this.now()?.wet ?? []).filter((w) => w.leftS !== null);
    return wet.length === 0 ? null : wet.reduce((a, b) => (b.leftS! < a.leftS! ? b : a));
  });

  /** The computer’s clock has gone ahead while somebody sits here. */
  private readonly asks = computed(() => (this.store.plan()?.sitting ? this.clock.asks() : null));
  /** What was asked of it last, in words. */
  private asked = '';

  constructor() {
    effect(() => this.clock.isNeeded.set(this.store.plan()?.sitting != null));
    effect(() => this.ask(this.asks()));
    this.clock.setBack$.pipe(takeUntilDestroyed()).subscribe((ms) => {
      if (this.store.plan()?.sitting)
        this.messages.trouble(
          `The computer’s clock was set back by ${formatSpan(ms / 1000)}.`,
          'The clocks at the table run on as before. If the paper says otherwise, tell it: still wet, or dry now.',
        );
    });
    toObservable(this.store.plan)
      .pipe(
        filter((plan) => plan?.sitting != null),
        take(1),
        switchMap(() => from(import('@kettle/core/order/sitting'))),
      )
      .subscribe({
        next: (course) => this.course.set(course),
        error: (cause: unknown) =>
          this.messages.stop(
            `The clocks could not be loaded: ${String(cause)}.`,
            'The sitting is safe. Load the page again.',
          ),
      });
  }

  sitDown(): void {
    this.store.do({ do: 'sit-down', at: this.atTable() });
  }

  /** The computer slept: what was noted since its clock went ahead was that much later. */
  private computerSlept(): void {
    const jump = this.clock.slept();
    if (jump)
      this.store.do({
        ...{ do: 'shift-events', from: new Date(jump.atMs).toISOString() },
        byS: jump.byMs / 1000,
      });
  }

  /** Asks whether a jump of the clock was sleep; a question that no longer stands is taken back. */
  private ask(jump: ClockJump | null): void {
    if (this.asked) this.messages.withdraw(this.asked);
    this.asked = jump ? `The computer’s clock has gone ahead by ${formatSpan(jump.byMs / 1000)}.` : '';
    if (!jump) return;
    this.messages.trouble(
      this.asked,
      'Until you say, the paper is taken to be as wet as before.',
      { label: 'The computer was asleep', run: () => this.computerSlept() },
      { label: 'The clock was set', run: () => this.clock.wasSet() },
    );
  }

  private atTable(): string {
    return new Date(this.clock.now()).toISOString();
  }

  end(): void {
    this.store.do({ do: 'end-sitting' });
  }

  note(kind: SittingEvent['kind'], of: { act?: string; area?: string }): void {
    this.store.do({ do: 'note-event', event: { at: this.atTable(), kind, ...of } });
  }
}
