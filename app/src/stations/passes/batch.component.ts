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
import type { Plan } from '@kettle/core/document/plan';
import type { Batch as BatchOrder } from '@kettle/core/order/schedule';
import { BadInput } from '@kettle/core/kit/units';
import { CardShelf } from '../../state/card-shelf';
import { PlanStore } from '../../state/plan-store';
import { StudioStore } from '../../state/studio-store';
import { Search } from '../../state/search';
import { Choice } from '../../ui/choice.component';
import { NumberField } from '../../ui/number-field.component';
import { Planner } from '../../workers/planner.service';
import { Variants } from './variants.component';
import { batchDrawing, batchInShort, batchStages, eveningsInWords } from './batch.view';

const WIDTH_PX = 800;
const HEIGHT_PX = 300;

/** All copies of a card at once: how many, on how many boards, by how many hands, and in which order. */
@Component({
  selector: 'kd-batch',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice, NumberField, ProgressBar, Variants],
  templateUrl: './batch.component.html',
  styleUrl: './batch.component.scss',
})
export class BatchView {
  private readonly store = inject(PlanStore);
  private readonly studio = inject(StudioStore);
  private readonly shelf = inject(CardShelf);
  private readonly worker = inject(Planner);
  private readonly search = new Search();

  readonly plan = this.store.plan;
  readonly share = this.search.share;
  private readonly answer = signal<{
    readonly of: unknown;
    readonly batch: BatchOrder | null;
    readonly why: string;
  } | null>(null);
  /** Other cards that are painted in the waits of this one, in the order they were taken. */
  private readonly together = signal<readonly string[]>([]);
  /** Cards there are besides, with something to paint. */
  private readonly others = computed(() =>
    this.shelf
      .cards()
      .filter(({ id, acts }) => id !== this.plan()?.id && acts.some(({ kind }) => kind === 'pass')),
  );
  readonly taken = computed(() =>
    this.together().flatMap((id) => this.others().filter((card) => card.id === id)),
  );
  readonly choices = computed(() =>
    this.others()
      .filter((card) => !this.taken().includes(card))
      .map(({ id, title }) => ({ id, name: title })),
  );
  private readonly plans = computed((): readonly Plan[] => {
    const plan = this.plan();
    return plan ? [plan, ...this.taken()] : [];
  });
  /** What an order depends on; the name and the wording of a card are not among it. */
  private readonly asked = computed(
    () => [this.studio.studio().evenings, ...this.plans().flatMap(orderedBy)],
    {
      equal: (one, other) => one.length === other.length && one.every((part, i) => part === other[i]),
    },
  );
  private readonly fresh = computed(() => {
    const answer = this.answer();
    return answer?.of === this.asked() ? answer : null;
  });
  readonly why = computed(() => this.fresh()?.why ?? '');
  readonly short = computed(() =>
    this.fresh()?.batch ? batchInShort(this.plans(), this.fresh()!.batch!) : '',
  );
  readonly drawing = computed(() => {
    const batch = this.fresh()?.batch;
    return batch ? batchDrawing(this.plans(), batch, WIDTH_PX, HEIGHT_PX) : null;
  });
  readonly evenings = computed(() => {
    const batch = this.fresh()?.batch;
    return batch ? eveningsInWords(this.plans(), batch) : [];
  });
  readonly stages = computed(() => {
    const batch = this.fresh()?.batch;
    return batch ? batchStages(this.plans(), batch) : [];
  });

  constructor() {
    void this.shelf.refresh();
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

  take(card: string): void {
    this.together.update((cards) => [...cards, card]);
  }

  leave(card: string): void {
    this.together.update((cards) => cards.filter((id) => id !== card));
  }

  stop(): void {
    this.search.stop();
  }

  private async look(of: unknown): Promise<void> {
    this.stop();
    const plans = this.plans();
    if (plans.length === 0) return;
    try {
      const batch = await this.search.find(this.worker.batch(plans, this.studio.desk()));
      if (batch) this.answer.set({ of, batch, why: '' });
    } catch (cause) {
      const why = cause instanceof BadInput ? `It does not go: ${cause.reason}.` : String(cause);
      this.answer.set({ of, batch: null, why });
    }
  }
}

const orderedBy = (plan: Plan): readonly unknown[] => [
  ...[plan.acts, plan.table, plan.brief.copies, plan.brief.spares, plan.variants, plan.climate, plan.paper],
  ...[plan.areas, plan.whites, plan.resists, plan.rules, plan.embedded],
];
