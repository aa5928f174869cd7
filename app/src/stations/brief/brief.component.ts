import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { InputNumber } from 'primeng/inputnumber';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import type { Envelope } from '@kettle/core/commission/card';
import { dayOf, OCCASIONS, type Brief } from '@kettle/core/commission/occasion';
import type { Plan } from '@kettle/core/document/plan';
import { CardShelf } from '../../state/card-shelf';
import { PlanStore } from '../../state/plan-store';
import { EnvelopeSelect } from '../../ui/envelope-select.component';
import { LookAheadService } from '../../state/look-ahead.service';
import { StudioStore } from '../../state/studio-store';
import { LengthField } from '../../ui/length-field.component';
import { alreadyHas, briefAnswer, earlierCards, eveningsAnswer, weekOf, withEvening } from './brief.view';

/** Why and for whom, how many, by when: written as one sentence with gaps. */
@Component({
  selector: 'kd-brief',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    FormsModule,
    RouterLink,
    Button,
    Checkbox,
    InputNumber,
    InputText,
    Select,
    EnvelopeSelect,
    LengthField,
  ],
  templateUrl: './brief.component.html',
  styleUrl: './brief.component.scss',
})
export class BriefStation {
  private readonly store = inject(PlanStore);
  private readonly ahead = inject(LookAheadService).ahead;
  private readonly studio = inject(StudioStore);
  private readonly shelf = inject(CardShelf);
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

  readonly people = computed(() => this.studio.studio().people);
  /** All cards; the one on the table as it is now. */
  private readonly cards = computed(() =>
    this.shelf.cards().map((card) => (card.id === this.plan()?.id ? this.plan()! : card)),
  );
  readonly has = computed(() => alreadyHas(this.plan()?.brief.forWhom ?? '', this.cards()));
  readonly earlier = computed(() => (this.plan() ? earlierCards(this.plan()!, this.cards()) : []));

  constructor() {
    void this.shelf.refresh();
  }

  give(to: string): void {
    const name = to.trim();
    if (name === '') return;
    this.set({ given: [...this.plan()!.brief.given, { to: name, on: dayOf(new Date()) }] });
  }

  takeBack(at: number): void {
    this.set({ given: this.plan()!.brief.given.filter((_, i) => i !== at) });
  }

  setRules(change: Partial<Plan['rules']>): void {
    this.store.do({ do: 'set-rules', change });
  }

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
