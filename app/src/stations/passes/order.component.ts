import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { ProgressBar } from 'primeng/progressbar';
import type { Command } from '@kettle/core/document/plan';
import { LookAheadService } from '../../state/look-ahead.service';
import { Messages } from '../../state/messages.service';
import { PlanStore } from '../../state/plan-store';
import { Search } from '../../state/search';
import type { Deadlock } from '../../workers/table-api';
import { Planner } from '../../workers/planner.service';
import {
  chainInWords,
  conflictInWords,
  meanwhileInWords,
  movesInWords,
  orderInWords,
  wayOutInWords,
} from './order.view';

/** Another order of the acts, looked for when it is asked for, shown with what it moves, and taken or left. */
@Component({
  selector: 'kd-order',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ProgressBar],
  template: `
    <p class="soft">{{ chain() }}</p>
    @if (meanwhile()) {
      <p class="soft">{{ meanwhile() }}</p>
    }
    <button class="plain" type="button" [disabled]="share() !== null" (click)="look()">Put in order</button>
    @if (share() !== null) {
      <p-progressbar [value]="share()! * 100" [showValue]="false" ariaLabel="Looking for an order" />
      <button class="plain" type="button" (click)="stop()">Stop looking</button>
    }
    <p role="status">{{ says() }}</p>
    @if (deadlock(); as stuck) {
      <ul>
        @for (rule of stuck.rules; track rule) {
          <li>{{ rule }}</li>
        }
      </ul>
      @if (stuck.wayOut; as way) {
        <p>{{ way.says }}</p>
        <button class="plain" type="button" (click)="goOut(way.commands)">Do that</button>
      } @else {
        <p>No single change lets them hold: move an act, or let one wait until all is dry.</p>
      }
      <button class="plain" type="button" (click)="leave()">Leave it as it is</button>
    }
    @if (found(); as better) {
      <ul>
        @for (move of better.moves; track move) {
          <li>{{ move }}</li>
        }
      </ul>
      <button class="plain" type="button" (click)="take()">Take this order</button>
      <button class="plain" type="button" (click)="leave()">Leave it as it is</button>
    }
  `,
  styles: `
    :host {
      display: block;
      margin: 4px 0 8px;
    }
    ul {
      margin: 4px 0;
      padding-left: 18px;
    }
    p-progressbar {
      display: block;
      margin: 8px 0;
    }
  `,
})
export class OrderView {
  private readonly store = inject(PlanStore);
  private readonly lookAhead = inject(LookAheadService);
  private readonly worker = inject(Planner);
  private readonly messages = inject(Messages);
  private readonly search = new Search();

  readonly share = this.search.share;
  private readonly answer = signal<{
    readonly acts: unknown;
    readonly order: readonly string[];
    readonly says: string;
    readonly deadlock?: Deadlock;
  } | null>(null);
  /** What was said of acts that have changed since is no longer so. */
  private readonly fresh = computed(() => {
    const answer = this.answer();
    return answer?.acts === this.store.plan()?.acts ? answer : null;
  });
  readonly says = computed(() => this.fresh()?.says ?? '');
  readonly found = computed(() => {
    const [fresh, plan] = [this.fresh(), this.store.plan()];
    return fresh && plan && fresh.order.length > 0
      ? { order: fresh.order, moves: movesInWords(plan, fresh.order) }
      : null;
  });
  readonly deadlock = computed(() => {
    const [stuck, plan] = [this.fresh()?.deadlock, this.store.plan()];
    if (!stuck || !plan) return null;
    const { conflict, wayOut } = stuck;
    return {
      rules: conflictInWords(plan, conflict),
      wayOut: wayOut && { says: wayOutInWords(plan, wayOut), commands: wayOut.commands },
    };
  });
  readonly chain = computed(() => {
    const ahead = this.lookAhead.ahead();
    return ahead ? chainInWords(ahead.plan, ahead.timeline) : '';
  });
  readonly meanwhile = computed(() => {
    const ahead = this.lookAhead.ahead();
    return ahead ? meanwhileInWords(ahead.plan, ahead.waits) : '';
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => this.stop());
  }

  async look(): Promise<void> {
    const plan = this.store.plan()!;
    try {
      const found = await this.search.find(this.worker.putInOrder(plan));
      this.answer.set(
        found && 'conflict' in found
          ? { acts: plan.acts, order: [], says: 'These cannot hold together, in any order:', deadlock: found }
          : { acts: plan.acts, order: found?.order ?? [], says: orderInWords(found) },
      );
    } catch (cause) {
      this.messages.stop(`No order could be looked for: ${String(cause)}.`, 'The acts are as they were.');
    }
  }

  stop(): void {
    this.search.stop();
  }

  take(): void {
    this.store.do({ do: 'order-acts', order: [...this.found()!.order] });
  }

  goOut(commands: readonly Command[]): void {
    this.store.do(...commands);
  }

  leave(): void {
    this.answer.set(null);
  }
}
