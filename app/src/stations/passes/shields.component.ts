import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { LaidShield, Pass } from '@kettle/core/document/plan';
import { PlanStore } from '../../state/plan-store';
import { shieldInWords } from '../../ui/act-words';
import { Choice } from '../../ui/choice.component';

/** What lies on the panel during a pass: paper over an area, or a stencil open where it is. */
@Component({
  selector: 'kd-shields',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice],
  template: `
    @for (shield of shields(); track shield.name) {
      <p>
        {{ shield.name }}
        <button
          class="plain"
          type="button"
          [attr.aria-label]="shield.other + ': ' + shield.name"
          (click)="turn($index)"
        >
          {{ shield.other }}
        </button>
        <button
          class="plain"
          type="button"
          [attr.aria-label]="'Take it up: ' + shield.name"
          (click)="take($index)"
        >
          Take it up
        </button>
      </p>
    }
    <kd-choice
      label="Lay on the panel meanwhile"
      placeholder="lay a shield on it…"
      [options]="choices()"
      [value]="null"
      (valueChange)="lay($event)"
      wide
    />
  `,
  styles: `
    p {
      margin: 0 0 6px;
      font-size: 15px;
    }
  `,
})
export class Shields {
  private readonly store = inject(PlanStore);
  readonly pass = input.required<Pass>();
  readonly shields = computed(() => {
    const plan = this.store.plan();
    return plan === null
      ? []
      : this.pass().shields.map((shield) => ({
          name: shieldInWords(plan, shield),
          other: shield.edge === 'cut' ? 'Tear it' : 'Cut it',
        }));
  });
  readonly choices = computed(() => {
    const laid = this.pass().shields;
    return (this.store.plan()?.areas ?? []).flatMap(({ id, name }) =>
      (['over', 'round'] as const)
        .filter((lies) => !laid.some((shield) => shield.area === id && shield.lies === lies))
        .map((lies) => ({
          id: `${lies} ${id}`,
          name: lies === 'over' ? `over ${name}` : `all round ${name}`,
        })),
    );
  });

  lay(choice: string): void {
    const [lies, area] = choice.split(' ') as [LaidShield['lies'], string];
    this.put([...this.pass().shields, { area, lies, edge: 'cut' }]);
  }

  turn(at: number): void {
    this.put(
      this.pass().shields.map((shield, i) =>
        i === at ? { ...shield, edge: shield.edge === 'cut' ? 'torn' : 'cut' } : shield,
      ),
    );
  }

  take(at: number): void {
    this.put(this.pass().shields.filter((_, i) => i !== at));
  }

  private put(shields: LaidShield[]): void {
    this.store.do({ do: 'change-pass', pass: this.pass().id, change: { shields } });
  }
}
