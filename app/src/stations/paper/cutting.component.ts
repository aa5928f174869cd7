import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { InputNumber } from 'primeng/inputnumber';
import { MultiSelect } from 'primeng/multiselect';
import { Select } from 'primeng/select';
import { SHEETS, type CardStock, type Material } from '@kettle/core/commission/card';
import type { Plan } from '@kettle/core/document/plan';
import { CardShelf } from '../../state/card-shelf';
import { CuttingService } from '../../state/cutting.service';
import { PlanStore } from '../../state/plan-store';
import { StudioStore } from '../../state/studio-store';
import { alike } from '../../ui/alike';
import { Choice } from '../../ui/choice.component';
import { handOver } from '../../ui/hand-over';
import { LengthField } from '../../ui/length-field.component';
import { cuttingAnswer, cutSteps, sheetDrawings } from './cutting.view';

/** The big sheet and how the pieces are cut from it: drawn, in steps, and to print. */
@Component({
  selector: 'kd-cutting',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, Button, InputNumber, MultiSelect, Select, Choice, LengthField],
  templateUrl: './cutting.component.html',
  styleUrl: './cutting.component.scss',
})
export class CuttingPlan {
  private readonly store = inject(PlanStore);
  private readonly studio = inject(StudioStore);
  private readonly shelf = inject(CardShelf);
  readonly cutting = inject(CuttingService);
  private readonly length = (mm: number): string => this.studio.length(mm);

  readonly plan = this.store.plan;
  readonly names: Readonly<Record<Material, string>> = {
    painting: 'painting paper',
    base: 'base and mats',
    liner: 'liner',
  };
  readonly grains: readonly { readonly id: CardStock['grain']; readonly name: string }[] = [
    { id: null, name: 'grain not known' },
    { id: 'width', name: 'grain along the width' },
    { id: 'height', name: 'grain along the height' },
  ];
  readonly sheets = computed(() => [...SHEETS, ...this.studio.studio().sheets], { equal: alike });
  readonly others = computed(() => this.shelf.cards().filter(({ id }) => id !== this.plan()?.id));

  readonly job = this.cutting.job;
  readonly material = computed((): Material => {
    const material = this.cutting.material();
    return this.cutting.materials().includes(material) ? material : 'painting';
  });
  readonly stock = computed((): CardStock | null => {
    const sheets = this.plan()?.sheets;
    const material = this.material();
    return !sheets || material === 'painting' ? null : sheets[material];
  });
  readonly answer = computed(() => (this.job() ? cuttingAnswer(this.job()!, this.cutting.plans()) : null));
  readonly drawings = computed(() => (this.job() ? sheetDrawings(this.job()!, this.length) : []));
  /** The sheet on show; a new plan begins at the first. */
  readonly at = linkedSignal({ source: this.drawings, computation: () => 0 });
  readonly drawing = computed(() => this.drawings().at(this.at()) ?? null);
  readonly steps = computed(() => (this.job()?.cutting ? cutSteps(this.job()!.cutting!, this.length) : []));
  readonly sheetName = computed(() => this.job()?.sheet.name ?? '');

  constructor() {
    void this.shelf.refresh();
  }

  chooseSheet(name: string): void {
    const sheet = this.sheets().find((known) => known.name === name);
    if (sheet) this.change(sheet);
  }

  change(change: Partial<CardStock>): void {
    const material = this.material();
    const sheets = this.plan()!.sheets;
    // A measure of one's own makes it another sheet than the one of that name.
    const name = 'name' in change || 'price' in change ? {} : { name: 'sheet of my own' };
    this.store.do({ do: 'set-sheets', change: { [material]: { ...sheets[material], ...name, ...change } } });
  }

  async keepOffcuts(): Promise<void> {
    const offcuts = this.job()?.cutting?.offcuts ?? [];
    const { name, grain } = this.job()!.sheet;
    const known = this.studio.studio().sheets;
    const kept = offcuts.map(({ widthMm, heightMm }, i) => ({
      name: `offcut ${known.length + i + 1} of ${name}`.slice(0, 60),
      ...{ widthMm, heightMm, grain, price: 0 },
    }));
    await this.studio.change({ sheets: [...known, ...kept] });
  }

  async print(as: 'pdf' | 'svg'): Promise<void> {
    const plan: Plan = this.plan()!;
    const { cardAtTrueSize, pdfPrint, svgPrint } = await import('@kettle/core/files/prints');
    const drawing = cardAtTrueSize(plan, this.length);
    if (as === 'svg') {
      handOver(svgPrint(drawing), `${plan.title}, true size.svg`, 'image/svg+xml');
      return;
    }
    const page = this.studio.studio().lengthUnit === 'in' ? 'letter' : 'a4';
    const steps = [plan.title, `Cut from ${this.answer()?.answer ?? ''}`, ...this.steps()];
    handOver(await pdfPrint(drawing, page, steps), `${plan.title}, true size.pdf`, 'application/pdf');
  }
}
