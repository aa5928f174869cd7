import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import type { Command } from '@kettle/core/document/plan';
import { Messages } from '../../state/messages.service';
import { PlanStore } from '../../state/plan-store';
import { Planner } from '../../workers/planner.service';
import { proposalInWords } from './proposal.view';

/** The passes thought out anew from areas, whites and mixes: shown in words first, then taken in one step, or left. */
@Component({
  selector: 'kd-proposal',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button class="plain" type="button" [disabled]="busy()" (click)="ask()">Propose the passes</button>
    @if (told(); as words) {
      <p role="status">{{ words.length === 0 ? 'They are as they would be proposed.' : 'It would be:' }}</p>
      @if (words.length > 0) {
        <ol>
          @for (line of words; track $index) {
            <li>{{ line }}</li>
          }
        </ol>
        <button class="plain" type="button" (click)="take()">Take these passes</button>
        <button class="plain" type="button" (click)="answer.set(null)">Keep mine</button>
      }
    }
  `,
  styles: `
    :host {
      display: block;
      margin: 0 0 8px;
    }
    ol {
      margin: 4px 0;
      padding-left: 22px;
    }
  `,
})
export class ProposalView {
  private readonly store = inject(PlanStore);
  private readonly worker = inject(Planner);
  private readonly messages = inject(Messages);
  readonly busy = signal(false);
  readonly answer = signal<{ readonly of: unknown; readonly commands: readonly Command[] } | null>(null);
  /** What was proposed for a card that has changed since no longer fits it. */
  private readonly fresh = computed(() => {
    const answer = this.answer();
    return answer?.of === this.store.plan() ? answer : null;
  });
  readonly told = computed(() => {
    const [fresh, plan] = [this.fresh(), this.store.plan()];
    return fresh && plan ? proposalInWords(plan, fresh.commands) : null;
  });

  async ask(): Promise<void> {
    const plan = this.store.plan()!;
    this.busy.set(true);
    try {
      this.answer.set({ of: plan, commands: await firstValueFrom(this.worker.propose(plan)) });
    } catch (cause) {
      this.messages.stop(`No passes could be proposed: ${String(cause)}.`, 'The card is as it was.');
    } finally {
      this.busy.set(false);
    }
  }

  take(): void {
    this.store.do(...this.fresh()!.commands);
  }
}
