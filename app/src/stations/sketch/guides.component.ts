import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { InputText } from 'primeng/inputtext';
import type { Guide, GuideKind } from '@kettle/core/drawing/guides';
import { Messages } from '../../state/messages.service';
import { PlanStore } from '../../state/plan-store';
import { StudioStore } from '../../state/studio-store';
import { Choice } from '../../ui/choice.component';
import { LengthRow } from '../../ui/length-row.component';
import { circleRound, curvesInWords, fieldsOf, GUIDE_NAMES, nameOfGuide, newGuide } from './guides.view';

type Vessel = Extract<Guide, { kind: 'vessel' }>;

/** The guides that lie on the board, each with its numbers; new ones are laid from the list, or round what is in the hand. */
@Component({
  selector: 'kd-guides',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [InputText, Choice, LengthRow],
  templateUrl: './guides.component.html',
  styleUrl: './leaf.scss',
})
export class GuidesList {
  private readonly store = inject(PlanStore);
  private readonly studio = inject(StudioStore);
  private readonly messages = inject(Messages);
  /** Lines in the hand. */
  readonly picked = input.required<readonly string[]>();
  readonly plan = this.store.plan;
  readonly kinds = [...GUIDE_NAMES];
  readonly rows = computed(() => {
    const plan = this.plan();
    return (plan?.guides ?? []).map((guide) => ({
      guide,
      name: nameOfGuide(guide.kind),
      fields: fieldsOf(guide),
      agrees:
        guide.kind === 'vessel'
          ? curvesInWords(plan!, this.picked(), guide, (mm) => this.studio.length(mm))
          : null,
    }));
  });

  lay(kind: GuideKind): void {
    this.put(newGuide(kind, this.plan()!, newId()));
  }

  layRound(): void {
    const circle = circleRound(this.plan()!, this.picked(), newId());
    if (circle) this.put(circle);
    else
      this.messages.stop(
        'There is nothing in the hand.',
        'Take up the lines it is to go round, then lay it.',
      );
  }

  put(guide: Guide): void {
    this.store.do({ do: 'lay-guide', guide });
  }

  takeAway(guide: string): void {
    this.store.do({ do: 'take-guide', guide });
  }

  addRim(vessel: Vessel): void {
    const last = vessel.rims[vessel.rims.length - 1];
    this.put({ ...vessel, rims: [...vessel.rims, { ...last, yMm: last.yMm + 10 }] });
  }

  takeRim(vessel: Vessel, at: number): void {
    this.put({ ...vessel, rims: vessel.rims.filter((_, i) => i !== at) });
  }

  setMarks(guide: Extract<Guide, { kind: 'even' }>, field: HTMLInputElement): void {
    const marks = Number(field.value);
    if (Number.isInteger(marks) && marks >= 2 && marks <= 60) this.put({ ...guide, marks });
    else field.value = String(guide.marks);
  }

  setReceding(
    guide: Extract<Guide, { kind: 'receding' }>,
    key: 'count' | 'every',
    field: HTMLInputElement,
  ): void {
    const value = Number(field.value.replace(',', '.'));
    const fits =
      key === 'count' ? Number.isInteger(value) && value >= 2 && value <= 40 : value >= 0.05 && value <= 5;
    if (fits) this.put({ ...guide, [key]: value });
    else field.value = String(guide[key]);
  }

  /** The same horizon drawn by another hand. */
  drawAnew(guide: Extract<Guide, { kind: 'horizon' }>): void {
    this.put({ ...guide, seed: guide.seed + 1 });
  }
}

const newId = (): string => `guide-${crypto.randomUUID().slice(0, 8)}`;
