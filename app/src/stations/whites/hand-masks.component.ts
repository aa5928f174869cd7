import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { cardsBegun } from '@kettle/core/commission/occasion';
import { oneRing } from '@kettle/core/kit/geometry';
import {
  MASKING_TOOLS,
  maskingTool,
  setsAfter,
  type MaskingToolId,
  type Resist,
} from '@kettle/core/drawing/masking';
import { outlineOf, paintedOf } from '@kettle/core/document/plan';
import { formatSpan } from '@kettle/core/kit/units';
import type { Shape } from '@kettle/core/simulation/water';
import { LookAheadService } from '../../state/look-ahead.service';
import { PlanStore } from '../../state/plan-store';
import { Findings } from '../../ui/findings.component';
import { derivedResource } from '../../state/derived-resource';
import { Choice } from '../../ui/choice.component';
import { placeFields } from '../../ui/length-of';
import { LengthRow } from '../../ui/length-row.component';
import { MaskTimesRow } from './mask-times.component';
import { spatterOver } from './spatter.view';
import { MASKS_FAULT, toolInWords } from './whites.view';

type Held = Pick<Resist, 'id' | 'name' | 'tool'>;
type ShieldEdge = 'none' | 'cut' | 'torn';

/** Pressure of a line that is typed. */
const EVEN = 0.5;

/** What is masked freehand, tool by tool; with a typed line and a typed spatter for those who draw nothing. */
@Component({
  selector: 'kd-hand-masks',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, InputText, Choice, LengthRow, MaskTimesRow, Findings],
  templateUrl: './hand-masks.component.html',
  styleUrl: '../sketch/leaf.scss',
})
export class HandMasks {
  private readonly store = inject(PlanStore);
  private readonly lookAhead = inject(LookAheadService);
  private readonly masks = derivedResource((worker, plan) => worker.reckonMasks(plan), MASKS_FAULT);
  readonly held = input.required<Held>();
  readonly hold = output<Held>();
  readonly plan = this.store.plan;
  readonly tools = MASKING_TOOLS.map(({ id }) => ({ id, name: toolInWords(id) }));
  readonly caution = computed(() => maskingTool(this.held().tool).caution);
  readonly throws = computed(() => maskingTool(this.held().tool).throws !== null);
  readonly rows = computed(() => {
    const plan = this.plan();
    const findings = this.lookAhead.ahead()?.findings ?? [];
    const ml = this.masks()?.ml;
    return (plan?.resists ?? []).map((resist) => ({
      resist,
      stays: maskingTool(resist.tool).stays,
      says: inWords(resist, (ml?.get(resist.id) ?? 0) * cardsBegun(plan!.brief), plan!.climate),
      findings: findings.filter(({ station, where }) => where.area === resist.id && station === 'whites'),
    }));
  });

  readonly typed = signal<{ readonly from: [number, number]; readonly to: [number, number] }>({
    from: [10, 10],
    to: [60, 10],
  });
  readonly line = computed(() => {
    const typed = this.typed();
    return [
      placeFields('from', typed.from, (from) => ({ ...typed, from })),
      placeFields('to', typed.to, (to) => ({ ...typed, to })),
    ];
  });

  readonly over = signal('');
  readonly percent = signal(8);
  readonly shields = signal<ReadonlyMap<string, ShieldEdge>>(new Map());
  readonly edges: readonly { readonly id: ShieldEdge; readonly name: string }[] = [
    { id: 'none', name: 'no shield' },
    { id: 'cut', name: 'a cut shield' },
    { id: 'torn', name: 'a torn shield' },
  ];
  readonly places = computed(() => [
    { id: '', name: 'over the whole panel' },
    ...(this.plan()?.areas ?? []).map(({ id, name }) => ({ id, name: `over the ${name}` })),
  ]);
  readonly shieldings = computed(() => (this.plan()?.areas ?? []).filter(({ id }) => id !== this.over()));

  /** Goes on with the last mask of a tool, or begins one. */
  takeUp(tool: MaskingToolId): void {
    const last = this.plan()!.resists.findLast((resist) => resist.tool === tool);
    this.hold.emit(last ?? { id: newId('mask'), name: maskingTool(tool).name, tool });
  }

  rename(resist: Resist, field: HTMLInputElement): void {
    const name = field.value.trim();
    if (name === '') field.value = resist.name;
    else this.store.do({ do: 'put-resist', resist: { ...resist, name } });
  }

  takeAway(resist: string): void {
    this.store.do({ do: 'remove-resist', resist });
  }

  maskTyped(): void {
    const { from, to } = this.typed();
    this.store.do({
      ...{ do: 'mask-stroke', resist: heldOf(this.held()) },
      stroke: { id: newId('line'), points: [from, to].map(([x, y]) => [x, y, EVEN] as const) },
    });
    this.hold.emit(this.held());
  }

  setPercent(field: HTMLInputElement): void {
    const percent = Number(field.value.replace(',', '.'));
    if (percent > 0 && percent <= 60) this.percent.set(percent);
    field.value = String(this.percent());
  }

  shieldWith(area: string, edge: ShieldEdge): void {
    this.shields.update((shields) => new Map(shields).set(area, edge));
  }

  spatter(): void {
    const plan = this.plan()!;
    const { widthMm, heightMm } = paintedOf(plan).panel;
    const shapeOf = (area: string): Shape => ({ polygon: oneRing(outlineOf(plan, area)) });
    const over = plan.areas.some(({ id }) => id === this.over()) ? this.over() : '';
    const shields = this.shieldings().flatMap(({ id }) => {
      const edge = this.shields().get(id) ?? 'none';
      return edge === 'none' ? [] : [{ shape: shapeOf(id), edge }];
    });
    this.store.do(
      spatterOver(plan, heldOf(this.held()), {
        area: over === '' ? { rect: [0, 0, widthMm, heightMm] } : shapeOf(over),
        coverage: this.percent() / 100,
        shields,
      }),
    );
    this.hold.emit(this.held());
  }
}

const newId = (what: string): string => `${what}-${crypto.randomUUID().slice(0, 8)}`;

const heldOf = ({ id, name, tool }: Held): Held => ({ id, name, tool });

/** How much of a mask there is, what fluid it takes for all copies, and how soon it sets. */
function inWords(
  { strokes, drops, tool: id }: Resist,
  ml: number,
  climate: Parameters<typeof setsAfter>[1],
): string {
  const tool = maskingTool(id);
  const { setS } = setsAfter(tool, climate);
  const much = [
    ...(strokes.length > 0 ? [`${strokes.length} ${strokes.length === 1 ? 'stroke' : 'strokes'}`] : []),
    ...(drops.length > 0 ? [`${drops.length} drops`] : []),
  ].join(', ');
  if (tool.stays) return `${tool.name}: ${much || 'nothing'}. It stays on the paper.`;
  const sets = setS === null ? 'never sets in air this damp' : `sets in ${formatSpan(setS)}`;
  return `${tool.name}: ${much || 'nothing'}. ${ml.toFixed(ml < 0.1 ? 3 : 2)} ml for all copies, ${sets}.`;
}
