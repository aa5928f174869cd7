import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Button } from 'primeng/button';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { filter } from 'rxjs';
import type { Plan } from '@kettle/core/document/plan';
import { traceSheet } from '@kettle/core/files/prints';
import { latest } from '../../state/latest';
import { LetteringService } from '../../state/lettering.service';
import { LookAheadService } from '../../state/look-ahead.service';
import { Messages } from '../../state/messages.service';
import { PlanStore } from '../../state/plan-store';
import { Choice } from '../../ui/choice.component';
import { handOver } from '../../ui/hand-over';
import { Planner } from '../../workers/planner.service';
import { choresToAdd, finishRows } from './finish.view';

/** A burst of changes is drawn once, ms. */
const SETTLE_MS = 60;

/** What is left when the paint is on: chores in an order that can be changed, and the trace sheet to print. */
@Component({
  selector: 'kd-finish',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Choice],
  template: `
    @if (plan(); as plan) {
      <div class="station">
        <div class="table">
          <h1>Finish</h1>
          <p class="soft">A good order. Change it as you like; the waits follow.</p>
          <ol>
            @for (row of rows(); track row.id) {
              <li [attr.data-chore]="row.id">
                @if (row.wait) {
                  <p class="wait">{{ row.wait }}</p>
                }
                <h2>{{ row.says }}</h2>
                <p class="soft">{{ row.when }}</p>
                @if (row.gate) {
                  <p>{{ row.gate }}</p>
                }
                @if (row.caution) {
                  <p class="stop">{{ row.caution }}</p>
                }
                <button
                  class="plain"
                  type="button"
                  [attr.aria-label]="'Earlier: ' + row.says"
                  (click)="move(row.id, -1)"
                >
                  Earlier
                </button>
                <button
                  class="plain"
                  type="button"
                  [attr.aria-label]="'Later: ' + row.says"
                  (click)="move(row.id, 1)"
                >
                  Later
                </button>
                <button
                  class="plain"
                  type="button"
                  [attr.aria-label]="'Leave it out: ' + row.says"
                  (click)="leaveOut(row.id)"
                >
                  Leave it out
                </button>
              </li>
            } @empty {
              <li>
                <p>
                  {{
                    ahead()
                      ? 'Nothing can be finished: what it waits for never dries in this air.'
                      : 'Working out the waits…'
                  }}
                </p>
              </li>
            }
          </ol>
          @if (more().length > 0) {
            <kd-choice
              [options]="more()"
              [value]="null"
              (valueChange)="add($event)"
              label="Add another chore"
              placeholder="Add another chore"
            />
          }
        </div>
        <div class="notes">
          @if (template()) {
            <h2>Cutting template</h2>
            <p class="soft">
              Mirrored, for the back: prick the crosses through, cut with several light cuts along a metal
              ruler, fingers behind the blade.
            </p>
            <p-button
              label="Take the cutting template as SVG"
              (onClick)="saveTemplate()"
              data-testid="template"
            />
          }
          <h2>Trace sheet</h2>
          <p class="soft">At true size, with a bar of 50 mm to check the printer by.</p>
          <img [src]="sheetUrl()" alt="The trace sheet: panel, areas and pencil lines" />
          <p-button label="Take the trace sheet as SVG" (onClick)="save()" data-testid="trace" />
          <kd-choice
            label="Which way round the trace sheet is"
            [options]="ways"
            [value]="mirrored()"
            (valueChange)="mirrored.set($event)"
          />
        </div>
      </div>
    }
  `,
  styles: `
    ol {
      max-width: 720px;
      margin: 18px 0;
      padding: 0;
      list-style: none;
    }
    li {
      padding: 12px 0;
      border-bottom: 1px dotted #8a9096;
    }
    .wait {
      color: var(--teal);
      font-weight: 700;
    }
    .plain:first-of-type {
      padding-left: 0;
    }
    img {
      display: block;
      width: 100%;
      margin: 14px 0;
      background: #fff;
      border: 1px solid var(--rule);
    }
  `,
})
export class FinishStation {
  private readonly store = inject(PlanStore);
  readonly plan = this.store.plan;
  readonly ahead = inject(LookAheadService).ahead;
  readonly rows = computed(() =>
    this.plan() && this.ahead() ? finishRows(this.plan()!, this.ahead()!) : [],
  );
  readonly more = computed(() => (this.plan() ? choresToAdd(this.plan()!) : []));
  private readonly lettering = inject(LetteringService);
  readonly mirrored = signal(false);
  readonly ways = [
    { id: false, name: 'as it is seen' },
    { id: true, name: 'mirrored' },
  ];
  private readonly sheet = computed(() =>
    traceSheet(this.plan()!, { settings: this.lettering.settings(), mirrored: this.mirrored() }),
  );
  private readonly worker = inject(Planner);
  private readonly messages = inject(Messages);
  /** What is cut out and folded, to be laid on the card; `null` where nothing is. */
  readonly template = toSignal(
    toObservable(this.plan).pipe(
      filter((plan): plan is Plan => plan !== null),
      latest(
        SETTLE_MS,
        (plan) => this.worker.cutTemplate(plan),
        (cause) =>
          this.messages.stop(
            `The cutting template could not be drawn: ${String(cause)}.`,
            'The card is safe.',
          ),
      ),
    ),
    { initialValue: null },
  );
  readonly sheetUrl = computed(() => `data:image/svg+xml,${encodeURIComponent(this.sheet())}`);

  move(id: string, by: number): void {
    const from = this.plan()!.acts.findIndex((act) => act.id === id);
    this.store.do({ do: 'move-act', act: id, to: Math.max(0, from + by) });
  }

  leaveOut(id: string): void {
    this.store.do({ do: 'remove-act', act: id });
  }

  add(chore: string | null): void {
    if (chore)
      this.store.do({
        do: 'add-act',
        before: null,
        act: { kind: 'chore', id: chore, chore, areas: [], handsS: null },
      });
  }

  saveTemplate(): void {
    handOver(this.template()!, `${this.plan()!.title}, cutting template.svg`, 'image/svg+xml');
  }

  save(): void {
    handOver(
      this.sheet(),
      `${this.plan()!.title}, trace sheet${this.mirrored() ? ', mirrored' : ''}.svg`,
      'image/svg+xml',
    );
  }
}
