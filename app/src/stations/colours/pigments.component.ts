import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { cautionFor } from '@kettle/core/materials/pigment';
import { planPaper } from '@kettle/core/document/plan';
import { PaintBox } from '../../state/paint-box.service';
import { PlanStore } from '../../state/plan-store';
import { Choice } from '../../ui/choice.component';
import { Swatch } from '../../ui/swatch.component';
import { factsInWords, pigmentChoices } from './colours.view';
import { ColoursState } from './colours-state.service';

/** The few pigments that are set out on the dish. */
@Component({
  selector: 'kd-pigments-out',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice, RouterLink, Swatch],
  template: `
    <section>
      <h2>On the dish</h2>
      @if (rows().length === 0) {
        <p>The dish is empty. Set out one to six pigments; few of them make a card that holds together.</p>
      }
      <ul>
        @for (row of rows(); track row.code) {
          <li>
            <p>
              <kd-swatch [dry]="row.hex" /> <strong>{{ row.label }}</strong>
              <button
                class="plain"
                type="button"
                [attr.aria-label]="'Take it off: ' + row.label"
                [disabled]="row.mixedInto !== ''"
                (click)="takeOff(row.code)"
              >
                Take it off
              </button>
            </p>
            <p class="soft">{{ row.says }}{{ row.mixedInto ? ' In ' + row.mixedInto + '.' : '' }}</p>
            @if (row.caution) {
              <p class="stop" data-testid="caution">{{ row.caution }}</p>
            }
          </li>
        }
      </ul>
      <kd-choice
        label="Set out a pigment"
        placeholder="set out another pigment…"
        [options]="others()"
        [value]="null"
        (valueChange)="setOut($event)"
        wide
      />
      <p class="soft">
        Offered is
        {{ box.owned().size > 0 ? 'what is in your box' : 'every pigment, since your box is empty' }}.
        <a routerLink="/cupboard">Look through the cupboard</a>
      </p>
    </section>
  `,
  styleUrl: './colours.component.scss',
})
export class PigmentsOut {
  private readonly store = inject(PlanStore);
  private readonly desk = inject(ColoursState);
  readonly box = inject(PaintBox);

  readonly rows = computed(() => {
    const plan = this.store.plan();
    if (!plan) return [];
    const pigments = plan.palette.map((code) => plan.embedded.pigments.find((p) => p.code === code)!);
    return pigmentChoices(plan, pigments, (pigment) => this.box.called(pigment)).map((choice, i) => ({
      ...choice,
      says: factsInWords(pigments[i], planPaper(plan)),
      caution: cautionFor(pigments[i]),
      mixedInto: plan.mixes
        .filter(({ parts }) => parts.some(({ pigment }) => pigment === choice.code))
        .map(({ name }) => name)
        .join(', '),
    }));
  });
  readonly others = computed(() => {
    const plan = this.store.plan();
    if (!plan) return [];
    const free = this.box.toPaintWith().filter(({ code }) => !plan.palette.includes(code));
    return pigmentChoices(plan, free, (pigment) => this.box.called(pigment)).map(({ code, label }) => ({
      id: code,
      name: label,
    }));
  });

  setOut(code: string): void {
    this.desk.setOut([...this.store.plan()!.palette, code]);
  }

  takeOff(code: string): void {
    this.desk.setOut(this.store.plan()!.palette.filter((other) => other !== code));
  }
}
