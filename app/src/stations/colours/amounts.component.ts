import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Studio } from '@kettle/core/document/plan';
import { PlanStore } from '../../state/plan-store';
import { StudioStore } from '../../state/studio-store';
import { NumberField } from '../../ui/number-field.component';
import type { ColourReckoning } from '../../workers/colour-reckoning';
import { amountRows, jarsInWords } from './amounts.view';

/** How much of every mix the whole batch takes, and what else of it is to be minded. */
@Component({
  selector: 'kd-amounts',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NumberField],
  template: `
    <section>
      <h2>Amounts</h2>
      @if (rows(); as rows) {
        <p class="soft">{{ batch() }}</p>
        @if (rows.length === 0) {
          <p>No pass uses a mix yet: how much is needed is told once washes are planned.</p>
        }
        <ul>
          @for (row of rows; track row.mix) {
            <li data-testid="amount">
              <strong>{{ row.name }}</strong>
              @if (row.first) {
                <em> · mix before any wetting</em>
              }
              <p>{{ row.mixes }}</p>
              <p class="soft">{{ row.uses }}</p>
              <kd-number-field
                label="I have mixed, ml"
                placeholder="–"
                [least]="0.01"
                [most]="1000"
                [value]="row.mixedMl"
                (valueChange)="mixed(row.mix, $event)"
              />
              @if (row.stop) {
                <p class="stop">{{ row.stop }}</p>
              }
            </li>
          }
        </ul>
        <p>{{ jars() }}</p>
      } @else {
        <p class="soft">It is being reckoned…</p>
      }
    </section>
    <section>
      <h3>This dish</h3>
      <div class="row">
        <kd-number-field
          label="wells"
          [least]="1"
          [most]="60"
          [value]="dish().wells"
          (valueChange)="setDish({ wells: whole($event) })"
        />
        <kd-number-field
          label="one holds, ml"
          [least]="0.1"
          [most]="200"
          [value]="dish().wellMl"
          (valueChange)="setDish({ wellMl: $event! })"
        />
        <kd-number-field
          label="left in it, ml"
          [least]="0"
          [most]="20"
          [value]="dish().leftMl"
          (valueChange)="setDish({ leftMl: $event! })"
        />
        <kd-number-field
          label="rinsed out of brushes, %"
          [least]="0"
          [most]="90"
          [value]="rinsed()"
          (valueChange)="setDish({ rinsed: $event! / 100 })"
        />
      </div>
    </section>
  `,
  styleUrl: './colours.component.scss',
})
export class Amounts {
  private readonly store = inject(PlanStore);
  private readonly studio = inject(StudioStore);
  readonly reckoning = input.required<ColourReckoning | null>();
  readonly dish = computed(() => this.studio.studio().dish);
  readonly rinsed = computed(() => Math.round(100 * this.dish().rinsed));
  readonly rows = computed(() => {
    const [plan, reckoning] = [this.store.plan(), this.reckoning()];
    return plan && reckoning && amountRows(plan, reckoning.amounts, this.dish());
  });
  readonly jars = computed(() => {
    const [plan, reckoning] = [this.store.plan(), this.reckoning()];
    return plan && reckoning ? jarsInWords(plan, reckoning.jars) : '';
  });
  readonly batch = computed(() => {
    const brief = this.store.plan()?.brief;
    if (!brief) return '';
    const spares = brief.spares > 0 ? ` and ${brief.spares} to spare` : '';
    return `For ${brief.copies} ${brief.copies === 1 ? 'card' : 'cards'}${spares}.`;
  });
  readonly whole = (value: number | null): number => Math.round(value!);

  setDish(change: Partial<Studio['dish']>): void {
    void this.studio.change({ dish: { ...this.dish(), ...change } });
  }

  mixed(id: string, mixedMl: number | null): void {
    const mix = this.store.plan()!.mixes.find((entry) => entry.id === id)!;
    this.store.do({ do: 'put-mix', mix: { ...mix, mixedMl }, pigments: [] });
  }
}
