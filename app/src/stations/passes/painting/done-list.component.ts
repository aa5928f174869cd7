import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { PaintingService } from '../../../state/painting.service';
import { PlanStore } from '../../../state/plan-store';
import { firstValueFrom } from 'rxjs';
import { Planner } from '../../../workers/planner.service';
import { Messages } from '../../../state/messages.service';
import { doneNotes, passesInWords } from './painting.view';

/** What was done on the sheet, and what of it the plan may take over. */
@Component({
  selector: 'kd-done-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>Done so far</h2>
    <p class="soft">
      {{ notes().length }} {{ notes().length === 1 ? 'act' : 'acts' }}. <b>U</b> takes the last back, and the
      paper’s clock with it.
    </p>
    @if (hasStrokes()) {
      <button class="plain" type="button" (click)="makePasses()">Make these the plan’s passes</button>
    }
    <ol>
      @for (note of shown(); track $index) {
        <li>
          <span class="at">{{ note.at }}</span>
          <span
            >{{ note.says }} <span class="soft">{{ note.onto }}</span></span
          >
        </li>
      } @empty {
        <li class="soft">Nothing yet. Wet the paper, then drop colour into it.</li>
      }
    </ol>
  `,
  styles: `
    ol {
      margin: 8px 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: grid;
      grid-template-columns: 62px 1fr;
      padding: 5px 0;
      border-bottom: 1px dotted #9aa0a4;
      font-size: 15px;
    }
    .at {
      color: var(--soft);
    }
  `,
})
export class DoneList {
  private readonly painting = inject(PaintingService);
  private readonly store = inject(PlanStore);
  private readonly messages = inject(Messages);
  private readonly worker = inject(Planner);
  private readonly plan = this.store.plan;
  readonly notes = computed(() => {
    const [plan, sheet] = [this.plan(), this.painting.sheet()];
    return plan && sheet ? doneNotes(plan, sheet.acts) : [];
  });
  readonly hasStrokes = computed(
    () => this.painting.sheet()?.acts.some(({ act }) => act.kind === 'stroke') ?? false,
  );

  async makePasses(): Promise<void> {
    const [plan, sheet] = [this.plan()!, this.painting.sheet()!];
    const made = await firstValueFrom(this.worker.asPasses(plan, sheet)).catch((cause: unknown) => {
      this.messages.stop(`No passes could be made of it: ${String(cause)}.`, 'The plan is as it was.');
      return null;
    });
    // The plan may have changed meanwhile: what was made for another is not laid on it.
    if (!made || this.plan() !== plan) return;
    this.store.do(...made.commands);
    this.messages.say(passesInWords(made), 'Undo takes them out again; the sheet stays as it is.');
  }

  readonly shown = computed(() => this.notes().slice(0, MOST_SHOWN));
}

/** More than this nobody reads down. */
const MOST_SHOWN = 80;
