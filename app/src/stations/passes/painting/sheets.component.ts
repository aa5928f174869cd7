import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { InputText } from 'primeng/inputtext';
import type { Trial } from '@kettle/core/plan';
import type { SheetBegins } from '@kettle/core/trials';
import { PaintingService } from '../../../state/painting.service';
import { PlanStore } from '../../../state/plan-store';

/** The sheets painted by hand: begun, named, noted on, laid on the table, thrown away. */
@Component({
  selector: 'kd-sheets',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [InputText],
  template: `
    <h2>Sheets</h2>
    <div class="row">
      <button class="plain" type="button" (click)="begin('bare')">A new sheet</button>
      <button class="plain" type="button" (click)="begin('as-planned')">See the plan painted</button>
    </div>
    <ul>
      @for (sheet of sheets(); track sheet.id; let i = $index) {
        <li data-testid="sheet">
          <input
            pInputText
            maxlength="60"
            [attr.aria-label]="'Name of sheet ' + (i + 1)"
            [value]="sheet.name"
            (change)="name(sheet, $any($event.target).value)"
          />
          <textarea
            rows="2"
            maxlength="2000"
            [attr.aria-label]="'Notes on sheet ' + (i + 1)"
            placeholder="What it taught"
            [value]="sheet.note"
            (change)="note(sheet, $any($event.target).value)"
          ></textarea>
          <div class="row">
            @if (sheet.id === onTable()) {
              <span>on the table</span>
            } @else {
              <button class="plain" type="button" (click)="lay(sheet)">Lay it on the table</button>
            }
            <button class="plain" type="button" (click)="throwAway(sheet)">Throw it away</button>
          </div>
        </li>
      }
    </ul>
  `,
  styles: `
    ul {
      margin: 10px 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: grid;
      gap: 6px;
      padding: 10px 0;
      border-bottom: 1px dotted #9aa0a4;
    }
    .row {
      display: flex;
      gap: 16px;
      align-items: baseline;
    }
  `,
})
export class Sheets {
  private readonly painting = inject(PaintingService);
  private readonly store = inject(PlanStore);
  readonly sheets = computed(() => this.store.plan()?.trials ?? []);
  readonly onTable = computed(() => this.painting.sheet()?.id);

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
}
