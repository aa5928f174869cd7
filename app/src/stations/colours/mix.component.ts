import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { InputNumber } from 'primeng/inputnumber';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import { Slider } from 'primeng/slider';
import { MAX_PIGMENTS, MEDIA, mediumOf } from '@kettle/core/materials/pigment';
import { Messages } from '../../state/messages.service';
import { PaintBox } from '../../state/paint-box.service';
import { PlanStore } from '../../state/plan-store';
import { alike } from '../../ui/alike';
import { Choice } from '../../ui/choice.component';
import { NumberField } from '../../ui/number-field.component';
import { Swatch } from '../../ui/swatch.component';
import type { ColourReckoning } from '../../workers/colour-reckoning';
import { cautionsOf, mixLooks, pigmentChoices, waterInWords } from './colours.view';
import { ColoursState } from './colours-state.service';
import { tooManyOut } from './dish.view';
import { meetingsInWords, originInWords, verdictInWords } from './values.view';

/** An empty dish is begun with ultramarine, where it is owned. */
const BEGINS_WITH = 'PB29';

/** Strength is set in hundredths. */
const PER_CENT = 100;

/** The mix in hand: its pigments and parts, its water, what carries it, and what becomes of it. */
@Component({
  selector: 'kd-mix',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, Button, Choice, InputNumber, InputText, NumberField, Select, Slider, Swatch],
  templateUrl: './mix.component.html',
  styleUrl: './colours.component.scss',
})
export class MixNote {
  private readonly store = inject(PlanStore);
  private readonly box = inject(PaintBox);
  private readonly messages = inject(Messages);
  readonly desk = inject(ColoursState);
  readonly reckoning = input.required<ColourReckoning | null>();
  readonly mix = this.desk.chosen;
  readonly places = Array.from({ length: MAX_PIGMENTS }, (_, i) => i);
  readonly media = MEDIA;
  readonly round = Math.round;

  readonly choices = computed(() => this.choicesNow(), { equal: alike });
  readonly pigments = computed(() =>
    (this.mix()?.parts ?? []).map(({ pigment }) => this.box.byCode(pigment)),
  );
  readonly water = computed(() => (this.mix() ? waterInWords(this.mix()!.strength) : ''));
  readonly cautions = computed(() => cautionsOf(this.pigments()));
  readonly advice = computed(() => (this.mix() ? mediumOf(this.mix()!.medium).advice : ''));
  readonly origin = computed(() => originInWords(this.pigments()));
  readonly look = computed(() => {
    const plan = this.desk.plan();
    return plan ? mixLooks(plan).find(({ mix }) => mix.id === this.mix()?.id) : undefined;
  });
  readonly verdict = computed(() => verdictInWords(this.reckoning()?.verdicts.get(this.mix()?.id ?? '')));
  readonly meetings = computed(() => {
    const [plan, mix] = [this.desk.plan(), this.mix()];
    return plan && mix ? meetingsInWords(plan, this.reckoning()?.meetings ?? [], mix.id) : [];
  });

  add(): void {
    const plan = this.desk.plan()!;
    const [first] = this.box.toPaintWith();
    const usual = this.box.toPaintWith().find(({ code }) => code === BEGINS_WITH) ?? first;
    const pigment = plan.palette.at(0) ?? usual.code;
    this.desk.pourNew([{ pigment, parts: 1 }], 0.2);
  }

  rename(field: HTMLInputElement): void {
    const name = field.value.trim();
    if (name !== '') this.desk.change({ name });
    else field.value = this.mix()!.name;
  }

  setStrength(perCent: number): void {
    this.desk.change({ strength: Math.min(1, Math.max(0.01, perCent / PER_CENT)) });
  }

  setPigment(place: number, code: string | null): void {
    const plan = this.desk.plan()!;
    const fault = code === null ? '' : tooManyOut(plan, [...plan.palette, code]);
    if (fault !== '') {
      this.messages.stop(fault, 'The mix is as it was.');
      return;
    }
    const parts = [...this.mix()!.parts];
    if (code === null) parts.splice(place, 1);
    else parts[Math.min(place, parts.length)] = { pigment: code, parts: parts.at(place)?.parts ?? 1 };
    const once = parts.filter((part, i) => parts.findIndex((other) => other.pigment === part.pigment) === i);
    if (once.length > 0) this.desk.change({ parts: once });
  }

  setParts(place: number, n: number | null): void {
    if (n !== null)
      this.desk.change({
        parts: this.mix()!.parts.map((part, i) => (i === place ? { ...part, parts: n } : part)),
      });
  }

  remove(): void {
    this.store.do({ do: 'remove-mix', mix: this.mix()!.id });
  }

  private choicesNow(): ReturnType<typeof pigmentChoices> {
    const plan = this.desk.plan();
    if (!plan) return [];
    // What is set out comes first, then what is owned.
    const out = new Set(plan.palette);
    const toPaintWith = this.box.toPaintWith();
    const rest = this.box
      .pigments()
      .filter(({ code }) => out.has(code) && !toPaintWith.some((p) => p.code === code));
    const all = [...rest, ...toPaintWith].sort((a, b) => Number(out.has(b.code)) - Number(out.has(a.code)));
    return pigmentChoices(plan, all, (pigment) => this.box.called(pigment));
  }
}
