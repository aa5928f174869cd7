import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import type { Command } from '@kettle/core/document/plan';
import { PlanStore } from '../../state/plan-store';
import { LengthField } from '../../ui/length-field.component';
import { AS_IT_IS, placeInHand, type Placement } from './sketch.view';

/** By how much a copy lies off what it was copied from, mm. */
const BESIDE_MM = 5;

/** What can be done with the lines in the hand, by press or by number; they are taken up one by one or all at once. */
@Component({
  selector: 'kd-in-hand',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, InputText, LengthField],
  templateUrl: './in-hand.component.html',
  styles: `
    input {
      width: 5em;
    }
    p-button {
      display: inline-block;
    }
  `,
})
export class InHand {
  private readonly store = inject(PlanStore);
  readonly picked = input.required<readonly string[]>();
  readonly pick = output<readonly string[]>();
  readonly plan = this.store.plan;
  readonly placement = signal(AS_IT_IS);
  readonly says = computed(() => {
    const [picked, all] = [this.picked().length, this.plan()?.lines.length ?? 0];
    if (all === 0) return 'Nothing is drawn yet.';
    const lines = all === 1 ? '1 line' : `${all} lines`;
    return picked === 0 ? `None of ${lines} is in the hand.` : `${picked} of ${lines} in the hand.`;
  });

  set(change: Partial<Placement>): void {
    this.placement.update((placement) => ({ ...placement, ...change }));
  }

  setNumber(key: 'turnDeg' | 'percent', field: HTMLInputElement): void {
    const value = Number(field.value.replace(',', '.'));
    const fits =
      field.value.trim() !== '' && (key === 'turnDeg' ? Math.abs(value) <= 360 : value >= 1 && value <= 1000);
    if (fits) this.set({ [key]: value });
    field.value = String(this.placement()[key]);
  }

  /** The next line after the one in the hand, in the order they were drawn. */
  takeNext(): void {
    const lines = this.plan()?.lines ?? [];
    const at = lines.findIndex(({ id }) => id === this.picked().at(-1));
    const next = lines[(at + 1) % lines.length];
    this.pick.emit([next.id]);
  }

  takeAll(): void {
    this.pick.emit(this.plan()!.lines.map(({ id }) => id));
  }

  place(placement: Placement): void {
    this.store.do(...placeInHand(this.plan()!, this.picked(), placement, null));
    this.placement.set(AS_IT_IS);
  }

  mirror(mirror: Placement['mirror']): void {
    this.place({ ...AS_IT_IS, mirror });
  }

  drawAgain(): void {
    const commands = placeInHand(
      this.plan()!,
      this.picked(),
      { ...AS_IT_IS, rightMm: BESIDE_MM, downMm: BESIDE_MM },
      () => `copy-${crypto.randomUUID().slice(0, 8)}`,
    );
    this.store.do(...commands);
    this.pick.emit(drawnBy(commands));
  }

  rubOut(): void {
    this.store.do({ do: 'redraw-lines', gone: [...this.picked()], lines: [] });
    this.pick.emit([]);
  }
}

const drawnBy = (commands: readonly Command[]): string[] =>
  commands.flatMap((command) => (command.do === 'redraw-lines' ? command.lines.map(({ id }) => id) : []));
