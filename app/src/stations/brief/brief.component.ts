import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { InputNumber } from 'primeng/inputnumber';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import type { Envelope } from '@kettle/core/card';
import { dayOf, OCCASIONS, type Brief } from '@kettle/core/occasion';
import { PlanStore } from '../../state/plan-store';
import { EnvelopeSelect } from '../../ui/envelope-select.component';
import { LookAheadService } from '../../state/look-ahead.service';
import { StudioStore } from '../../state/studio-store';
import { briefAnswer, eveningsAnswer, weekOf, withEvening } from './brief.view';

/** Why and for whom, how many, by when: written as one sentence with gaps. */
@Component({
  selector: 'kd-brief',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, InputNumber, InputText, Select, EnvelopeSelect],
  template: `
    @if (plan(); as plan) {
      <div class="page">
        <label class="field title">
          <span class="visually-hidden">Title of the card</span>
          <input pInputText maxlength="80" [value]="plan.title" (change)="rename($any($event.target))" />
        </label>
        <p class="sentence">
          A card for
          <p-select
            [options]="occasions"
            [editable]="true"
            [ngModel]="plan.brief.occasion"
            (ngModelChange)="set({ occasion: $event ?? '' })"
            ariaLabel="Occasion"
            appendTo="body"
          />
          to give to
          <input
            pInputText
            class="whom"
            placeholder="somebody"
            aria-label="For whom"
            maxlength="80"
            [value]="plan.brief.forWhom"
            (change)="set({ forWhom: $any($event.target).value })"
          />,
          <p-inputnumber
            [ngModel]="plan.brief.copies"
            (ngModelChange)="set({ copies: $event ?? 1 })"
            [min]="1"
            [max]="500"
            [showButtons]="true"
            [inputSize]="2"
            ariaLabel="Copies"
          />
          of it and
          <p-inputnumber
            [ngModel]="plan.brief.spares"
            (ngModelChange)="set({ spares: $event ?? 0 })"
            [min]="0"
            [max]="100"
            [showButtons]="true"
            [inputSize]="2"
            ariaLabel="Spares"
          />
          to spare, wanted by
          <input
            pInputText
            type="date"
            aria-label="Wanted by"
            data-testid="need-by"
            [value]="plan.brief.needBy ?? ''"
            (change)="set({ needBy: $any($event.target).value || null })"
          />; the post takes
          <p-inputnumber
            [ngModel]="plan.brief.postingDays"
            (ngModelChange)="set({ postingDays: $event ?? 0 })"
            [min]="0"
            [max]="60"
            [showButtons]="true"
            [inputSize]="2"
            ariaLabel="Days the post takes"
          />
          days. It goes into
          <kd-envelope-select
            class="envelope"
            [envelope]="plan.card.envelope"
            (envelopeChange)="chooseEnvelope($event)"
          />.
        </p>
        <p class="answer" [class.stop]="answer()?.late">{{ answer()?.answer }}</p>
        <p class="soft">{{ answer()?.begun }}</p>
        <fieldset class="evenings">
          <legend>Minutes you have for painting, evening by evening</legend>
          @for (evening of week(); track evening.weekday) {
            <div class="evening">
              <span aria-hidden="true">{{ evening.short }}</span>
              <p-inputnumber
                [ngModel]="evening.minutes"
                (ngModelChange)="setEvening(evening.weekday, $event ?? 0)"
                [min]="0"
                [max]="600"
                [step]="15"
                [inputSize]="3"
                [ariaLabel]="'Minutes on ' + evening.name"
              />
            </div>
          }
        </fieldset>
        @if (evenings(); as evenings) {
          <p class="answer" [class.stop]="evenings.late" data-testid="evenings">{{ evenings.answer }}</p>
        }
        <div class="words">
          <label class="field">
            <span>Words outside</span>
            <textarea
              rows="2"
              maxlength="400"
              [value]="plan.brief.wordingOutside"
              (change)="set({ wordingOutside: $any($event.target).value })"
            ></textarea>
          </label>
          <label class="field">
            <span>Words inside</span>
            <textarea
              rows="4"
              maxlength="2000"
              [value]="plan.brief.wordingInside"
              (change)="set({ wordingInside: $any($event.target).value })"
            ></textarea>
          </label>
        </div>
      </div>
    }
  `,
  styles: `
    .page {
      max-width: 860px;
      min-height: calc(100% - 56px);
      margin: 28px auto;
      padding: 34px 52px;
      background: var(--paper);
      border: 1px solid var(--rule);
    }
    .title input {
      width: 100%;
      padding-left: 0;
      border: 0;
      border-bottom: 1px dotted #8a9096;
      border-radius: 0;
      background: none;
      font: 500 30px var(--serif);
    }
    .sentence {
      margin: 26px 0 30px;
      font-size: 20px;
      line-height: 2.6;
    }
    .sentence input,
    .sentence p-select,
    .sentence p-inputnumber {
      line-height: 1.4;
      vertical-align: middle;
    }
    .envelope {
      display: inline-block;
      line-height: 1.4;
      vertical-align: middle;
    }
    .whom {
      width: 15em;
    }
    .evenings {
      display: flex;
      flex-wrap: wrap;
      gap: 10px 14px;
      margin: 26px 0 14px;
      padding: 0;
      border: 0;
    }
    .evenings legend {
      margin-bottom: 8px;
      padding: 0;
      color: var(--soft);
    }
    .evening {
      display: grid;
      gap: 3px;
      color: var(--soft);
    }
    .words {
      display: grid;
      gap: 16px;
      margin-top: 34px;
    }
  `,
})
export class BriefStation {
  private readonly store = inject(PlanStore);
  private readonly ahead = inject(LookAheadService).ahead;
  private readonly studio = inject(StudioStore);
  readonly plan = this.store.plan;
  readonly occasions = [...OCCASIONS];
  readonly answer = computed(() => {
    const plan = this.plan();
    return plan ? briefAnswer(plan, dayOf(new Date())) : null;
  });

  readonly week = computed(() => weekOf(this.studio.studio().evenings));
  readonly evenings = computed(() => {
    const plan = this.plan();
    const { evenings } = this.studio.studio();
    return plan ? eveningsAnswer(plan, this.ahead()?.timeline ?? null, evenings, dayOf(new Date())) : null;
  });

  setEvening(weekday: number, minutes: number): void {
    const evenings = withEvening(this.studio.studio().evenings, weekday, minutes);
    void this.studio.change({ evenings });
  }

  set(change: Partial<Brief>): void {
    this.store.do({ do: 'set-brief', change });
  }

  chooseEnvelope(envelope: Envelope): void {
    this.store.do({ do: 'set-format', change: { envelope } });
  }

  rename(field: HTMLInputElement): void {
    const title = field.value.trim();
    if (title === '') field.value = this.plan()!.title;
    else this.store.do({ do: 'rename', title });
  }
}
