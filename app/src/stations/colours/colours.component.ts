import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { InputNumber } from 'primeng/inputnumber';
import { InputText } from 'primeng/inputtext';
import { ProgressBar } from 'primeng/progressbar';
import { Select } from 'primeng/select';
import { Slider } from 'primeng/slider';
import { labOfHex } from '@kettle/core/colour';
import {
  MAX_PIGMENTS,
  pigmentByCode,
  PIGMENTS,
  type MatchAnswer,
  type MatchedMix,
} from '@kettle/core/pigment';
import { planPaper, type PlannedMix } from '@kettle/core/plan';
import { PlanStore } from '../../state/plan-store';
import { Swatch } from '../../ui/swatch.component';
import { TideLine } from '../../ui/tide-line.component';
import { TableWorker, type Search } from '../../workers/table-worker.service';
import { cautionsOf, hexOfLab, mixLooks, pigmentChoices, recipeInWords, waterInWords } from './colours.view';

/** Strength is set in hundredths. */
const PER_CENT = 100;

/** The dish: the mixes of the card, each of up to three pigments, wet and dry on its paper. */
@Component({
  selector: 'kd-colours',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, Button, InputNumber, InputText, ProgressBar, Select, Slider, Swatch, TideLine],
  templateUrl: './colours.component.html',
  styleUrl: './colours.component.scss',
})
export class ColoursStation {
  private readonly store = inject(PlanStore);
  private readonly worker = inject(TableWorker);
  private search: Search | null = null;

  readonly plan = this.store.plan;
  readonly places = Array.from({ length: MAX_PIGMENTS }, (_, i) => i);
  readonly looks = computed(() => (this.plan() ? mixLooks(this.plan()!) : []));
  readonly choices = computed(() => (this.plan() ? pigmentChoices(this.plan()!) : []));
  private readonly chosenId = signal<string | null>(null);
  readonly chosen = computed(
    () => this.plan()?.mixes.find((m) => m.id === this.chosenId()) ?? this.plan()?.mixes[0] ?? null,
  );
  readonly water = computed(() => (this.chosen() ? waterInWords(this.chosen()!.strength) : ''));
  readonly cautions = computed(() =>
    cautionsOf(PIGMENTS.filter((p) => this.chosen()?.parts.some((part) => part.pigment === p.code))),
  );
  readonly wanted = computed(() => hexOfLab(this.chosen()?.wanted ?? null));
  readonly share = signal<number | null>(null);
  readonly answer = signal<MatchAnswer | null>(null);
  readonly recipe = recipeInWords;

  constructor() {
    inject(DestroyRef).onDestroy(() => this.stopSearch());
  }

  choose(id: string): void {
    this.chosenId.set(id);
    this.answer.set(null);
  }

  add(): void {
    const plan = this.plan()!;
    const id = `mix-${crypto.randomUUID().slice(0, 8)}`;
    this.put({
      id,
      name: `mix ${plan.mixes.length + 1}`,
      parts: [{ pigment: 'PB29', parts: 1 }],
      strength: 0.2,
      wanted: null,
    });
    this.choose(id);
  }

  change(change: Partial<PlannedMix>): void {
    const mix = this.chosen();
    if (mix) this.put({ ...mix, ...change });
  }

  rename(field: HTMLInputElement): void {
    const name = field.value.trim();
    if (name !== '') this.change({ name });
    else field.value = this.chosen()!.name;
  }

  setStrength(perCent: number): void {
    this.change({ strength: Math.min(1, Math.max(0.01, perCent / PER_CENT)) });
  }

  setPigment(place: number, code: string | null): void {
    const parts = [...this.chosen()!.parts];
    if (code === null) parts.splice(place, 1);
    else parts[Math.min(place, parts.length)] = { pigment: code, parts: parts[place]?.parts ?? 1 };
    const once = parts.filter((part, i) => parts.findIndex((other) => other.pigment === part.pigment) === i);
    if (once.length > 0) this.change({ parts: once });
  }

  setParts(place: number, n: number | null): void {
    if (n !== null)
      this.change({
        parts: this.chosen()!.parts.map((part, i) => (i === place ? { ...part, parts: n } : part)),
      });
  }

  want(hex: string): void {
    this.change({ wanted: labOfHex(hex) });
    this.answer.set(null);
  }

  remove(): void {
    this.store.do({ do: 'remove-mix', mix: this.chosen()!.id });
  }

  /** Asks which parts of this card's pigments dry to the wanted colour. */
  async find(): Promise<void> {
    const [plan, mix] = [this.plan()!, this.chosen()!];
    const palette = [
      ...new Set([...mix.parts.map((p) => p.pigment), ...plan.embedded.pigments.map((p) => p.code)]),
    ].slice(0, 6);
    this.share.set(0);
    const search: Search = this.worker.matchColour(
      {
        target: mix.wanted ?? labOfHex(this.wanted()),
        palette: palette.map((code) => pigmentByCode(code)),
        paper: planPaper(plan),
      },
      // A report may come in after the answer; it must not bring the bar back.
      (share) => {
        if (this.search === search) this.share.set(share);
      },
    );
    this.search = search;
    try {
      const answer = await search.answer;
      if (this.chosen()?.id === mix.id) this.answer.set(answer);
    } finally {
      this.search = null;
      this.share.set(null);
    }
  }

  stopSearch(): void {
    this.search?.cancel();
  }

  take({ parts, strength }: MatchedMix): void {
    this.change({
      parts: parts.map(({ pigment, parts: n }) => ({ pigment: pigment.code, parts: n })),
      strength: Math.round(strength * 1000) / 1000,
    });
  }

  private put(mix: PlannedMix): void {
    this.store.do({ do: 'put-mix', mix, pigments: mix.parts.map(({ pigment }) => pigmentByCode(pigment)) });
  }
}
