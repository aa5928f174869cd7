import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { InputText } from 'primeng/inputtext';
import { MASK_PENS, type MaskingToolId } from '@kettle/core/drawing/masking';
import type { Plan, White } from '@kettle/core/document/plan';
import { shieldSheet } from '@kettle/core/files/prints';
import { LookAheadService } from '../../state/look-ahead.service';
import { PlanStore } from '../../state/plan-store';
import { Findings } from '../../ui/findings.component';
import { Choice } from '../../ui/choice.component';
import { handOver } from '../../ui/hand-over';
import type { RankedWhite } from '../../workers/table-api';
import { MaskTimesRow } from './mask-times.component';
import { byHouseRules, givingUp, keeping, toolInWords, whiteRows, type WhiteRow } from './whites.view';

/** Every area with the ways to keep it light, the best first, and what is chosen. */
@Component({
  selector: 'kd-white-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [InputText, Choice, MaskTimesRow, Findings],
  templateUrl: './white-list.component.html',
  styleUrl: './white-list.component.scss',
})
export class WhiteList {
  private readonly store = inject(PlanStore);
  private readonly lookAhead = inject(LookAheadService);
  readonly ranked = input.required<readonly RankedWhite[]>();
  readonly plan = this.store.plan;
  readonly rows = computed(() => {
    const plan = this.plan();
    return plan ? whiteRows(plan, this.ranked(), this.lookAhead.ahead()?.findings ?? []) : [];
  });
  readonly houses: readonly { readonly id: Plan['rules']['whites']; readonly name: string }[] = [
    { id: 'mask', name: 'this house masks freely' },
    { id: 'paint-round', name: 'this house paints round' },
    { id: 'opaque', name: 'this house puts white on after' },
  ];
  readonly edges: readonly { readonly id: White['edge']; readonly name: string }[] = [
    { id: 'hard', name: 'a hard edge' },
    { id: 'soft', name: 'a soft edge' },
  ];
  readonly pens: readonly { readonly id: MaskingToolId | 'best'; readonly name: string }[] = [
    { id: 'best', name: 'with the pen that suits' },
    ...MASK_PENS.map(({ id }) => ({ id, name: `with a ${toolInWords(id)}` })),
  ];

  keep(row: WhiteRow, change: Partial<White>): void {
    this.store.do(...keeping(this.plan()!, row, change));
  }

  giveUp(row: WhiteRow): void {
    if (row.white) this.store.do(...givingUp(this.plan()!, row));
  }

  /** A part of a thing that is to be kept otherwise. */
  singleOut(part: string): void {
    this.store.do({ do: 'single-out', members: [part] });
  }

  setLight(row: WhiteRow, field: HTMLInputElement): void {
    const text = field.value.trim();
    const lightness = Number(text.replace(',', '.'));
    if (text === '') this.keep(row, { wanted: null });
    else if (lightness >= 0 && lightness <= 100) this.keep(row, { wanted: [lightness, 0, 0] });
    else field.value = row.white?.wanted ? String(row.white.wanted[0]) : '';
  }

  setRule(change: Partial<Plan['rules']>): void {
    this.store.do({ do: 'set-rules', change });
  }

  /** A paper shield for a thing at true size, or for all but it. */
  print({ members, name }: WhiteRow, reverse: boolean): void {
    const plan = this.plan()!;
    const title = `${plan.title}, shield for ${reverse ? 'all but ' : ''}${name}.svg`;
    handOver(shieldSheet(plan, members, reverse), title, 'image/svg+xml');
  }

  letHouseChoose(): void {
    const commands = byHouseRules(this.plan()!, this.ranked());
    if (commands.length > 0) this.store.do(...commands);
  }
}
