import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { maskTimes } from '@kettle/core/document/plan';
import { PlanStore } from '../../state/plan-store';
import { Choice } from '../../ui/choice.component';
import { passChoices } from './whites.view';

/** When a mask goes on and comes off: before all painting and at the end, or over a dried colour and half-way. */
@Component({
  selector: 'kd-mask-times',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice],
  template: `
    @if (times(); as times) {
      <div class="row">
        <kd-choice
          [label]="'Mask goes on: ' + name()"
          [options]="ons()"
          [value]="times.on ?? ''"
          (valueChange)="set($event || null, times.off)"
        />
        <kd-choice
          [label]="'Mask comes off: ' + name()"
          [options]="offs()"
          [value]="times.off ?? ''"
          (valueChange)="set(times.on, $event || null)"
        />
      </div>
    }
  `,
})
export class MaskTimesRow {
  private readonly store = inject(PlanStore);
  /** The areas, or the freehand mask, that are masked at one time. */
  readonly masked = input.required<readonly string[]>();
  readonly name = input.required<string>();
  readonly times = computed(() => {
    const plan = this.store.plan();
    return plan && maskTimes(plan, this.masked()[0]);
  });
  private readonly passes = computed(() => {
    const plan = this.store.plan();
    return plan ? passChoices(plan) : [];
  });
  readonly ons = computed(() => [
    { id: '', name: 'on before all painting' },
    ...this.passes().map(named('on')),
  ]);
  readonly offs = computed(() => [{ id: '', name: 'off at the end' }, ...this.passes().map(named('off'))]);

  set(on: string | null, off: string | null): void {
    this.store.do(...this.masked().map((masked) => ({ do: 'mask-when' as const, masked, on, off })));
  }
}

const named =
  (when: 'on' | 'off') =>
  ({ id, name }: { readonly id: string; readonly name: string }) => ({ id, name: `${when} ${name}` });
