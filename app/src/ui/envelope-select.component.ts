import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Select } from 'primeng/select';
import { ENVELOPES, type Envelope } from '@kettle/core/commission/card';
import { StudioStore } from '../state/studio-store';
import { alike } from './alike';

/** The list of common envelopes; shows “own size” for one that is not among them. */
@Component({
  selector: 'kd-envelope-select',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, Select],
  template: `
    <p-select
      [options]="envelopes()"
      optionLabel="label"
      optionValue="id"
      placeholder="own size"
      [ngModel]="chosen()"
      (ngModelChange)="tell($event)"
      ariaLabel="Envelope"
      appendTo="body"
      fluid
    />
  `,
})
export class EnvelopeSelect {
  readonly envelope = input.required<Envelope>();
  readonly envelopeChange = output<Envelope>();
  private readonly studio = inject(StudioStore);
  readonly envelopes = computed(
    () => {
      const length = (mm: number): string => this.studio.length(mm);
      return ENVELOPES.map((e) => ({
        ...e,
        label: `${e.name} · ${length(e.widthMm)} × ${length(e.heightMm)}`,
      }));
    },
    { equal: alike },
  );
  readonly chosen = computed(() => {
    const { widthMm, heightMm } = this.envelope();
    return ENVELOPES.find((e) => e.widthMm === widthMm && e.heightMm === heightMm)?.id ?? null;
  });

  tell(id: string): void {
    const { name, widthMm, heightMm } = ENVELOPES.find((e) => e.id === id)!;
    this.envelopeChange.emit({ name, widthMm, heightMm });
  }
}
