import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { LIES, MOST_OTHER_MIXES, type OtherMix, type Pass } from '@kettle/core/document/plan';
import { PlanStore } from '../../state/plan-store';
import { PLACE_WORDS } from '../../ui/act-words';
import { Choice } from '../../ui/choice.component';
import { sharesToChoose } from './pass-mixes.view';

/** What else is laid in the same pass, each mix in its place. */
@Component({
  selector: 'kd-other-mixes',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice],
  template: `
    @for (other of others(); track $index) {
      <div class="other">
        <p>
          and {{ other.name }}
          <button
            class="plain"
            type="button"
            [attr.aria-label]="'Leave it out: ' + other.name"
            (click)="take($index)"
          >
            Leave it out
          </button>
        </p>
        <kd-choice
          [label]="'Where ' + other.name + ' lies'"
          [options]="places"
          [value]="other.lies"
          (valueChange)="change($index, { lies: $event })"
        />
        <kd-choice
          [label]="'How much of it is ' + other.name"
          [options]="other.shares"
          [value]="other.share"
          (valueChange)="change($index, { share: $event })"
        />
      </div>
    }
    @if (choices().length > 0) {
      <kd-choice
        label="Another mix in the same pass"
        placeholder="another mix beside it…"
        [options]="choices()"
        [value]="null"
        (valueChange)="lay($event)"
        wide
      />
    }
  `,
  styles: `
    .other {
      display: flex;
      flex-wrap: wrap;
      gap: 6px;
      margin-bottom: 6px;
    }
    p {
      flex-basis: 100%;
      margin: 0;
      font-size: 15px;
    }
  `,
})
export class OtherMixes {
  private readonly store = inject(PlanStore);
  readonly pass = input.required<Pass>();
  readonly places = LIES.map((id) => ({ id, name: PLACE_WORDS[id] }));
  readonly others = computed(() =>
    this.pass().also.map((other) => ({
      ...other,
      name: this.store.plan()?.mixes.find(({ id }) => id === other.mix)?.name ?? other.mix,
      shares: sharesToChoose(other.share),
    })),
  );
  /** Nothing is laid beside clear water. */
  readonly choices = computed(() => {
    const { mix, also } = this.pass();
    return mix === null || also.length >= MOST_OTHER_MIXES
      ? []
      : (this.store.plan()?.mixes ?? []).filter(({ id }) => id !== mix);
  });

  lay(mix: string): void {
    this.put([...this.pass().also, { mix, lies: 'below', share: FIRST_SHARE }]);
  }

  change(at: number, change: Partial<OtherMix>): void {
    this.put(this.pass().also.map((other, i) => (i === at ? { ...other, ...change } : other)));
  }

  take(at: number): void {
    this.put(this.pass().also.filter((_, i) => i !== at));
  }

  private put(also: OtherMix[]): void {
    this.store.do({ do: 'change-pass', pass: this.pass().id, change: { also } });
  }
}

/** A mix laid beside another takes so much of it at first. */
const FIRST_SHARE = 0.33;
