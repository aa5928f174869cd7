import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { asParts, sparedBy, type Part, type Pass } from '@kettle/core/document/plan';
import { PlanStore } from '../../state/plan-store';
import { Choice } from '../../ui/choice.component';

/** What a pass is painted round; another may go over it. */
@Component({
  selector: 'kd-spares',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice],
  template: `
    @for (part of spared(); track part.id) {
      <p>
        painted round {{ part.name }}
        <button
          class="plain"
          type="button"
          [attr.aria-label]="'Paint over it: ' + part.name"
          (click)="paintOver(part)"
        >
          Paint over it
        </button>
      </p>
    }
    @if (others().length > 0) {
      <kd-choice
        label="Painted round"
        placeholder="paint it round…"
        [options]="others()"
        [value]="null"
        (valueChange)="goRound($event)"
        wide
      />
    }
  `,
  styles: `
    p {
      margin: 0 0 6px;
      font-size: 15px;
    }
  `,
})
export class Spares {
  private readonly store = inject(PlanStore);
  readonly pass = input.required<Pass>();
  private readonly areas = computed(() => {
    const [plan, pass] = [this.store.plan(), this.pass()];
    return plan ? [...new Set(pass.areas.flatMap((area) => sparedBy(plan, pass, area)))] : [];
  });
  readonly spared = computed(() => {
    const plan = this.store.plan();
    return plan ? asParts(plan, this.areas()) : [];
  });
  readonly others = computed(() => {
    const plan = this.store.plan();
    const out = new Set([...this.pass().areas, ...this.areas()]);
    const left = (plan?.areas ?? []).map(({ id }) => id).filter((id) => !out.has(id));
    return plan ? asParts(plan, left) : [];
  });

  goRound(part: string): void {
    const { members } = this.others().find(({ id }) => id === part)!;
    this.put([...this.areas(), ...members]);
  }

  paintOver({ members }: Part): void {
    this.put(this.areas().filter((area) => !members.includes(area)));
  }

  private put(spares: string[]): void {
    this.store.do({ do: 'change-pass', pass: this.pass().id, change: { spares } });
  }
}
