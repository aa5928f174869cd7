import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { InputText } from 'primeng/inputtext';
import { MOST_VARIANTS, type Variant } from '@kettle/core/document/plan';
import { PlanStore } from '../../state/plan-store';
import { Choice } from '../../ui/choice.component';
import { NumberField } from '../../ui/number-field.component';
import { changeFor, variantsInWords, LEFT_OUT, variantRows, waysOtherwise } from './variants.view';

/** Copies of a batch that are painted otherwise: a pass in another mix, or left out. */
@Component({
  selector: 'kd-variants',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice, InputText, NumberField],
  template: `
    @for (row of rows(); track row.variant.id) {
      <section [attr.aria-label]="row.variant.name" data-testid="variant">
        <label class="field">
          <span>Painted otherwise</span>
          <input
            pInputText
            maxlength="60"
            autocomplete="off"
            [value]="row.variant.name"
            (change)="rename(row.variant, $any($event.target))"
          />
        </label>
        <kd-number-field
          label="How many"
          [value]="row.variant.copies"
          [least]="1"
          [most]="200"
          (valueChange)="put(row.variant, { copies: $event! })"
        />
        <button
          class="plain stop"
          type="button"
          [attr.aria-label]="'As planned after all: ' + row.variant.name"
          (click)="take(row.variant)"
        >
          As planned after all
        </button>
        <ul>
          @for (change of row.changes; track change.pass) {
            <li>
              {{ change.name }}
              <kd-choice
                [label]="'How: ' + change.name"
                [options]="ways()"
                [value]="change.how"
                (valueChange)="say(row.variant, change.pass, $event)"
              />
              <button
                class="plain"
                type="button"
                [attr.aria-label]="'As planned: ' + change.name"
                (click)="unsay(row.variant, change.pass)"
              >
                As planned
              </button>
            </li>
          }
          @if (row.passes.length > 0) {
            <li>
              <kd-choice
                label="A pass that is painted otherwise"
                placeholder="a pass that is otherwise…"
                [options]="row.passes"
                [value]="null"
                (valueChange)="say(row.variant, $event, leftOut)"
              />
            </li>
          }
        </ul>
      </section>
    }
    <p>
      <button class="plain" type="button" [disabled]="!mayVary()" (click)="vary()">
        Paint some otherwise
      </button>
      <span class="soft" data-testid="kinds">{{ kinds() }}</span>
    </p>
  `,
  styles: `
    section {
      display: flex;
      flex-wrap: wrap;
      align-items: end;
      gap: 4px 18px;
      margin-top: 8px;
      padding-left: 10px;
      border-left: 3px solid #8cc0c1;
    }
    ul {
      flex-basis: 100%;
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: flex;
      align-items: baseline;
      gap: 10px;
      padding: 2px 0;
    }
    p {
      display: flex;
      gap: 14px;
      margin: 8px 0 0;
    }
  `,
})
export class Variants {
  private readonly store = inject(PlanStore);
  readonly leftOut = LEFT_OUT;
  readonly rows = computed(() => {
    const plan = this.store.plan();
    return plan ? variantRows(plan) : [];
  });
  readonly ways = computed(() => {
    const plan = this.store.plan();
    return plan ? waysOtherwise(plan) : [];
  });
  readonly kinds = computed(() => {
    const plan = this.store.plan();
    return plan ? variantsInWords(plan) : '';
  });
  readonly mayVary = computed(() => {
    const plan = this.store.plan();
    return plan?.acts.some(({ kind }) => kind === 'pass') === true && plan.variants.length < MOST_VARIANTS;
  });

  vary(): void {
    const number = this.rows().length + 1;
    this.do({
      ...{ id: `kind-${crypto.randomUUID().slice(0, 8)}`, name: `kind ${number}`, copies: 1 },
      changes: [],
    });
  }

  rename(variant: Variant, field: HTMLInputElement): void {
    const name = field.value.trim();
    if (name === '') field.value = variant.name;
    else this.put(variant, { name });
  }

  put(variant: Variant, change: Partial<Variant>): void {
    this.do({ ...variant, ...change });
  }

  say(variant: Variant, pass: string, how: string): void {
    const before = variant.changes.filter((change) => change.pass !== pass);
    this.put(variant, { changes: [...before, changeFor(pass, how)] });
  }

  unsay(variant: Variant, pass: string): void {
    this.put(variant, { changes: variant.changes.filter((change) => change.pass !== pass) });
  }

  take({ id }: Variant): void {
    this.store.do({ do: 'take-variant', variant: id });
  }

  private do(variant: Variant): void {
    this.store.do({ do: 'vary', variant });
  }
}
