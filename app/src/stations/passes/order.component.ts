import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { ProgressBar } from 'primeng/progressbar';
import { formatSpan } from '@kettle/core/units';
import { LookAheadService } from '../../state/look-ahead.service';
import { Messages } from '../../state/messages.service';
import { PlanStore } from '../../state/plan-store';
import { TableWorker, type Search } from '../../workers/table-worker.service';
import { chainInWords, movesInWords } from './order.view';

/** Another order of the acts, looked for when it is asked for, shown with what it moves, and taken or left. */
@Component({
  selector: 'kd-order',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ProgressBar],
  template: `
    <p class="soft">{{ chain() }}</p>
    <button class="plain" type="button" [disabled]="share() !== null" (click)="look()">Put in order</button>
    @if (share() !== null) {
      <p-progressbar [value]="share()! * 100" [showValue]="false" ariaLabel="Looking for an order" />
      <button class="plain" type="button" (click)="stop()">Stop looking</button>
    }
    <p role="status">{{ says() }}</p>
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
export class Order {
  private readonly store = inject(PlanStore);
  private readonly lookAhead = inject(LookAheadService);
  private readonly worker = inject(TableWorker);
  private readonly messages = inject(Messages);
  private search: Search<unknown> | null = null;

  readonly share = signal<number | null>(null);
  private readonly answer = signal<{
    readonly acts: unknown;
    readonly order: readonly string[];
    readonly says: string;
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
  readonly chain = computed(() => {
    const ahead = this.lookAhead.ahead();
    return ahead ? chainInWords(ahead.plan, ahead.timeline) : '';
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => this.stop());
  }

  async look(): Promise<void> {
    const plan = this.store.plan()!;
    this.share.set(0);
    const search = this.worker.putInOrder(plan, (share) => {
      if (this.search === search) this.share.set(share);
    });
    this.search = search;
    try {
      const better = await search.answer;
      this.answer.set({
        acts: plan.acts,
        order: better?.order ?? [],
        says: better
          ? `It can be done ${formatSpan(better.beforeS - better.afterS)} sooner:`
          : 'No order is found that ends a minute sooner.',
      });
    } catch (cause) {
      this.messages.stop(`No order could be looked for: ${String(cause)}.`, 'The acts are as they were.');
    } finally {
      this.search = null;
      this.share.set(null);
    }
  }

  stop(): void {
    this.search?.cancel();
  }

  take(): void {
    this.store.do({ do: 'order-acts', order: [...this.found()!.order] });
  }

  leave(): void {
    this.answer.set(null);
  }
}
