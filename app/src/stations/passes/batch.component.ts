import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  inject,
  signal,
  untracked,
} from '@angular/core';
import { ProgressBar } from 'primeng/progressbar';
import type { Plan } from '@kettle/core/plan';
import type { Batch as BatchOrder } from '@kettle/core/schedule';
import { PlanStore } from '../../state/plan-store';
import { NumberField } from '../../ui/number-field.component';
import { TableWorker, type Search } from '../../workers/table-worker.service';
import { batchDrawing, batchInShort, batchStages } from './batch.view';

const WIDTH_PX = 800;
const HEIGHT_PX = 300;

/** All copies of a card at once: how many, on how many boards, by how many hands, and in which order. */
@Component({
  selector: 'kd-batch',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NumberField, ProgressBar],
  templateUrl: './batch.component.html',
  styleUrl: './batch.component.scss',
})
export class Batch {
  private readonly store = inject(PlanStore);
  private readonly worker = inject(TableWorker);
  private search: Search<BatchOrder> | null = null;

  readonly plan = this.store.plan;
  readonly share = signal<number | null>(null);
  private readonly answer = signal<{
    readonly of: unknown;
    readonly batch: BatchOrder | null;
    readonly why: string;
  } | null>(null);
  /** What an order depends on; the name and the wording of a card are not among it. */
  private readonly asked = computed(() => orderedBy(this.plan()), {
    equal: (one, other) => one.length === other.length && one.every((part, i) => part === other[i]),
  });
  private readonly fresh = computed(() => {
    const answer = this.answer();
    return answer?.of === this.asked() ? answer : null;
  });
  readonly why = computed(() => this.fresh()?.why ?? '');
  readonly short = computed(() => (this.fresh()?.batch ? batchInShort(this.fresh()!.batch!) : ''));
  readonly drawing = computed(() => {
    const [batch, plan] = [this.fresh()?.batch, this.plan()];
    return batch && plan ? batchDrawing(plan, batch, WIDTH_PX, HEIGHT_PX) : null;
  });
  readonly stages = computed(() => {
    const [batch, plan] = [this.fresh()?.batch, this.plan()];
    return batch && plan ? batchStages(plan, batch) : [];
  });

  constructor() {
    effect(() => {
      const of = this.asked();
      untracked(() => void this.look(of));
    });
    inject(DestroyRef).onDestroy(() => this.stop());
  }

  set(change: Partial<Pick<Plan['brief'], 'copies' | 'spares'>>): void {
    this.store.do({ do: 'set-brief', change });
  }

  lay(change: Partial<Plan['table']>): void {
    this.store.do({ do: 'set-table', change });
  }

  stop(): void {
    this.search?.cancel();
    this.search = null;
    this.share.set(null);
  }

  private async look(of: unknown): Promise<void> {
    this.stop();
    const plan = this.plan();
    if (!plan) return;
    this.share.set(0);
    const search = this.worker.batch(plan, (share) => {
      if (this.search === search) this.share.set(share);
    });
    this.search = search;
    try {
      const batch = await search.answer;
      if (batch) this.answer.set({ of, batch, why: '' });
    } catch (cause) {
      const why = cause instanceof Error ? cause.message : String(cause);
      this.answer.set({ of, batch: null, why });
    } finally {
      if (this.search === search) this.stop();
    }
  }
}

const orderedBy = (plan: Plan | null): readonly unknown[] =>
  plan
    ? [
        ...[plan.acts, plan.table, plan.brief.copies, plan.brief.spares, plan.climate, plan.paper],
        ...[plan.areas, plan.whites, plan.resists, plan.rules, plan.embedded],
      ]
    : [];
