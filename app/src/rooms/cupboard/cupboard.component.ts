import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { InputText } from 'primeng/inputtext';
import { boxFromRows, boxRows } from '@kettle/core/files/formats';
import { paperById } from '@kettle/core/materials/paper';
import { labelSheet } from '@kettle/core/files/prints';
import { BadInput } from '@kettle/core/kit/units';
import { textOf } from '../../data/read-file';
import { Messages } from '../../state/messages.service';
import { PaintBox } from '../../state/paint-box.service';
import { StudioStore } from '../../state/studio-store';
import { handOver } from '../../ui/hand-over';
import { HeldRow } from '../../ui/held-row.component';
import { readCsv, writeCsv } from './csv';
import { shelfCards } from './cupboard.view';

/** What is owned: the pigments with what there is to know of each, and the painter’s own names and places for them. */
@Component({
  selector: 'kd-cupboard',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [HeldRow, InputText, RouterLink],
  templateUrl: './cupboard.component.html',
  styleUrl: './cupboard.component.scss',
})
export class Cupboard {
  private readonly studio = inject(StudioStore);
  private readonly messages = inject(Messages);
  readonly box = inject(PaintBox);

  readonly views = [
    { id: true, name: 'In my box' },
    { id: false, name: 'All pigments' },
  ] as const;
  readonly search = signal('');
  private readonly view = signal<boolean | null>(null);
  /** As long as nothing is owned there is only the whole shelf to look at. */
  readonly ownedOnly = computed(() => this.view() ?? this.box.owned().size > 0);
  readonly cards = computed(() => {
    const { box, paper } = this.studio.studio();
    return shelfCards(this.box.pigments(), box, paperById(paper), this.search(), this.ownedOnly());
  });

  look(ownedOnly: boolean): void {
    this.view.set(ownedOnly);
  }

  printLabels(): void {
    const { box, name } = this.studio.studio();
    handOver(labelSheet(box, this.box.pigments(), `${name}, labels`), 'labels.svg', 'image/svg+xml');
  }

  saveTable(): void {
    const rows = boxRows(this.studio.studio().box, this.box.pigments());
    handOver(writeCsv(rows), 'paint box.csv', 'text/csv');
  }

  async readTable(input: HTMLInputElement): Promise<void> {
    const file = input.files?.[0];
    input.value = '';
    if (!file) return;
    try {
      const box = boxFromRows(readCsv(await textOf(file)), this.box.pigments());
      if (await this.studio.change({ box }))
        this.messages.say(
          `${box.length} pigments lie in the box.`,
          'Cards keep the pigments they were painted with.',
        );
    } catch (cause) {
      if (!(cause instanceof BadInput)) throw cause;
      this.messages.stop(`${file.name}: ${cause.message}.`, 'The box is as it was.');
    }
  }
}
