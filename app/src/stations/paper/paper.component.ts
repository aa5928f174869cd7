import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import { cardSizes, type CardFormat } from '@kettle/core/card';
import { CLIMATES_BY_FEEL } from '@kettle/core/climate';
import { PAPERS, paperById } from '@kettle/core/paper';
import { Messages } from '../../state/messages.service';
import { PlanStore } from '../../state/plan-store';
import { StudioStore } from '../../state/studio-store';
import { EnvelopeSelect } from '../../ui/envelope-select.component';
import { LengthField } from '../../ui/length-field.component';
import { airFault, paperDrawing, paperWords } from './paper.view';

/** From the envelope to the card, its sheet and its panel, drawn true to scale; and the paper itself. */
@Component({
  selector: 'kd-paper',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, InputText, Select, EnvelopeSelect, LengthField],
  templateUrl: './paper.component.html',
  styleUrl: './paper.component.scss',
})
export class PaperStation {
  private readonly store = inject(PlanStore);
  private readonly studio = inject(StudioStore);
  private readonly messages = inject(Messages);
  readonly plan = this.store.plan;
  readonly papers = [...PAPERS];
  readonly climates = [...CLIMATES_BY_FEEL];
  readonly folds = [
    { id: 'side', name: 'folds at the side' },
    { id: 'top', name: 'folds at the top' },
    { id: 'flat', name: 'one flat sheet' },
  ];
  readonly borders = [
    { id: 'taped', name: 'taped border' },
    { id: 'bleed', name: 'painted past the edge, then cut' },
    { id: 'bare', name: 'bare edge' },
  ];
  private readonly length = (mm: number): string => this.studio.length(mm);
  readonly drawing = computed(() => (this.plan() ? paperDrawing(this.plan()!.card, this.length) : null));
  readonly words = computed(() => (this.plan() ? paperWords(this.plan()!.card, this.length) : null));
  readonly sizes = computed(() => (this.plan() ? cardSizes(this.plan()!.card) : null));
  readonly feel = computed(() => {
    const climate = this.plan()?.climate;
    return (
      CLIMATES_BY_FEEL.find(
        (c) => c.tempC === climate?.tempC && c.rh === climate.rh && c.airMs === climate.airMs,
      )?.id ?? null
    );
  });

  set(change: Partial<CardFormat>): void {
    this.store.do({ do: 'set-format', change });
  }

  measureEnvelope(edge: 'widthMm' | 'heightMm', mm: number): void {
    const other = this.plan()!.card.envelope[edge === 'widthMm' ? 'heightMm' : 'widthMm'];
    // Typed the other way round it is still the same envelope: the longer edge lies along the table.
    this.set({ envelope: { widthMm: Math.max(mm, other), heightMm: Math.min(mm, other) } });
  }

  choosePaper(id: string): void {
    this.store.do({ do: 'choose-paper', paper: paperById(id) });
  }

  chooseFeel(id: string): void {
    const { tempC, rh, airMs } = CLIMATES_BY_FEEL.find((c) => c.id === id)!;
    this.store.do({ do: 'set-climate', change: { tempC, rh, airMs } });
  }

  setClimate(key: 'tempC' | 'rh' | 'airMs', field: HTMLInputElement, scale = 1): void {
    const value = Number(field.value.replace(',', '.')) / scale;
    const fault = field.value.trim() === '' ? airFault(key, NaN) : airFault(key, value);
    if (fault) this.messages.stop(`${fault}, not “${field.value}”.`, 'The reading before it stands.');
    else this.store.do({ do: 'set-climate', change: { [key]: value } });
    field.value = (this.plan()!.climate[key] * scale).toFixed(2).replace(/\.?0+$/, '');
  }
}
