import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import { PanelPictureView } from '../../panel/panel-picture.component';
import { panelDrawing } from '../../panel/panel.view';
import { Messages } from '../../state/messages.service';
import { PlanStore } from '../../state/plan-store';
import { StudioStore } from '../../state/studio-store';
import { Choice } from '../../ui/choice.component';
import type { LookAhead } from '../../workers/table-api';
import { Planner } from '../../workers/planner.service';
import { compare, onlyThen, planIf, whatIfs } from './what-if.view';

/** The plan beside what it would be if something were otherwise: in time, in risk, in its look; taken in one step, or left. */
@Component({
  selector: 'kd-what-if',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice, PanelPictureView],
  templateUrl: './what-if.component.html',
  styleUrl: './what-if.component.scss',
})
export class WhatIfPanel {
  private readonly store = inject(PlanStore);
  private readonly studio = inject(StudioStore);
  private readonly worker = inject(Planner);
  private readonly messages = inject(Messages);
  /** What is ahead as it is planned. */
  readonly now = input.required<LookAhead>();
  readonly chosen = signal<string | null>(null);
  readonly options = computed(() => whatIfs(this.now().plan));
  private readonly answer = signal<{
    readonly of: LookAhead;
    readonly id: string;
    readonly then: LookAhead;
  } | null>(null);
  /** An answer about a plan that has changed since is an answer no longer. */
  readonly then = computed(() => {
    const answer = this.answer();
    return answer?.of === this.now() && answer.id === this.chosen() ? answer.then : null;
  });
  readonly rows = computed(() => (this.then() ? compare(this.now(), this.then()!) : []));
  readonly risks = computed(() => (this.then() ? onlyThen(this.now(), this.then()!) : []));
  readonly pictures = computed(() => {
    const then = this.then();
    return then
      ? [
          { name: 'As planned', drawing: panelDrawing(this.now().plan, this.now()) },
          { name: 'If so', drawing: panelDrawing(then.plan, then) },
        ]
      : [];
  });

  async ask(id: string): Promise<void> {
    this.chosen.set(id);
    const of = this.now();
    const plan = planIf(
      of.plan,
      this.options().find((option) => option.id === id)!,
    );
    try {
      const then = await firstValueFrom(this.worker.lookAhead(plan, 0, this.studio.desk()));
      this.answer.set({ of, id, then });
    } catch (cause) {
      this.messages.stop(
        `What would be could not be worked out: ${String(cause)}.`,
        'The card is as it was.',
      );
    }
  }

  take(): void {
    const whatIf = this.options().find(({ id }) => id === this.chosen())!;
    this.store.do(...whatIf.commands(this.store.plan()!));
    this.chosen.set(null);
  }
}
