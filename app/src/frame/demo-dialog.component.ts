import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Router } from '@angular/router';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { Dialog } from 'primeng/dialog';
import type { Plan } from '@kettle/core/document/plan';
import { BadInput } from '@kettle/core/kit/units';
import { CardShelf } from '../state/card-shelf';
import { Messages } from '../state/messages.service';

/** How a demo card stands here against the one that was shipped. */
interface DemoRow {
  readonly plan: Plan;
  readonly says: string;
  /** Nothing would change. */
  readonly same: boolean;
}

/** Puts demo cards back as they were shipped: those that are chosen, and no others. */
@Component({
  selector: 'kd-demo-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, Button, Checkbox, Dialog],
  template: `
    <p-dialog
      [visible]="true"
      [modal]="true"
      [draggable]="false"
      [resizable]="false"
      header="Put demo cards back"
      closeAriaLabel="Close"
      (visibleChange)="closed.emit()"
    >
      <p>What you have made of them is kept in Safekeeping, as an earlier state.</p>
      @for (row of rows(); track row.plan.id) {
        <div class="row">
          <p-checkbox
            [binary]="true"
            [disabled]="row.same"
            [ngModel]="chosen().has(row.plan.id)"
            (ngModelChange)="choose(row.plan.id, $event)"
            [ariaLabel]="row.plan.title"
            [inputId]="row.plan.id"
          />
          <label [for]="row.plan.id"
            >{{ row.plan.title }} <small>{{ row.says }}</small></label
          >
        </div>
      } @empty {
        <p>Reading them…</p>
      }
      <div class="row answers">
        <p-button label="Leave them" severity="secondary" [outlined]="true" (onClick)="closed.emit()" />
        <p-button label="Put the chosen cards back" [disabled]="chosen().size === 0" (onClick)="putBack()" />
      </div>
    </p-dialog>
  `,
  styles: `
    label {
      margin: 6px 0;
    }
    small {
      color: var(--soft);
    }
  `,
})
export class DemoDialog {
  private readonly shelf = inject(CardShelf);
  private readonly messages = inject(Messages);
  private readonly router = inject(Router);
  readonly closed = output();
  private readonly demo = signal<readonly Plan[]>([]);
  readonly chosen = signal<ReadonlySet<string>>(new Set());
  readonly rows = computed(() => {
    const unreadable = new Set(this.shelf.unreadable().map(({ id }) => id));
    return this.demo().map((plan) => rowOf(plan, this.shelf.cards(), unreadable.has(plan.id)));
  });

  constructor() {
    void this.load();
  }

  choose(id: string, chosen: boolean): void {
    this.chosen.update((known) => new Set(chosen ? [...known, id] : [...known].filter((one) => one !== id)));
  }

  async putBack(): Promise<void> {
    const plans = this.demo().filter(({ id }) => this.chosen().has(id));
    try {
      await this.shelf.putDemoBack(plans);
      this.messages.say(
        plans.length === 1
          ? `“${plans[0].title}” lies as it was shipped.`
          : `${plans.length} demo cards lie as they were shipped.`,
        'No other card was touched. What was made of them is in Safekeeping.',
      );
      await this.router.navigate(['/card', plans[0].id, 'passes']);
    } catch (cause) {
      if (!(cause instanceof BadInput)) throw cause;
      this.messages.stop(`No card was put back: ${cause.message}.`, 'All are as they were.');
    } finally {
      this.closed.emit();
    }
  }

  private async load(): Promise<void> {
    const { plans } = await this.shelf.demo();
    await this.shelf.refresh();
    this.demo.set(plans);
    this.chosen.set(new Set(this.rows().flatMap(({ plan, says }) => (says === MISSING ? [plan.id] : []))));
  }
}

const MISSING = 'not on the rack';

function rowOf(plan: Plan, cards: readonly Plan[], isUnreadable: boolean): DemoRow {
  const here = cards.find(({ id }) => id === plan.id);
  if (!here) return { plan, says: isUnreadable ? 'cannot be read' : MISSING, same: false };
  const same = JSON.stringify(here) === JSON.stringify(plan);
  return { plan, same, says: same ? 'as it was shipped' : 'changed by you' };
}
