import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Dialog } from 'primeng/dialog';
import { InputText } from 'primeng/inputtext';
import type { Trial } from '@kettle/core/document/plan';
import type { Difference, SheetBegins } from '@kettle/core/advice/trials';
import { pictureHref } from '../../../panel/picture-href';
import { PaintingService } from '../../../state/painting.service';
import { PlanStore } from '../../../state/plan-store';
import { PRINT_PX_MM } from '../../../workers/fineness';
import { SheetsService } from '../../../state/sheets.service';
import { HeldRow } from '../../../ui/held-row.component';
import { handOver } from '../../../ui/hand-over';
import type { Morning } from '../../../workers/sheet-jobs';
import { differenceInWords, layerSpans } from './painting.view';

/** Two sheets beside each other, as they are next morning. */
interface Beside {
  readonly sheets: readonly { readonly name: string; readonly note: string; readonly picture: Morning }[];
  readonly difference: Difference | null;
}

/** The sheets painted by hand: begun, named, noted on, compared, handed over as files, thrown away. */
@Component({
  selector: 'kd-sheets',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Dialog, HeldRow, InputText],
  templateUrl: './sheets.component.html',
  styleUrl: './sheets.component.scss',
})
export class SheetsView {
  readonly painting = inject(PaintingService);
  private readonly store = inject(PlanStore);
  private readonly work = inject(SheetsService);
  readonly sheets = computed(() => this.store.plan()?.trials ?? []);
  readonly onTable = computed(() => this.painting.sheet()?.id);
  readonly progress = this.work.progress;
  readonly beside = signal<Beside | null>(null);
  readonly grains = [
    { id: 1, name: 'roughly' },
    { id: 0.5, name: 'well' },
    { id: 0.25, name: 'finely' },
  ];
  readonly href = pictureHref;
  readonly differs = differenceInWords;

  begin(begins: SheetBegins): void {
    void this.painting.beginSheet(begins);
  }

  lay(sheet: Trial): void {
    void this.painting.lay(sheet.id);
  }

  name(sheet: Trial, name: string): void {
    if (name.trim() !== '')
      this.store.do({ do: 'change-sheet', trial: sheet.id, change: { name: name.trim() } });
  }

  note(sheet: Trial, note: string): void {
    this.store.do({ do: 'change-sheet', trial: sheet.id, change: { note } });
  }

  throwAway(sheet: Trial): void {
    void this.painting.throwAway(sheet.id);
  }

  async compare(other: Trial): Promise<void> {
    const here = this.painting.sheet()!;
    const pictures = [await this.work.morning(here.id), await this.work.morning(other.id)];
    const [one, two] = pictures;
    if (!one || !two) return;
    const sheets = [
      { name: here.name, note: here.note, picture: one },
      { name: other.name, note: other.note, picture: two },
    ];
    this.beside.set({ sheets, difference: await this.work.compare(one, two) });
  }

  async picture(): Promise<void> {
    const sheet = this.painting.sheet()!;
    const { sheetPng } = await import('@kettle/core/files/prints');
    const morning = await this.work.morning(sheet.id, PRINT_PX_MM);
    if (morning) handOver(sheetPng(morning, PRINT_PX_MM), `${sheet.name}.png`, 'image/png');
  }

  async layers(): Promise<void> {
    const [plan, sheet] = [this.store.plan()!, this.painting.sheet()!];
    const file = await this.work.openRaster(sheet.id, layerSpans(plan, sheet.acts));
    if (file) handOver(file, `${sheet.name}.ora`, 'image/openraster');
  }

  async strokes(): Promise<void> {
    const { strokesSvg } = await import('@kettle/core/files/prints');
    const [plan, sheet] = [this.store.plan()!, this.painting.sheet()!];
    handOver(strokesSvg(plan, sheet), `${sheet.name}.svg`, 'image/svg+xml');
  }

  stop(): void {
    this.work.stop();
  }
}
