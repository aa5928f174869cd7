import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { choreOf } from '@kettle/core/document/plan';
import { PlanStore } from '../../state/plan-store';
import { derivedResource } from '../../state/derived-resource';
import { Choice } from '../../ui/choice.component';
import { MASKS_FAULT } from './whites.view';
import { removalNotes } from './removals.view';

/** How the masks come off: when, in what order of moves, and where the paper may tear. */
@Component({
  selector: 'kd-removals',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice],
  template: `
    <section>
      <h2>Coming off</h2>
      @if (notes(); as notes) {
        @if (notes.rows.length === 0) {
          <p>Nothing is masked that comes off again.</p>
        } @else {
          <p>
            Masking fluid for all copies: <strong>{{ notes.fluid }}</strong>.
          </p>
          <ul>
            @for (row of notes.rows; track row.id) {
              <li>
                <strong>{{ row.name }}</strong>
                <p class="soft">{{ row.says }}</p>
                @if (row.tears) {
                  <p class="stop">May tear the paper: {{ row.tears }}.</p>
                }
              </li>
            }
          </ul>
          <div class="row">
            <kd-choice
              label="Rubbed off with"
              [options]="rubbers"
              [value]="plan()!.rules.removal"
              (valueChange)="store.do({ do: 'set-rules', change: { removal: $event } })"
            />
          </div>
          <ol>
            @for (step of notes.steps; track step) {
              <li>{{ step }}</li>
            }
          </ol>
          <p class="soft">{{ caution }}</p>
        }
      }
    </section>
  `,
  styleUrl: '../sketch/leaf.scss',
})
export class Removals {
  readonly store = inject(PlanStore);
  private readonly masks = derivedResource((worker, plan) => worker.reckonMasks(plan), MASKS_FAULT);
  readonly plan = this.store.plan;
  readonly caution = choreOf('mask-on').caution;
  readonly rubbers = [
    { id: 'finger', name: 'rubbed off with a dry finger' },
    { id: 'rubber', name: 'rubbed off with a soft rubber' },
  ] as const;
  readonly notes = computed(() => {
    const [plan, reckoning] = [this.plan(), this.masks()];
    return plan && reckoning && removalNotes(plan, reckoning);
  });
}
